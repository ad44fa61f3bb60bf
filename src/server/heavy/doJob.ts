import { gzipSync } from 'node:zlib';
import { answerToBody } from '../answerTo.ts';
import { callAt } from '../calls.ts';
import type { Done, Job } from './work.ts';

/** Below this an answer is not worth compressing, bytes. */
const WORTH_ZIPPING = 2000;

/** Works a heavy call out, from its bytes to the bytes of its answer. */
export async function doJob({ path, zip, ...raw }: Job): Promise<Done> {
  const call = callAt(path);
  if (!call) throw new Error(`no call ${path}`);
  const { status, text } = await answerToBody(call, raw);
  const plain = Buffer.from(text, 'utf8');
  if (!zip || plain.byteLength < WORTH_ZIPPING) return { status, body: plain, zipped: false };
  return { status, body: gzipSync(plain, { level: 4 }), zipped: true };
}
