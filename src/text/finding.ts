import type { Finding } from '../core/match/finding.ts';
import { assertNever } from '../core/result.ts';
import { bus } from '../core/standards/buses.ts';
import { family } from '../core/standards/families.ts';
import { type Form, form } from '../core/standards/forms.ts';
import type { BytesPerSecond } from '../core/units/brand.ts';
import { labelProblemText } from './label.ts';
import { clockText, either, MBpsText, perMilleText, plain } from './quantity.ts';

/** One line of the ladder: what was found, its number, and a second sentence where it needs one. */
export interface Line {
  readonly text: string;
  readonly figure: string;
  readonly more?: string;
}

type Of<R extends Finding['rule']> = Extract<Finding, { rule: R }>;

/** The sentence of one finding; every rule has its own. */
export function findingLine(finding: Finding): Line {
  switch (finding.rule) {
    case 'rate':
      return rateLine(finding);
    case 'shape':
      return shapeLine(finding);
    case 'protocol':
      return protocolLine(finding);
    case 'family':
      return familyLine(finding);
    case 'label':
      return {
        text: 'The label contradicts itself',
        figure: finding.problems.length === 1 ? '1 doubt' : `${finding.problems.length} doubts`,
        more: `${finding.problems.map(labelProblemText).join(' ')} A sign of a counterfeit: verify its capacity before use.`,
      };
    case 'promised-max':
      return {
        text: `Maker promises cards up to ${plain(finding.promisedGB)} GB`,
        figure: `${plain(finding.cardGB)} GB`,
        more: 'Larger cards of the same family often work. A note, not a block: test it first.',
      };
    case 'bus':
      return busLine(finding);
    case 'body-ceiling':
      return finding.outcome === 'short'
        ? {
            text: 'The body itself is slower than the stream',
            figure: MBpsText(finding.ceiling),
            more: `No card helps: the stream needs ${MBpsText(finding.need)}.`,
          }
        : { text: 'Ceiling inside the body', figure: MBpsText(finding.ceiling) };
    case 'requirement':
      return requirementLine(finding);
    case 'guarantee':
      return guaranteeLine(finding);
    case 'headroom':
      return headroomLine(finding);
    case 'demands-card':
      return {
        text: `The body also wants a card in ${either(finding.slots)}`,
        figure: '',
        more: 'Without one it may refuse to record, though nothing of this is written there.',
      };
    case 'arrangement':
      return arrangementLine(finding);
    case 'own-tests':
      return testsLine(finding);
    case 'makers-figure':
      return makersLine(finding);
    default:
      return assertNever(finding);
  }
}

/** A finding as one sentence, for exports and screen readers. */
export function findingText(finding: Finding): string {
  const { text, figure, more } = findingLine(finding);
  const head = figure ? `${text}: ${figure}.` : `${text}.`;
  return more ? `${head} ${more}` : head;
}

function rateLine({ refusal }: Of<'rate'>): Line {
  return refusal.code === 'missing'
    ? { text: `Raw needs a picture ${refusal.field}`, figure: 'no rate', more: 'Enter it under Bodies.' }
    : {
        text: `The ${refusal.field} of this mode is out of range`,
        figure: 'no rate',
        more: 'Correct it under Bodies.',
      };
}

const formNames = (forms: readonly Form[]): string => either([...new Set(forms.map((key) => form(key).name))]);

function shapeLine(finding: Of<'shape'>): Line {
  const own = form(finding.card).name;
  if (finding.outcome !== 'block') {
    return finding.adapter
      ? {
          text: `${own} enters through its adapter`,
          figure: own,
          more: 'Check that the adapter’s lock switch is open.',
        }
      : { text: `${own} fits the slot`, figure: own };
  }
  return finding.accepts.length === 0
    ? { text: 'This body has no slot that takes a card', figure: '', more: 'Add one under Bodies.' }
    : { text: `${own} does not enter`, figure: `takes ${formNames(finding.accepts)}` };
}

function protocolLine(finding: Of<'protocol'>): Line {
  const { name, protocol } = form(finding.card);
  return finding.outcome === 'pass'
    ? { text: `The slot speaks ${name}`, figure: protocol }
    : {
        text: `Same shape, other protocol: the slot does not speak ${name}`,
        figure: `takes ${formNames(finding.accepts)}`,
        more: 'A body must name each of the two.',
      };
}

function familyLine({ outcome, card, slot }: Of<'family'>): Line {
  const own = card === null ? 'past SDUC' : family(card).name;
  if (outcome === 'unknown') {
    return { text: 'Capacity family the slot reads is not entered', figure: own, more: 'Check the manual.' };
  }
  const host = slot === null ? '' : family(slot).name;
  return outcome === 'pass'
    ? { text: `The slot reads ${host} and below`, figure: own }
    : { text: `The slot reads ${host} and below, this card is ${own}`, figure: own };
}

function busLine(finding: Of<'bus'>): Line {
  const { inForce, ceiling, need, known, surplus, card } = finding;
  if (inForce === null || ceiling === null) {
    return { text: 'Bus not known: only the maker can say', figure: '—' };
  }
  const figure = MBpsText(ceiling);
  const name = bus(inForce).name;
  if (finding.outcome === 'short') {
    return { text: `${name} is slower than the stream`, figure, more: `The stream needs ${MBpsText(need)}.` };
  }
  if (surplus && card !== null) {
    return {
      text: `Bus in force is ${name}`,
      figure,
      more: `The card speaks ${bus(card).name}: that only helps offload.`,
    };
  }
  return known === 'assumed'
    ? { text: `Bus taken to be the slot’s, ${name}`, figure, more: 'Nothing on the card tells its own.' }
    : { text: `Bus in force is ${name}`, figure };
}

function arrangementLine({ arrangement, cards }: Of<'arrangement'>): Line {
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

/** A requirement no rate explains is the maker's caution, and still the maker's to set. */
const beyondText = ({ beyond }: { readonly beyond: BytesPerSecond | null }): string | undefined =>
  beyond === null ? undefined : `More than this rate needs: ${MBpsText(beyond)} with headroom.`;

function requirementLine(finding: Of<'requirement'>): Line {
  if (finding.anyOf === null) return { text: 'The body asks for no mark', figure: 'open' };
  const asked = either(finding.anyOf);
  const beyond = beyondText(finding);
  if (finding.metBy !== null) {
    return { text: `The body asks for ${asked}`, figure: `has ${finding.metBy}`, more: beyond };
  }
  switch (finding.whenMissing) {
    case 'refuses':
      return {
        text: `The body refuses this mode without ${asked}`,
        figure: 'missing',
        more: `Whatever the card’s real speed.${beyond ? ` ${beyond}` : ''}`,
      };
    case 'warns':
      return {
        text: `The body warns without ${asked}`,
        figure: 'missing',
        more: `It records all the same.${beyond ? ` ${beyond}` : ''}`,
      };
    case 'advises':
      return { text: `The maker advises ${asked}`, figure: 'missing', more: beyond };
    default:
      return assertNever(finding.whenMissing);
  }
}

function guaranteeLine(finding: Of<'guarantee'>): Line {
  const { mark, floor, notInForce, inForce } = finding;
  const where = inForce === null ? '' : ` on ${bus(inForce).name}`;
  const lost = notInForce.length > 0 ? `${either(notInForce)} does not count${where}.` : undefined;
  if (mark === null || floor === null) {
    return { text: 'No mark promises a write speed here', figure: 'unknown', more: lost };
  }
  return { text: `${mark} counts${where}`, figure: MBpsText(floor), more: lost };
}

function headroomLine({ outcome, headroom, wanted, need, floor }: Of<'headroom'>): Line {
  if (outcome === 'short') {
    return { text: 'The promise is below the need', figure: `${MBpsText(floor)} < ${MBpsText(need)}` };
  }
  return outcome === 'pass'
    ? { text: `Need with ${perMilleText(headroom)} headroom`, figure: MBpsText(wanted) }
    : {
        text: `Headroom of ${perMilleText(headroom)} is not met`,
        figure: MBpsText(wanted),
        more: `It leaves ${perMilleText(Math.floor(((floor - need) * 1000) / need))}.`,
      };
}

function testsLine({ outcome, passes, dropSeconds, contradicts }: Of<'own-tests'>): Line {
  const older = contradicts ? 'Older tests say otherwise; the newest counts.' : undefined;
  if (outcome === 'unknown') return { text: 'No test of your own yet', figure: 'plan one' };
  return outcome === 'pass'
    ? { text: 'Your full-card tests passed', figure: `${passes}×`, more: older }
    : {
        text: 'Your own test dropped frames',
        figure: dropSeconds === null ? '' : `at ${clockText(dropSeconds)}`,
        more: older,
      };
}

function makersLine({ outcome, stated, derated }: Of<'makers-figure'>): Line {
  if (stated === null || derated === null) {
    return { text: 'Maker’s sustained figure is not known', figure: '—' };
  }
  const more = `Stated ${MBpsText(stated)}, less 20 %.`;
  return outcome === 'pass'
    ? { text: 'Maker’s sustained figure reaches the need', figure: MBpsText(derated), more }
    : { text: 'Maker’s sustained figure is short', figure: MBpsText(derated), more };
}
