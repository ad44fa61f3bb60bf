import type { Verdict } from '../../core/match/verdict.ts';
import { assertNever } from '../../core/result.ts';
import { bus } from '../../core/standards/buses.ts';
import { family } from '../../core/standards/families.ts';
import { type Form, form, isSd } from '../../core/standards/forms.ts';
import { SOURCES } from '../../core/standards/sources.ts';
import { either, MBpsText } from '../quantity.ts';
import type { Line, Of } from './findingLine.ts';
import { VERDICT_WORDS } from './verdict.ts';

/** Lines about where a card sits: shape, protocol, family, bus, arrangement, seats. */
const formNames = (forms: readonly Form[]): string => either([...new Set(forms.map((key) => form(key).name))]);

export function shapeLine(finding: Of<'shape'>): Line {
  const own = form(finding.card).name;
  if (finding.outcome !== 'block') {
    return finding.adapter
      ? {
          text: `${own} enters through its adapter`,
          figure: own,
          more: isSd(finding.card)
            ? 'Ordinary ones carry one row of contacts: UHS-I at most. Check that its lock switch is open.'
            : 'Not every body takes one: nothing in writing counts until its maker says so, or a take shows it.',
        }
      : { text: `${own} fits the slot`, figure: own };
  }
  return finding.accepts.length === 0
    ? { text: 'This body has no slot that takes a card', figure: '', more: 'Add one under Bodies.' }
    : { text: `${own} does not enter`, figure: `takes ${formNames(finding.accepts)}` };
}

export function protocolLine(finding: Of<'protocol'>): Line {
  const { name, protocol } = form(finding.card);
  return finding.outcome === 'pass'
    ? { text: `The slot speaks ${name}`, figure: protocol }
    : {
        text: `Same shape, other protocol: the slot does not speak ${name}`,
        figure: `takes ${formNames(finding.accepts)}`,
        more: 'A body must name each of the two.',
      };
}

export function familyLine({ outcome, card, slot, isAsked }: Of<'family'>): Line {
  const own = card === null ? 'past SDUC' : family(card).name;
  if (isAsked) {
    return {
      text: `Does the slot read ${own} at all? That is not entered`,
      figure: own,
      more: 'Many do not. Nothing printed counts until the manual says so, or a take shows it.',
    };
  }
  if (outcome === 'unknown') {
    return { text: 'Capacity family the slot reads is not entered', figure: own, more: 'Check the manual.' };
  }
  const host = slot === null ? '' : family(slot).name;
  return outcome === 'pass'
    ? { text: `The slot reads ${host} and below`, figure: own }
    : { text: `The slot reads ${host} and below, this card is ${own}`, figure: own };
}

/** Said where so little is left that a row that is somewhat off would change the answer. */
const BUS_REMEMBERED = ' What a bus carries is from memory of the standard: test it with a take.';

export function busLine(finding: Of<'bus'>): Line {
  const { inForce, ceiling, sure, need, known, surplus, card, slotTold, adapter, thin } = finding;
  if (inForce === null || ceiling === null) {
    return { text: 'Bus not known: only the maker can say', figure: '—' };
  }
  const figure = MBpsText(ceiling);
  const name = bus(inForce).name;
  if (!slotTold) {
    return {
      text: `The slot’s bus is not entered: counted as ${name}, the slowest of its form`,
      figure,
      more:
        finding.outcome === 'unknown'
          ? `The stream needs ${MBpsText(need)}. Nothing in writing counts until the bus is told.`
          : 'What every slot of its form can do. Tell the slot’s bus under Bodies.',
    };
  }
  if (finding.outcome === 'unknown' && sure !== null) {
    return {
      text: `${name} surely carries ${MBpsText(sure)}, the stream needs ${MBpsText(need)}`,
      figure: `${MBpsText(ceiling)} at most`,
      more:
        inForce === 'uhs-ii'
          ? 'More needs half duplex at 312 MB/s on both sides, which is optional: say so with the slot where its maker does, or test it.'
          : 'More than protocol surely leaves of the line: nothing in writing counts there. Test it.',
    };
  }
  if (finding.outcome === 'short') {
    return { text: `${name} is slower than the stream`, figure, more: `The stream needs ${MBpsText(need)}.` };
  }
  if (thin) {
    const remembered = SOURCES[bus(inForce).source].fromMemory ? BUS_REMEMBERED : '';
    return {
      text: `${name} carries it, without headroom`,
      figure,
      more: `The stream needs ${MBpsText(need)}.${remembered}`,
    };
  }
  if (adapter) {
    return {
      text: `The adapter holds the bus at ${name}`,
      figure,
      more: 'One row of contacts. If yours carries two, say so with the card.',
    };
  }
  if (surplus && card !== null) {
    return {
      text: `The bus that counts is ${name}`,
      figure,
      more: `The card speaks ${bus(card).name}: that only helps offload.`,
    };
  }
  return known === 'assumed'
    ? { text: `Card’s bus unknown, slot’s assumed: ${name}`, figure, more: 'Nothing on the card tells its own.' }
    : { text: `The bus that counts is ${name}`, figure };
}

export function arrangementLine({ arrangement, cards }: Of<'arrangement'>): Line {
  const figure = `${cards} cards`;
  switch (arrangement) {
    case 'relay':
      return { text: 'Relay: minutes of its cards add', figure, more: 'Shown are the minutes of this card alone.' };
    case 'mirrored':
      return { text: 'Mirrored: every card must hold', figure, more: 'Minutes are those of the smaller.' };
    case 'split':
      return { text: 'Split: each card takes its share of the rate', figure };
    default:
      return assertNever(arrangement);
  }
}

const SEAT_WORDS: Readonly<Record<Of<'seats'>['arrangement'], string>> = {
  single: 'Seats',
  relay: 'Relay over unlike slots: each part for itself, the worst is shown',
  mirrored: 'Mirrored over unlike slots: the worst counts',
  split: 'Split over unlike slots: the worst counts',
};

const COVERS: ReadonlySet<Verdict> = new Set(['guaranteed', 'tight', 'proven', 'claimed']);

export function seatsLine({ outcome, arrangement, seats, width }: Of<'seats'>): Line {
  if (outcome === 'block') {
    const where = seats.map(({ slot }) => slot).join(', ');
    return {
      text: `The split runs over ${width} like slots; this card enters ${where || 'none of them'} alone`,
      figure: '',
      more: 'If the body splits otherwise, tell over how many slots under Bodies.',
    };
  }
  const each = seats.map(({ slot, takes, card, verdict, own }) => {
    const word = verdict === null ? '' : VERDICT_WORDS[verdict].toLowerCase();
    if (own || (verdict !== null && COVERS.has(verdict))) return `${slot}, ${card}: ${word}`;
    const best = card === null ? '' : `; the best is ${card}, ${word}`;
    return `${slot} takes ${formNames(takes)}: nothing there holds this${best}`;
  });
  return { text: SEAT_WORDS[arrangement], figure: '', more: `${each.join('. ')}.` };
}

/** The slots a mode is recorded to. */
export const goesToLine = ({ slots }: Of<'goes-to'>): Line =>
  slots.length === 0
    ? { text: 'The slots this mode goes to are gone', figure: '', more: 'Name another under Bodies.' }
    : { text: `This mode goes to ${either(slots)} alone`, figure: '' };
