import type { Simulation } from '../../src/core/heat/writepath/simulation.ts';
import { Solver } from './odex.mjs';

/**
 * The same write path, integrated by a general ODE package (odex, Gragg–Bulirsch–Stoer) and written independently of the
 * core: only the model's equations are shared. Pieces between switches are integrated with dense output, and a switch is
 * found by bisection on the dense solution.
 */
export interface OdeResult {
  readonly outcome: 'filled' | 'dropped' | 'body-cutoff' | 'complete';
  readonly atSeconds: number;
  readonly cardC: number;
  readonly bodyC: number;
}

type Vector = readonly [buffer: number, cache: number, written: number, card: number, body: number];

interface Mode {
  readonly recording: boolean;
  readonly throttled: boolean;
  readonly bufferEmpty: boolean;
  readonly cache: 'empty' | 'between' | 'full';
  readonly stalled: boolean;
  /** While recording, MB/s. */
  readonly demandMBps: number;
}

const MEGA = 1e6;

function rates(sim: Simulation, mode: Mode) {
  const { card, heat } = sim;
  const scale = mode.throttled ? heat.throttleFactor : 1;
  const fast = Math.min(card.busMBps, card.burstMBps) * scale;
  const flash = card.sustainedMBps * scale;
  const demand = mode.recording ? mode.demandMBps : 0;
  const takes = card.cacheGB > 0 && mode.cache !== 'full' ? fast : Math.min(fast, flash);
  const accepts = mode.stalled ? 0 : takes;
  const drain = mode.bufferEmpty ? Math.min(demand, accepts) : accepts;
  const out = mode.cache === 'empty' ? Math.min(flash, drain) : flash;
  return { demand, drain, out: card.cacheGB === 0 ? drain : out };
}

/** Right-hand side in megabytes and degrees. */
function derivative(sim: Simulation, mode: Mode) {
  const { heat } = sim;
  const { demand, drain, out } = rates(sim, mode);
  const cardW = heat.idleW + heat.energyNJPerByte * 1e-9 * drain * MEGA;
  const bodyW = mode.recording ? heat.recordingW : 0;
  return (_t: number, y: readonly number[]): number[] => {
    const [, , , card = 0, body = 0] = y;
    const across = (card - body) / heat.cardResistanceKPerW;
    return [
      demand - drain,
      drain - out,
      drain,
      (cardW - across) / heat.cardHeatCapacityJPerK,
      (bodyW + across - (body - heat.ambientC) / heat.bodyResistanceKPerW) / heat.bodyHeatCapacityJPerK,
    ];
  };
}

interface Watch {
  readonly name: string;
  /** Positive once it has happened. */
  readonly past: (y: Vector) => number;
}

interface Accuracy {
  /** Pieces a stretch between switches is cut into, each looked at for a switch. */
  readonly steps: number;
  readonly tolerance: number;
}

const FINE: Accuracy = { steps: 40, tolerance: 1e-10 };

/** Integrates until the first watched thing happens or the limit; returns the state there. */
function integrate(
  sim: Simulation,
  mode: Mode,
  start: Vector,
  limit: number,
  watches: readonly Watch[],
  { steps, tolerance }: Accuracy,
) {
  const f = derivative(sim, mode);
  const solver = new Solver(5);
  solver.absoluteTolerance = tolerance;
  solver.relativeTolerance = tolerance;
  let t = 0;
  let y = start;
  for (let step = 1; step <= steps; step += 1) {
    const to = (limit * step) / steps;
    const next = solver.solve(f, t, [...y], to).y as unknown as Vector;
    const happened = watches.filter(({ past }) => past(y) < 0 && past(next) >= 0);
    if (happened.length > 0) {
      let [low, high] = [t, to];
      let first = happened[0];
      for (let half = 0; half < 60; half += 1) {
        const middle = (low + high) / 2;
        const there = solver.solve(f, t, [...y], middle).y as unknown as Vector;
        const already = happened.find(({ past }) => past(there) >= 0);
        if (already) {
          high = middle;
          first = already;
        } else low = middle;
        if (high - low < 1e-9 * Math.max(1, high)) break;
      }
      return { dt: high, y: solver.solve(f, t, [...y], high).y as unknown as Vector, event: first?.name ?? null };
    }
    t = to;
    y = next;
  }
  return { dt: limit, y, event: null };
}

/** Runs the whole simulation. */
export function odeRun(sim: Simulation, accuracy: Accuracy = FINE): OdeResult {
  const { card, heat } = sim;
  const buffer = sim.bufferMB;
  const cache = card.cacheGB * 1000;
  const usable = card.usableGB * 1000;
  let y: Vector = [0, 0, 0, heat.startCardC ?? heat.ambientC, heat.startBodyC ?? heat.ambientC];
  const trace = sim.demandTraceMBps ?? [sim.demandMBps];
  let mode: Mode = {
    recording: true,
    throttled: y[3] >= heat.throttleAtC,
    bufferEmpty: true,
    cache: 'empty',
    stalled: false,
    demandMBps: trace[0] ?? 0,
  };
  let take = 1;
  let t = 0;
  let phaseEnds = sim.takeSeconds;
  let second = 0;
  let secondEnds = trace.length > 1 ? 1 : Number.POSITIVE_INFINITY;
  let nextStall = card.stallEveryGB == null ? Number.POSITIVE_INFINITY : card.stallEveryGB * 1000;
  let stallEnds = Number.POSITIVE_INFINITY;
  const end = (outcome: OdeResult['outcome']): OdeResult => ({ outcome, atSeconds: t, cardC: y[3], bodyC: y[4] });
  for (let round = 0; round < 10_000; round += 1) {
    // Which side of each switch the state is on, settled before integrating on.
    const { demand, drain, out } = rates(sim, mode);
    if (mode.bufferEmpty && demand > drain) {
      if (buffer === 0) return end('dropped');
      mode = { ...mode, bufferEmpty: false };
      continue;
    }
    if (mode.cache === 'empty' && cache > 0 && drain > out) {
      mode = { ...mode, cache: 'between' };
      continue;
    }
    if (mode.cache === 'full' && drain < out) {
      mode = { ...mode, cache: 'between' };
      continue;
    }
    const watches: Watch[] = [
      { name: 'filled', past: ([, , written]) => written - usable },
      {
        name: mode.throttled ? 'cool' : 'hot',
        past: ([, , , c]) => (mode.throttled ? heat.resumeAtC - c : c - heat.throttleAtC),
      },
    ];
    if (mode.recording) watches.push({ name: 'limit', past: ([, , , , b]) => b - heat.bodyLimitC });
    if (!mode.bufferEmpty) {
      if (demand > drain) watches.push({ name: 'dropped', past: ([b]) => b - buffer });
      if (demand < drain) watches.push({ name: 'buffer-empty', past: ([b]) => -b });
    }
    if (mode.cache === 'between') {
      if (drain > out) watches.push({ name: 'cache-full', past: ([, q]) => q - cache });
      if (drain < out) watches.push({ name: 'cache-empty', past: ([, q]) => -q });
    }
    if (!mode.stalled && Number.isFinite(nextStall))
      watches.push({ name: 'stall', past: ([, , written]) => written - nextStall });
    const until = Math.min(phaseEnds, secondEnds, stallEnds);
    const ran = integrate(sim, mode, y, until - t, watches, accuracy);
    t = ran.event === null ? until : t + ran.dt;
    y = ran.y;
    switch (ran.event) {
      case 'filled':
        return end('filled');
      case 'dropped':
        return end('dropped');
      case 'limit':
        return end('body-cutoff');
      case 'hot':
        mode = { ...mode, throttled: true };
        break;
      case 'cool':
        mode = { ...mode, throttled: false };
        break;
      case 'buffer-empty':
        mode = { ...mode, bufferEmpty: true };
        y = [0, y[1], y[2], y[3], y[4]];
        break;
      case 'cache-full':
        mode = { ...mode, cache: 'full' };
        y = [y[0], cache, y[2], y[3], y[4]];
        break;
      case 'cache-empty':
        mode = { ...mode, cache: 'empty' };
        y = [y[0], 0, y[2], y[3], y[4]];
        break;
      case 'stall':
        mode = { ...mode, stalled: true };
        stallEnds = t + (card.stallSeconds ?? 0);
        nextStall += (card.stallEveryGB ?? 0) * 1000;
        break;
      default:
        if (until === stallEnds) {
          mode = { ...mode, stalled: false };
          stallEnds = Number.POSITIVE_INFINITY;
          break;
        }
        if (until === secondEnds && until !== phaseEnds) {
          second += 1;
          secondEnds += 1;
          mode = { ...mode, demandMBps: trace[second % trace.length] ?? 0 };
          break;
        }
        if (mode.recording && take >= (sim.takes ?? 1)) return end('complete');
        if (!mode.recording) take += 1;
        second = 0;
        mode = { ...mode, recording: !mode.recording, demandMBps: trace[0] ?? 0 };
        secondEnds = mode.recording && trace.length > 1 ? t + 1 : Number.POSITIVE_INFINITY;
        phaseEnds = t + (mode.recording ? sim.takeSeconds : (sim.restSeconds ?? 0));
    }
  }
  throw new Error('the reference did not come to an end');
}
