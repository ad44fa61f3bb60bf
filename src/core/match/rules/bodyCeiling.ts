import type { Body } from '../../model/kit.ts';
import { covers } from '../../units/amount.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import { fromMBps } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

/** Compares the need and its headroom with a ceiling inside the body, below its slot's bus; null where none is known. */
export function bodyCeilingRule(
  body: Pick<Body, 'ceilingMBps'>,
  need: BytesPerSecond,
  headroom: PerMille,
): Finding | null {
  if (body.ceilingMBps === null) return null;
  const ceiling = fromMBps(body.ceilingMBps);
  const outcome = ceiling < need ? 'short' : covers(ceiling, need, headroom) ? 'pass' : 'note';
  return { rule: 'body-ceiling', outcome, ceiling, need };
}
