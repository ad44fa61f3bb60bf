import type { Verdict } from '../../core/match/verdict.ts';
import { PEAK_OVER_AVERAGE } from '../../core/standards/assumptions.ts';
import { KB_PER_TIMES } from '../../core/standards/marks.ts';
import { ASSUMED_WORDS } from '../assumed.ts';
import { CLASS_HOLDS, DECLARED } from '../cards/classes.ts';
import { HEAT_ASIDE, HEAT_MEANINGS } from '../heat/heatWords.ts';
import { BESIDE_MEANINGS } from '../match/beside.ts';
import { VERDICT_MEANINGS, VERDICT_WORDS } from '../match/verdict.ts';
import { capital, plain } from '../quantity.ts';
import type { GuideEntry } from './entry.ts';

/** The most of each family over its average. */
const PEAKS = Object.entries(PEAK_OVER_AVERAGE)
  .map(([codec, { high }]) => `${plain(high, 2)} times it of ${codec}`)
  .join(', ');

/** The address of a verdict in the guide. */
export const verdictId = (verdict: Verdict): string => `verdict-${verdict}`;

/** What a verdict means, under its own address. Said as the legend says it. */
export const VERDICT_ENTRIES: readonly GuideEntry[] = (
  Object.keys(VERDICT_WORDS) as readonly (keyof typeof VERDICT_WORDS)[]
).map((verdict) => ({
  id: verdictId(verdict),
  title: VERDICT_WORDS[verdict],
  text: [VERDICT_MEANINGS[verdict]],
  met: [VERDICT_WORDS[verdict]],
}));

const term = (id: string, title: string, text: string | readonly string[], met?: readonly string[]): GuideEntry => ({
  id,
  title,
  text: typeof text === 'string' ? [text] : text,
  ...(met ? { met } : {}),
});

/** The words of a stream and its rate. */
const STREAM: readonly GuideEntry[] = [
  term(
    'mbps',
    'Mb/s and MB/s, bits and bytes',
    [
      'Manuals count streams in megabits a second (Mb/s), cards are counted in megabytes a second (MB/s). A byte is eight bits: 8 Mb/s are 1 MB/s.',
      'Divide Mb/s by eight. Taking one for the other is the factor eight, the commonest loss of this trade.',
    ],
    ['Mb/s', 'MB/s', 'factor eight'],
  ),
  term(
    'gb',
    'GB and GiB',
    'Cards are sold in gigabytes of 1000 × 1000 × 1000 bytes. Computers often show gibibytes of 1024 × 1024 × 1024: 256 GB shown as 238 GiB is the same room, and nothing is lost.',
    ['GiB'],
  ),
  term(
    'stream',
    'Stream',
    `Everything that the camera writes: picture, sound and what goes with every frame. Where nobody entered what stands beside the picture, ${ASSUMED_WORDS.fixed} and ${ASSUMED_WORDS.perFrame} a frame are assumed.`,
    ['stream'],
  ),
  term(
    'need',
    'Needed',
    'Peak of picture, sound and data together, in MB/s: what the card must take. Minutes are worked out from its average.',
  ),
  term(
    'peak',
    'Peak',
    'The most a card may reach: the big number on its front, usually of reading. It is no promise and decides no answer.',
    ['peak'],
  ),
  term(
    'times',
    '× rating',
    `1× is ${KB_PER_TIMES} kB/s: 1000× is ${KB_PER_TIMES} MB/s. It is a peak like the big number, in another unit.`,
    ['× rating'],
  ),
  term(
    'long-gop',
    'Long-GOP',
    'A codec that stores most frames as changes to others. At a higher capture speed its rate grows less than the frames do: the product is an upper bound.',
    ['Long-GOP', 'long-GOP'],
  ),
  term('intra', 'Intra', 'A codec that stores every frame by itself. Its rate grows with the frames.', ['intra']),
  term(
    'raw',
    'Raw',
    'The picture as the sensor gave it, compressed by a fixed ratio or not at all: width × height × bits ÷ 8 ÷ ratio × frames a second.',
  ),
  term(
    'variable',
    'Variable rate',
    `A rate that follows the picture. Where only its average is stated, the peak is taken as the most that its family is met with, ${PEAKS}: the need uses the peak, minutes use the average.`,
    ['variable rate'],
  ),
  term(
    'slow-motion',
    'Slow motion',
    'Captured faster than it plays. Of intra and raw the rate grows by capture ÷ recorded: 240 Mb/s at 24, captured at 120, is 1200 Mb/s. It plays for take × capture ÷ playback.',
    ['slow motion', 'Slow motion'],
  ),
  term(
    'proxy',
    'Proxy',
    'A small copy of the take to look at, written to the same card at the same time. It belongs to the stream.',
    ['proxy'],
  ),
];

/** The words of cards and what is printed on them. */
const CARDS: readonly GuideEntry[] = [
  term('speed-mark', 'Speed mark', `${CLASS_HOLDS} The highest one that counts in a slot is its floor. ${DECLARED}`, [
    'speed mark',
    'Speed mark',
  ]),
  term(
    'roman',
    'Roman numeral',
    'I, II and III on an SD card name the bus, and not a number of rows: cards of II, of III and of Express all have two. The number in a U is a speed grade. II is no promise of speed, and U3 is not UHS-III.',
    ['Roman numeral'],
  ),
  term(
    'floor',
    'Guaranteed minimum',
    'Lowest write speed that a speed mark, the card’s maker or the camera’s maker states in writing, where it counts in this slot. The guaranteed minimum is not the card’s speed: it may write faster, but nobody guarantees more.',
    ['guaranteed minimum', 'Guaranteed minimum'],
  ),
  term(
    'promise',
    'Written promise',
    'A speed mark that counts in the slot, a minimum that the card’s maker states, or a card that the camera’s maker approves. Nothing else is a promise.',
    ['written promise', 'Written promise'],
  ),
  term(
    'form',
    'Type',
    'The shape of a card and its connection: SD, microSD, CFexpress A, B and C, XQD, CFast, CompactFlash, SSD, module.',
  ),
  term(
    'bus',
    'Bus',
    'The way between slot and card. In force is the fastest that both know. It is a ceiling: how much may pass, not how much the card writes.',
    ['bus', 'Bus'],
  ),
  term(
    'row',
    'Row of contacts',
    'UHS-II, UHS-III and Express cards and slots have a second row of contacts. A card or slot with one row runs at UHS-I at the most. Two rows do not tell which bus: Express and UHS-II share the place, and fall back to UHS-I with each other.',
    ['row of contacts', 'rows of contacts'],
  ),
  term('family-term', 'Capacity type', 'SD, SDHC, SDXC, SDUC: which sizes a slot accepts, and by which file system.', [
    'capacity type',
    'Capacity type',
    'capacity types',
  ]),
  term(
    'contradiction',
    'Contradiction',
    'Two things on one label that cannot both be true. Nothing on such a label counts until the card was filled and read back.',
    ['contradicts itself'],
  ),
  term(
    'verified',
    'Verified',
    'Of a card: it was filled to the end and read back without a difference. Of a copy: it was read back in full and compared with the checksum.',
    ['verified'],
  ),
  term(
    'counterfeit',
    'Counterfeit',
    'A card that is not what is printed on it. Signs: a label that contradicts itself, a price far under the rest, capacity that fails when it is read back, writing far under the mark.',
    ['counterfeit', 'counterfeits'],
  ),
  term(
    'usable',
    'Usable',
    `What a card really takes after formatting: as you entered it, else ${ASSUMED_WORDS.usable} of the label.`,
    ['usable'],
  ),
];

/** The words of bodies and answers. */
const ANSWERS: readonly GuideEntry[] = [
  term('once-only', 'Once-only', 'A take that cannot be made again: only what is guaranteed is blue.', [
    'Once-only',
    'once-only',
  ]),
  term(
    'repeatable',
    'Repeatable',
    'A take that can be made again: tight answers and your own passed tests are blue too.',
    ['Repeatable', 'repeatable'],
  ),
  term(
    'headroom',
    'Headroom',
    `What a guarantee must have over the stream before it is called guaranteed and not tight: ${ASSUMED_WORDS.headroom}, unless you set another.`,
    ['headroom', 'Headroom'],
  ),
  term(
    'planned',
    'Planned minutes',
    'How long a card lasts at the average of everything written, on what is usable of it, rounded down to whole minutes: those to plan with.',
    ['planned minutes', 'Planned minutes'],
  ),
  term(
    'label-minutes',
    'By the box',
    'The capacity on the label divided by the rate of the picture alone, as boxes and many counters reckon. Planned minutes are never above them.',
    ['by the box'],
  ),
  term(
    'counter',
    'Counter',
    'The minutes that a camera shows for a card. A reading of t means t or more and less than t + 1. The same long value in two modes is a cap, the same in three a bucket: neither measures anything.',
    ['counter'],
  ),
  term(
    'lock',
    'Refusal',
    'A camera that refuses a mode without a certain mark, whatever the real speed of the card. It may refuse a whole family of codecs for the sake of its fastest one.',
  ),
  term(
    'body-ceiling-term',
    'Ceiling of the camera',
    'What a camera writes at the most, whatever its slot could carry.',
    ['Camera’s own write limit'],
  ),
  term('single', 'Single', 'One card is written.'),
  term(
    'relay',
    'Relay',
    'One after the other: when the first card is full the next takes over. Minutes add up, and each card is judged for its own part.',
    ['Relay', 'relay'],
  ),
  term(
    'mirrored',
    'Mirrored',
    'The same to every card: each must be fast enough for all of it, and the smaller one says when it ends.',
    ['Mirrored', 'mirrored'],
  ),
  term('split', 'Split', 'A share to each card: 160 MB/s over two are 80 each.', ['Split', 'split']),
  ...BESIDE_MEANINGS.map(({ id, word, meaning }) =>
    term(id, capital(word), `${capital(meaning)}.`, [word, capital(word)]),
  ),
  term(
    'reported',
    'Colleague’s test',
    'A colleague’s test of this camera and a card with the same label: shown beside your answers, and it changes none of them.',
    ['colleague’s test', 'Colleague’s test'],
  ),
  term(
    'move',
    'What to do',
    'What would make an answer better: another card, mark, mode, ratio or arrangement, or shorter takes. It can be tried on the table before it is kept.',
  ),
];

/** The words of heat and the write path. */
const HEAT: readonly GuideEntry[] = [
  ...(['warm', 'hot'] as const).map((level) =>
    term(`heat-${level}`, capital(HEAT_ASIDE[level]), `${capital(HEAT_MEANINGS[level])}.`, [HEAT_ASIDE[level]]),
  ),
  term(
    'buffer',
    'Camera buffer',
    'Memory of the camera that holds what the card has not taken yet. When it runs over, a frame is dropped.',
    ['camera buffer', 'Camera buffer'],
  ),
  term(
    'cache',
    'Fast cache',
    'The front of a card, which takes data faster than its flash. While it has room the card looks fast; once it is full, only the sustained write speed is left.',
    ['fast cache', 'Fast cache'],
  ),
  term(
    'sustained',
    'Sustained write speed',
    'What a card writes for as long as it is asked to, once its fast cache is full.',
    ['sustained write speed', 'Sustained write speed', 'sustained speed'],
  ),
  term('throttle', 'Throttling', 'A card that has grown hot writes slower until it has cooled.', [
    'throttles',
    'Throttling',
    'throttled',
  ]),
  term('cut-off', 'Cut-off', 'A camera that has grown too hot stops recording.', ['cut-off']),
  term('ambient', 'Air', 'The temperature of the air around the camera, without what sun adds to it.'),
  term(
    'calibrated',
    'Calibrated',
    'A temperature estimate fitted to what the maker states or your own takes showed. Without that: rank by it, do not time by it.',
    ['Not calibrated', 'not calibrated'],
  ),
];

/** The words of evidence. */
const EVIDENCE: readonly GuideEntry[] = [
  term(
    'fill-test',
    'Fill test',
    'A take in the worst mode, from cold, until the card is full. Three of them, since one pass is not a guarantee.',
    ['fill test', 'Fill test'],
  ),
  term(
    'ends',
    'Full, stopped, dropped',
    'How a take ended. A small card that was full after 12 minutes is not shown to be better than a large one that dropped at 19: it never ran that long.',
  ),
  term(
    'implied',
    'Implied rate',
    'Usable ÷ seconds of a take that ended full from empty, or bytes ÷ seconds of a clip. It proves the rate used, not the figure on the box.',
    ['implied rate', 'Implied rate'],
  ),
  term(
    'bracket',
    'Bracket',
    'Between which two rates the true speed of a card lies: at least its fastest full pass, below its slowest drop.',
    ['bracket'],
  ),
  term('survival', 'Survival map', 'Every logged take as a bar of rate and minutes, ending full, stopped or dropped.', [
    'Survival map',
    'survival map',
  ]),
  term('print', 'Label', 'Everything that a maker printed on a card. Cards with one label may still differ inside.', [
    'same label',
    'same printed label',
  ]),
];

/** The words of the day, of buying and of wear. */
const DAY: readonly GuideEntry[] = [
  term('gap-free', 'No card change', 'A stretch in which no change of cards may fall.', ['No card change']),
  term('rolling', 'Recorded share', 'The share of a block that is recorded.'),
  term('swap', 'Swap', 'A change of cards. It costs the seconds it takes, and a take that runs through it.'),
  term(
    'offload',
    'Offload',
    'Copying a card away, at the slowest of card, reader and disk. A slow read costs patience; a slow write costs the take.',
    ['offload', 'Offload'],
  ),
  term(
    'free',
    'Free',
    'Of a card: it may be formatted. It is free after as many verified copies as the plan asks for, and never after fewer without a logged override.',
  ),
  term('at-risk', 'Minutes at risk', 'The most minutes on one card: what is lost with it.', ['at risk']),
  term(
    'wear',
    'Wear',
    'Flash memory can be written only a limited number of times. Hours = rated hours × rated rate ÷ own rate, or cycles × capacity ÷ rate ÷ write amplification.',
    ['wear'],
  ),
  term('amplification', 'Write amplification', 'Bytes written inside a card for each that is sent.', [
    'write amplification',
    'Write amplification',
  ]),
];

/** Every word of the app, by what it is about. */
export const GLOSSARY: readonly GuideEntry[] = [...STREAM, ...CARDS, ...ANSWERS, ...HEAT, ...EVIDENCE, ...DAY];
