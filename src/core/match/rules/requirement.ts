import { printedMarks } from '../../label/printedMarks.ts';
import type { Card, Mode, Requirement } from '../../model/kit.ts';
import { isMark, mark, type Series } from '../../standards/marks.ts';
import type { Finding } from '../finding.ts';

const SD_ORDER: readonly Series[] = ['C', 'U', 'V', 'E'];

/**
 * Whether one printed mark does what another asks: the same series and as much, or a later SD series and as much (a
 * V30 card does what U3 asks; a U3 card does not do what V30 asks) [A].
 */
function answers(printed: string, asked: string): boolean {
  if (printed.toUpperCase() === asked.toUpperCase()) return true;
  if (!isMark(printed) || !isMark(asked)) return false;
  const has = mark(printed);
  const wants = mark(asked);
  if (has.promisesMBps < wants.promisesMBps) return false;
  if (has.series === wants.series) return true;
  const hasRank = SD_ORDER.indexOf(has.series);
  const wantsRank = SD_ORDER.indexOf(wants.series);
  return hasRank >= 0 && wantsRank >= 0 && hasRank > wantsRank;
}

function meets(requirement: Requirement, marks: readonly string[]): string | null {
  for (const asked of requirement.anyOf) {
    const found = marks.find((printed) => answers(printed, asked));
    if (found !== undefined) return found;
  }
  return null;
}

const NONE: readonly Finding[] = [{ rule: 'requirement', outcome: 'pass', anyOf: null }];

/**
 * What the body asks of a card for this mode, whatever the card's real speed. Firmware reads what is printed into the
 * card, so printed marks count here even where their promise is not in force.
 */
export function requirementRule(mode: Pick<Mode, 'requires'>, card: Pick<Card, 'marks'>): readonly Finding[] {
  if (mode.requires.length === 0) return NONE;
  const marks = printedMarks(card.marks);
  return mode.requires.map(({ anyOf, whenMissing }) => {
    const metBy = meets({ anyOf, whenMissing }, marks);
    const outcome = metBy !== null ? 'pass' : whenMissing === 'refuses' ? 'block' : 'note';
    return { rule: 'requirement', outcome, anyOf, whenMissing, metBy };
  });
}
