import type { PrintedLabel } from '../../cards/readLabel.ts';
import type { Span, Token } from '../../cards/token.ts';
import { busesOf } from '../../standards/buses.ts';
import { isSd } from '../../standards/forms.ts';
import { mark } from '../../standards/marks.ts';
import { wholeUp } from '../../units/amount.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { exactFrameRate } from '../../units/frameRate.ts';
import { leastBus } from '../rules/bus.ts';
import type { Reading } from './ask.ts';
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
  readonly slotNamed: boolean;
  readonly passed: readonly PassedOver[];
  /** How many cards were named. */
  readonly count: number;
  readonly arrangementNamed: boolean;
}

const replaced = (text: string, { start, end }: Span, by: string): string =>
  text.slice(0, start) + by + text.slice(end);
const added = (text: string, words: string): string => `${text.trimEnd()} ${words}`;

function looseReadings({ text, tokens }: Read): readonly Reading[] {
  return tokens.flatMap((token): Reading[] => {
    if (token.kind === 'rate' && token.loose && !token.printed)
      return [{ ...span(token), code: 'rate', value: token.value }];
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
    change: rateWord ? replaced(text, rateWord, opposite) : replaced(text, stream, `${stream.text} ${opposite}`),
  });
  return readings;
}

/** That the slot is taken to match the card, where slots of its form differ; and what its marks tell of its bus. */
function cardReadings({ text, tokens, card, slotNamed }: Read): readonly Reading[] {
  if (!card?.form) return [];
  const readings: Reading[] = [];
  const told = tokens.find((token) => token.kind === 'mark');
  if (card.formInferred && card.form === 'cfexpress-b' && told)
    readings.push({ ...span(told), code: 'form-inferred', form: card.form });
  if (card.bus !== null && !card.busPrinted && card.bus !== 'uhs-i' && isSd(card.form)) {
    const implies = tokens.find((token) => token.kind === 'mark' && mark(token.mark).countsFrom === card.bus);
    if (implies) readings.push({ ...span(implies), code: 'bus-by-mark', bus: card.bus });
  }
  const buses = busesOf(card.form);
  const least = leastBus(card.form);
  if (slotNamed || buses.length < 2 || card.bus === least || (card.bus === null && isSd(card.form))) return readings;
  const slower = isSd(card.form) ? 'in UHS-I' : `in ${buses[0]?.endsWith('-1') ? '1.0' : '2.0'}`;
  const isExternal = card.form === 'usb-ssd';
  return [...readings, { code: 'slot-assumed', bus: card.bus, ...(isExternal ? {} : { change: added(text, slower) }) }];
}

/** Words that were left out; a slip of a word that means something is one press from that. */
function passedReadings({ text, passed }: Read): readonly Reading[] {
  const slips = passed.flatMap((one): Reading[] => {
    const [couldBe] = one.couldBe;
    return couldBe === undefined ? [] : [{ ...span(one), code: 'slip', couldBe, change: replaced(text, one, couldBe) }];
  });
  const words = passed.filter(({ couldBe }) => couldBe.length === 0).map((one) => one.text);
  return words.length > 0 ? [...slips, { code: 'passed-over', words }] : slips;
}

function countReadings({ text, count, arrangementNamed }: Read): readonly Reading[] {
  if (count > 2) return [{ code: 'more-cards', count }];
  return count === 2 && !arrangementNamed ? [{ code: 'two-cards', change: added(text, 'mirrored') }] : [];
}

/** Everything in a line that could be read otherwise, each with the line of the other reading where there is one. */
export const readingsOf = (read: Read): readonly Reading[] => [
  ...looseReadings(read),
  ...speedReadings(read),
  ...countReadings(read),
  ...cardReadings(read),
  ...passedReadings(read),
];
