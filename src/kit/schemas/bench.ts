import { BENCH_PROGRAMS, type BenchResult } from '../../core/kit/model.ts';
import { amount, id, isoDate, MAX_RATE_MBPS, note, text } from './parts.ts';
import { objectOf, oneOf, orNull } from './shape.ts';

export const benchSchema = objectOf<BenchResult>({
  id,
  cardId: id,
  date: orNull(isoDate),
  reader: orNull(text(120)),
  port: orNull(text(120)),
  program: oneOf(BENCH_PROGRAMS).required(),
  readMBps: orNull(amount(MAX_RATE_MBPS)),
  writeMBps: orNull(amount(MAX_RATE_MBPS)),
  lowestWriteMBps: orNull(amount(MAX_RATE_MBPS)),
  note,
});

export { benchSchema as schema };
