// A clip of more than ten minutes and a gigabyte inspected, beside ffprobe listing its packets, in one run.

import { execFileSync } from 'node:child_process';
import { mkdtempSync, openAsBlob, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { clipSteps } from '../src/reading/clips/readClip.ts';
import { few } from './few.mjs';

const folder = mkdtempSync(join(tmpdir(), 'cool-reel-bench-'));
try {
  const [short, long] = [join(folder, 'short.mp4'), join(folder, 'long.mp4')];
  const ffmpeg = (...args: string[]): unknown => execFileSync('ffmpeg', ['-v', 'error', '-y', ...args]);
  const source = ['-f', 'lavfi', '-i', 'testsrc2=s=1280x720:r=50:d=10', '-f', 'lavfi', '-i', 'sine=d=10'];
  const codecs = ['-c:v', 'libx264', '-preset', 'ultrafast', '-b:v', '15M', '-minrate', '15M', '-maxrate', '15M'];
  ffmpeg(...source, ...codecs, '-bufsize', '3M', '-x264-params', 'nal-hrd=cbr', '-g', '25', '-c:a', 'aac', short);
  ffmpeg('-stream_loop', few('64', '2'), '-i', short, '-c', 'copy', long);
  const { size } = statSync(long);
  const timed = async (task: () => Promise<unknown>): Promise<number> => {
    const start = performance.now();
    await task();
    return performance.now() - start;
  };
  let bytesRead = 0;
  let seconds = 0;
  const [own, peer]: [number[], number[]] = [[], []];
  for (let run = 0; run < few(3, 2); run += 1) {
    own.push(
      await timed(async () => {
        const steps = clipSteps(await openAsBlob(long));
        for (let next = await steps.next(); ; next = await steps.next()) {
          if (!next.done) continue;
          if (!next.value.ok) throw new Error(JSON.stringify(next.value.error));
          bytesRead = next.value.value.bytesRead;
          seconds = next.value.value.clip.seconds;
          break;
        }
      }),
    );
    peer.push(
      await timed(async () =>
        execFileSync('ffprobe', ['-v', 'error', '-show_packets', '-of', 'csv', long], { maxBuffer: 1e9 }),
      ),
    );
  }
  const middle = (times: number[]): number => times.sort((a, b) => a - b)[1] as number;
  console.log(`clip of ${(seconds / 60).toFixed(1)} min and ${(size / 1e9).toFixed(2)} GB`);
  console.log(`  ffprobe -show_packets  ${middle(peer).toFixed(0)} ms`);
  console.log(
    `  inspected              ${middle(own).toFixed(0)} ms → ${(middle(own) / middle(peer)).toFixed(2)} times (aim at most 0.5)`,
  );
  console.log(`  bytes read             ${((bytesRead / size) * 100).toFixed(3)} % of the file (aim under 2)`);
} finally {
  rmSync(folder, { recursive: true, force: true });
}
