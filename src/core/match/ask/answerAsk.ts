import { type Doubt, doubts } from '../../bodies/rate/plausibility.ts';
import { playbackLength } from '../../bodies/rate/playback.ts';
import { type StreamRate, streamRate } from '../../bodies/rate/streamRate.ts';
import { sureBus } from '../../cards/printedBus.ts';
import type { PrintedLabel } from '../../cards/readLabel.ts';
import type { Body, Card, Codec, Slot } from '../../kit/model.ts';
import { err, ok, type Result } from '../../result.ts';
import { type Bus, busesOf } from '../../standards/buses.ts';
import { type Family, familyOf } from '../../standards/families.ts';
import { type Form, isSd } from '../../standards/forms.ts';
import { countsOn, MARK_KEYS, type Mark, mark, marksOf, promiseOf, type Series } from '../../standards/marks.ts';
import { covers } from '../../units/amount.ts';
import type { Bytes, BytesPerSecond, PerMille, Seconds } from '../../units/brand.ts';
import { fromMegabytes, GB, toGigabytes, toMegabytes } from '../../units/convert.ts';
import { cellFor } from '../board.ts';
import type { Cell } from '../cell.ts';
import { type CapacityFor, capacityFor, cardsFor, usable } from '../minutes/minutes.ts';
import type { Policy } from '../policy.ts';
import type { Ask, AskRefusal } from './ask.ts';

/** The answer to a quick check. */
export interface Answer {
  readonly ask: Ask;
  readonly rate: StreamRate;
  /** What one card of the arrangement is written, at its peak. */
  readonly need: BytesPerSecond;
  readonly body: Body;
  /** Null when no card was named. Without its capacity it is judged all the same, and nothing of it is counted. */
  readonly card: Card | null;
  /** Whether the card's capacity was named: without it there are no minutes. */
  readonly sized: boolean;
  readonly cell: Cell | null;
  /** Cards in the camera at once: two for relay, mirrored and split. */
  readonly cardsAtOnce: number;
  /** Planned minutes of the whole arrangement from full cards; null without a card. */
  readonly minutes: number | null;
  /** The same by the box: label arithmetic of the picture alone; null without a card. */
  readonly byTheBox: number | null;
  /** Smallest mark of each series that guarantees the need, slowest first; empty when none does. */
  readonly smallestMarks: readonly Mark[];
  /** True where the answer depends on the mark alone: a card was named without one. */
  readonly needsMark: boolean;
  /** The mark below the smallest that holds; null where there is none. */
  readonly tooSmall: Mark | null;
  /** How long a take of the wanted time plays, in slow motion; null otherwise. */
  readonly plays: Seconds | null;
  /** What the wanted time asks for; null without a time. */
  readonly forTime: ForTime | null;
  /** A need eight times over what the card holds: bits taken for bytes? The rate it would then be. */
  readonly bitsOrBytes: BytesPerSecond | null;
  /** What looks wrong with the rate for the picture that was named; empty without a picture. */
  readonly doubts: readonly Doubt[];
}

/**
 * What a length of time asks for: bytes written, the smallest size sold that holds them, and cards of the size named.
 */
interface ForTime extends CapacityFor {
  /** Cards of the named size; null without a card. */
  readonly cards: number | null;
  /** Whether one filling of the arrangement lasts; null without a card. */
  readonly lasts: boolean | null;
}

const SERIES: readonly Series[] = ['U', 'V', 'E', 'VPG'];

/** The kind of slot whose marks a question is about: the card's form, else the slot's. */
function placeFor({ card, slot }: Ask): MarkPlace {
  const own = card?.form ?? slot?.form ?? null;
  const form = own ?? (slot?.bus && busesOf('sd').includes(slot.bus) ? 'sd' : null);
  // A card of two rows is taken to be in such a slot; what wants more is not offered for it.
  const taken = card?.bus === 'uhs-ii' || card?.bus === 'uhs-iii' ? card.bus : null;
  return { form: slot?.form && form !== slot.form ? slot.form : form, slotBus: slot?.bus ?? taken };
}

/** What the marks asked for must exist on, and count on; null where nothing was said of it. */
export interface MarkPlace {
  readonly form: Form | null;
  readonly slotBus: Bus | null;
}

/** The smallest mark of each series that covers a need with headroom, among those that exist and count there. */
export function smallestMarks(
  need: BytesPerSecond,
  headroom: PerMille,
  { form, slotBus }: MarkPlace = { form: null, slotBus: null },
): readonly Mark[] {
  const canBe = (key: Mark): boolean =>
    (form === null || mark(key).forms.includes(form)) &&
    (slotBus === null || mark(key).forms.every((one) => countsOn(key, slotBus, one)));
  return SERIES.flatMap((series) => {
    const found = MARK_KEYS.find(
      (key) => mark(key).series === series && canBe(key) && covers(promiseOf(key), need, headroom),
    );
    return found ? [found] : [];
  }).sort((a, b) => mark(a).promisesMBps - mark(b).promisesMBps);
}

/** A card as the kit keeps it, made from a label. */
function cardFromLabel(label: PrintedLabel, capacity: Bytes, { sustained, minimum, slot }: Ask): Card {
  const form = label.form ?? 'module';
  const isBusOpen = minimum !== null && !slot?.bus && sureBus({ form, bus: null, marks: label.words }) === null;
  return {
    id: 'quick',
    label: '',
    form,
    capacityGB: toGigabytes(capacity),
    usableGB: null,
    marks: label.words,
    // The slot is taken to suit the card: then a minimum of its own bus is one of this.
    bus: isBusOpen ? (label.bus ?? suitingBus(form)) : null,
    readMBps: label.reads === null ? null : toMegabytes(label.reads),
    writeMBps: label.writes === null ? null : toMegabytes(label.writes),
    sustainedMBps: sustained === null ? null : toMegabytes(sustained),
    minimumMBps: minimum === null ? null : toMegabytes(minimum),
    cacheGB: null,
  };
}

/** The bus of a slot that suits a card of which no bus is told. */
export const suitingBus = (form: Form): Bus | null =>
  isSd(form) ? 'uhs-i' : form === 'usb-ssd' ? 'usb-10' : (busesOf(form).at(-1) ?? null);

/** What a slot takes, as it was named: where only its bus was, the card's form if that speaks it, else SD. Null: nothing tells. */
export function slotForm(ofCard: Form | null, slot: Ask['slot']): Form | null {
  const wanted = slot?.bus ?? null;
  const isSpoken = wanted === null || (ofCard !== null && busesOf(ofCard).includes(wanted));
  return slot?.form ?? (!isSpoken && busesOf('sd').includes(wanted) ? 'sd' : ofCard);
}

/** A slot as it was named; what was not said of it suits the card. */
function slotFor(card: Card, { slot, card: label }: Ask, id: string): Slot {
  const wanted = slot?.bus ?? null;
  const form = slotForm(card.form, slot) ?? card.form;
  const ownBus = label?.bus && busesOf(form).includes(label.bus) ? label.bus : null;
  const bus = wanted ?? ownBus ?? suitingBus(form);
  const own = familyOf((card.capacityGB * GB) as Bytes);
  // Hardly any host reads SDUC: no slot is taken to.
  const suits = own === 'sduc' ? null : own;
  return {
    id,
    name: id,
    accepts: [{ form, bus }],
    family: slot?.family ?? (isSd(form) ? suits : null),
    promisedMaxGB: null,
  };
}

function bodyFor(ask: Ask, card: Card | null): Body {
  const ids = ask.arrangement === 'single' ? ['1'] : ['1', '2'];
  const slots = card ? ids.map((id) => slotFor(card, ask, id)) : [];
  return {
    id: 'quick',
    name: 'quick check',
    arrangement: ask.arrangement,
    bufferMB: null,
    ceilingMBps: ask.ceiling === null ? null : toMegabytes(ask.ceiling),
    slots,
    modes: [ask.mode],
  };
}

/**
 * What a card of unknown size is judged with: a size of the family that it prints, else that its slot reads, since no promise
 * hangs on a size and nothing that does is shown.
 */
function standIn({ card, slot }: Ask): Bytes {
  const own = card?.familyPrinted ?? slot?.family ?? 'sdxc';
  return (STAND_IN_GB[own] * GB) as Bytes;
}
const STAND_IN_GB = { sd: 2, sdhc: 32, sdxc: 64, sduc: 4000 } as const satisfies Readonly<Record<Family, number>>;

/** The mark just below the smallest V that holds: what would not do. */
function belowOf(holds: readonly Mark[]): Mark | null {
  const needed = holds.find((key) => mark(key).series === 'V') ?? holds[0];
  if (needed === undefined) return null;
  const { series, promisesMBps } = mark(needed);
  const below = MARK_KEYS.filter((key) => mark(key).series === series && mark(key).promisesMBps < promisesMBps);
  return below.sort((a, b) => mark(b).promisesMBps - mark(a).promisesMBps)[0] ?? null;
}

/** Whether all that is missing for an answer is the mark on the card: none was named, nor anything else of its pace. */
const needsMark = ({ card, sustained, minimum }: Ask, cell: Cell | null): boolean =>
  cell?.verdict === 'uncovered' &&
  cell.floor === null &&
  !cell.doubted &&
  card !== null &&
  sustained === null &&
  minimum === null &&
  // Drives and modules carry no mark to ask for.
  (card.form === null || marksOf(card.form).length > 0) &&
  card.marks.length === 0 &&
  card.unread.length === 0;

/** How many times one card's minutes a whole arrangement has: one card after the other, or pairs of them. */
const timesOf = ({ arrangement, count }: Ask): number =>
  arrangement === 'mirrored' || arrangement === 'split' ? count / 2 : count;

const FAMILIES: readonly Codec[] = ['long-gop', 'intra', 'raw'];

/**
 * A stated rate is weighed against the picture named beside it; raw geometry is the picture. Where no codec family was
 * named, a rate that suits any of them is not doubted.
 */
function doubtsOf({ mode, codecNamed }: Ask, picture: BytesPerSecond): readonly Doubt[] {
  if (mode.rate.kind !== 'stated') return [];
  const { width, height, captureFps, fps } = mode;
  const families = codecNamed ? [mode.codec] : FAMILIES;
  const each = families.map((codec) =>
    doubts({ rate: picture, codec, width, height, fps: captureFps ?? fps, neighbour: null }),
  );
  return each.every((found) => found.length > 0) ? (each[0] ?? []) : [];
}

/**
 * Whether the need looks eight times too large: typed in bytes, not held, and held if it had been bits.
 */
function slip(ask: Ask, cell: Cell | null, headroom: PerMille): BytesPerSecond | null {
  if (!cell || cell.need === null || ask.mode.rate.kind !== 'stated') return null;
  if (ask.written !== 'bytes') return null;
  if (cell.floor === null || covers(cell.floor, cell.need, 0 as PerMille)) return null;
  const eighth = fromMegabytes(ask.mode.rate.Mbps / 64);
  return covers(cell.floor, eighth, headroom) ? eighth : null;
}

/**
 * Answers a quick check with the same rules as the board.
 *
 * @returns the answer; or `rate-out-of-range` when the computed rate is absurd
 */
export function answerAsk(ask: Ask, policy: Policy): Result<Answer, AskRefusal> {
  const rate = streamRate(ask.mode, null);
  if (!rate.ok) return err({ code: 'rate-out-of-range', field: rate.error.field });
  const sized = ask.card !== null && ask.card.capacity !== null;
  const card = ask.card ? cardFromLabel(ask.card, ask.card.capacity ?? standIn(ask), ask) : null;
  const body = bodyFor(ask, card);
  const judged = card ? cellFor({ body, mode: ask.mode, card, cards: [card], tests: [], policy }) : null;
  const told = judged && ask.card && card?.form === 'module' && ask.card.form === null ? withoutForm(judged) : judged;
  const cell = told && !sized ? { ...told, labelMinutes: null, planned: null } : told;
  const shares = ask.arrangement === 'split' ? 2 : 1;
  const need = cell?.need ?? (Math.ceil(rate.value.peak / shares) as BytesPerSecond);
  const cardsAtOnce = ask.arrangement === 'single' ? 1 : 2;
  const times = timesOf(ask);
  const minutes = cell?.planned == null ? null : cell.planned * times;
  const byTheBox = cell?.labelMinutes == null ? null : cell.labelMinutes * times;
  const holds = smallestMarks(need, policy.headroom, placeFor(ask));
  return ok({
    ask,
    rate: rate.value,
    need,
    body,
    card,
    cell,
    sized,
    needsMark: needsMark(ask, cell),
    cardsAtOnce,
    minutes,
    byTheBox,
    smallestMarks: holds,
    tooSmall: belowOf(holds),
    plays: plays(ask),
    forTime: forTime(ask, rate.value, sized ? card : null, { cardsAtOnce, shares }),
    bitsOrBytes: slip(ask, cell, policy.headroom),
    doubts: doubtsOf(ask, rate.value.picture),
  });
}

/** What is found of a card whose form nobody told is not that of a module: rules of form and bus say nothing of it. */
const withoutForm = (cell: Cell): Cell => ({
  ...cell,
  findings: cell.findings.filter(({ rule }) => !['shape', 'protocol', 'bus'].includes(rule)),
});

function plays({ time, mode }: Ask): Seconds | null {
  return time === null || mode.captureFps === null ? null : playbackLength(time, mode.captureFps, mode.fps);
}

function forTime(
  ask: Ask,
  rate: StreamRate,
  card: Card | null,
  { cardsAtOnce, shares }: { readonly cardsAtOnce: number; readonly shares: number },
): ForTime | null {
  if (ask.time === null) return null;
  const average = Math.ceil(rate.average / shares) as BytesPerSecond;
  const asked = capacityFor(ask.time, average);
  if (!card) return { ...asked, cards: null, lasts: null };
  const each = cardsFor(ask.time, usable(card).bytes, average);
  const doubled = ask.arrangement === 'mirrored' || ask.arrangement === 'split';
  const cards = doubled ? each * cardsAtOnce : each;
  return { ...asked, cards: cards * ask.cameras, lasts: cards <= Math.max(ask.count, cardsAtOnce) };
}
