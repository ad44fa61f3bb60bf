import { entryAt } from '../entryAt.ts';
import {
  type BodyState,
  blockOf,
  type Due,
  NOTHING_DUE,
  needOf,
  noteShort,
  type Running,
  still,
  wantedOf,
  wishFor,
} from './bodyState.ts';
import { EITHER } from './emptying.ts';
import type { ShortReason } from './outcome.ts';
import type { Seated } from './pick.ts';
import { INSTANT } from './places.ts';
import type { DayBlock, DayBody } from './problem.ts';

/*
 * The steps of one body from block to block. Each changes its state and answers what is to happen to it next; whoever calls
 * posts that. A step that lets the body go on makes its token grow, so that what was to happen before is off.
 */

/** A card stays in for a block it cannot hold whole where at least this share of it is left [A]. */
const KEPT_SHARE = 0.5;

/** A body with its place in the day. */
export interface Subject {
  readonly run: Running;
  readonly body: number;
  readonly state: BodyState;
}

const bodyOf = ({ run, body }: Subject): DayBody => entryAt(run.problem.bodies, body);
const blockAt = ({ run }: Subject, place: number): DayBlock => entryAt(run.problem.blocks, place);
const relays = (subject: Subject): boolean => bodyOf(subject).housing === 'relay';

const isUsable = (block: DayBlock): boolean => block.fits.some((slots) => slots.some((fit) => fit !== null));

/** Closes a gap at `to`: what would have rolled in it is missing. */
function closeGap(subject: Subject, to: number, next: number | null): void {
  const { run, state } = subject;
  const own = blockOf(state);
  const from = state.gapFrom;
  if (from === null || own === null) return;
  const block = blockAt(subject, own);
  const need = needOf(state);
  state.gapFrom = null;
  const pace = Math.min(1, need / Math.max(INSTANT, block.to - from));
  const missed = Math.min(need, (to - from) * pace);
  state.recording = still(own, need - missed);
  const reason: ShortReason = isUsable(block)
    ? { code: 'none-free', card: next, next: next === null ? null : to }
    : { code: 'none-holds' };
  noteShort(run, own, { from, to, seconds: missed, reason });
}

/** Begins to roll on what is in the body. */
function roll(subject: Subject, own: number, unit: readonly Seated[], time: number): readonly Due[] {
  const { run, state } = subject;
  const block = blockAt(subject, own);
  const need = needOf(state);
  const rest = block.to - time;
  const pace = rest <= INSTANT ? 1 : Math.min(1, Math.max(need / rest, 0));
  state.recording = { kind: 'rolling', block: own, need, from: time, pace };
  state.token += 1;
  const fills = pace > 0 ? time + run.places.left(unit, block) / pace : block.to;
  const end: Due = { at: Math.min(block.to, fills), kind: 'end' };
  const isRelayed = relays(subject) && fills < block.to - INSTANT && state.next === null;
  return isRelayed ? [end, { at: Math.max(time, fills - run.problem.rules.swap), kind: 'relay' }] : [end];
}

/** Notes what was recorded since the roll began; the body stands still then. */
function stopRolling({ run, state }: Subject, time: number): void {
  const { recording, unit } = state;
  if (recording.kind !== 'rolling') return;
  const { block, need, from, pace } = recording;
  const rolled = Math.min(need, (time - from) * pace);
  state.recording = still(block, Math.max(0, need - rolled));
  if (rolled > INSTANT && unit) run.places.record(unit, { block, from, to: time, seconds: rolled });
}

/** Whether what is in the body stays for its next block. */
function keeps(subject: Subject, ended: number): boolean {
  const { run, state } = subject;
  const { places, problem, tactics, chosen, tell } = run;
  const next = state.blocks[state.place];
  if (next === undefined || state.unit === null) return false;
  const block = blockAt(subject, next);
  if (state.unit.length < block.width) return false;
  const left = places.left(state.unit, block);
  const wanted = wantedOf(block);
  if (left <= INSTANT) return false;
  const breaks = block.gapFree && !relays(subject) && left < wanted - INSTANT;
  const whole = Math.min(
    ...state.unit.map(({ card, slot }) => (block.fits[card]?.[slot]?.seconds ?? 0) * problem.rules.changeAt),
  );
  const usual =
    !breaks && tactics.keep === 'where-it-holds' && (left >= wanted - INSTANT || left >= KEPT_SHARE * whole);
  const { id, to } = blockAt(subject, ended);
  const key = `keep:${id}`;
  const decided = chosen.get(key) ?? Number(usual);
  tell({ key, at: to, options: EITHER, chosen: decided });
  return decided === 1;
}

/** Sets the clock for the next block of a body. */
export function announce(subject: Subject, time: number): readonly Due[] {
  const { run, state } = subject;
  const next = state.blocks[state.place];
  if (next === undefined) return NOTHING_DUE;
  const { from } = blockAt(subject, next);
  const begin: Due = { at: from, kind: 'block' };
  return state.unit === null
    ? [{ at: Math.max(time, from - run.problem.rules.swap), kind: 'prepare' }, begin]
    : [begin];
}

/** A block is over: what is missing of it is told, and what lies in the body stays or comes out. */
export function endBlock(subject: Subject, ended: number, time: number): readonly Due[] {
  const { run, body, state } = subject;
  const { wish } = state;
  if (wish !== null || state.gapFrom !== null) {
    state.gapFrom ??= wish?.what === 'unit' ? Math.max(wish.since, blockAt(subject, ended).from) : time;
    closeGap(subject, time, null);
  }
  if (needOf(state) > INSTANT) run.inChanges += needOf(state);
  state.recording = { kind: 'between' };
  state.wish = null;
  state.picks = 0;
  state.passed.clear();
  state.place += 1;
  state.token += 1;
  if (state.next) {
    // Ready and not needed: it stays for what comes, else it is free as it was.
    if (state.unit) run.places.takeOut(body, state.unit, time);
    state.unit = state.next;
    state.next = null;
  }
  if (state.unit && !keeps(subject, ended)) {
    run.places.takeOut(body, state.unit, time);
    state.unit = null;
  }
  return announce(subject, time);
}

/** The rest of a gap-free block that broke off is not recorded. */
function breakOff(subject: Subject, own: number, time: number, reason: ShortReason): readonly Due[] {
  const { run, state } = subject;
  const { to } = blockAt(subject, own);
  noteShort(run, own, { from: time, to, seconds: needOf(state), reason });
  state.recording = still(own, 0);
  state.wish = null;
  state.gapFrom = null;
  state.token += 1;
  return [{ at: to, kind: 'end' }];
}

/** The next card of a relay takes over; it may not be ready yet. */
function takeOver(subject: Subject, own: number, time: number): readonly Due[] {
  const { state } = subject;
  const unit = state.next ?? [];
  state.unit = unit;
  state.next = null;
  if (state.readyAt <= time + INSTANT) return roll(subject, own, unit, time);
  state.gapFrom = time;
  if (blockAt(subject, own).gapFree)
    return breakOff(subject, own, time, { code: 'none-free', card: unit[0]?.card ?? null, next: state.readyAt });
  state.token += 1;
  return [{ at: state.readyAt, kind: 'block' }];
}

/** What rolled is full, or its block is over. */
export function unitEnds(subject: Subject, time: number): readonly Due[] {
  const { run, body, state } = subject;
  stopRolling(subject, time);
  const own = blockOf(state);
  const out = state.unit;
  if (own === null || out === null) return NOTHING_DUE;
  const block = blockAt(subject, own);
  if (time >= block.to - INSTANT) {
    if (run.places.left(out, block) <= INSTANT) {
      run.places.takeOut(body, out, time);
      state.unit = null;
    }
    return endBlock(subject, own, time);
  }
  run.places.takeOut(body, out, time);
  state.unit = null;
  if (relays(subject) && state.next) return takeOver(subject, own, time);
  if (block.gapFree) {
    const { card, slot } = entryAt(out, 0);
    const reason: ShortReason = relays(subject)
      ? { code: 'none-free', card: null, next: null }
      : { code: 'too-long', seconds: block.fits[card]?.[slot]?.seconds ?? 0, card };
    return breakOff(subject, own, time, reason);
  }
  state.wish = wishFor('unit', time);
  state.token += 1;
  return [{ at: block.to, kind: 'end' }];
}

/** A block begins, or a card that was waited for in it is ready. */
export function blockBegins(subject: Subject, time: number): readonly Due[] {
  const { state } = subject;
  const own = blockOf(state) ?? entryAt(state.blocks, state.place);
  const block = blockAt(subject, own);
  if (state.recording.kind === 'between') state.recording = still(own, wantedOf(block));
  if (state.unit && state.readyAt <= time + INSTANT) {
    closeGap(subject, time, state.unit[0]?.card ?? null);
    return roll(subject, own, state.unit, time);
  }
  if (state.gapFrom === null && time <= block.from + INSTANT) state.gapFrom = time;
  state.token += 1;
  if (state.unit) return [{ at: Math.min(state.readyAt, block.to), kind: state.readyAt < block.to ? 'block' : 'end' }];
  state.wish ??= wishFor('unit', time);
  return [{ at: block.to, kind: 'end' }];
}

/** A card was put in that a body asked for: it records on it, or lets it lie ready. */
export function cardComes(subject: Subject, unit: readonly Seated[], time: number): readonly Due[] {
  const { run, state } = subject;
  const { wish } = state;
  state.wish = null;
  state.readyAt = time + run.problem.rules.swap;
  if (wish?.what === 'next' && state.unit !== null) {
    state.next = unit;
    return NOTHING_DUE;
  }
  state.unit = unit;
  const own = blockOf(state);
  if (own === null) return NOTHING_DUE;
  const block = blockAt(subject, own);
  // Waiting is missing; the change itself is not, where changes may fall into the block.
  // A block that follows another at once begins with a change of cards, too.
  if (!block.gapFree && state.gapFrom !== null && time - state.gapFrom < INSTANT) state.gapFrom = null;
  const began = state.gapFrom !== null;
  const since = wish?.since ?? time;
  if (!began && time > since + INSTANT) state.gapFrom = since;
  if (!began) closeGap(subject, time, unit[0]?.card ?? null);
  state.token += 1;
  return state.readyAt >= block.to
    ? [{ at: block.to, kind: 'end' }]
    : [{ at: Math.max(state.readyAt, time), kind: 'block' }];
}
