import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Clips that ffmpeg makes here and now, in a folder that is removed at the end. */
export function clipFolder() {
  const folder = mkdtempSync(join(tmpdir(), 'cool-reel-clips-'));
  return {
    /** Makes a clip from ffmpeg's own test source and answers its path. */
    make(name: string, args: readonly string[]): string {
      const file = join(folder, name);
      execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', ...args, file]);
      return file;
    },
    remove: () => rmSync(folder, { recursive: true, force: true }),
  };
}

/** What ffprobe says of one entry of the video stream, a line a value. */
export const probe = (file: string, entry: string): readonly string[] =>
  execFileSync('ffprobe', ['-v', 'error', '-select_streams', 'v', '-show_entries', entry, '-of', 'csv=p=0', file], {
    encoding: 'utf8',
  })
    .split('\n')
    .filter(Boolean);
