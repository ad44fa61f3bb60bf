import { busOf, speaks } from '../../cards/printedBus.ts';
import { printedWords } from '../../cards/printedMarks.ts';
import { type LabelWord, readWord, shownSpelling } from '../../cards/vocabulary.ts';
import type { Body, Card, Mode, Requirement } from '../../kit/model.ts';
import { bus } from '../../standards/buses.ts';
import { familyOf } from '../../standards/families.ts';
import { type Form, isSd } from '../../standards/forms.ts';
import { type Mark, mark, promiseOf, type Series } from '../../standards/marks.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { fromGigabytes } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

/** Series of the SD interface; Express classes stand apart, since a body that asks for a video class reads that [A]. */
const SD_ORDER: readonly Series[] = ['C', 'U', 'V'];

/**
 * Whether one printed mark does what another asks: the same series and as much, or a later SD series and as much (a
 * V30 card does what U3 asks; a U3 card does not do what V30 asks) [A].
 */
function markAnswers(printed: Mark, asked: Mark): boolean {
  const has = mark(printed);
  const wants = mark(asked);
  if (has.promisesMBps < wants.promisesMBps) return false;
  if (has.series === wants.series) return true;
  const hasRank = SD_ORDER.indexOf(has.series);
  const wantsRank = SD_ORDER.indexOf(wants.series);
  return hasRank >= 0 && wantsRank >= 0 && hasRank > wantsRank;
}

/** Whether one printed word does what another asks; A2 does what A1 asks. A body reads its own family and no larger one. */
function wordAnswers(printed: LabelWord, asked: LabelWord): boolean {
  if (printed.kind === 'mark' && asked.kind === 'mark') return markAnswers(printed.mark, asked.mark);
  if (printed.kind === 'app' && asked.kind === 'app') return printed.app >= asked.app;
  if (printed.kind === 'family' && asked.kind === 'family') return printed.family === asked.family;
  if (printed.kind === 'version' && asked.kind === 'version') return printed.text === asked.text;
  return false;
}

/** What of a card is asked for. */
type Asked = Pick<Card, 'form' | 'bus' | 'marks' | 'capacityGB'>;

/** What of a card meets a requirement, in the spelling of headings; null where nothing does. */
function meets({ anyOf }: Requirement, card: Asked): string | null {
  const words = printedWords(card.marks);
  for (const text of anyOf) {
    const asked = readWord(text);
    if (asked?.kind === 'bus') {
      const own = busOf(card).bus;
      if (own !== null && speaks(own, asked.bus)) return shownSpelling(text);
      continue;
    }
    // What a card holds tells its family as well as its print does.
    if (asked?.kind === 'family' && !words.some((word) => word?.kind === 'family')) {
      if (isSd(card.form) && familyOf(fromGigabytes(card.capacityGB)) === asked.family) return shownSpelling(text);
      continue;
    }
    const at = card.marks.findIndex((own, place) => {
      const word = words[place] ?? null;
      return asked && word ? wordAnswers(word, asked) : own.trim().toUpperCase() === text.trim().toUpperCase();
    });
    const found = card.marks[at];
    if (found !== undefined) return shownSpelling(found);
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
  const promises = anyOf.flatMap((text) => {
    const word = readWord(text);
    return word?.kind === 'mark' ? [promiseOf(word.mark)] : [];
  });
  return promises.length > 0 && promises.every((promise) => promise > wanted * BEYOND);
}

/** How far over the need with headroom a mark must promise before it is called more than needed [A]. */
const BEYOND = 1.25;

/** Whether any of what is asked for can stand on a card of this form: a video class asked of SD says nothing of CFexpress. */
function canStandOn(form: Form, anyOf: readonly string[]): boolean {
  return anyOf.some((text) => {
    const word = readWord(text);
    switch (word?.kind) {
      case 'mark':
        return mark(word.mark).forms.includes(form);
      case 'family':
      case 'app':
        return isSd(form);
      case 'bus':
        return bus(word.bus).forms.includes(form);
      default:
        return true;
    }
  });
}

/**
 * What the body asks of a card for this mode, whatever the card's real speed. Both are read as labels are, however they
 * are spelled. Firmware reads what is printed into the card, so printed marks count here even where their promise is not
 * in force.
 *
 * @param wanted - the need with headroom, against which a requirement is called more than the rate needs
 * @param body - its slots: marks that exist on one form it takes say nothing of a card of another, unless it is told to
 *   refuse those too
 */
export function requirementRule(
  asked: readonly Requirement[],
  card: Asked,
  wanted: BytesPerSecond,
  { slots, otherForms = null }: Pick<Body, 'slots' | 'otherForms'>,
): readonly Finding[] {
  if (asked.length === 0) return NONE;
  return asked.map((one) => {
    const { whenMissing } = one;
    const anyOf = one.anyOf.map(shownSpelling);
    const metBy = meets(one, card);
    const isOfOthers =
      !canStandOn(card.form, one.anyOf) &&
      slots.some(({ accepts }) => accepts.some(({ form }) => canStandOn(form, one.anyOf)));
    const elsewhere = isOfOthers ? { form: card.form, does: otherForms } : null;
    const isOpen = elsewhere !== null && otherForms !== 'refused';
    const outcome =
      metBy !== null || (elsewhere && otherForms === 'allowed')
        ? 'pass'
        : whenMissing === 'refuses' && !isOpen
          ? 'block'
          : 'note';
    const beyond = isBeyond(anyOf, wanted) ? wanted : null;
    return { rule: 'requirement', outcome, anyOf, whenMissing, metBy, beyond, elsewhere };
  });
}
