import type { Report } from '../../kit/model.ts';
import { TEST_FIT } from '../../standards/assumptions.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { fromMegabytes } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';
import type { TestsFinding } from './ownTests.ts';

/** What colleagues' tests say. */
export type ReportedFinding = Extract<Finding, { rule: 'reported' }>;

/**
 * What colleagues report of a body and a print, for a mode: read beside one's own tests, and moving nothing. Their bytes and
 * their room are not known here, so that a full take counts for the rate they gave and for no more.
 *
 * @param reports - of this body and this print
 * @param own - what one's own tests say
 */
export function reportedRule(
  reports: readonly Report[],
  modeId: string,
  need: BytesPerSecond,
  own: TestsFinding,
): ReportedFinding | null {
  const about = ({ end, writtenMBps, ...report }: Report): boolean => {
    const rate = fromMegabytes(writtenMBps);
    const sameMode = report.modeId === modeId;
    if (end === 'full') return rate * (1 + TEST_FIT.tolerance) >= need;
    return end === 'dropped' && (sameMode || rate <= need);
  };
  const told = reports.filter(about);
  if (told.length === 0) return null;
  const drops = told.filter(({ end }) => end === 'dropped').length;
  const passes = told.length - drops;
  return {
    rule: 'reported',
    outcome: drops > 0 && passes === 0 ? 'unknown' : 'note',
    passes,
    drops,
    from: [...new Set(told.flatMap(({ from }) => from ?? []))],
    newest:
      told
        .map(({ date, received }) => (date ?? received).slice(0, 10))
        .sort()
        .at(-1) ?? '',
    contradicts: (own.outcome === 'pass' && drops > 0) || (own.outcome === 'short' && passes > 0),
    reportIds: told.map(({ id }) => id),
  };
}
