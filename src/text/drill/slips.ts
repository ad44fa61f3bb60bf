import type { Slip } from '../../core/drill/slips.ts';
import { fallsBackTo, type Promising, promisedMBps, twoRowMarks } from '../../core/standards/marks.ts';

const promise = (key: Promising): string => `${promisedMBps(key)} MB/s`;

const allOf = (words: readonly string[]): string => `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
const FALLBACK: Promising = twoRowMarks().flatMap((key) => fallsBackTo(key) ?? [])[0] ?? 'V30';

interface SlipText {
  /** What the slip is called, after “That is”. */
  readonly name: string;
  readonly why: string;
  /** Where the guide has it. */
  readonly guide: string;
}

/** Each slip by name, with the rule it breaks. */
export const SLIP_TEXTS: Readonly<Record<Slip, SlipText>> = {
  'factor-eight': {
    name: 'the factor eight',
    why: 'Bits taken for bytes, or the other way. A byte is eight bits.',
    guide: 'mbps',
  },
  peak: {
    name: 'a peak taken for a promise',
    why: 'The big number is what a card may reach, usually of reading. Nobody answers for it.',
    guide: 'peak',
  },
  'not-in-force': {
    name: 'a mark that does not count here',
    why: `${allOf(twoRowMarks())} count over UHS-II and UHS-III only. On UHS-I such a card falls back to ${promise(FALLBACK)}.`,
    guide: 'rule-guarantee',
  },
  bus: {
    name: 'a bus taken for a promise',
    why: 'The bus says how much may pass, and nothing of what the card writes.',
    guide: 'bus',
  },
  roman: {
    name: 'a roman numeral taken for a grade',
    why: `I, II and III name the bus. The number in the U is a grade: U1 is ${promise('U1')}, U3 is ${promise('U3')}.`,
    guide: 'roman',
  },
  doubt: {
    name: 'a label believed that contradicts itself',
    why: 'Where two things on it cannot both be true, nothing on it counts until the card was filled and read back.',
    guide: 'contradiction',
  },
  headroom: {
    name: 'headroom forgotten',
    why: 'The promise reaches the stream, and not what is asked over it: the answer is tight.',
    guide: 'headroom',
  },
  lock: {
    name: 'a refusal overlooked',
    why: 'The camera refuses the mode without a mark that this card lacks, whatever its real speed.',
    guide: 'rule-requirement',
  },
  claim: {
    name: 'a claim taken for a promise',
    why: 'What a maker claims, or the pace of a cool card, is nothing that anybody answers for.',
    guide: 'rule-makers-figure',
  },
  'not-scaled': {
    name: 'slow motion at the rate it is recorded at',
    why: 'The card gets every frame that is captured: × capture ÷ recorded.',
    guide: 'slow-motion',
  },
  mirrored: {
    name: 'the arrangement of the slots',
    why: 'Mirrored, every card gets everything: two cards a filling. One card at a time, or a relay, takes one.',
    guide: 'mirrored',
  },
  variable: {
    name: 'minutes by the peak',
    why: 'What a card must hold is the peak. What fills it is the average.',
    guide: 'variable',
  },
  'factor-ten': { name: 'ten in place of eight', why: 'A byte is eight bits, not ten.', guide: 'mbps' },
  binary: {
    name: 'the same room counted twice',
    why: 'GiB are larger than GB. Nothing was lost, and nothing is to be taken off.',
    guide: 'gb',
  },
  cap: {
    name: 'the cap of a counter',
    why: 'The same long value in modes of different rates is where the counter stops counting.',
    guide: 'counter',
  },
  cause: {
    name: 'what went along with it',
    why: 'Look for the one change that would have prevented the drop.',
    guide: 'cache',
  },
  harmless: {
    name: 'a harmless oddity',
    why: 'Repetition, a speed that only the maker’s reader reaches, a bus that is not named: none contradicts anything.',
    guide: 'contradiction',
  },
  'wrong-way': { name: 'the wrong way round', why: 'Divided where it is multiplied, or the other way.', guide: 'mbps' },
  rolling: {
    name: 'the whole time reckoned',
    why: 'Only what is recorded fills a card.',
    guide: 'rolling',
  },
  rounding: {
    name: 'a part of a card rounded away',
    why: 'What does not fill a card still needs one.',
    guide: 'planned',
  },
  minute: { name: 'seconds and minutes', why: 'A minute has sixty seconds.', guide: 'mbps' },
  'app-class': {
    name: 'a class for apps misread',
    why: `A1 and A2 are for apps. Both carry ${promise('A1')} sustained on UHS-I, neither less nor more.`,
    guide: 'app-classes',
  },
  overpays: { name: 'more than it takes', why: 'It holds, and a cheaper one holds as well.', guide: 'move' },
  form: {
    name: 'a card that does not enter',
    why: 'The card’s shape, connection (protocol) or capacity type does not match the slot.',
    guide: 'rule-shape',
  },
  off: { name: 'a miscalculation', why: 'Reckon it once more with the lines below.', guide: 'arithmetic' },
};
