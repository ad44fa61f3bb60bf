import type { LimitStatement } from '../../kit/model.ts';
import { err, ok, type Result } from '../../result.ts';
import { rootOf } from './root.ts';
import { curves, type Nodes, thermalModes, valueAt } from './thermal.ts';

/** A card that heats the body while it records, at the rate of the mode in question. */
export interface HeatingCard {
  readonly heatCapacityJPerK: number;
  readonly resistanceKPerW: number;
  readonly watts: number;
}

/** What is known of a body before its maker's limits are heard. */
export interface CalibrationInput {
  readonly recordingW: number;
  /** Seconds; heat capacity × resistance of the assumed body. */
  readonly assumedTau: number;
  readonly limitC: number;
  /** True where the limit was entered: then it is not moved. */
  readonly limitEntered: boolean;
  /** Null: the body is asked about without a card. */
  readonly card: HeatingCard | null;
}

/** What a body's limits come to. */
export interface BodyConstants {
  readonly resistanceKPerW: number;
  readonly heatCapacityJPerK: number;
  readonly limitC: number;
  /**
   * What the statements fixed: `rise` for the assumed time constant and limit · `limit` and rise for the assumed time
   * constant · `tau` and rise · `shorter`: they fit no body, and the shorter one alone was heard.
   */
  readonly fixed: 'rise' | 'limit' | 'tau' | 'shorter';
}

/** Why statements give no constants. */
export type CalibrationRefusal =
  | { readonly code: 'none' }
  | { readonly code: 'above-limit'; readonly ambientC: number }
  /** No body of the assumed time constant ends there. */
  | { readonly code: 'contradictory' };

/** Seconds to the limit of a body alone: t = −τ ln(1 − (limit − ambient) ÷ rise); Infinity where it is never reached. */
export const secondsToLimit = (tauSeconds: number, riseC: number, limitC: number, ambientC: number): number => {
  const share = (limitC - ambientC) / riseC;
  return share >= 1 ? Number.POSITIVE_INFINITY : -tauSeconds * Math.log(1 - share);
};

/** Limits that a body can have [A]: some degrees above the air it was stated for, and what bodies made for heat stand. */
const LEAST_ABOVE_AIR_C = 5;
const LOWEST_LIMIT_C = 40;
const HIGHEST_LIMIT_C = 85;

/** Resistances and time constants asked about: a heat sink to an insulator, a matchbox to two days. */
const RESISTANCES = [1e-3, 1e3] as const;
const TAUS = [10, 172_800] as const;

/** How far the body is above its air after a time, with the card's own heat. */
function riseAt(seconds: number, resistance: number, tau: number, { recordingW, card }: CalibrationInput): number {
  if (!card) return recordingW * resistance * -Math.expm1(-seconds / tau);
  const nodes: Nodes = {
    cardCapacity: card.heatCapacityJPerK,
    bodyCapacity: tau / resistance,
    cardConductance: Number.isFinite(card.resistanceKPerW) ? 1 / card.resistanceKPerW : 0,
    bodyConductance: 1 / resistance,
    ambient: 0,
  };
  const { body } = curves(nodes, thermalModes(nodes), 0, 0, card.watts, recordingW);
  return valueAt(body, seconds);
}

/** The resistance with which something comes out as wanted; the rise grows with it where the time constant stays. */
const resistanceFor = (value: (resistance: number) => number, wanted: number): number | null => {
  const found = rootOf((log) => value(Math.exp(log)) - wanted, Math.log(RESISTANCES[0]), Math.log(RESISTANCES[1]));
  return found === null ? null : Math.exp(found);
};

const constants = (resistance: number, tau: number, limitC: number, fixed: BodyConstants['fixed']): BodyConstants => ({
  resistanceKPerW: resistance,
  heatCapacityJPerK: tau / resistance,
  limitC,
  fixed,
});

/** One statement: the rise that ends the take there, for the time constant and limit assumed. */
function fromOne(
  { minutes, ambientC }: LimitStatement,
  input: CalibrationInput,
  fixed: 'rise' | 'shorter',
): BodyConstants | null {
  const { assumedTau: tau, limitC } = input;
  const found = resistanceFor((resistance) => riseAt(minutes * 60, resistance, tau, input), limitC - ambientC);
  return found === null ? null : constants(found, tau, limitC, fixed);
}

/** Two statements and a limit: the time constant and rise that meet both. */
function withLimit(
  cool: LimitStatement,
  warm: LimitStatement,
  limitC: number,
  input: CalibrationInput,
): BodyConstants | null {
  const resistanceOf = (tau: number): number | null =>
    resistanceFor((one) => riseAt(cool.minutes * 60, one, tau, input), limitC - cool.ambientC);
  const missed = (logTau: number): number => {
    const tau = Math.exp(logTau);
    const resistance = resistanceOf(tau);
    return resistance === null
      ? Number.NaN
      : riseAt(warm.minutes * 60, resistance, tau, input) - (limitC - warm.ambientC);
  };
  const found = rootOf(missed, Math.log(TAUS[0]), Math.log(TAUS[1]));
  const tau = found === null ? null : Math.exp(found);
  const resistance = tau === null ? null : resistanceOf(tau);
  return tau === null || resistance === null ? null : constants(resistance, tau, limitC, 'tau');
}

/** Two statements: limit and rise for the assumed time constant; where that limit cannot be, the nearest that can. */
function fromTwo(cool: LimitStatement, warm: LimitStatement, input: CalibrationInput): BodyConstants | null {
  if (warm.minutes >= cool.minutes) return null;
  if (input.limitEntered) return withLimit(cool, warm, input.limitC, input);
  const { assumedTau: tau } = input;
  const apart = (resistance: number): number =>
    riseAt(cool.minutes * 60, resistance, tau, input) - riseAt(warm.minutes * 60, resistance, tau, input);
  const resistance = resistanceFor(apart, warm.ambientC - cool.ambientC);
  const limitC = resistance === null ? null : cool.ambientC + riseAt(cool.minutes * 60, resistance, tau, input);
  const lowest = Math.max(LOWEST_LIMIT_C, warm.ambientC + LEAST_ABOVE_AIR_C);
  const highest = Math.max(lowest, HIGHEST_LIMIT_C);
  if (resistance !== null && limitC !== null && limitC >= lowest && limitC <= highest)
    return constants(resistance, tau, limitC, 'limit');
  const nearest = limitC !== null && limitC < lowest ? lowest : highest;
  return withLimit(cool, warm, nearest, input);
}

/**
 * Body constants from a maker's limits, the card's own heat included [domain.md §7]: a run under the stated conditions ends
 * at the stated minutes. One statement gives the rise; two give limit and rise for the assumed time constant, or the time
 * constant where no such limit can be. Statements that no body fits: the shorter one rules.
 *
 * @param statements - one or two; minutes > 0
 */
export function bodyConstants(
  statements: readonly LimitStatement[],
  input: CalibrationInput,
): Result<BodyConstants, CalibrationRefusal> {
  const [first, second] = [...statements].sort((a, b) => a.ambientC - b.ambientC);
  if (!first || !(input.recordingW > 0)) return err({ code: 'none' });
  const isPair = second !== undefined && second.ambientC !== first.ambientC;
  const both = isPair ? fromTwo(first, second, input) : null;
  if (both) return ok(both);
  const shorter = second !== undefined && second.minutes < first.minutes ? second : first;
  if (shorter.ambientC >= input.limitC) return err({ code: 'above-limit', ambientC: shorter.ambientC });
  const one = fromOne(shorter, input, isPair ? 'shorter' : 'rise');
  return one ? ok(one) : err({ code: 'contradictory' });
}

/**
 * The resistance of a body in other air, by a statement made there: its heat capacity and limit stay what they are. Null where no
 * resistance ends it then.
 */
export function resistanceInAir(
  { minutes, ambientC }: LimitStatement,
  { heatCapacityJPerK, limitC }: BodyConstants,
  input: CalibrationInput,
): number | null {
  const rise = (resistance: number): number => riseAt(minutes * 60, resistance, heatCapacityJPerK * resistance, input);
  return resistanceFor(rise, limitC - ambientC);
}
