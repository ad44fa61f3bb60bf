import { assertNever } from '../../core/result.ts';
import { bus } from '../../core/standards/buses.ts';
import { form } from '../../core/standards/forms.ts';
import { isMark, mark as markRow } from '../../core/standards/marks.ts';
import type { BytesPerSecond } from '../../core/units/brand.ts';
import { labelProblemText } from '../cards/label.ts';
import { INCIDENT_WORDS } from '../cards/state.ts';
import { either, MBpsText, MbpsText, perMilleText, plain } from '../quantity.ts';
import type { Line, Of } from './findingLine.ts';

/** Lines about what is asked and what is promised: requirement, marks, headroom, minimum, approval, label. */
/** A requirement no rate explains is the maker's caution, and still the maker's to set. */
const beyondText = ({ beyond }: { readonly beyond: BytesPerSecond | null }): string | undefined =>
  beyond === null ? undefined : `That is more than the rate itself needs (${MBpsText(beyond)} with headroom).`;

export function requirementLine(finding: Of<'requirement'>): Line {
  if (finding.anyOf === null)
    return {
      text: 'No required speed mark is entered for this mode',
      figure: 'not entered',
      more: 'Check the manual.',
    };
  const asked = either(finding.anyOf);
  const beyond = beyondText(finding);
  if (finding.metBy !== null) {
    return { text: `The camera asks for ${asked}`, figure: `has ${finding.metBy}`, more: beyond };
  }
  if (finding.elsewhere && finding.elsewhere.does !== 'refused') {
    const { form: own, does } = finding.elsewhere;
    return does === 'allowed'
      ? { text: `The camera asks ${asked} of other cards, and accepts any ${form(own).name}`, figure: 'any' }
      : {
          text: `The camera asks for ${asked}, which no ${form(own).name} card carries`,
          figure: 'not entered',
          more: `What it asks of ${form(own).name} is not entered: look it up in the manual, and enter it once under Cameras.`,
        };
  }
  switch (finding.whenMissing) {
    case 'refuses':
      return {
        text: `The camera refuses this mode without ${asked}`,
        figure: 'missing',
        more: `The card’s real speed makes no difference.${beyond ? ` ${beyond}` : ''}`,
      };
    case 'warns':
      return {
        text: `The camera warns without ${asked}`,
        figure: 'missing',
        more: `The camera shows a warning and still records.${beyond ? ` ${beyond}` : ''}`,
      };
    case 'advises':
      return { text: `The maker advises ${asked}`, figure: 'missing', more: beyond };
    default:
      return assertNever(finding.whenMissing);
  }
}

/** Said where an answer leans on a row that was not yet compared with its document. */
const PLACE_REMEMBERED = 'Where it counts is from memory of the standard: check it with the maker.';

export function guaranteeLine(finding: Of<'guarantee'>): Line {
  const { mark, floor, notInForce, inForce } = finding;
  const where = inForce === null ? '' : ` on ${bus(inForce).name}`;
  if (finding.doubted) {
    return {
      text: 'Nothing on this label counts until the card is verified',
      figure: 'in doubt',
    };
  }
  // What such a card must hold before UHS the tables here do not say: unknown, and no promise.
  const isOld = inForce === 'high-speed' || inForce === 'default';
  const aside = isOld ? ' What a card of that mark must hold there is not known here.' : '';
  const lost = notInForce.length > 0 ? `${either(notInForce)} does not count${where}.${aside}` : undefined;
  if (mark === null || floor === null) {
    return { text: 'No speed mark on this card guarantees a write speed in this slot', figure: 'unknown', more: lost };
  }
  const remembered = isMark(mark) && markRow(mark).placeFromMemory ? PLACE_REMEMBERED : '';
  return {
    text: `${mark} counts in this slot${inForce === null ? '' : ` (${bus(inForce).name})`} and guarantees`,
    figure: MBpsText(floor),
    more: [lost, remembered].filter(Boolean).join(' ') || undefined,
  };
}

export function headroomLine({ outcome, headroom, wanted, need, floor }: Of<'headroom'>): Line {
  if (outcome === 'short') {
    return {
      text: 'The guaranteed minimum is below what is needed',
      figure: `${MBpsText(floor)}, needed ${MBpsText(need)}`,
    };
  }
  return outcome === 'pass'
    ? { text: `Needed with ${perMilleText(headroom)} headroom, and covered`, figure: MBpsText(wanted) }
    : {
        text: `${perMilleText(headroom)} headroom would need`,
        figure: MBpsText(wanted),
        more: `The guaranteed minimum leaves ${perMilleText(Math.floor(((floor - need) * 1000) / need))}.`,
      };
}

export function minimumLine({ outcome, stated, floor, source, need }: Of<'makers-minimum'>): Line {
  const text = 'Minimum write speed stated in writing by the card’s maker';
  const more = source ? `From: ${source}.` : 'Source not noted.';
  if (floor === null) return { text: `${text} does not count here`, figure: MBpsText(stated), more };
  if (outcome === 'note')
    return {
      text: `${text} is more than the card’s own bus carries`,
      figure: MBpsText(stated),
      more: `It counts as a maker’s figure, up to ${MBpsText(floor)}. ${more}`,
    };
  if (floor < stated)
    return {
      text: outcome === 'pass' ? `${text}, on a bus that is not the card’s own` : `${text} counts here only in part`,
      figure: outcome === 'pass' ? MBpsText(floor) : `${MBpsText(floor)}, needed ${MBpsText(need)}`,
      more: `${MBpsText(stated)} is stated for the card’s own bus; here it counts up to what every bus of its form carries. ${more}`,
    };
  return outcome === 'pass'
    ? { text, figure: MBpsText(floor), more }
    : { text: `${text} is below what is needed`, figure: `${MBpsText(floor)}, needed ${MBpsText(need)}`, more };
}

export function approvedLine({ outcome, upTo, picture, source }: Of<'approved'>): Line {
  const more = source ? `From: ${source}.` : 'Source not noted.';
  const figure = upTo === null ? '' : `up to ${MbpsText(upTo)}`;
  switch (outcome) {
    case 'pass':
      return { text: 'The camera’s maker approves this card for this mode', figure, more };
    case 'note':
      return { text: 'The camera’s maker approves this card up to a rate that leaves no headroom', figure, more };
    case 'short':
      return { text: `The camera’s maker approves this card, but not up to ${MbpsText(picture)}`, figure, more };
    case 'unknown':
      return { text: 'The camera’s maker approves this card, but not for this mode', figure, more };
  }
}

/** What the maker of the body advises against: a note, and no lock. */
export const adviceLine = ({ words, overGB, cardGB, source }: Of<'advice'>): Line => {
  const what = [...words, ...(overGB === null ? [] : [`cards above ${plain(overGB)} GB`])];
  return {
    text: `The camera’s maker advises against ${either(what)}`,
    figure: overGB === null ? '' : `${plain(cardGB)} GB`,
    more: `A note: the camera still records. ${source ? `From: ${source}.` : 'Source not noted.'}`,
  };
};

/** A fault noted of a card, and how it is lifted. */
export const faultLine = ({ incident }: Of<'fault'>): Line => ({
  text: `A fault was noted of this card: ${INCIDENT_WORDS[incident.kind]}`,
  figure: incident.date.slice(0, 10),
  more: `${incident.text} Nothing counts on it until it is settled: fill it and read it back on a later day, or say under Cards what came of it.`.trim(),
});

export function labelLine({ problems, outcome, verified }: Of<'label'>): Line {
  const figure = problems.length === 1 ? '1 doubt' : `${problems.length} doubts`;
  const what = problems.map(labelProblemText).join(' ');
  if (outcome === 'short')
    return {
      text: 'The label contradicts itself, so nothing on it counts as a promise',
      figure,
      more: `${what} A sign of a counterfeit. Fill and read it back, then note it as verified under Cards.`,
    };
  if (verified)
    return {
      text: 'The label contradicts itself, but you verified this card’s capacity',
      figure: verified.date,
      more: `${what} ${verified.how}`.trim(),
    };
  return { text: 'Part of the label could not be read', figure, more: what };
}
