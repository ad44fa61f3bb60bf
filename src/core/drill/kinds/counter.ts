import { counterRate, decodeCounter } from '../../bodies/counter/counter.ts';
import type { LinearSolver } from '../../bodies/counter/linear.ts';
import type { CounterReading } from '../../kit/model.ts';
import { pick, shuffled } from '../draw.ts';
import type { Choice } from '../question.ts';
import type { Slip } from '../slips.ts';
import type { Draft, Making } from './making.ts';
import { aMode } from './subjects.ts';

/** One reading of one mode has no programme to solve; a question that would need one is made anew. */
const noSolver: LinearSolver = () => {
  throw new Error('a question about a counter needs no programme');
};

const SIZES = [64, 128, 256, 320, 512, 1000];
const MBPS = [100, 140, 200, 240, 280, 400, 500, 600, 800];

/** What a counter shows for a rate: whole minutes, pessimistic by a little. */
const shown = (capacityGB: number, Mbps: number, usable: number): number =>
  Math.floor((capacityGB * usable * 8000) / Mbps / 60);

/** Which rate is set, by the minutes that the counter shows. */
function rateQuestion({ random, level, slip }: Making): Draft | null {
  const capacityGB = pick(random, SIZES);
  const Mbps = pick(random, MBPS);
  const minutes = shown(capacityGB, Mbps, 0.94 + random() * 0.04);
  if (minutes < 8) return null;
  const found = counterRate({ modes: [] }, [{ modeId: 'mode', capacityGB, minutes }], 'mode', noSolver);
  if (!found) return null;
  const fits = (mbps: number): boolean => mbps >= found.lowMbps && mbps <= found.highMbps;
  const off: readonly (readonly [Slip, number])[] = [
    ['factor-eight', Mbps / 8],
    ['factor-eight', Mbps * 8],
    ['minute', Math.round(Mbps * 1.9)],
    ['off', Math.round(Mbps * 0.6)],
    ['minute', Math.round((capacityGB * 8) / minutes)],
  ];
  if (!fits(Mbps)) return null;
  const choices: Choice[] = [{ value: { kind: 'mode', Mbps, minutes: null }, slip: null }];
  const lead = off.filter(([code]) => code === slip);
  for (const [code, mbps] of [pick(random, lead), ...shuffled(random, off)]) {
    if (choices.length === (level === 1 ? 3 : 4)) break;
    const isKnown = choices.some(({ value }) => value.kind === 'mode' && Math.abs(value.Mbps - mbps) < mbps * 0.12);
    if (!fits(mbps) && !isKnown && mbps > 0)
      choices.push({ value: { kind: 'mode', Mbps: mbps, minutes: null }, slip: code });
  }
  if (choices.length < 3) return null;
  return {
    facts: { kind: 'counter', ask: 'rate', capacityGB, minutes },
    choices: shuffled(random, choices),
    typed: null,
  };
}

/** Which of three readings measures something, where the other two are the cap. */
function tellingQuestion({ random, level }: Making): Draft | null {
  const capacityGB = pick(random, SIZES);
  const cap = pick(random, [99, 119, 179, 240, 599]);
  const long = shuffled(random, MBPS).filter((mbps) => shown(capacityGB, mbps, 0.97) >= cap);
  const short = MBPS.filter((mbps) => shown(capacityGB, mbps, 0.97) < cap * 0.9 && shown(capacityGB, mbps, 0.97) > 5);
  const own = level === 1 ? long.slice(0, 2) : long.slice(0, 3);
  if (own.length < 2 || short.length === 0) return null;
  const rates = [pick(random, short), ...own];
  const modes = rates.map((Mbps, at) => aMode(Mbps, { id: String(at) }));
  const readings = rates.map(
    (Mbps, at): CounterReading => ({
      modeId: String(at),
      capacityGB,
      minutes: Math.min(cap, shown(capacityGB, Mbps, 0.97)),
    }),
  );
  const { capped, bucketed } = decodeCounter({ modes }, readings, capacityGB, noSolver);
  const aside = new Set([...capped, ...bucketed]);
  if (aside.size !== own.length || aside.has(0)) return null;
  const choices = rates.map(
    (Mbps, at): Choice => ({
      value: { kind: 'mode', Mbps, minutes: readings[at]?.minutes ?? 0 },
      slip: aside.has(at) ? 'cap' : null,
    }),
  );
  return { facts: { kind: 'counter', ask: 'telling', capacityGB }, choices: shuffled(random, choices), typed: null };
}

/** Read a counter: the rate that is set, and which readings measure nothing. */
export const makeCounter = (making: Making): Draft | null =>
  making.slip === 'cap' ? tellingQuestion(making) : rateQuestion(making);
