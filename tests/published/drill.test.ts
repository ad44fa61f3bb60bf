import { all, create } from 'mathjs';
import { createEmptyCard, fsrs, type Grade, generatorParameters, Rating } from 'ts-fsrs';
import { describe, expect, it } from 'vitest';
import { type Answered, afterAnswer } from '../../src/app/drill/schedule.ts';
import { generate } from '../../src/core/drill/generate.ts';
import type { Question } from '../../src/core/drill/question.ts';
import { TOPICS } from '../../src/core/drill/topics.ts';
import type { DrillProgress } from '../../src/core/kit/drill.ts';

const math = create(all ?? {}, {});
const START = Date.UTC(2022, 11, 29, 12, 30);
const DAY = 86_400_000;

const RIGHT: Answered = { isRight: true, slip: null, isUnknown: false, seconds: null };
const WRONG: Answered = { isRight: false, slip: 'peak', isUnknown: false, seconds: null };
const SLOW: Answered = { ...RIGHT, seconds: 90 };
const GRADES = new Map<Answered, Grade>([
  [RIGHT, Rating.Good],
  [WRONG, Rating.Again],
  [SLOW, Rating.Hard],
]);

describe('spaced repetition', () => {
  // Reference: the package's own published test of its default scheduler, FSRS-6 (values from memory, checked by this run).
  it('the package keeps the intervals it is published with', () => {
    const scheduler = fsrs({});
    let card = createEmptyCard(new Date(START));
    const days: number[] = [];
    for (const grade of [3, 3, 3, 3, 3, 3, 1, 1, 3, 3, 3, 3, 3] as const) {
      card = scheduler.next(card, card.due, grade).card;
      days.push(card.scheduled_days);
    }
    expect(days).toEqual([0, 2, 11, 46, 163, 498, 0, 0, 2, 4, 7, 12, 21]);
  });

  it.each([
    ['always right', [RIGHT, RIGHT, RIGHT, RIGHT, RIGHT]],
    ['one slip', [RIGHT, RIGHT, WRONG, RIGHT, RIGHT]],
    ['slow at first', [SLOW, SLOW, RIGHT, WRONG, WRONG, RIGHT]],
    ['wrong at once', [WRONG, RIGHT, RIGHT, SLOW]],
  ] as const)('dates are those of the package though each answer goes through the kit file: %s', (_, answers) => {
    const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false, request_retention: 0.9 });
    let card = createEmptyCard(new Date(START));
    let kept: DrillProgress | null = null;
    for (const [at, answer] of answers.entries()) {
      // Answered early, on the day, and late.
      const now = new Date(card.due.getTime() + ([0, -DAY / 2, 3 * DAY][at % 3] ?? 0));
      card = scheduler.next(card, now, GRADES.get(answer) as Grade).card;
      kept = JSON.parse(JSON.stringify(afterAnswer('label/peak', kept, answer, now))) as DrillProgress;
      expect(kept.due, `answer ${at}`).toBe(card.due.toISOString());
      expect(kept.stability).toBe(card.stability);
      expect(kept).toMatchObject({ reps: card.reps, lapses: card.lapses, scheduledDays: card.scheduled_days });
    }
  });

  // Reference: the formulas of FSRS-6 as published (from memory): stability after a right answer.
  it('stability grows by the published formula', () => {
    const { w: weights } = generatorParameters();
    const w = (at: number): number => weights[at] ?? Number.NaN;
    const first = afterAnswer('x', null, RIGHT, new Date(START));
    expect(first.stability).toBeCloseTo(w(2), 4);
    const initial = (grade: number): number => w(4) - Math.exp(w(5) * (grade - 1)) + 1;
    expect(first.difficulty).toBeCloseTo(initial(3), 4);
    const elapsed = 3;
    const next = afterAnswer('x', first, RIGHT, new Date(START + elapsed * DAY));
    const decay = -w(20);
    const recalled = (1 + (0.9 ** (1 / decay) - 1) * (elapsed / first.stability)) ** decay;
    const grown =
      first.stability *
      (1 +
        Math.exp(w(8)) * (11 - first.difficulty) * first.stability ** -w(9) * (Math.exp((1 - recalled) * w(10)) - 1));
    expect(next.stability).toBeCloseTo(grown, 3);
  });
});

describe('conversions', () => {
  // Reference: mathjs units, where b is a bit and B a byte, k, M and G powers of 1000.
  it('of rates are those of mathjs', () => {
    let seen = 0;
    for (const topic of TOPICS.filter(({ kind }) => kind === 'bits'))
      for (let seed = 0; seed < 500; seed += 1) {
        const question = generate({ topic, level: ((seed % 3) + 1) as 1 | 2 | 3, seed, kit: null }) as Question;
        const { facts, typed, choices } = question;
        if (facts.kind !== 'bits' || facts.ask === 'computer') continue;
        seen += 1;
        const from = math.unit(facts.bytesPerSecond, 'B');
        const right = choices.find(({ slip }) => slip === null)?.value;
        if (facts.ask === 'per-minute') {
          const GB = from.toNumber('GB') * 60;
          expect(typed?.right ?? (right?.kind === 'per-minute' ? right.GB : 0)).toBeCloseTo(GB, 9);
        } else {
          const unit = facts.ask === 'to-bytes' ? 'MB' : 'Mb';
          const value = from.toNumber(unit);
          const told =
            typed?.right ?? (right?.kind === 'rate' ? math.unit(right.bytesPerSecond, 'B').toNumber(unit) : 0);
          expect(told).toBeCloseTo(value, 9);
        }
      }
    expect(seen).toBeGreaterThan(1000);
  });

  it('of a computer’s gibibytes are those of mathjs, cut as it shows them', () => {
    const topic = TOPICS.find(({ id }) => id === 'bits/binary');
    for (let seed = 0; seed < 200; seed += 1) {
      const { facts } = generate({ topic: topic as (typeof TOPICS)[number], level: 2, seed, kit: null }) as Question;
      if (facts.kind !== 'bits' || facts.ask !== 'computer') throw new Error('another question');
      expect(facts.GiB).toBe(Math.floor(math.unit(facts.GB, 'GB').toNumber('GiB')));
    }
  });

  // Reference: worked figures of the trade [P]: 400 Mb/s is 50 MB/s, 170 Mb/s fills 1.275 GB a minute.
  it('of worked figures come out', () => {
    const questions = TOPICS.filter(({ kind }) => kind === 'bits').flatMap((topic) =>
      Array.from({ length: 400 }, (_, seed) => generate({ topic, level: 2, seed, kit: null }) as Question),
    );
    const of = (ask: string, Mbps: number) =>
      questions.find(
        ({ facts }) =>
          facts.kind === 'bits' &&
          facts.ask === ask &&
          facts.ask !== 'computer' &&
          facts.bytesPerSecond === Mbps * 125_000,
      );
    expect(of('to-bytes', 400)?.choices.find(({ slip }) => slip === null)?.value).toMatchObject({
      bytesPerSecond: 50e6,
    });
    expect(of('per-minute', 170)?.choices.find(({ slip }) => slip === null)?.value).toMatchObject({ GB: 1.275 });
  });
});
