import { describe, expect, test } from 'vitest';
import { factor, type Random, seeded } from '../../heat/writepath/random.ts';
import { analyseTrace } from './analyse.ts';
import type { Segment, WriteTrace } from './trace.ts';

interface Stretch {
  readonly seconds: number;
  readonly MBps: number;
}

/** Normal noise (Box–Muller) of this standard deviation. */
const normal = (random: Random, spread: number): number => Math.log(factor(random, spread));

/** A trace of known levels, a row every `step` seconds, with noise as a share of the level. */
function traceOf(stretches: readonly Stretch[], { step = 1, noise = 0, seed = 1 } = {}): WriteTrace {
  const random = seeded(seed);
  const seconds: number[] = [];
  const MBps: number[] = [];
  let from = 0;
  for (const { seconds: length, MBps: level } of stretches) {
    const until = from + length;
    while (seconds.length * step < until - 1e-9) {
      seconds.push(seconds.length * step);
      MBps.push(Math.max(0, level * (1 + normal(random, noise))));
    }
    from = until;
  }
  return { seconds: Float64Array.from(seconds), MBps: Float64Array.from(MBps), celsius: null };
}

const kinds = (segments: readonly Segment[]): readonly string[] => segments.map(({ kind }) => kind);

describe('known changes are found', () => {
  // 500 seeded cases: two to four levels at least a fifth apart, noise up to a twentieth, rows of a tenth to two seconds.
  test('within 3 % of the rate and 2 s of the place', () => {
    const missed: string[] = [];
    for (let seed = 1; seed <= 500; seed += 1) {
      const random = seeded(seed);
      const step = [0.1, 0.5, 1, 2][Math.floor(random() * 4)] as number;
      const noise = 0.005 + 0.045 * random();
      const count = 2 + Math.floor(random() * 3);
      let MBps = 200 + 1500 * random();
      const stretches: Stretch[] = [];
      for (let at = 0; at < count; at += 1) {
        const rows = 20 + 200 * random();
        stretches.push({ seconds: Math.round(rows) * Math.max(step, 0.5), MBps });
        MBps *= random() < 0.8 ? 0.35 + 0.45 * random() : 1.25 + 0.5 * random();
      }
      const { segments } = analyseTrace(traceOf(stretches, { step, noise, seed: seed + 1000 }));
      const levels = segments.filter(({ kind }) => kind !== 'stall');
      let from = 0;
      const right =
        levels.length === stretches.length &&
        levels.every((one, at) => {
          const { seconds, MBps: level } = stretches[at] as Stretch;
          const isRight = Math.abs(one.MBps / level - 1) < 0.03 && Math.abs(one.fromSeconds - from) <= 2;
          from += seconds;
          return isRight;
        });
      if (!right) missed.push(`${seed}: ${JSON.stringify({ step, noise, stretches, levels })}`);
    }
    expect(missed.length, missed.slice(0, 3).join('\n')).toBe(0);
  });

  test('false alarms on flat noise stay under 1 %', () => {
    let alarms = 0;
    for (let seed = 1; seed <= 500; seed += 1) {
      const random = seeded(seed);
      const trace = traceOf([{ seconds: 60 + Math.round(900 * random()), MBps: 40 + 900 * random() }], {
        step: [0.2, 1, 3][seed % 3] as number,
        noise: 0.005 + 0.1 * random(),
        seed: seed + 5000,
      });
      const { segments } = analyseTrace(trace);
      if (segments.length !== 1 || segments[0]?.kind !== 'sustained') alarms += 1;
    }
    expect(alarms).toBeLessThan(5);
  });
});
