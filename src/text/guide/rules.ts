import { LADDER, type RuleKey } from '../../core/match/ladder.ts';
import { EARNED } from '../../core/match/settle.ts';
import { ASSUMED_WORDS } from '../assumed.ts';
import { VERDICT_WORDS } from '../match/verdict.ts';
import type { GuideEntry } from './entry.ts';

interface RuleText {
  readonly title: string;
  readonly asks: string;
  readonly decides: string;
}

/** What each rule asks and what hangs on it. What it earns is read from the rules themselves. */
const RULE_TEXTS: Readonly<Record<RuleKey, RuleText>> = {
  shape: {
    title: 'Shape',
    asks: 'Does the card enter the slot, by itself or through a passive adapter?',
    decides:
      'If not, the pair won’t fit, and nothing else is asked. A microSD card enters an SD slot, never the other way.',
  },
  protocol: {
    title: 'Protocol',
    asks: 'Does the slot speak what the card speaks?',
    decides:
      'XQD and CFexpress B share a shape and not a protocol: the camera must name each. If it does not, they won’t fit.',
  },
  family: {
    title: 'Capacity family',
    asks: 'Does the slot read the capacity family of the card?',
    decides: 'A slot reads its own family and those below it. A family that nobody entered is unknown, and is said.',
  },
  'promised-max': {
    title: 'Largest capacity the maker promises',
    asks: 'Is the card larger than what the maker of the camera promises within the family?',
    decides: 'A note and never a block: larger cards often work. Test it first.',
  },
  rate: {
    title: 'Rate of the mode',
    asks: 'Is there a rate to compare with?',
    decides: 'Without one nothing is covered: a rate is never guessed.',
  },
  bus: {
    title: 'Bus in force',
    asks: 'Which is the fastest bus that slot and card both know, and does it carry the stream?',
    decides:
      'Slower than the stream, it drops. With less than the headroom over it, a guarantee is tight. A slot whose bus nobody entered counts as what every slot of its form can do.',
  },
  'body-ceiling': {
    title: 'Ceiling of the camera',
    asks: 'Is the camera itself slower than its slot?',
    decides: 'Slower than the stream, it drops, whatever the card.',
  },
  requirement: {
    title: 'What the maker asks for',
    asks: 'Does the camera refuse, warn or advise without a certain mark?',
    decides: 'A refusal locks the mode out, whatever the real speed of the card. A warning or advice is a note.',
  },
  guarantee: {
    title: 'Guarantee in force',
    asks: 'What is the highest mark that counts on the bus in force, and does it reach the stream?',
    decides:
      'A label that contradicts itself promises nothing until the card was verified. No mark is unknown: never zero, never a pass.',
  },
  'goes-to': {
    title: 'Where the mode goes',
    asks: 'Is this mode recorded to some slots of the camera alone?',
    decides: 'A card that enters only the others cannot record it.',
  },
  advice: {
    title: 'What the maker advises against',
    asks: 'Does the maker of the camera advise against a bus, a mark or a size that this card has?',
    decides: 'A note: advice locks nothing. Read in the manual what the maker expects to happen.',
  },
  'makers-minimum': {
    title: 'Minimum that its maker states',
    asks: 'Does the maker of the card state a minimum sustained write in writing?',
    decides: 'It counts like a mark, with its source named, and on the card’s own bus alone.',
  },
  headroom: {
    title: 'Headroom',
    asks: `Does what is promised exceed the stream by the headroom, ${ASSUMED_WORDS.headroom} unless you set another?`,
    decides: 'Compared inclusively and exactly, in whole bytes a second.',
  },
  label: {
    title: 'Label',
    asks: 'Does the label contradict itself, or hold something that was not understood?',
    decides:
      'A contradiction takes away what the label promises until the card was filled and read back. What was only not understood takes away nothing.',
  },
  fault: {
    title: 'A fault noted of the card',
    asks: 'Was corruption or damage noted of this very card, or did a bench find it false, and has nobody settled it?',
    decides:
      'Nothing counts on such a card. It is lifted by filling and reading it back on a later day, or by saying under Cards what came of it.',
  },
  approved: {
    title: 'Approved by the maker of the camera',
    asks: 'Does the maker of the camera approve this card for a rate this mode stays under?',
    decides: 'It counts like a mark, with its source named.',
  },
  'own-tests': {
    title: 'Own tests',
    asks: 'Did this very card fill up in this camera and slot, at this mode or one that writes faster?',
    decides:
      'A drop stands until a later take passed. A test whose numbers cannot be true is kept in the log and counts for nothing.',
  },
  'twin-tests': {
    title: 'Tests of cards with the same label',
    asks: 'What did other cards with the same label do in this camera?',
    decides: 'It says nothing certain of this card and changes no answer.',
  },
  reported: {
    title: 'Reported',
    asks: 'What do colleagues report of this camera and of cards with the same label?',
    decides: 'It is read beside the answer and changes no verdict.',
  },
  'makers-figure': {
    title: 'Sustained figure of the maker',
    asks: `Does the maker’s sustained figure, less ${ASSUMED_WORDS.derating}, reach the stream?`,
    decides: 'It is a claim and no promise.',
  },
  arrangement: {
    title: 'Arrangement',
    asks: 'How does the camera record over its slots?',
    decides:
      'Relay adds minutes. Mirrored takes those of the smaller card. Split gives each card its share of the rate.',
  },
  'demands-card': {
    title: 'Another slot wants a card',
    asks: 'Does the camera want a card in a slot that this recording does not use?',
    decides: 'A note.',
  },
  seats: {
    title: 'Each slot’s card',
    asks: 'Where several cards are written and the slots differ: what is each slot’s answer?',
    decides: 'The weakest is the answer.',
  },
};

/** The address of a rule in the guide. */
export const ruleId = (rule: RuleKey): string => `rule-${rule}`;

const earns = (rule: RuleKey): readonly string[] => {
  const verdict = EARNED[rule];
  return verdict ? [`On its own this rule gives the answer ${VERDICT_WORDS[verdict]}.`] : [];
};

/** The rules, in the order in which they are asked. */
export const RULE_ENTRIES: readonly GuideEntry[] = LADDER.map((rule) => {
  const { title, asks, decides } = RULE_TEXTS[rule];
  return { id: ruleId(rule), title, text: [asks, decides, ...earns(rule)] };
});
