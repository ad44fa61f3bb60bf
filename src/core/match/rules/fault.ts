import { recordedFault } from '../../cards/recordedFault.ts';
import type { Card } from '../../kit/model.ts';
import type { Finding } from '../finding.ts';

/** What was noted of this very card and not settled; null where nothing was. */
export function faultRule(card: Pick<Card, 'incidents' | 'verified'>): Extract<Finding, { rule: 'fault' }> | null {
  const incident = recordedFault(card);
  return incident && { rule: 'fault', outcome: 'short', incident };
}
