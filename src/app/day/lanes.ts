import type { Plan, PlanBlock } from '../../core/kit/plan.ts';
import type { Tone } from '../../core/match/verdict.ts';
import type { PlannedDay } from '../../core/rotation/plannedDay.ts';

/** A stretch on a lane, seconds from the plan's start. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** What a card is doing. */
type CardDoing = 'in' | 'waits' | 'copying' | 'verifying' | 'free';

/** A stretch of a card's day. */
interface CardSpan extends Span {
  readonly doing: CardDoing;
  readonly tone: Tone | null;
}

/** A block with what is recorded on which card under it. */
export interface BlockSpan extends Span {
  readonly block: PlanBlock;
}

/** A card under a block, or a hole where there is none. */
interface RollSpan extends Span {
  readonly cardId: string | null;
  readonly slotId: string | null;
  readonly tone: Tone | null;
  readonly marked: boolean;
}

/** The lanes of a day. */
export interface Lanes {
  /** The whole axis. */
  readonly axis: Span;
  /** Air of the day where it was entered, on the axis. */
  readonly air: readonly { readonly at: number; readonly airC: number }[];
  readonly bodies: readonly {
    readonly bodyId: string;
    readonly blocks: readonly BlockSpan[];
    readonly rolls: readonly RollSpan[];
  }[];
  readonly cards: readonly { readonly cardId: string; readonly spans: readonly CardSpan[] }[];
  readonly readers: readonly {
    readonly readerId: string;
    readonly spans: readonly (Span & { readonly cardId: string })[];
  }[];
}

const HOUR = 3600;
/** The least that is shown, and what is shown past the last block. */
const LEAST_HOURS = 6;

/** From the full hour before the first thing to the full hour after the last block. */
function axisOf(plan: Plan, day: PlannedDay): Span {
  const ends = [...day.blocks.map(({ toSeconds }) => toSeconds), ...day.shortages.map(({ toSeconds }) => toSeconds)];
  const starts = [0, ...day.blocks.map(({ fromSeconds }) => fromSeconds)];
  const [, minutes = 0] = plan.start.split(':').map(Number);
  // Whole hours of the clock, not of the plan.
  const shift = minutes * 60;
  const from = Math.floor((Math.min(...starts) + shift) / HOUR) * HOUR - shift;
  const last = Math.max(from + LEAST_HOURS * HOUR, ...ends);
  return { from, to: Math.ceil((last + shift) / HOUR) * HOUR - shift };
}

/** What one card does from the beginning to the end of the axis. */
function cardSpans(cardId: string, day: PlannedDay, axis: Span): readonly CardSpan[] {
  const spans: CardSpan[] = [];
  for (const sitting of day.sittings.filter((one) => one.cardId === cardId)) {
    const tones = day.rolls.filter(
      (roll) =>
        roll.cardId === cardId &&
        roll.fromSeconds >= sitting.fromSeconds - 1 &&
        roll.toSeconds <= (sitting.toSeconds ?? Infinity) + 1,
    );
    const tone = tones.find(({ tone: one }) => one !== 'cool')?.tone ?? tones[0]?.tone ?? null;
    spans.push({ from: sitting.fromSeconds, to: sitting.toSeconds ?? axis.to, doing: 'in', tone });
  }
  for (const stage of day.offloads.filter((one) => one.cardId === cardId))
    spans.push({
      from: stage.fromSeconds,
      to: stage.toSeconds,
      tone: null,
      doing: stage.stage === 'copy' ? 'copying' : 'verifying',
    });
  spans.sort((a, b) => a.from - b.from);
  const frees = day.frees.filter((one) => one.cardId === cardId).map(({ atSeconds }) => atSeconds);
  const filled: CardSpan[] = [];
  let at = axis.from;
  // Before its first use it is free, unless it comes into the day full.
  let isFree = spans[0]?.doing === 'in' || spans.length === 0;
  for (const span of spans) {
    if (span.from > at + 1) filled.push({ from: at, to: span.from, doing: isFree ? 'free' : 'waits', tone: null });
    filled.push(span);
    at = Math.max(at, span.to);
    isFree = frees.some((free) => Math.abs(free - at) < 1);
  }
  if (at < axis.to) filled.push({ from: at, to: axis.to, doing: isFree ? 'free' : 'waits', tone: null });
  return filled.filter(({ from, to }) => to > axis.from && from < axis.to);
}

/** Seconds of a clock time from the start of a plan, on its first day. */
const sinceStart = (time: string, start: string): number => {
  const minutes = (text: string): number => text.split(':').reduce((sum, part) => sum * 60 + Number(part), 0);
  return (minutes(time) - minutes(start)) * 60;
};

/** Everything that is drawn of a day. */
export function lanesOf(plan: Plan, day: PlannedDay): Lanes {
  const axis = axisOf(plan, day);
  const bodyIds = [...new Set(plan.blocks.map(({ bodyId }) => bodyId))];
  const blockOf = new Map(plan.blocks.map((block) => [block.id, block]));
  return {
    axis,
    air: (plan.airProfile ?? [])
      .map(({ at, airC }) => ({ at: sinceStart(at, plan.start), airC }))
      .filter(({ at }) => at >= axis.from && at < axis.to),
    bodies: bodyIds.map((bodyId) => ({
      bodyId,
      blocks: day.blocks.flatMap(({ blockId, bodyId: of, fromSeconds, toSeconds }) => {
        const block = blockOf.get(blockId);
        return of === bodyId && block ? [{ block, from: fromSeconds, to: toSeconds }] : [];
      }),
      rolls: [
        ...day.rolls
          .filter((roll) => roll.bodyId === bodyId)
          .map(({ fromSeconds, toSeconds, cardId, slotId, tone, marked }) => ({
            from: fromSeconds,
            to: toSeconds,
            cardId,
            slotId,
            tone,
            marked,
          })),
        ...day.shortages
          .filter((short) => short.bodyId === bodyId && short.blockId !== null && short.reason.code !== 'not-planned')
          .map(({ atSeconds, toSeconds }) => ({
            from: atSeconds,
            to: toSeconds,
            cardId: null,
            slotId: null,
            tone: null,
            marked: false,
          })),
      ].sort((a, b) => a.from - b.from),
    })),
    cards: plan.cardIds.map((cardId) => ({ cardId, spans: cardSpans(cardId, day, axis) })),
    readers: plan.readers.map(({ id }) => ({
      readerId: id,
      spans: day.offloads
        .filter(({ readerId, fromSeconds }) => readerId === id && fromSeconds < axis.to)
        .map(({ cardId, fromSeconds, toSeconds }) => ({ cardId, from: fromSeconds, to: toSeconds })),
    })),
  };
}

/** Full hours on an axis, seconds; further apart where there are many. */
export function hourMarks({ from, to }: Span): readonly number[] {
  const hours = (to - from) / HOUR;
  const step = hours > 30 ? 6 : hours > 16 ? 3 : hours > 12 ? 2 : 1;
  return Array.from({ length: Math.floor(hours / step) + 1 }, (_, n) => from + n * step * HOUR);
}
