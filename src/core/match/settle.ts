import { isSd } from '../standards/forms.ts';
import type { Finding } from './finding.ts';
import { rankOf, type Verdict } from './verdict.ts';

/** What a rule that passes earns by itself. */
export const EARNED: Readonly<Partial<Record<Finding['rule'], Verdict>>> = {
  headroom: 'guaranteed',
  approved: 'guaranteed',
  guarantee: 'tight',
  'makers-minimum': 'tight',
  'own-tests': 'proven',
  'makers-figure': 'claimed',
};

/** What it earns by half. */
const NOTED: Readonly<Partial<Record<Finding['rule'], Verdict>>> = {
  approved: 'tight',
  'own-tests': 'held',
  'makers-minimum': 'claimed',
};

/** What is in writing falls where the slot's bus may be too slow, or the slot may not read the card; a take or an approval does not. */
const standsAlone = (rule: Finding['rule']): boolean => rule === 'own-tests' || rule === 'approved';

/** The verdict a rule's finding earns; null where it earns none. */
function earnedBy({ rule, outcome }: Finding, slotUnsure: boolean): Verdict | null {
  if (slotUnsure && !standsAlone(rule)) return null;
  if (outcome === 'pass') return EARNED[rule] ?? null;
  if (outcome !== 'note') return null;
  return NOTED[rule] ?? null;
}

const lower = (a: Verdict, b: Verdict): Verdict => (rankOf(a) > rankOf(b) ? a : b);

/**
 * The verdict the findings add up to, worst news first [domain.md §5]; one pass, since a large board asks often. A ceiling
 * without headroom makes a guarantee tight. Where own tests speak against each other nothing counts beyond what a take held; on a card
 * with a fault that nobody settled nothing counts at all. The bus comes before every rule that hangs on it.
 */
export function settle(findings: readonly Finding[]): Verdict {
  let locked = false;
  let drops = false;
  let thin = false;
  let slotUnsure = false;
  let best: Verdict = 'uncovered';
  let most: Verdict = 'guaranteed';
  for (const finding of findings) {
    const { rule, outcome } = finding;
    if (outcome === 'block') {
      if (rule !== 'requirement') return 'unfit';
      locked = true;
    } else if (outcome === 'short') {
      if (rule === 'fault') most = 'uncovered';
      drops ||= rule === 'bus' || rule === 'body-ceiling' || rule === 'own-tests';
    } else if (rule === 'bus') {
      thin ||= finding.thin;
      slotUnsure ||= outcome === 'unknown' && finding.ceiling !== null;
    } else if (rule === 'shape') {
      // What an adapter of SD carries the standard says; whether a body takes another is its maker's to say.
      slotUnsure ||= finding.outcome === 'note' && !isSd(finding.card);
    } else if (rule === 'family') {
      slotUnsure ||= finding.isAsked;
    } else if (rule === 'body-ceiling') {
      thin ||= outcome === 'note';
    } else {
      if (rule === 'own-tests' && finding.contradicts && outcome !== 'pass')
        most = lower(most, outcome === 'note' ? 'held' : 'uncovered');
      const earned = earnedBy(finding, slotUnsure);
      if (earned && rankOf(earned) < rankOf(best)) best = earned;
    }
  }
  if (locked) return 'locked';
  if (drops) return 'drops';
  const found = thin && best === 'guaranteed' ? 'tight' : best;
  return rankOf(found) < rankOf(most) ? most : found;
}
