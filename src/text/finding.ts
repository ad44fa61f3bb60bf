import type { Finding } from '../core/match/finding.ts';
import type { Verdict } from '../core/match/verdict.ts';
import { assertNever } from '../core/result.ts';
import { ASSUMED } from '../core/standards/assumptions.ts';
import { bus } from '../core/standards/buses.ts';
import { family } from '../core/standards/families.ts';
import { type Form, form } from '../core/standards/forms.ts';
import type { BytesPerSecond } from '../core/units/brand.ts';
import { labelProblemText } from './label.ts';
import { clockText, either, MBpsText, MbpsText, perMilleText, plain } from './quantity.ts';
import { VERDICT_WORDS } from './verdict.ts';

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
      return labelLine(finding);
    case 'promised-max':
      return {
        text: `Maker promises cards up to ${plain(finding.promisedGB)} GB`,
        figure: `${plain(finding.cardGB)} GB`,
        more: 'Larger cards of the same family often work. A note, not a block: test it first.',
      };
    case 'bus':
      return busLine(finding);
    case 'body-ceiling':
      return finding.outcome === 'note'
        ? {
            text: 'Ceiling inside the body, without headroom',
            figure: MBpsText(finding.ceiling),
            more: `The stream needs ${MBpsText(finding.need)}.`,
          }
        : finding.outcome === 'short'
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
    case 'makers-minimum':
      return minimumLine(finding);
    case 'approved':
      return approvedLine(finding);
    case 'seats':
      return seatsLine(finding);
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
          more: 'Ordinary ones carry one row of contacts: UHS-I at most. Check that its lock switch is open.',
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
  const { inForce, ceiling, need, known, surplus, card, slotTold, adapter, thin } = finding;
  if (inForce === null || ceiling === null) {
    return { text: 'Bus not known: only the maker can say', figure: '—' };
  }
  const figure = MBpsText(ceiling);
  const name = bus(inForce).name;
  if (!slotTold) {
    return {
      text: `The slot’s bus is not entered: taken as ${name}`,
      figure,
      more:
        finding.outcome === 'unknown'
          ? `The stream needs ${MBpsText(need)}. Tell the slot’s bus under Bodies.`
          : 'What every slot of its form can do. Tell the slot’s bus under Bodies.',
    };
  }
  if (finding.outcome === 'short') {
    return { text: `${name} is slower than the stream`, figure, more: `The stream needs ${MBpsText(need)}.` };
  }
  if (thin) {
    return { text: `${name} carries it, without headroom`, figure, more: `The stream needs ${MBpsText(need)}.` };
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
  if (finding.doubted) {
    return {
      text: 'Nothing on this label counts until the card is verified',
      figure: 'in doubt',
    };
  }
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

/** Tests whose numbers cannot be true, and what full takes proved where it falls short. */
function besideTests({ setAside, provenUpTo, outcome }: Of<'own-tests'>): string {
  const aside =
    setAside === 0 ? '' : ` ${setAside === 1 ? 'One test' : `${setAside} tests`} set aside: these numbers do not fit.`;
  const short = provenUpTo !== null && outcome !== 'pass' ? ` Full takes proved it up to ${MBpsText(provenUpTo)}.` : '';
  return `${short}${aside}`.trim();
}

function testsLine(finding: Of<'own-tests'>): Line {
  const { outcome, passes, dropSeconds, contradicts, untilSeconds } = finding;
  const beside = besideTests(finding);
  const withBeside = (text: string): string | undefined => `${text} ${beside}`.trim() || undefined;
  if (outcome === 'unknown') {
    return finding.setAside > 0 || finding.provenUpTo !== null
      ? { text: 'No test of your own proves this rate here', figure: '', more: withBeside('') }
      : { text: 'No test of your own yet', figure: 'plan one' };
  }
  if (outcome === 'short')
    return {
      text: 'Your own test dropped frames',
      figure: dropSeconds === null ? '' : `at ${clockText(dropSeconds)}`,
      more: withBeside(contradicts ? 'It stands until a later full take of this very mode.' : ''),
    };
  if (untilSeconds !== null)
    return {
      text: 'Takes of a faster mode prove it for as long as they lasted',
      figure: `to ${clockText(untilSeconds)}`,
      more: withBeside('Beyond that nothing is known: fill a card in this mode.'),
    };
  return {
    text: 'Your full-card tests passed',
    figure: `${passes}×`,
    more: withBeside(contradicts ? 'An older test dropped; the later pass of this mode counts.' : ''),
  };
}

function labelLine({ problems, outcome, verified }: Of<'label'>): Line {
  const figure = problems.length === 1 ? '1 doubt' : `${problems.length} doubts`;
  const what = problems.map(labelProblemText).join(' ');
  if (outcome === 'short')
    return {
      text: 'The label contradicts itself: it promises nothing',
      figure,
      more: `${what} A sign of a counterfeit. Fill and read it back, then note it as verified under Cards.`,
    };
  if (verified)
    return {
      text: 'The label contradicts itself, the card was verified',
      figure: verified.date,
      more: `${what} ${verified.how}`.trim(),
    };
  return { text: 'Not everything on the label is understood', figure, more: what };
}

function minimumLine({ outcome, stated, floor, source, need }: Of<'makers-minimum'>): Line {
  const text = 'Minimum its maker states in writing';
  const more = source ? `From: ${source}.` : 'Source not noted.';
  if (floor === null)
    return {
      text: `${text} does not count here`,
      figure: MBpsText(stated),
      more: `Stated for the card’s own bus. ${more}`,
    };
  return outcome === 'pass'
    ? { text, figure: MBpsText(floor), more }
    : { text: `${text} is below the need`, figure: `${MBpsText(floor)} < ${MBpsText(need)}`, more };
}

function approvedLine({ outcome, upTo, picture, source }: Of<'approved'>): Line {
  const more = source ? `From: ${source}.` : 'Source not noted.';
  const figure = upTo === null ? '' : `up to ${MbpsText(upTo)}`;
  switch (outcome) {
    case 'pass':
      return { text: 'The body’s maker approves this card for this mode', figure, more };
    case 'note':
      return { text: 'The body’s maker approves this card, without headroom', figure, more };
    case 'short':
      return { text: `Approved by the body’s maker, but not up to ${MbpsText(picture)}`, figure, more };
    case 'unknown':
      return { text: 'Approved by the body’s maker, but not for this', figure, more };
  }
}

const SEAT_WORDS: Readonly<Record<Of<'seats'>['arrangement'], string>> = {
  single: 'Seats',
  relay: 'Relay over unlike slots: each part for itself, the worst is shown',
  mirrored: 'Mirrored over unlike slots: the worst counts',
  split: 'Split over unlike slots: the worst counts',
};

function seatsLine({ outcome, arrangement, seats, width }: Of<'seats'>): Line {
  if (outcome === 'block') {
    const where = seats.map(({ slot }) => slot).join(', ');
    return {
      text: `The split runs over ${width} like slots; this card enters ${where || 'none of them'} alone`,
      figure: '',
      more: 'If the body splits otherwise, tell over how many slots under Bodies.',
    };
  }
  const each = seats.map(({ slot, takes, card, verdict }) =>
    card === null || verdict === null || !COVERS.has(verdict)
      ? card === null || outcome !== 'short'
        ? `${slot} takes ${formNames(takes)}: nothing there holds this`
        : `${slot}, ${card}: ${verdict === null ? 'nothing known' : VERDICT_WORDS[verdict].toLowerCase()}`
      : `${slot}, ${card}: ${VERDICT_WORDS[verdict].toLowerCase()}`,
  );
  return { text: SEAT_WORDS[arrangement], figure: '', more: `${each.join('. ')}.` };
}

const COVERS: ReadonlySet<Verdict> = new Set(['guaranteed', 'tight', 'proven', 'claimed']);

function makersLine({ outcome, stated, derated }: Of<'makers-figure'>): Line {
  if (stated === null || derated === null) {
    return { text: 'Maker’s sustained figure is not known', figure: '—' };
  }
  const more = `Stated ${MBpsText(stated)}, less ${plain(ASSUMED.makerDerating.value * 100)} %.`;
  return outcome === 'pass'
    ? { text: 'Maker’s sustained figure reaches the need', figure: MBpsText(derated), more }
    : { text: 'Maker’s sustained figure is short', figure: MBpsText(derated), more };
}
