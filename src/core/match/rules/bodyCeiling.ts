import type { Body } from '../../model/kit.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { fromMBps } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

/** Compares the need with a ceiling inside the body, below its slot's bus; null where none is known. */
export function bodyCeilingRule(body: Pick<Body, 'ceilingMBps'>, need: BytesPerSecond): Finding | null {
  if (body.ceilingMBps === null) return null;
  const ceiling = fromMBps(body.ceilingMBps);
  return { rule: 'body-ceiling', outcome: ceiling < need ? 'short' : 'pass', ceiling, need };
}
