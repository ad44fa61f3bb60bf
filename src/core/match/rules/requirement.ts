import { printedMarks } from '../../label/printedMarks.ts';
import type { Body, Card, Mode, Requirement } from '../../model/kit.ts';
import { isMark, mark, promiseOf, type Series } from '../../standards/marks.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
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

/** What a body asks for one mode: the mode's own requirements, then those of its group and of all modes. */
export function requirementsOf(body: Pick<Body, 'groupRequires'>, mode: Pick<Mode, 'requires' | 'group'>) {
  const shared = (body.groupRequires ?? []).filter(({ group }) => group === null || group === mode.group);
  return shared.length === 0 ? mode.requires : [...mode.requires, ...shared];
}

/** Whether even the smallest mark asked for promises more than the rate needs; words like SDXC promise nothing. */
function isBeyond(anyOf: readonly string[], wanted: BytesPerSecond): boolean {
  const promises = anyOf.flatMap((text) => (isMark(text) ? [promiseOf(text)] : []));
  return promises.length > 0 && promises.every((promise) => promise > wanted * BEYOND);
}

/** How far over the need with headroom a mark must promise before it is called more than needed [A]. */
const BEYOND = 1.25;

/**
 * What the body asks of a card for this mode, whatever the card's real speed. Firmware reads what is printed into the
 * card, so printed marks count here even where their promise is not in force.
 *
 * @param wanted - the need with headroom, against which a requirement is called more than the rate needs
 */
export function requirementRule(
  asked: readonly Requirement[],
  card: Pick<Card, 'marks'>,
  wanted: BytesPerSecond,
): readonly Finding[] {
  if (asked.length === 0) return NONE;
  const marks = printedMarks(card.marks);
  return asked.map((one) => {
    const { anyOf, whenMissing } = one;
    const metBy = meets(one, marks);
    const outcome = metBy !== null ? 'pass' : whenMissing === 'refuses' ? 'block' : 'note';
    const beyond = isBeyond(anyOf, wanted) ? wanted : null;
    return { rule: 'requirement', outcome, anyOf, whenMissing, metBy, beyond };
  });
}
