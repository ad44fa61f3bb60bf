import { GB, MB } from '../units/convert.ts';
import { type Levels, type Paces, paces, secondsTo } from './flow.ts';
import type { EventName, Moment, SimOutcome, SimResult, Simulation } from './simulation.ts';
import { type Curve, curves, firstReach, highestTo, type Nodes, thermalModes, valueAt } from './thermal.ts';

/** Most events followed in one run: far above any real take, and an end to any contrived one. */
export const MAX_EVENTS = 200_000;

interface State {
  readonly t: number;
  readonly levels: Levels;
  readonly cardC: number;
  readonly bodyC: number;
  readonly throttled: boolean;
  readonly recording: boolean;
  readonly take: number;
  /** When the take or rest under way ends. */
  readonly phaseEnds: number;
  readonly takeBegan: number;
  readonly stallEnds: number | null;
  readonly nextStall: number;
}

interface Ahead {
  readonly dt: number;
  readonly event: EventName;
}

interface Fixed {
  readonly sim: Simulation;
  readonly nodes: Nodes;
  readonly modes: ReturnType<typeof thermalModes>;
  readonly takes: number;
  readonly rest: number;
  readonly bufferSize: number;
  readonly cacheSize: number;
  readonly usable: number;
  readonly stallEvery: number;
  readonly stallSeconds: number;
}

const conductance = (resistance: number): number => (Number.isFinite(resistance) ? 1 / resistance : 0);

function fix(sim: Simulation): Fixed {
  const { heat, card } = sim;
  const nodes: Nodes = {
    cardCapacity: heat.cardHeatCapacityJPerK,
    bodyCapacity: heat.bodyHeatCapacityJPerK,
    cardConductance: conductance(heat.cardResistanceKPerW),
    bodyConductance: conductance(heat.bodyResistanceKPerW),
    ambient: heat.ambientC,
  };
  const stalls = card.stallEveryGB != null && card.stallSeconds != null && card.stallSeconds > 0;
  return {
    sim,
    nodes,
    modes: thermalModes(nodes),
    takes: sim.takes ?? 1,
    rest: sim.restSeconds ?? 0,
    bufferSize: sim.bufferMB * MB,
    cacheSize: card.cacheGB * GB,
    usable: card.usableGB * GB,
    stallEvery: stalls ? (card.stallEveryGB ?? 0) * GB : Number.POSITIVE_INFINITY,
    stallSeconds: stalls ? (card.stallSeconds ?? 0) : 0,
  };
}

function begin({ sim, stallEvery }: Fixed): State {
  const { heat } = sim;
  const cardC = heat.startCardC ?? heat.ambientC;
  return {
    t: 0,
    levels: { buffer: 0, cache: 0, written: 0 },
    cardC,
    bodyC: heat.startBodyC ?? heat.ambientC,
    throttled: cardC >= heat.throttleAtC,
    recording: true,
    take: 1,
    phaseEnds: sim.takeSeconds,
    takeBegan: 0,
    stallEnds: null,
    nextStall: stallEvery,
  };
}

/** Demand now, bytes per second; a trace holds each of its seconds and repeats. */
function demandNow({ sim }: Fixed, state: State): number {
  if (!state.recording) return 0;
  const trace = sim.demandTraceMBps;
  if (!trace || trace.length === 0) return sim.demandMBps * MB;
  const second = Math.floor(state.t - state.takeBegan + 1e-9);
  return (trace[second % trace.length] ?? 0) * MB;
}

function flowNow(fixed: Fixed, state: State): Paces {
  const { card, heat } = fixed.sim;
  const factor = state.throttled ? heat.throttleFactor : 1;
  return paces(state.levels, demandNow(fixed, state), {
    fast: Math.min(card.busMBps, card.burstMBps) * MB * factor,
    flash: card.sustainedMBps * MB * factor,
    cacheSize: fixed.cacheSize,
    stalled: state.stallEnds !== null,
  });
}

/** The next thing that changes a pace or ends the run. */
function nextEvent(fixed: Fixed, state: State, flow: Paces, card: Curve, body: Curve): Ahead {
  const { heat } = fixed.sim;
  const { levels } = state;
  const trace = fixed.sim.demandTraceMBps;
  let best: Ahead = { dt: state.phaseEnds - state.t, event: state.recording ? 'take-end' : 'take-start' };
  const offer = (dt: number | null, event: EventName): void => {
    if (dt !== null && dt < best.dt) best = { dt, event };
  };
  offer(secondsTo(levels.written, fixed.usable, flow.drain), 'filled');
  if (flow.bufferSlope > 0) offer(Math.max(0, (fixed.bufferSize - levels.buffer) / flow.bufferSlope), 'dropped');
  offer(secondsTo(levels.buffer, 0, flow.bufferSlope), 'buffer-empty');
  offer(secondsTo(levels.cache, fixed.cacheSize, flow.cacheSlope), 'cache-full');
  offer(secondsTo(levels.cache, 0, flow.cacheSlope), 'cache-empty');
  if (state.stallEnds !== null) offer(state.stallEnds - state.t, 'stall-end');
  else offer(secondsTo(levels.written, state.nextStall, flow.drain), 'stall');
  if (trace && trace.length > 1 && state.recording) {
    const since = state.t - state.takeBegan;
    offer(Math.floor(since + 1e-9) + 1 - since, 'demand');
  }
  offer(
    state.throttled
      ? firstReach(card, heat.resumeAtC, false, best.dt)
      : firstReach(card, heat.throttleAtC, true, best.dt),
    state.throttled ? 'throttle-off' : 'throttle-on',
  );
  if (state.recording) offer(firstReach(body, heat.bodyLimitC, true, best.dt), 'body-limit');
  return best;
}

const ENDS: Readonly<Partial<Record<EventName, SimOutcome>>> = {
  filled: 'filled',
  dropped: 'dropped',
  'body-limit': 'body-cutoff',
};

/** The state after a stretch, with what the event sets exactly. */
function advance(fixed: Fixed, state: State, { dt, event }: Ahead, flow: Paces, cardC: number, bodyC: number): State {
  const t = event === 'take-end' || event === 'take-start' ? state.phaseEnds : state.t + dt;
  const inside = (value: number, top: number): number => Math.min(top, Math.max(0, value));
  const moved: Levels = {
    buffer: event === 'buffer-empty' ? 0 : inside(state.levels.buffer + flow.bufferSlope * dt, fixed.bufferSize),
    cache:
      event === 'cache-full'
        ? fixed.cacheSize
        : event === 'cache-empty'
          ? 0
          : inside(state.levels.cache + flow.cacheSlope * dt, fixed.cacheSize),
    written:
      event === 'filled' ? fixed.usable : event === 'stall' ? state.nextStall : state.levels.written + flow.drain * dt,
  };
  const next: State = { ...state, t, levels: moved, cardC, bodyC };
  const { heat, takeSeconds } = fixed.sim;
  switch (event) {
    case 'throttle-on':
      return { ...next, cardC: heat.throttleAtC, throttled: true };
    case 'throttle-off':
      return { ...next, cardC: heat.resumeAtC, throttled: false };
    case 'stall':
      return { ...next, stallEnds: t + fixed.stallSeconds, nextStall: state.nextStall + fixed.stallEvery };
    case 'stall-end':
      return { ...next, stallEnds: null };
    case 'take-end':
      return { ...next, recording: false, phaseEnds: t + fixed.rest };
    case 'take-start':
      return { ...next, recording: true, take: state.take + 1, phaseEnds: t + takeSeconds, takeBegan: t };
    default:
      return next;
  }
}

function momentOf(event: EventName, state: State, flow: Paces): Moment {
  return {
    event,
    seconds: state.t,
    bufferMB: state.levels.buffer / MB,
    cacheGB: state.levels.cache / GB,
    writtenGB: state.levels.written / GB,
    cardC: state.cardC,
    bodyC: state.bodyC,
    acceptedMBps: flow.drain / MB,
    demandMBps: flow.demand / MB,
    throttled: state.throttled,
  };
}

/**
 * Runs takes and rests from event to event. Between events every level is linear and every temperature exact, so there is
 * no time step and no step error.
 *
 * @param sim - checked by `checkSimulation`
 * @param record - false leaves the timeline out, for risk runs
 */
export function simulate(sim: Simulation, record = true): SimResult {
  const fixed = fix(sim);
  let state = begin(fixed);
  let flow = flowNow(fixed, state);
  const timeline: Moment[] = record ? [momentOf('start', state, flow)] : [];
  let peakCardC = state.cardC;
  let peakBodyC = state.bodyC;
  let firstThrottle: number | null = state.throttled ? 0 : null;
  let outcome: SimOutcome | null = state.bodyC >= sim.heat.bodyLimitC ? 'body-cutoff' : null;
  let events = 0;
  while (outcome === null && events < MAX_EVENTS) {
    events += 1;
    const { heat } = sim;
    const cardW = heat.idleW + heat.energyNJPerByte * 1e-9 * flow.drain;
    const both = curves(
      fixed.nodes,
      fixed.modes,
      state.cardC,
      state.bodyC,
      cardW,
      state.recording ? heat.recordingW : 0,
    );
    const ahead = nextEvent(fixed, state, flow, both.card, both.body);
    peakCardC = Math.max(peakCardC, highestTo(both.card, ahead.dt));
    peakBodyC = Math.max(peakBodyC, highestTo(both.body, ahead.dt));
    state = advance(fixed, state, ahead, flow, valueAt(both.card, ahead.dt), valueAt(both.body, ahead.dt));
    if (ahead.event === 'throttle-on') firstThrottle ??= state.t;
    const last = ahead.event === 'take-end' && state.take >= fixed.takes;
    outcome = last ? 'complete' : (ENDS[ahead.event] ?? null);
    flow = flowNow(fixed, state);
    if (record) timeline.push(momentOf(last ? 'complete' : ahead.event, state, flow));
  }
  return {
    outcome: outcome ?? 'complete',
    atSeconds: state.t,
    writtenGB: state.levels.written / GB,
    peakCardC,
    peakBodyC,
    firstThrottleAtSeconds: firstThrottle,
    timeline,
    cutShort: outcome === null,
  };
}
