import type { PrintedLabel } from '../../cards/readLabel.ts';
import type { Span, Token } from '../../cards/token.ts';
import type { Codec } from '../../kit/model.ts';
import { PEAK_OVER_AVERAGE } from '../../standards/assumptions.ts';
import { busesOf } from '../../standards/buses.ts';
import { type Form, isSd } from '../../standards/forms.ts';
import { mark } from '../../standards/marks.ts';
import { wholeUp } from '../../units/amount.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { exactFrameRate } from '../../units/frameRate.ts';
import type { Reading } from './ask.ts';
import type { SlotSaid } from './place.ts';
import { type Named, rateAt, type Speeds } from './speeds.ts';
import type { PassedOver } from './spokenLine.ts';
import { type Of, span } from './tokensOf.ts';

/** A line as it was read, before it is told how. */
interface Read {
  readonly text: string;
  readonly tokens: readonly Token[];
  readonly speeds: Speeds;
  readonly stream: Of<'rate'> | undefined;
  readonly ofRate: Named | null;
  readonly rateWord: Token | null;
  readonly card: PrintedLabel | null;
  readonly slot: SlotSaid | null;
  /** Whether its bus was named: one that was not is taken to suit the card. */
  readonly slotNamed: boolean;
  readonly passed: readonly PassedOver[];
  /** How many cards were named. */
  readonly count: number;
  readonly cameras: number;
  readonly ceiling: Of<'rate'> | null;
  readonly sustained: Of<'rate'> | null;
  readonly minimum: Of<'rate'> | null;
  readonly is: 'maximum' | 'average' | 'constant';
  readonly measured: boolean;
  readonly arrangementNamed: boolean;
  readonly codec: Codec;
}

const replaced = (text: string, { start, end }: Span, by: string): string =>
  text.slice(0, start) + by + text.slice(end);
const added = (text: string, words: string): string => `${text.trimEnd()} ${words}`;

function looseReadings({ text, tokens, stream }: Read): readonly Reading[] {
  return tokens.flatMap((token): Reading[] => {
    if (token.kind === 'rate' && token !== stream && token.written === 'bytes')
      return [{ ...span(token), code: 'peak' }];
    if (token.kind === 'rate' && token.loose && !token.printed) {
      const { value, low, other } = token;
      return [
        {
          ...{ ...span(token), code: 'rate', value },
          ...(low === undefined ? {} : { low }),
          ...(other === undefined ? {} : { change: replaced(text, token, other) }),
        },
      ];
    }
    if (token.kind === 'capacity' && token.loose) return [{ ...span(token), code: 'capacity', value: token.value }];
    if (token.kind === 'time' && token.loose) {
      const minutes = token.clock === null ? null : Math.floor(token.clock / 60);
      const change =
        minutes === null || token.clock === null
          ? {}
          : { change: replaced(text, token, `${minutes} min ${token.clock - minutes * 60} s`) };
      return [{ ...span(token), code: 'time', value: token.value, ...change }];
    }
    if (token.kind === 'rate' && token.printed) return [{ ...span(token), code: 'peak' }];
    return token.kind === 'picture-name' ? [{ ...span(token), code: 'picture-name-ignored' }] : [];
  });
}

/** Which speed is which, and of which of them the rate is. */
function speedReadings({ text, speeds, stream, ofRate, rateWord }: Read): readonly Reading[] {
  const { fps, captureFps, assumed, ordered } = speeds;
  if (assumed) return [{ code: 'fps-assumed', fps, change: added(text, '25p') }];
  if (captureFps === null) return [];
  const readings: Reading[] = ordered ? [{ code: 'speeds', captured: captureFps, recorded: fps }] : [];
  if (!stream) return readings;
  const at = rateAt(speeds, ofRate);
  const scaled = wholeUp((stream.value * exactFrameRate(captureFps)) / exactFrameRate(fps)) as BytesPerSecond;
  const [taken, other] = at === 'recorded' ? [scaled, stream.value] : [stream.value, scaled];
  const opposite = at === 'recorded' ? 'captured' : 'recorded';
  readings.push({
    code: 'rate-at',
    at,
    fps: at === 'recorded' ? fps : captureFps,
    said: ofRate !== null,
    taken,
    other,
    change: rateWord
      ? replaced(text, rateWord, `as ${opposite}`)
      : replaced(text, stream, `${stream.text} as ${opposite}`),
  });
  return readings;
}

/** That the slot is taken to match the card, where slots of its form differ; and what its marks tell of its bus. */
function cardReadings({ text, tokens, card, slot, slotNamed }: Read): readonly Reading[] {
  if (!card?.form) return [];
  const readings: Reading[] = [];
  const told = tokens.find((token) => token.kind === 'mark');
  if (card.formInferred && card.form === 'cfexpress-b' && told)
    readings.push({ ...span(told), code: 'form-inferred', form: card.form });
  if (card.bus !== null && !card.busPrinted && card.bus !== 'uhs-i' && isSd(card.form)) {
    const implies = tokens.find((token) => token.kind === 'mark' && mark(token.mark).countsFrom === card.bus);
    if (implies) readings.push({ ...span(implies), code: 'bus-by-mark', bus: card.bus });
  }
  if (slot?.family && card.capacity === null && card.familyPrinted === null)
    readings.push({ code: 'size-assumed', family: slot.family });
  // Of SD the slot of one row is what is left where a faster one is not told.
  const [least] = isSd(card.form) ? (['uhs-i'] as const) : busesOf(card.form);
  if (slotNamed || least === undefined || card.bus === least || (card.bus === null && isSd(card.form))) return readings;
  const slower = SLOWER[card.form];
  return [...readings, { code: 'slot-assumed', bus: card.bus, ...(slower ? { change: added(text, slower) } : {}) }];
}

/** How the slower slot of a form is said; of those left out no line can say it. */
const SLOWER: Readonly<Partial<Record<Form, string>>> = {
  sd: 'in UHS-I',
  microsd: 'in UHS-I',
  'cfexpress-a': 'in 2.0',
  'cfexpress-b': 'in 2.0',
  'cfexpress-c': 'in 2.0',
  xqd: 'in 1.0',
};

/** Words that were left out because they carry nothing. */
const passedReadings = ({ passed }: Read): readonly Reading[] =>
  passed.length > 0 ? [{ code: 'passed-over', words: passed.map((one) => one.text) }] : [];

function countReadings({ text, count, cameras, arrangementNamed }: Read): readonly Reading[] {
  const readings: Reading[] = cameras > 1 ? [{ code: 'cameras', count: cameras }] : [];
  if (count < 2 || arrangementNamed) return readings;
  return [
    ...readings,
    count === 2 ? { code: 'two-cards', change: added(text, 'mirrored') } : { code: 'more-cards', count },
  ];
}

/** What was said of the camera and of the card's pace, as it was taken. */
function placeReadings({ ceiling, sustained, minimum, is, measured, codec }: Read): readonly Reading[] {
  return [
    ...(ceiling ? [{ ...span(ceiling), code: 'body-limit' as const, value: ceiling.value }] : []),
    ...(minimum ? [{ ...span(minimum), code: 'card-minimum' as const, value: minimum.value }] : []),
    ...(sustained ? [{ ...span(sustained), code: 'card-sustained' as const, value: sustained.value }] : []),
    ...(measured
      ? [{ code: 'measured' as const }]
      : is === 'average'
        ? [{ code: 'average' as const, factor: PEAK_OVER_AVERAGE[codec].high }]
        : []),
  ];
}

/** Everything in a line that could be read otherwise, each with the line of the other reading where there is one. */
export const readingsOf = (read: Read): readonly Reading[] => [
  ...looseReadings(read),
  ...speedReadings(read),
  ...placeReadings(read),
  ...countReadings(read),
  ...cardReadings(read),
  ...passedReadings(read),
];
