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
          text: `${own} fits through its adapter`,
          figure: own,
          more: isSd(finding.card)
            ? 'Ordinary ones carry one row of contacts: UHS-I at most. Check that its lock switch is open.'
            : 'Not every camera takes one: nothing in writing counts until its maker says so, or a take shows it.',
        }
      : { text: `${own} fits the slot`, figure: own };
  }
  return finding.accepts.length === 0
    ? { text: 'This camera has no slot for a card', figure: '', more: 'Add one under Cameras.' }
    : { text: `${own} does not fit this camera`, figure: `accepts ${formNames(finding.accepts)}` };
}

export function protocolLine(finding: Of<'protocol'>): Line {
  const { name, protocol } = form(finding.card);
  return finding.outcome === 'pass'
    ? { text: 'The slot and the card use the same connection', figure: protocol }
    : {
        text: `Same shape, other connection: the slot does not support ${name}`,
        figure: `accepts ${formNames(finding.accepts)}`,
        more: 'The camera’s maker must name each of the two.',
      };
}

export function familyLine({ outcome, card, slot, isAsked }: Of<'family'>): Line {
  const own = card === null ? 'past SDUC' : family(card).name;
  if (isAsked) {
    return {
      text: `Whether the slot accepts ${own} at all is not entered`,
      figure: own,
      more: 'Many do not. Nothing printed counts until the manual says so, or a take shows it.',
    };
  }
  if (outcome === 'unknown') {
    return { text: 'The capacity types the slot accepts are not entered', figure: own, more: 'Check the manual.' };
  }
  const host = slot === null ? '' : family(slot).name;
  return outcome === 'pass'
    ? { text: `The slot accepts ${host} and below`, figure: own }
    : { text: `The slot accepts ${host} and below, this card is ${own}`, figure: own };
}

/** Said where so little is left that a row that is somewhat off would change the answer. */
const BUS_REMEMBERED = ' What a bus carries is from memory of the standard: test it with a take.';

export function busLine(finding: Of<'bus'>): Line {
  const { inForce, ceiling, sure, need, known, surplus, card, slotTold, adapter, thin } = finding;
  if (inForce === null || ceiling === null) {
    return {
      text: 'The slot’s bus is not known',
      figure: '—',
      more: 'Look it up in the manual and enter it under Cameras.',
    };
  }
  const figure = MBpsText(ceiling);
  const name = bus(inForce).name;
  if (!slotTold) {
    return {
      text: `The slot’s bus is not entered: counted as ${name}, the slowest of its type`,
      figure,
      more:
        finding.outcome === 'unknown'
          ? `This mode needs ${MBpsText(need)}. No written promise counts until the bus is entered.`
          : 'Every slot of its type can do that. Enter the slot’s bus under Cameras.',
    };
  }
  if (finding.outcome === 'unknown' && sure !== null) {
    return {
      text: `${name} surely carries ${MBpsText(sure)}, this mode needs ${MBpsText(need)}`,
      figure: `${MBpsText(ceiling)} at most`,
      more:
        inForce === 'uhs-ii'
          ? 'More needs half duplex at 312 MB/s on both sides, which is optional: say so with the slot where its maker does, or test it.'
          : 'More than protocol surely leaves of the line: nothing in writing counts there. Test it.',
    };
  }
  if (finding.outcome === 'short') {
    return {
      text: `${name} carries less than this mode needs`,
      figure: `${figure} at most`,
      more: `This mode needs ${MBpsText(need)}.`,
    };
  }
  if (thin) {
    const remembered = SOURCES[bus(inForce).source].fromMemory ? BUS_REMEMBERED : '';
    return {
      text: `${name} carries it, without headroom`,
      figure,
      more: `This mode needs ${MBpsText(need)}.${remembered}`,
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
      more: `The card also supports ${bus(card).name}, which only speeds up copying in a reader.`,
    };
  }
  return known === 'assumed'
    ? {
        text: `The card’s bus is not entered; assumed the same as the slot’s: ${name}`,
        figure,
        more: 'Nothing on the card tells its own.',
      }
    : { text: `The bus that counts is ${name}`, figure };
}

export function arrangementLine({ arrangement, cards }: Of<'arrangement'>): Line {
  const figure = `${cards} cards`;
  switch (arrangement) {
    case 'relay':
      return {
        text: 'Relay: the second card takes over when the first is full',
        figure,
        more: 'The minutes shown are for this card only.',
      };
    case 'mirrored':
      return {
        text: 'Mirrored: every card must be fast enough',
        figure,
        more: 'The minutes are those of the smaller card.',
      };
    case 'split':
      return { text: 'Split: each card takes its share of the rate', figure };
    default:
      return assertNever(arrangement);
  }
}

const SEAT_WORDS: Readonly<Record<Of<'seats'>['arrangement'], string>> = {
  single: 'Each slot’s card',
  relay: 'Relay over different slots: each slot is judged on its own; the weakest answer is shown',
  mirrored: 'Mirrored over different slots: the weakest answer counts',
  split: 'Split over different slots: the weakest answer counts',
};

const COVERS: ReadonlySet<Verdict> = new Set(['guaranteed', 'tight', 'proven', 'claimed']);

export function seatsLine({ outcome, arrangement, seats, width }: Of<'seats'>): Line {
  if (outcome === 'block') {
    const where = seats.map(({ slot }) => slot).join(', ');
    return {
      text: `The split needs ${width} slots alike; this card fits only ${where || 'none of them'}`,
      figure: '',
      more: 'If the camera splits over another number of slots, enter it under Cameras.',
    };
  }
  const each = seats.map(({ slot, takes, card, verdict, own }) => {
    const word = verdict === null ? '' : VERDICT_WORDS[verdict].toLowerCase();
    if (own || (verdict !== null && COVERS.has(verdict))) return `${slot}, ${card}: ${word}`;
    const best = card === null ? '' : `; the nearest is ${card} (${word})`;
    return `${slot} accepts ${formNames(takes)}. None of your cards for it covers this mode${best}`;
  });
  return { text: SEAT_WORDS[arrangement], figure: '', more: `${each.join('. ')}.` };
}

/** The slots a mode is recorded to. */
export const goesToLine = ({ slots }: Of<'goes-to'>): Line =>
  slots.length === 0
    ? { text: 'The slots this mode records to no longer exist', figure: '', more: 'Choose another under Cameras.' }
    : { text: `This mode records to ${either(slots)} only`, figure: '' };
