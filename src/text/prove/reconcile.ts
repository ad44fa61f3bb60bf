import type { StatedHolds } from '../../core/kit/model.ts';
import type { InCommon } from '../../core/prove/bracket.ts';
import type { PuzzleWhy } from '../../core/prove/puzzles.ts';
import type { Explanation, RuledOut } from '../../core/prove/reconcile.ts';
import type { TakeRate } from '../../core/prove/takeRate.ts';
import { assertNever } from '../../core/result.ts';
import { plain } from '../quantity.ts';

const NBSP = '\u00a0';
const times = (ratio: number): string => plain(ratio, 2);

/** One explanation of a result that looks impossible, with its number. */
export function explanationText(explanation: Explanation): string {
  switch (explanation.code) {
    case 'agrees':
      return 'It agrees with what the camera is believed to write.';
    case 'compression-ratio':
      return `It is what ${plain(explanation.to)}:1 writes, not ${plain(explanation.from)}:1: look at what the camera was set to.`;
    case 'variable-rate':
      return `It wrote ${times(explanation.ratio)} of the stated rate: quality-based or variable recording writes less where the picture is calm.`;
    case 'beside-the-picture':
      return `It wrote ${times(explanation.ratio)} times the stated rate: sound, metadata or a proxy beside the picture.`;
    case 'counter-rounding':
      return `A counter of whole minutes is off by up to ${explanation.seconds}${NBSP}s: that is all of the difference.`;
    case 'split':
      return `It is a ${explanation.cards === 2 ? 'half' : `${explanation.cards}th part`} of the rate: the recording was split over ${explanation.cards} cards.`;
    case 'crop':
      return `It is ${times(explanation.share)} of the rate: a smaller window of the sensor was read.`;
    case 'gib':
      return explanation.larger
        ? 'It is 7 % more: a size in GiB was taken for GB.'
        : 'It is 7 % less: a size in GB was taken for GiB.';
    case 'bits-or-bytes':
      return `It is ${explanation.factor > 1 ? 'eight times' : 'an eighth of'} the rate: bits were taken for bytes, or the other way round.`;
    case 'clock':
      return `It is ${explanation.factor > 1 ? 'sixty times' : 'a sixtieth of'} the rate: minutes were noted for seconds, or hours for minutes.`;
    case 'not-empty':
      return `It would be ${times(explanation.ratio)} times the rate: the card was not empty, or the time is too short.`;
    case 'unknown':
      return `It is ${times(explanation.ratio)} times the rate, and nothing known explains it. Note clip bytes, and make the take once more from an empty card.`;
    default:
      return assertNever(explanation);
  }
}

/** That a shortfall fits, or fits no buffer. */
export const bufferText = ({
  shortfallGB,
  possible,
}: {
  readonly shortfallGB: number;
  readonly possible: boolean;
}): string =>
  possible
    ? `A buffer of ${plain(shortfallGB)}${NBSP}GB would have hidden it.`
    : `A shortfall of ${plain(shortfallGB, 0)}${NBSP}GB fits no buffer: the rate was lower than believed, or the card slowed part-way.`;

/** Said where no rate can be told. */
export const NO_BYTES_TEXT =
  'A take that dropped or was stopped tells a rate only by the bytes of its clip. Enter them, or fill a card from empty.';

/** How strongly the numbers speak for an explanation, in a word. */
export const supportWord = (support: number): { readonly word: string; readonly tone: string } =>
  support >= 0.5
    ? { word: 'likely', tone: 'cool' }
    : support >= 0.1
      ? { word: 'possible', tone: 'warm' }
      : { word: 'unlikely', tone: 'mute' };

/** Why a result is worth a look. */
export const PUZZLE_WORDS: Readonly<Record<PuzzleWhy, string>> = {
  numbers: 'The size, time and rate of this take do not add up.',
  'beyond-claim': 'It filled the card above what the maker claims.',
  'below-a-pass': 'This card dropped frames at a rate it passed here before. Repeat the take from cold.',
};

/** What drops have in common, and what would decide. */
export function inCommonText({ cause, strength }: InCommon, drops: number): string {
  if (drops === 0) return '';
  const times = `${strength > 1000 ? 'over 1000' : plain(strength, 0)} times likelier than by chance`;
  switch (cause) {
    case 'cache':
      return `Probably the cache: ${drops} drops came after nearly the same number of bytes, ${times}. To check, try a card with a larger cache, or rests.`;
    case 'heat':
      return `Probably heat: ${drops} drops came after nearly the same time, ${times}. To check, repeat the take with a fan.`;
    case 'link':
      return `Probably the connection: ${drops} drops came at nearly the same rate, ${times}. To check, try the other slot.`;
    case null:
      return drops === 1
        ? 'Cache or heat? One drop cannot tell: take it at another rate, from cold.'
        : 'Cache or heat? These drops cannot tell: take it at another rate, from cold.';
  }
}

/** What share of takes held longer than some minutes; empty where none dropped. */
export const heldText = (shares: readonly { readonly minutes: number; readonly share: number }[]): string =>
  shares.length === 0
    ? ''
    : `Held longer than ${shares.map(({ minutes, share }) => `${minutes}${NBSP}min: ${plain(share * 100, 0)}${NBSP}%`).join(', ')}. Takes that filled the card or were stopped by hand count only for the time they ran.`;

/** A usual cause that it is not, with the ratio it would be. */
export function ruledOutText({ code, wouldBe }: RuledOut): string {
  switch (code) {
    case 'split':
      return `Split over ${plain(1 / wouldBe, 0)} cards: would be ${times(wouldBe)}.`;
    case 'crop':
      return `A smaller window of the sensor: would be ${times(wouldBe)}.`;
    case 'gib':
      return `GB taken for GiB: would be ${times(wouldBe)}.`;
    case 'beside-the-picture':
      return `Sound and metadata: ${times(wouldBe)} at the most.`;
    case 'counter-rounding':
      return `A counter of whole minutes: ${times(wouldBe)} at the most.`;
    default:
      return assertNever(code);
  }
}

/** What a take wrote at, offered as the rate of its mode. */
export const takeRateText = ({ MBps, low, high }: Pick<TakeRate, 'MBps' | 'low' | 'high'>): string =>
  `This take wrote ${plain(MBps, 1)}${NBSP}MB/s (${plain(low, 1)} to ${plain(high, 1)}).`;

/** What a file says of the stated rates of its body. */
export const holdsText = (holds: StatedHolds, body: string): string =>
  holds === 'everything'
    ? `It is the stated rate to the byte: nothing is added for sound and the like by ${body}.`
    : `It is the stated rate and what stands beside the picture: ${body} states the picture alone.`;

/** A share of belief, never told as certain. */
export const supportText = (support: number): string =>
  support > 0.99 ? `over 99${NBSP}%` : `${plain(support * 100, 0)}${NBSP}%`;
