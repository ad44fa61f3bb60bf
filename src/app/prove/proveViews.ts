import { streamRate } from '../../core/bodies/rate/streamRate.ts';
import { deciding, hasFailed, lanesOf } from '../../core/heat/run/lane.ts';
import { paceOf } from '../../core/heat/run/pace.ts';
import type { Body, Card, Mode, PlannedTake, Test } from '../../core/kit/model.ts';
import { bodyInMode } from '../../core/match/bodyInMode.ts';
import { pairFit } from '../../core/match/pairFit.ts';
import type { Policy } from '../../core/match/policy.ts';
import { sharesOf } from '../../core/match/seats.ts';
import { readTest } from '../../core/match/testReading.ts';
import { heldLonger } from '../../core/prove/bracket.ts';
import { logEntries, takeDoubts } from '../../core/prove/entries.ts';
import { oddTake, type Placed, placed } from '../../core/prove/puzzles.ts';
import { type Reconciled, reconcile } from '../../core/prove/reconcile.ts';
import { type MapBar, mapBars, supported } from '../../core/prove/survival.ts';
import { toMegabytes } from '../../core/units/convert.ts';
import { newId } from '../../kit/newId.ts';
import { misfitQuestion } from '../../text/match/testReading.ts';
import { doubtText } from '../../text/prove/log.ts';
import type { Draft } from '../kit/draft.ts';
import { today } from '../kit/today.ts';
import type { ProveKit } from './proveKit.ts';

export { AIR_MOVEMENTS, BENCH_PROGRAMS, CONSTANCIES, TEST_STARTS } from '../../core/kit/model.ts';
/** What the view of tests asks the core. */
export { RETEST } from '../../core/prove/age.ts';
export { benchTable } from '../../core/prove/benchTable.ts';
export {
  burstFrames,
  cleared,
  clearTimes,
  drainRates,
  limiting,
  noBetter,
  shotsOn,
} from '../../core/prove/clearing.ts';
export { ENTRY_KINDS, LOG_ORDERS, shownEntries, WHOLE_LOG } from '../../core/prove/entries.ts';
export { acrossCards, cardBrackets, demandedMBps, puzzles } from '../../core/prove/puzzles.ts';
export { runsTable } from '../../core/prove/runs.ts';
export { diagnose, SYMPTOMS } from '../../core/prove/symptom.ts';
export { holdsBy, namedRatio, ofOneRatio, takeRate } from '../../core/prove/takeRate.ts';
export { fromGigabytes } from '../../core/units/convert.ts';

/** Everything in the log of a kit. */
export const entriesOf = (kit: ProveKit) => logEntries(kit);

/** A take that is being logged; what is missing is asked. */
export const newTest = (part: Partial<Draft<Test>> = {}): Draft<Test> => ({
  id: newId(),
  bodyId: '',
  modeId: null,
  cardId: '',
  slotId: null,
  end: '' as Test['end'],
  seconds: '',
  clipGB: null,
  writtenMBps: null,
  date: today(),
  note: null,
  ...part,
});

/** What one card of a body is written in a mode at the most, MB/s, one decimal; null where it is not known. */
export function writtenMBps(body: Body, mode: Mode): number | null {
  const rate = streamRate(mode, body);
  return rate.ok ? Math.round((toMegabytes(rate.value.peak) / sharesOf(bodyInMode(body, mode))) * 10) / 10 : null;
}

/** A take with the rate of its mode as it is now, and the slot where there is but one that the card enters. */
export function withRate(test: Test, bodies: readonly Body[], cards: readonly Card[]): Test {
  const body = bodies.find(({ id }) => id === test.bodyId);
  const card = cards.find(({ id }) => id === test.cardId);
  const mode = body?.modes.find(({ id }) => id === test.modeId);
  if (!body) return test;
  const entered = card ? (mode ? bodyInMode(body, mode) : body).slots.filter((slot) => pairFit(slot, card).fits) : [];
  return {
    ...test,
    writtenMBps: mode ? writtenMBps(body, mode) : test.writtenMBps,
    slotId: test.slotId ?? (entered.length === 1 ? (entered[0]?.id ?? null) : null),
  };
}

/** The cards that enter a body: those last tested in it first, then by label. */
export function cardsFor(body: Body | undefined, cards: readonly Card[], tests: readonly Test[]): readonly Card[] {
  const inUse = cards.filter(({ retired }) => !retired);
  if (!body) return inUse;
  const lastAt = new Map(tests.flatMap((test, at) => (test.bodyId === body.id ? [[test.cardId, at] as const] : [])));
  return inUse
    .filter((card) => body.slots.some((slot) => pairFit(slot, card).fits))
    .toSorted((a, b) => (lastAt.get(b.id) ?? -1) - (lastAt.get(a.id) ?? -1) || a.label.localeCompare(b.label));
}

/** What is odd about a take, in questions; empty where its numbers can be true. */
export function doubtTexts(test: Test, { bodies, cards }: Pick<ProveKit, 'bodies' | 'cards'>): readonly string[] {
  const body = bodies.find(({ id }) => id === test.bodyId);
  const card = cards.find(({ id }) => id === test.cardId);
  if (!body || !card) return [];
  return takeDoubts(test, body, card, today()).flatMap((doubt) =>
    doubt.code === 'misfit' ? (misfitQuestion(readTest(test, body, card)) ?? []) : [doubtText(doubt)],
  );
}

/** What of the log is on the map. */
export interface MapAsked {
  readonly bodyId: string;
  /** Null: every card. */
  readonly cardId: string | null;
  /** Air, °C, from and to; null: whatever it was. */
  readonly airC: readonly [number, number] | null;
}

/** Where the simulated take of a mode ends. */
export interface MapLimit {
  readonly name: string;
  readonly MBps: number;
  /** Null where it does not end within the card. */
  readonly minutes: number | null;
}

/** The bars of the takes asked for, and the ground they support where one card is asked for. */
export function mapOf(kit: ProveKit, { bodyId, cardId, airC }: MapAsked) {
  const own = placed(kit).filter(
    ({ test }) =>
      test.bodyId === bodyId &&
      (cardId === null || test.cardId === cardId) &&
      (airC === null ||
        (test.ambientWithSunC != null && test.ambientWithSunC >= airC[0] && test.ambientWithSunC <= airC[1])),
  );
  const bars = mapBars(own);
  return { bars, ground: cardId === null ? [] : supported(bars) };
}

/** Where the simulated takes of a body on one card end, mode by mode, as the heat run has them; slowest first. */
export function mapLimits(
  body: Body,
  card: Card,
  { tests, policy, plan }: { readonly tests: readonly Test[]; readonly policy: Policy; readonly plan: PlannedTake },
): readonly MapLimit[] {
  return body.modes
    .flatMap((mode): readonly MapLimit[] => {
      const lanes = lanesOf({
        body,
        mode,
        cards: [card],
        arrangement: 'single' as const,
        tests,
        policy,
        // Long enough that only the card, the rate or heat ends it.
        plan: { ...plan, minutes: 600, takes: 1, restMinutes: 0 },
        startBodyC: null,
        startCardC: null,
        demandTraceMBps: null,
      });
      if (!lanes.ok) return [];
      const { lane, result } = deciding(lanes.value);
      const MBps = writtenMBps(body, mode);
      // Of a card whose pace nobody knows nothing is drawn: a line would be taken for an answer.
      if (MBps === null || paceOf(lane) !== 'known') return [];
      return [{ name: mode.name, MBps, minutes: hasFailed(result) ? result.atSeconds / 60 : null }];
    })
    .sort((a, b) => a.MBps - b.MBps);
}

/** A test with what it names; null where its body or card is gone. */
export const placedTest = (kit: ProveKit, test: Test): Placed | null => placed({ ...kit, tests: [test] })[0] ?? null;

/** What the numbers of a take come to; null where its rate is not known. */
export function reconcileTest(one: Placed): { readonly reconciled: Reconciled; readonly nominalMBps: number } | null {
  const take = oddTake(one);
  return take && { reconciled: reconcile(take), nominalMBps: take.nominalMBps };
}

/** What share of takes held longer than so many minutes; full cards and stopped takes count for as long as they ran. */
export interface HeldShare {
  readonly minutes: number;
  readonly share: number;
}

/** Minutes that a share is told for. */
const TOLD_MINUTES = [5, 10, 20, 40, 80] as const;

/**
 * The share of takes that held, told where one dropped and for no longer than any take ran: beyond that nothing is known.
 *
 * @param bars - of the takes asked about
 */
export function heldShares(bars: readonly MapBar[]): readonly HeldShare[] {
  const takes = bars
    .filter(({ misfit }) => !misfit)
    .map(({ end, minutes }) => ({
      outcome: end === 'dropped' || end === 'cut-off' ? ('dropped' as const) : ('stopped' as const),
      seconds: minutes * 60,
    }));
  const held = heldLonger(takes);
  if (held.length === 0) return [];
  const longest = Math.max(...takes.map(({ seconds }) => seconds));
  return TOLD_MINUTES.filter((minutes) => minutes * 60 <= longest).map((minutes) => ({
    minutes,
    share: held.filter(({ seconds }) => seconds <= minutes * 60).at(-1)?.share ?? 1,
  }));
}

/** The mode of a body that differs from another in its compression alone; null where there is none. */
export const modeOfRatio = (body: Body, like: Mode, ratio: number): Mode | null =>
  body.modes.find(
    ({ rate, ...mode }) =>
      rate.kind === 'raw' &&
      like.rate.kind === 'raw' &&
      rate.ratio === ratio &&
      rate.bitsPerPixel === like.rate.bitsPerPixel &&
      mode.width === like.width &&
      mode.height === like.height &&
      mode.fps === like.fps &&
      (mode.captureFps ?? null) === (like.captureFps ?? null),
  ) ?? null;
