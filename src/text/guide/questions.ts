import type { Answer } from '../../core/match/ask/answerAsk.ts';
import { askLine } from '../../core/match/ask/askLine.ts';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { ASSUMED, PEAK_OVER_AVERAGE } from '../../core/standards/assumptions.ts';
import { type Promising, promisedMBps } from '../../core/standards/marks.ts';
import type { BytesPerSecond } from '../../core/units/brand.ts';
import { GB, GiB } from '../../core/units/convert.ts';
import { VERDICT_WORDS } from '../match/verdict.ts';
import { either, MBpsText, minutesText, plain } from '../quantity.ts';
import type { GuideEntry, GuideSection } from './entry.ts';

const NONE = 0 as BytesPerSecond;

/** The app's own answer to a line; the guide says no number that the line would not. */
function asked(line: string): Answer {
  const found = askLine(line, DEFAULT_POLICY);
  if (!found.ok || found.value.kind !== 'card') throw new Error(`The guide asks what has no answer: ${line}`);
  return found.value.answer;
}

const need = (line: string): string => MBpsText(asked(line).need);
const word = (line: string): string => VERDICT_WORDS[asked(line).cell?.verdict ?? 'uncovered'];
const minutes = (line: string): string => minutesText(asked(line).minutes ?? 0);
const enough = (line: string): string => either(asked(line).smallestMarks);
const promises = (key: Promising): string => `${promisedMBps(key)}\u00a0MB/s`;
/** What the card of a line promises in its slot. */
const promisedIn = (line: string): string => MBpsText(asked(line).cell?.floor ?? NONE);
const cardsFor = (line: string): string => plain(asked(line).forTime?.cards ?? 0, 0);

const headroom = plain(ASSUMED.headroom.value * 100, 0);
/** A card of 256 GB in the units of a computer that counts in powers of two. */
const SHOWN_GIB = plain((256 * GB) / GiB, 0);

// biome-ignore format: a question, and its answer first
const ENTRIES: readonly GuideEntry[] = [
  { id: 'ask-peak', title: 'Why does my 300 MB/s card not do 400 Mb/s?', text: [
    `400 Mb/s is 50 MB/s, and ${need('400 Mb/s')} with sound and data. The 300 MB/s on the front is a peak, mostly of reading. What counts is the lowest speed that a mark promises: V30 promises ${promises('V30')}, so that 400 Mb/s on V30 is: ${word('400 Mb/s on V30')}.`,
    `${enough('400 Mb/s')} would do.`,
  ] },
  { id: 'ask-class-4k', title: 'Which class do I need for 4K?', text: [
    `No mark knows a resolution. One camera writes 4K at 100 Mb/s, another at 600. Read the rate in the menu or the manual; then: 100 Mb/s takes ${enough('100 Mb/s')}; 200 takes ${enough('200 Mb/s')}; 400 takes ${enough('400 Mb/s')}; 600 takes ${enough('600 Mb/s')}.`,
    'Check answers it for any rate: type it into the line.',
  ] },
  { id: 'ask-numbers', title: 'What do the numbers on a card mean?', text: [
    `The size in GB; a big number in MB/s, which is a peak; a roman numeral, which is its bus (I has one row of contacts, II and III have two); and the marks, which promise a lowest speed: C, U and V on SD cards, VPG on CFexpress, E on SD Express. A1 and A2 are made for apps, and promise ${promises('A1')} beside.`,
    'Cards reads a whole label, and says what it promises and what contradicts what.',
  ] },
  { id: 'ask-stopped', title: 'Why did it stop recording?', text: [
    'Mostly one of four. The card was full. The card was too slow, at once or when its fast cache was full: “card too slow”, dropped frames. The camera was too hot: a warning, then it turns off. Or the camera refuses the mode on this card.',
    'Tests has “What went wrong?”: it asks what you saw and says what to try first.',
  ] },
  { id: 'ask-v90-one-row', title: 'Can I trust a V90 card in a slot with one row of contacts?', text: [
    `Not for what V90 promises. V90 counts from UHS-II on; in a slot of UHS-I the same card promises ${promisedIn('400 Mb/s on V90 in a UHS-I slot')}. 400 Mb/s on V90 in such a slot is: ${word('400 Mb/s on V90 in a UHS-I slot')}; 200 Mb/s is: ${word('200 Mb/s on V90 in a UHS-I slot')}.`,
  ] },
  { id: 'ask-bits', title: 'How many MB/s are 400 Mb/s?', text: [
    'Eight bits are a byte: 400 Mb/s are 50 MB/s. Menus and manuals of cameras count in bits (Mb/s, Mbps), cards in bytes (MB/s). A card of 100 MB/s has room for 800 Mb/s, if it may count on it.',
  ] },
  { id: 'ask-minutes', title: 'How many minutes fit on my card?', text: [
    `Size over rate. 256 GB at 400 Mb/s: ${minutes('400 Mb/s on 256GB V60')} planned; the box would say ${minutesText(Math.floor(asked('400 Mb/s on 256GB V60').byTheBox ?? 0))}, since it leaves out formatting, sound and data. 64 GB at 100 Mb/s: ${minutes('100 Mb/s on 64GB V30')}.`,
    'Type size and rate into the line of Check.',
  ] },
  { id: 'ask-cards', title: 'How many cards do I need for a day?', text: [
    `Rate times the time that is recorded, over the size of one. Eight hours at 400 Mb/s take ${cardsFor('400 Mb/s on 256GB V60 for 8h')} cards of 256 GB, if none is emptied; with a reader and two copies fewer do.`,
    'Shoot day works out which card goes where and when it is free again; Buy cards says what to buy.',
  ] },
  { id: 'ask-u3-v30', title: 'Is U3 the same as V30?', text: [
    `Both promise ${promises('U3')}, and most cards of V30 carry both. They were measured in other ways, so that a camera which asks for V30 may refuse a card with U3 alone.`,
  ] },
  { id: 'ask-class-10', title: 'What is class 10 good for?', text: [
    `It promises ${promises('C10')}, as U1 and V10 do. 50 Mb/s on it is: ${word('50 Mb/s on C10')}; 100 Mb/s is: ${word('100 Mb/s on C10')}.`,
  ] },
  { id: 'ask-speed-test', title: 'My computer writes it at 90 MB/s. Is that enough?', text: [
    'It is no promise. A reader is no camera, the program may write in other pieces, and most tests stop before the fast cache of the card is full. Write the whole card, and look at the lowest ten seconds.',
    'Tests measures a card in this way and says what it shows and what it does not.',
  ] },
  { id: 'ask-fake', title: 'How do I find out whether a card is a fake?', text: [
    'Fill it to the last byte and read all of it back: a card of false size has lost some of it. Then look at its print: marks that contradict each other, a mark that does not exist.',
    'Both are here: the measuring of a card under Tests, the label under Cards.',
  ] },
  { id: 'ask-missing-room', title: `Why does my 256 GB card show ${SHOWN_GIB} GB?`, text: [
    `Nothing is missing. The box counts in powers of ten, many computers in powers of two: 256 GB are ${SHOWN_GIB} GiB, which they call GB. Formatting takes a little more.`,
  ] },
  { id: 'ask-counter', title: 'Why does the camera show fewer minutes than this app?', text: [
    'A counter is rounded, often capped at 99 or 999, and reckons with the most that the mode may write. Some show the same for three modes. Enter what yours shows for an empty card: it stands beside the planned minutes, and tells the rate where no manual does.',
  ] },
  { id: 'ask-overheat', title: 'Will it overheat?', text: [
    'That is a question about the camera, its mode, the air and the sun, and no card’s mark says anything of it. Heat reckons it for a camera of yours, from its maker’s figures where there are any, and improves with every take that you log.',
    'What it says is an estimate. Where heat can stop a take that cannot be repeated, test it in that heat before.',
  ] },
  { id: 'ask-slow-motion', title: 'How much does slow motion write?', text: [
    `A rate stated for 24p is written five times as fast when 120 frames a second are captured. 240 Mb/s at 24p captured at 120 writes ${need('240 Mb/s 24p captured at 120 fps on V90')}. Whether a manual means the one or the other stands in its table; where it does not, the worse is counted.`,
  ] },
  { id: 'ask-two-cards', title: 'Relay, mirrored or split: which for two cards?', text: [
    'Relay fills one after the other: twice the minutes. Mirrored writes the same to both: as many minutes as the smaller holds, and each must be fast enough for all of it. Split gives each a share: each needs less speed, and losing one loses the take.',
  ] },
  { id: 'ask-adapter', title: 'Does a microSD card in an adapter count?', text: [
    `It fits a slot for SD. A usual adapter has one row of contacts: a V90 promises ${promisedIn('400 Mb/s on microSD V90 via adapter')} through it, whatever the slot speaks. 400 Mb/s through one is: ${word('400 Mb/s on microSD V90 via adapter')}.`,
  ] },
  { id: 'ask-format', title: 'When may I format a card?', text: [
    'When two copies of it were made and both were verified. Until then a full card is the only copy. Format it in the camera that will use it.',
    'Shoot day and Cards say of each card whether it is safe to wipe, and who said so.',
  ] },
  { id: 'ask-ssd', title: 'Is an SSD better than a card?', text: [
    'It is larger and cheaper for its size. It carries no mark that promises anything: what counts is a minimum that its maker states in writing, the approval of the camera’s maker for this very mode, or your own full take. And its cable can be pulled.',
  ] },
  { id: 'ask-vpg', title: 'What is VPG400?', text: [
    `The performance guarantee of CFexpress: VPG400 promises ${promises('VPG400')} without a pause, VPG200 ${promises('VPG200')}. A CFexpress card without one may be as fast and promises nothing: 1600 Mb/s on it is: ${word('1600 Mb/s on 512GB CFexpress B')}.`,
  ] },
  { id: 'ask-headroom', title: `Why are ${headroom} % added?`, text: [
    `Rates in menus are rounded, pictures differ, and a promise met to the letter has no room for what nobody foresaw. What covers the rate and not ${headroom} % more is called tight. You set how much, beside the kind of take at the head of every view.`,
  ] },
  { id: 'ask-average', title: 'My manual states an average. What then?', text: [
    `An average sets the minutes; the card has to take its peaks. Where nobody measured them they are counted ${plain(PEAK_OVER_AVERAGE['long-gop'].high)} times as high for long-GOP and ${plain(PEAK_OVER_AVERAGE.intra.high)} times for intra: 100 Mb/s on average needs ${need('avg 100 Mb/s')}. A clip of your own, measured under Prove, tells how high they are.`,
  ] },
  { id: 'ask-wear', title: 'How long until a card is worn out?', text: [
    'For a camera that is emptied after a shoot: longer than the card is of use. For one that records in a loop: months or a few years. Buy cards reckons it from what it writes a day and from the endurance its maker states.',
  ] },
  { id: 'ask-all-red', title: 'Everything is red. What did I forget?', text: [
    'Mostly the bus of the slot. Until it is told, only what the slowest of its kind carries counts. Open any red answer: where one answer of yours would turn it, it is asked at the head.',
  ] },
];

/** Questions as people ask them, each answered in its first sentences, with the app's own sums. */
export const QUESTIONS: GuideSection = {
  id: 'questions',
  title: 'Questions, and their answers',
  lead: ['Every figure here is the answer that the line of Check gives.'],
  entries: ENTRIES,
  tables: [],
};
