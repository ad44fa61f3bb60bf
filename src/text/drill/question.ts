import type { AnswerValue, Facts, Question, StopReason, Typed } from '../../core/drill/question.ts';
import type { Mode } from '../../core/kit/model.ts';
import { assertNever } from '../../core/result.ts';
import { PEAK_OVER_AVERAGE } from '../../core/standards/assumptions.ts';
import { type Bus, bus } from '../../core/standards/buses.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { cardSummary, modeTitle } from '../match/cell.ts';
import { clockText, minutesText, NBSP, plain, takeText } from '../quantity.ts';
import { exactMBps, exactMbps } from './amounts.ts';

/** A stretch of the question; `key` is what it turns on. */
export interface PromptPiece {
  readonly text: string;
  readonly key?: boolean;
}

const key = (text: string): PromptPiece => ({ text, key: true });
const rest = (text: string): PromptPiece => ({ text });

const size = (GB: number): string => (GB < 1000 ? `${plain(GB)}${NBSP}GB` : `${plain(GB / 1000, 2)}${NBSP}TB`);

/** A slot by what one can see of it. */
function slotText(key: Bus): string {
  switch (key) {
    case 'uhs-i':
      return 'one row of contacts (UHS-I)';
    case 'uhs-i-50':
      return 'one row of contacts (UHS-I SDR50)';
    case 'uhs-ii':
      return 'two rows of contacts (UHS-II)';
    case 'uhs-iii':
      return 'two rows of contacts (UHS-III)';
    case 'high-speed':
      return 'one row of contacts (High speed, older than UHS)';
    default:
      return bus(key).name;
  }
}

const stated = (mode: Mode): string => (mode.rate.kind === 'stated' ? `${mode.rate.Mbps}${NBSP}Mb/s` : '');

/** The rate of a mode as a manual has it: an average with the peak that goes with it. */
const rateText = (mode: Mode): string =>
  mode.rate.kind === 'stated' && mode.rate.is === 'average'
    ? `${stated(mode)} on average, ${plain(mode.rate.Mbps * PEAK_OVER_AVERAGE[mode.codec].high)}${NBSP}Mb/s at its peak`
    : stated(mode);

/** The question itself. */
export function promptOf({ facts }: Pick<Question, 'facts'>): readonly PromptPiece[] {
  switch (facts.kind) {
    case 'bits':
      return bitsPrompt(facts);
    case 'label':
      return [rest('What does this card promise in a slot with '), key(slotText(facts.slot)), rest('?')];
    case 'contradict':
      return [rest('Which of these labels '), key('contradicts itself'), rest('?')];
    case 'cheapest':
      return [
        rest('Which is the '),
        key('cheapest that holds'),
        rest(` ${stated(facts.mode)}, once-only, in a slot with `),
        key(slotText(facts.slot)),
        rest('?'),
      ];
    case 'minutes':
      return [
        rest('How many minutes does '),
        key(size(facts.capacityGB)),
        rest(' last at '),
        key(rateText(facts.mode)),
        rest('?'),
      ];
    case 'slow-motion':
      return facts.ask === 'rate'
        ? [
            key(stated(facts.mode)),
            rest(` at ${plain(facts.mode.fps, 2)} frames a second. What is written when `),
            key(`${plain(facts.mode.captureFps ?? facts.mode.fps, 2)} are captured`),
            rest('?'),
          ]
        : [
            rest('A take of '),
            key(takeText(facts.takeSeconds as Seconds)),
            rest(`, captured at ${plain(facts.captured, 2)} frames a second. How long does it play at `),
            key(plain(facts.playback, 2)),
            rest('?'),
          ];
    case 'counter':
      return facts.ask === 'rate'
        ? [
            rest(`The counter of an empty card of ${size(facts.capacityGB)} shows `),
            key(minutesText(facts.minutes)),
            rest('. Which rate is set?'),
          ]
        : [
            rest(`The counter of an empty card of ${size(facts.capacityGB)}, mode by mode. Which reading `),
            key('measures anything'),
            rest('?'),
          ];
    case 'stopped':
      return [rest('Frames were dropped. '), key('Why'), rest('?')];
    case 'afternoon':
      return [rest('How many cards of '), key(size(facts.capacityGB)), rest(' does this afternoon take?')];
    case 'own':
      return [
        rest('Which of your cards may go into '),
        key(facts.body.name),
        rest(' for '),
        key(modeTitle(facts.mode)),
        rest(facts.policy.take === 'once' ? ', once-only?' : ', repeatable?'),
      ];
    default:
      return assertNever(facts);
  }
}

function bitsPrompt(facts: Extract<Facts, { kind: 'bits' }>): readonly PromptPiece[] {
  switch (facts.ask) {
    case 'to-bytes':
      return [rest('The menu says '), key(exactMbps(facts.bytesPerSecond)), rest('. How many MB/s must a card take?')];
    case 'to-bits':
      return [
        rest('A card is to take '),
        key(exactMBps(facts.bytesPerSecond)),
        rest('. As the menu of a camera has it, how many Mb/s is that?'),
      ];
    case 'per-minute':
      return [rest('How much does '), key(exactMbps(facts.bytesPerSecond)), rest(' fill in a minute?')];
    case 'computer':
      return [
        rest('A new card is printed '),
        key(size(facts.GB)),
        rest('. A computer shows '),
        key(`${facts.GiB}${NBSP}GiB`),
        rest('. How much room is there?'),
      ];
    default:
      return assertNever(facts);
  }
}

/** A figure that a question tells. */
export interface Told {
  readonly name: string;
  readonly figure: string;
}

/** What is told beside the question; empty where everything stands in it. */
export function toldOf({ facts }: Pick<Question, 'facts'>): readonly Told[] {
  switch (facts.kind) {
    case 'afternoon':
      return [
        { name: 'Stream', figure: stated(facts.mode) },
        { name: 'From first to last', figure: minutesText(facts.minutes) },
        {
          name: 'Of that, recorded',
          figure: facts.rolling === 1 ? 'all of it' : `${plain(facts.rolling * 100)}${NBSP}%`,
        },
        {
          name: 'Slots',
          figure:
            facts.arrangement === 'mirrored'
              ? 'two, mirrored'
              : facts.arrangement === 'relay'
                ? 'two, one after the other'
                : 'one',
        },
      ];
    case 'stopped': {
      const { take } = facts;
      return [
        { name: 'Rate in the menu', figure: `${take.menuMbps}${NBSP}Mb/s` },
        { name: 'A clip of it, a second', figure: `${plain(take.clipMBps, 0)}${NBSP}MB` },
        { name: 'Bus carries', figure: `${take.busMBps}${NBSP}MB/s` },
        { name: 'Card, while its cache has room', figure: `${take.burstMBps}${NBSP}MB/s` },
        { name: 'Cache', figure: take.cacheGB === 0 ? 'none' : `${take.cacheGB}${NBSP}GB` },
        { name: 'Card, for as long as one likes', figure: `${take.sustainedMBps}${NBSP}MB/s` },
        { name: 'Dropped at', figure: clockText(take.seconds as Seconds) },
        { name: 'Written by then', figure: `${plain(take.writtenGB)}${NBSP}GB` },
        {
          name: 'Card began to slow',
          figure:
            take.slowedAtSeconds === null
              ? `never; ${take.cardC}${NBSP}°C at its hottest`
              : `at ${clockText(take.slowedAtSeconds as Seconds)}, ${take.throttleAtC}${NBSP}°C`,
        },
      ];
    }
    default:
      return [];
  }
}

const REASON_WORDS: Readonly<Record<StopReason, string>> = {
  bytes: 'The stream was not the one that was believed',
  bus: 'The bus is slower than the stream',
  cache: 'The cache of the card was full',
  heat: 'The card grew hot and slowed',
};

/** An answer in words; of a face, its price alone. */
export function answerValueText(value: AnswerValue): string {
  switch (value.kind) {
    case 'rate':
      return value.unit === 'MB/s' ? exactMBps(value.bytesPerSecond) : exactMbps(value.bytesPerSecond);
    case 'per-minute':
      return `${plain(value.GB, value.GB < 0.1 ? 3 : 2)}${NBSP}GB`;
    case 'room':
      return size(value.GB);
    case 'nothing':
      return 'nothing';
    case 'minutes':
      return minutesText(value.minutes);
    case 'seconds':
      return value.seconds < 60 ? `${plain(value.seconds)}${NBSP}s` : takeText(Math.round(value.seconds) as Seconds);
    case 'count':
      return value.count === 1 ? '1 card' : `${value.count} cards`;
    case 'face':
      return value.price === null ? '' : `€${NBSP}${value.price}`;
    case 'mode':
      return value.minutes === null
        ? `${plain(value.Mbps)}${NBSP}Mb/s`
        : `${plain(value.Mbps)}${NBSP}Mb/s: ${minutesText(value.minutes)}`;
    case 'reason':
      return REASON_WORDS[value.reason];
    case 'card':
      return `${value.card.label} · ${cardSummary(value.card)}`;
    default:
      return assertNever(value);
  }
}

const UNIT_ASKED: Readonly<Record<Typed['unit'], string>> = {
  'MB/s': 'in MB/s',
  'Mb/s': 'in Mb/s',
  GB: 'in GB',
  min: 'in minutes',
};

/** What is asked of a typed answer. */
export const typedHint = ({ unit, tolerance }: Typed): string =>
  `${UNIT_ASKED[unit]}, right within ${plain(tolerance * 100)}${NBSP}%`;

/** A typed answer as it was read. */
export const typedText = (value: number, unit: Typed['unit']): string => {
  if (unit === 'min') return `${plain(value, 0)}${NBSP}min`;
  return `${plain(value, 2)}${NBSP}${unit}`;
};
