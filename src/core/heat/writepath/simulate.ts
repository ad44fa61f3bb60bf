import { entryAt } from '../../entryAt.ts';
import { GB, MB } from '../../units/convert.ts';
import { type Paces, paces, secondsTo } from './flow.ts';
import { cardWatts, type Prepared, prepare } from './prepare.ts';
import type { EventName, Moment, SimOutcome, SimResult, Simulation } from './simulation.ts';
import { type Curve, curves, firstReach, highestTo, valueAt } from './thermal.ts';

/** Most events followed in one run: far above any real take, and an end to any contrived one. */
const MAX_EVENTS = 200_000;

/** Where a run stands. Changed in place: risk runs make millions of these steps, and copies would cost half of them. */
interface State {
  t: number;
  buffer: number;
  cache: number;
  /** On the card in use. */
  written: number;
  writtenBefore: number;
  cardAt: number;
  cardC: number;
  bodyC: number;
  throttled: boolean;
  recording: boolean;
  take: number;
  /** When the take or rest under way ends. */
  phaseEnds: number;
  takeBegan: number;
  stallEnds: number | null;
  nextStall: number;
}

interface Ahead {
  dt: number;
  event: EventName;
}

/** Told of every stretch between events: from when, how long, and both temperatures over it. */
export type Watch = (from: number, dt: number, card: Curve, body: Curve) => void;

/** Length of a take, counting from 1. */
const lengthOf = ({ takeSeconds, takes, lastTakeSeconds }: Simulation, take: number): number =>
  take >= (takes ?? 1) ? (lastTakeSeconds ?? takeSeconds) : takeSeconds;

function begin(sim: Simulation, first: Prepared): State {
  const { heat } = sim;
  const cardC = heat.startCardC ?? heat.ambientC;
  return {
    t: 0,
    buffer: 0,
    cache: 0,
    written: 0,
    writtenBefore: 0,
    cardAt: 0,
    cardC,
    bodyC: heat.startBodyC ?? heat.ambientC,
    throttled: cardC >= heat.throttleAtC,
    recording: true,
    take: 1,
    phaseEnds: lengthOf(sim, 1),
    takeBegan: 0,
    stallEnds: null,
    nextStall: first.stallEvery,
  };
}

/** Demand now, bytes per second; a trace holds each of its seconds and repeats. */
function demandNow({ demandMBps, demandTraceMBps: trace }: Simulation, state: State): number {
  if (!state.recording) return 0;
  if (!trace || trace.length === 0) return demandMBps * MB;
  const second = Math.floor(state.t - state.takeBegan + 1e-9);
  return (trace[second % trace.length] ?? 0) * MB;
}

function flowNow(sim: Simulation, card: Prepared, state: State): Paces {
  const factor = state.throttled ? card.heat.throttleFactor : 1;
  return paces(state.buffer, state.cache, demandNow(sim, state), {
    fast: card.fast * factor,
    flash: card.flash * factor,
    cacheSize: card.cacheSize,
    stalled: state.stallEnds !== null,
  });
}

function sooner(best: Ahead, dt: number | null, event: EventName): void {
  if (dt === null || dt >= best.dt) return;
  best.dt = dt;
  best.event = event;
}

interface Stretch {
  readonly flow: Paces;
  readonly card: Curve;
  readonly body: Curve;
}

/** The next thing that changes a pace or ends the run. */
function nextEvent(sim: Simulation, now: Prepared, state: State, { flow, card, body }: Stretch): Ahead {
  const best: Ahead = { dt: state.phaseEnds - state.t, event: state.recording ? 'take-end' : 'take-start' };
  sooner(best, secondsTo(state.written, now.usable, flow.drain), 'filled');
  if (flow.bufferSlope > 0) sooner(best, Math.max(0, (sim.bufferMB * MB - state.buffer) / flow.bufferSlope), 'dropped');
  sooner(best, secondsTo(state.buffer, 0, flow.bufferSlope), 'buffer-empty');
  sooner(best, secondsTo(state.cache, now.cacheSize, flow.cacheSlope), 'cache-full');
  sooner(best, secondsTo(state.cache, 0, flow.cacheSlope), 'cache-empty');
  if (state.stallEnds !== null) sooner(best, state.stallEnds - state.t, 'stall-end');
  else sooner(best, secondsTo(state.written, state.nextStall, flow.drain), 'stall');
  const trace = sim.demandTraceMBps;
  if (trace && trace.length > 1 && state.recording) {
    const since = state.t - state.takeBegan;
    sooner(best, Math.floor(since + 1e-9) + 1 - since, 'demand');
  }
  const { throttleAtC, resumeAtC } = now.heat;
  if (state.throttled) sooner(best, firstReach(card, resumeAtC, false, best.dt), 'throttle-off');
  else sooner(best, firstReach(card, throttleAtC, true, best.dt), 'throttle-on');
  if (state.recording) {
    const { bodyLimitC } = sim.heat;
    // A card can push the body over its limit in a rest; the next take then ends before it begins.
    sooner(best, state.bodyC >= bodyLimitC ? 0 : firstReach(body, bodyLimitC, true, best.dt), 'body-limit');
  }
  return best;
}

const inside = (value: number, top: number): number => Math.min(top, Math.max(0, value));

/** Moves a state over a stretch without events. */
// biome-ignore lint/complexity/useMaxParams: called at every event of thousands of runs, which make no objects
function move(sim: Simulation, now: Prepared, state: State, dt: number, { flow, card, body }: Stretch): void {
  state.t += dt;
  state.buffer = inside(state.buffer + flow.bufferSlope * dt, sim.bufferMB * MB);
  state.cache = inside(state.cache + flow.cacheSlope * dt, now.cacheSize);
  state.written += flow.drain * dt;
  state.cardC = valueAt(card, dt);
  state.bodyC = valueAt(body, dt);
}

/** What an event sets exactly. */
function settle(sim: Simulation, now: Prepared, state: State, event: EventName): void {
  switch (event) {
    case 'buffer-empty':
      state.buffer = 0;
      break;
    case 'cache-full':
      state.cache = now.cacheSize;
      break;
    case 'cache-empty':
      state.cache = 0;
      break;
    case 'filled':
      state.written = now.usable;
      break;
    case 'throttle-on':
      state.cardC = now.heat.throttleAtC;
      state.throttled = true;
      break;
    case 'throttle-off':
      state.cardC = now.heat.resumeAtC;
      state.throttled = false;
      break;
    case 'stall':
      state.written = state.nextStall;
      state.stallEnds = state.t + now.stallSeconds;
      state.nextStall += now.stallEvery;
      break;
    case 'stall-end':
      state.stallEnds = null;
      break;
    case 'take-end':
      state.t = state.phaseEnds;
      state.recording = false;
      state.phaseEnds += sim.restSeconds ?? 0;
      break;
    case 'take-start':
      state.t = state.phaseEnds;
      state.takeBegan = state.t;
      state.recording = true;
      state.take += 1;
      state.phaseEnds += lengthOf(sim, state.take);
      break;
  }
}

/** The next card takes over: it has idled on the body until now, and is that much warmer. */
function changeCard(state: State, next: Prepared): void {
  state.cardAt += 1;
  state.writtenBefore += state.written;
  state.written = 0;
  state.cache = 0;
  const { cardConductance } = next.nodes;
  state.cardC = state.bodyC + (cardConductance > 0 ? next.heat.idleW / cardConductance : 0);
  state.throttled = state.cardC >= next.heat.throttleAtC;
  state.stallEnds = null;
  state.nextStall = next.stallEvery;
}

function momentOf(event: EventName, state: State, flow: Paces): Moment {
  return {
    event,
    seconds: state.t,
    bufferMB: state.buffer / MB,
    cacheGB: state.cache / GB,
    writtenGB: (state.writtenBefore + state.written) / GB,
    cardC: state.cardC,
    bodyC: state.bodyC,
    acceptedMBps: flow.drain / MB,
    demandMBps: flow.demand / MB,
    throttled: state.throttled,
    recording: state.recording,
    cardAt: state.cardAt,
  };
}

const ENDS: Readonly<Partial<Record<EventName, SimOutcome>>> = {
  filled: 'filled',
  dropped: 'dropped',
  'body-limit': 'body-cutoff',
};

/**
 * Runs takes and rests from event to event. Between events every level is linear and every temperature exact, so there is
 * no time step and no step error.
 *
 * @param sim - checked by `checkSimulation`
 * @param record - false leaves the timeline out, for risk runs
 */
export function simulate(sim: Simulation, record = true, watch?: Watch): SimResult {
  const cards = prepare(sim);
  let now = entryAt(cards, 0);
  const state = begin(sim, now);
  let flow = flowNow(sim, now, state);
  const timeline: Moment[] = record ? [momentOf('start', state, flow)] : [];
  let peakCardC = state.cardC;
  let peakBodyC = state.bodyC;
  let firstThrottle: number | null = state.throttled ? 0 : null;
  let outcome: SimOutcome | null = state.bodyC >= sim.heat.bodyLimitC ? 'body-cutoff' : null;
  const most = Math.min(MAX_EVENTS, sim.maxEvents ?? MAX_EVENTS);
  let events = 0;
  for (; outcome === null && events < most; events += 1) {
    const watts = state.recording ? sim.heat.recordingW : 0;
    const both = curves(now.nodes, now.modes, state.cardC, state.bodyC, cardWatts(now, flow.drain), watts);
    const stretch: Stretch = { flow, card: both.card, body: both.body };
    const { dt, event } = nextEvent(sim, now, state, stretch);
    peakCardC = Math.max(peakCardC, highestTo(both.card, dt));
    peakBodyC = Math.max(peakBodyC, highestTo(both.body, dt));
    watch?.(state.t, dt, both.card, both.body);
    move(sim, now, state, dt, stretch);
    settle(sim, now, state, event);
    const next = event === 'filled' ? cards[state.cardAt + 1] : undefined;
    if (next) {
      if (record) timeline.push(momentOf('card-full', state, flow));
      changeCard(state, next);
      now = next;
    }
    if (state.throttled) firstThrottle ??= state.t;
    const last = event === 'take-end' && state.take >= (sim.takes ?? 1);
    outcome = next ? null : last ? 'complete' : (ENDS[event] ?? null);
    flow = flowNow(sim, now, state);
    if (record) timeline.push(momentOf(next ? 'card-change' : last ? 'complete' : event, state, flow));
  }
  return {
    outcome: outcome ?? 'complete',
    atSeconds: state.t,
    writtenGB: (state.writtenBefore + state.written) / GB,
    peakCardC,
    peakBodyC,
    firstThrottleAtSeconds: firstThrottle,
    timeline,
    events,
    cutShort: outcome === null,
  };
}
