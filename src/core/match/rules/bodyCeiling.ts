import type { Body } from '../../kit/model.ts';
import { covers } from '../../units/amount.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import { fromMegabytes } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

/**
 * Compares the need and its headroom with a ceiling inside the body, below its slot's bus; null where none is known. It is
 * the stream's: cards that share the stream share it too.
 *
 * @param shares - cards that share the stream, 1 or more
 */
export function bodyCeilingRule(
  body: Pick<Body, 'ceilingMBps'>,
  need: BytesPerSecond,
  headroom: PerMille,
  shares = 1,
): Finding | null {
  if (body.ceilingMBps === null) return null;
  const ceiling = Math.floor(fromMegabytes(body.ceilingMBps) / shares) as BytesPerSecond;
  const outcome = ceiling < need ? 'short' : covers(ceiling, need, headroom) ? 'pass' : 'note';
  return { rule: 'body-ceiling', outcome, ceiling, need };
}
