import { move, transferableSymbol, valueSymbol } from 'piscina';
import { doJob } from './doJob.ts';
import type { Done, Job } from './work.ts';

/** In a worker thread: the answer is handed over without being copied. */
export default async function work(job: Job): Promise<unknown> {
  const done = await doJob(job);
  // A small buffer shares its memory with others, and a shared one cannot be handed over.
  const body = Uint8Array.from(done.body);
  const answer: Done = { ...done, body };
  return move({ [transferableSymbol]: [body.buffer], [valueSymbol]: answer } as unknown as ArrayBuffer);
}
