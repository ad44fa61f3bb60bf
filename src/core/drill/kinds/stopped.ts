import { causeOf } from '../../heat/writepath/cause.ts';
import type { Random } from '../../heat/writepath/random.ts';
import { simulate } from '../../heat/writepath/simulate.ts';
import type { SimResult, Simulation } from '../../heat/writepath/simulation.ts';
import { CARD_HEAT } from '../../standards/heat.ts';
import { pick, shuffled } from '../draw.ts';
import { type Choice, STOP_REASONS, type StoppedTake, type StopReason } from '../question.ts';
import type { Slip } from '../slips.ts';
import type { Draft, Making } from './making.ts';

const HEAT = CARD_HEAT['cfexpress-b'];

/** How far what the clip shows may lie from the menu before the rate itself is the matter [A]. */
const BELIEVED_WITHIN = 1.3;

/** The run of a take as it was noted. */
function runOf(take: StoppedTake, demandMBps: number = take.clipMBps): Simulation {
  return {
    demandMBps,
    takeSeconds: 3600,
    bufferMB: take.bufferMB,
    card: {
      busMBps: take.busMBps,
      burstMBps: take.burstMBps,
      cacheGB: take.cacheGB,
      sustainedMBps: take.sustainedMBps,
      usableGB: 4000,
    },
    heat: {
      ambientC: take.ambientC,
      bodyHeatCapacityJPerK: 500,
      bodyResistanceKPerW: 1.6,
      recordingW: 9,
      bodyLimitC: 95,
      cardHeatCapacityJPerK: HEAT.heatCapacityJPerK,
      cardResistanceKPerW: HEAT.resistanceKPerW,
      idleW: HEAT.idleW,
      energyNJPerByte: HEAT.energyNJPerByte,
      throttleAtC: take.throttleAtC,
      resumeAtC: HEAT.resumeAtC,
      throttleFactor: HEAT.throttleFactor,
    },
  };
}

/**
 * Why a take dropped: first whether it wrote what was believed, then what alone would have saved it.
 *
 * @returns null where it did not drop, or of something that is not asked about
 */
export function whyStopped(take: StoppedTake, result: SimResult = simulate(runOf(take), true)): StopReason | null {
  if (result.outcome !== 'dropped') return null;
  if ((take.clipMBps * 8) / take.menuMbps > BELIEVED_WITHIN) return 'bytes';
  const cause = causeOf(runOf(take), result);
  if (cause === 'flash') return take.cacheGB > 0 ? 'cache' : null;
  return cause === 'bus' || cause === 'cache' || cause === 'heat' ? cause : null;
}

type Setup = Pick<StoppedTake, 'busMBps' | 'burstMBps' | 'cacheGB' | 'sustainedMBps'> & {
  readonly MBps: number;
  readonly believedMBps: number;
};

const between = (random: Random, low: number, high: number): number => Math.round(low + random() * (high - low));

/** Figures of a card and a stream that fail for one reason. */
function setup(random: Random, reason: StopReason): Setup {
  switch (reason) {
    case 'bus': {
      // Slow enough that heat alone would not stop it, were the bus a faster one.
      const MBps = between(random, 650, 950);
      const busMBps = pick(random, [500, 600]);
      return {
        MBps,
        believedMBps: MBps,
        busMBps,
        burstMBps: 2600,
        cacheGB: pick(random, [0, 40]),
        sustainedMBps: 2200,
      };
    }
    case 'cache': {
      const MBps = between(random, 300, 700);
      return {
        MBps,
        believedMBps: MBps,
        busMBps: 2000,
        burstMBps: 1500,
        cacheGB: between(random, 20, 120),
        sustainedMBps: Math.round(MBps * (0.45 + random() * 0.4)),
      };
    }
    case 'heat': {
      const MBps = between(random, 1250, 1650);
      return {
        MBps,
        believedMBps: MBps,
        busMBps: 4000,
        burstMBps: 2200,
        cacheGB: pick(random, [0, 10, 20]),
        sustainedMBps: Math.round(MBps * (1.1 + random() * 0.4)),
      };
    }
    case 'bytes': {
      const believedMBps = between(random, 30, 75);
      const MBps = believedMBps * 8;
      return {
        MBps,
        believedMBps,
        busMBps: 2000,
        burstMBps: 1200,
        cacheGB: between(random, 10, 60),
        sustainedMBps: Math.round(MBps * (0.4 + random() * 0.4)),
      };
    }
  }
}

/** What ends the take of a topic: what was written, or one thing among those that go along with it. */
const REASONS_OF: Readonly<Partial<Record<Slip, readonly StopReason[]>>> = {
  cause: ['cache', 'heat', 'bus'],
  'factor-eight': ['bytes'],
};

/** A simulated take that dropped, and why. */
export function makeStopped({ random, slip }: Making): Draft | null {
  const reason = pick(random, REASONS_OF[slip] ?? STOP_REASONS);
  const { MBps, believedMBps, ...card } = setup(random, reason);
  const noted: StoppedTake = {
    ...card,
    menuMbps: believedMBps * 8,
    bufferMB: between(random, 500, 3000),
    ambientC: between(random, reason === 'heat' ? 24 : 8, reason === 'heat' ? 34 : 26),
    clipMBps: MBps,
    seconds: 0,
    writtenGB: 0,
    slowedAtSeconds: null,
    cardC: 0,
    throttleAtC: HEAT.throttleAtC,
  };
  const result = simulate(runOf(noted), true);
  const take: StoppedTake = {
    ...noted,
    seconds: Math.round(result.atSeconds),
    writtenGB: Math.round(result.writtenGB * 10) / 10,
    slowedAtSeconds: result.firstThrottleAtSeconds === null ? null : Math.round(result.firstThrottleAtSeconds),
    cardC: Math.round(result.peakCardC),
  };
  if (take.seconds < 2 || whyStopped(take, result) !== reason) return null;
  // A card that also slows for heat would leave two reasons.
  if (reason !== 'heat' && take.slowedAtSeconds !== null) return null;
  const choices = STOP_REASONS.map(
    (one): Choice => ({
      value: { kind: 'reason', reason: one },
      slip: one === reason ? null : slip,
    }),
  );
  return { facts: { kind: 'stopped', take }, choices: shuffled(random, choices), typed: null };
}
