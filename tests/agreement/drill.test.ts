import { describe, expect, it } from 'vitest';
import { difficultyOf } from '../../src/core/drill/difficulty.ts';
import { pick } from '../../src/core/drill/draw.ts';
import { aFace, faceCard, faceText } from '../../src/core/drill/face.ts';
import { generate } from '../../src/core/drill/generate.ts';
import { judge } from '../../src/core/drill/judge.ts';
import { type Level, type Question, slipsOf } from '../../src/core/drill/question.ts';
import { ROUND_LENGTH, roundOf } from '../../src/core/drill/round.ts';
import { SLIP_KEYS, SLIPS, type Slip } from '../../src/core/drill/slips.ts';
import { DRILL_KINDS, type DrillKind, TOPICS } from '../../src/core/drill/topics.ts';
import { seeded } from '../../src/core/heat/writepath/random.ts';
import { board } from '../../src/core/match/board.ts';
import { cellTone } from '../../src/core/match/cell.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { aBody, aMode, aSlot } from '../../src/core/testing.ts';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { parseKit } from '../../src/kit/importKit.ts';
import { explain } from '../../src/text/drill/explain.ts';
import { answerValueText, promptOf } from '../../src/text/drill/question.ts';
import { isRight, promised, rightNumber, written } from '../support/drillSolver.ts';
import { runs } from '../support/runs.ts';

/** Questions drawn of each kind, over its topics and levels in turn. */
const DRAWN = runs(700, 10_000);
const LEVELS: readonly Level[] = [1, 2, 3];
const GENERAL = DRILL_KINDS.filter((kind) => kind !== 'own');

function* questions(kind: DrillKind, count: number, from = 1): Generator<Question> {
  const topics = TOPICS.filter((topic) => topic.kind === kind);
  for (let at = 0; at < count; at += 1) {
    const topic = topics[at % topics.length];
    const level = LEVELS[Math.floor(at / topics.length) % 3];
    if (!topic || !level) throw new Error('no topic');
    const question = generate({ topic, level, seed: from + at * 2_654_435, kit: null });
    if (!question) throw new Error(`${topic.id} at level ${level} has no question of seed ${at}`);
    yield question;
  }
}

describe.each(GENERAL)(`%s, ${DRAWN} questions`, (kind) => {
  it('have exactly one right answer, by the core and by a small solver of their own', () => {
    for (const question of questions(kind, DRAWN)) {
      const said = (): string => JSON.stringify(question);
      if (question.typed) {
        expect(question.choices, said()).toEqual([]);
        const right = rightNumber(question);
        expect(Math.abs(question.typed.right - right), said()).toBeLessThanOrEqual(right * 1e-5);
        expect(judge(question, { kind: 'number', value: right }).isRight, said()).toBe(true);
        for (const { slip, value } of question.typed.slips)
          expect(judge(question, { kind: 'number', value }), said()).toEqual({ isRight: false, slip });
        continue;
      }
      const rights = question.choices.map(({ value }) => isRight(question, value));
      const told = question.choices.map((_, at) => judge(question, { kind: 'choice', at }).isRight);
      if (rights.filter(Boolean).length !== 1 || rights.some((one, at) => one !== told[at]))
        expect({ rights, told }, said()).toEqual('one right answer, the same by both');
    }
  });
});

describe('every question', () => {
  it('offers the slip it is about, three or four answers that differ as they are read, and explains itself', () => {
    for (const kind of GENERAL)
      for (const question of questions(kind, runs(100, 400), 77)) {
        const said = `${question.topic.id} ${JSON.stringify(question.facts)}`;
        expect(slipsOf(question), said).toContain(question.topic.slip);
        const texts = question.choices.map(
          ({ value }) => answerValueText(value) + (value.kind === 'face' ? faceText(value.face) : ''),
        );
        expect(new Set(texts).size, said).toBe(texts.length);
        if (!question.typed) expect(texts.length, said).toBeGreaterThanOrEqual(3);
        const asked = promptOf(question)
          .map(({ text }) => text)
          .join('');
        const { head, sums } = explain(question);
        const all = [asked, head, ...texts, ...sums.flatMap(({ working, result }) => [working, result])].join(' | ');
        expect(all, said).not.toMatch(/NaN|undefined|Infinity|null|—/);
        expect(head.length, said).toBeGreaterThan(10);
      }
  });

  it('is the same again by the same seed', () => {
    for (const topic of TOPICS.filter(({ kind }) => kind !== 'own'))
      expect(generate({ topic, level: 2, seed: 4711, kit: null })).toEqual(
        generate({ topic, level: 2, seed: 4711, kit: null }),
      );
  });
});

describe('difficulty', () => {
  const base: Question = {
    topic: TOPICS[0] as (typeof TOPICS)[number],
    level: 1,
    facts: { kind: 'contradict' },
    choices: [],
    typed: null,
  };
  const offering = (...slips: readonly Slip[]): Question => ({
    ...base,
    choices: slips.map((slip) => ({ value: { kind: 'nothing' }, slip })),
  });

  it('is ordered as the slips are: a more tempting one is harder, one more is harder, unround numbers are harder', () => {
    const single = SLIP_KEYS.map((slip) => difficultyOf(offering(slip)));
    expect(single).toEqual([...single].sort((a, b) => b - a));
    for (const slip of SLIP_KEYS)
      for (const other of SLIP_KEYS)
        if (slip !== other)
          expect(difficultyOf(offering(slip, other))).toBeGreaterThan(
            Math.max(difficultyOf(offering(slip)), difficultyOf(offering(other))) - 1e-12,
          );
    const byLevel = LEVELS.map((level) => difficultyOf({ ...offering('peak'), level }));
    expect(byLevel).toEqual([...byLevel].sort((a, b) => a - b));
    expect(difficultyOf(offering())).toBe(0);
    expect(Object.values(SLIPS).every((pull) => pull > 0 && pull < 1)).toBe(true);
  });

  it('rises with the level in every topic, over many questions', () => {
    for (const topic of TOPICS.filter(({ kind }) => kind !== 'own')) {
      const means = LEVELS.map((level) => {
        const all = Array.from({ length: runs(60, 200) }, (_, at) =>
          generate({ topic, level, seed: at * 97 + 5, kit: null }),
        );
        return all.reduce((sum, one) => sum + difficultyOf(one as Question), 0) / all.length;
      });
      expect(means, topic.id).toEqual([...means].sort((a, b) => a - b));
    }
  });
});

describe('a round', () => {
  it('has eight questions, no two alike, whatever its topics', () => {
    for (let seed = 0; seed < runs(100, 300); seed += 1) {
      const kind = GENERAL[seed % GENERAL.length] as DrillKind;
      const topics = TOPICS.filter((topic) => (seed % 2 === 0 ? topic.kind === kind : topic.kind !== 'own'));
      const asked = topics.slice(0, 8).map((topic) => ({ topic, level: LEVELS[seed % 3] as Level }));
      const round = roundOf({ asked, seed, kit: null, wanted: 0.6 });
      expect(round).toHaveLength(ROUND_LENGTH);
      const keys = round.map(({ question }) =>
        JSON.stringify([question.facts, question.choices.map(({ value }) => value)]),
      );
      expect(new Set(keys).size, `seed ${seed}`).toBe(ROUND_LENGTH);
    }
  });

  it('comes nearer to the difficulty that is wanted than one that takes what comes', () => {
    const asked = TOPICS.filter(({ kind }) => kind === 'label').map((topic) => ({ topic, level: 2 as const }));
    const off = (wanted?: number): number => {
      let sum = 0;
      for (let seed = 0; seed < 60; seed += 1)
        for (const { question } of roundOf({ asked, seed, kit: null, ...(wanted === undefined ? {} : { wanted }) }))
          sum += Math.abs(difficultyOf(question) - 0.85);
      return sum;
    };
    expect(off(0.85)).toBeLessThan(off() * 0.97);
  });
});

const drawnMode = (Mbps: number) => aMode({ fps: 25, rate: { kind: 'stated', Mbps, is: 'maximum' }, overhead: null });

describe('questions about one’s own kit', () => {
  const topics = TOPICS.filter(({ kind }) => kind === 'own');

  it.each(['once', 'repeatable'] as const)('have the one right card that the board has, %s', async (take) => {
    const kit = await parseKit(JSON.stringify(demo));
    if (!kit.ok) throw new Error('the demo does not open');
    const { bodies, cards, tests, reports } = kit.value.kit;
    const policy = { ...DEFAULT_POLICY, take };
    const all = board({ bodies, cards, tests, reports }, policy);
    let asked = 0;
    for (let seed = 0; seed < 600; seed += 1) {
      const topic = topics[seed % topics.length] as (typeof topics)[number];
      const question = generate({
        topic,
        level: LEVELS[seed % 3] as Level,
        seed,
        kit: { bodies, cards, tests, reports, policy },
      });
      if (question?.facts.kind !== 'own') continue;
      asked += 1;
      const { body, mode } = question.facts;
      const row = all.rows.findIndex((one) => one.body.id === body.id && one.mode.id === mode.id);
      const tones = question.choices.map(({ value }) => {
        const at = all.cards.findIndex(({ id }) => value.kind === 'card' && id === value.card.id);
        const cell = all.columnAt(at)[row];
        if (!cell) throw new Error('not on the board');
        return cellTone(cell, take);
      });
      expect(
        tones.filter((tone) => tone === 'cool'),
        JSON.stringify(question),
      ).toHaveLength(1);
      expect(tones.map((tone) => tone === 'cool')).toEqual(question.choices.map(({ slip }) => slip === null));
      // What may be used with care is no wrong answer: such a card is not offered.
      if (take === 'repeatable') expect(tones).not.toContain('warm');
    }
    expect(asked).toBeGreaterThan(300);
  });

  it('have the one right card that a small solver has, over many kits drawn at random', () => {
    const random = seeded(20_260_501);
    const buses = ['uhs-i', 'uhs-ii', 'uhs-iii', 'uhs-i-50', 'high-speed'] as const;
    const topic = { ...(topics[0] as (typeof topics)[number]), slip: 'not-in-force' as const };
    let asked = 0;
    for (let drawn = 0; asked < DRAWN; drawn += 1) {
      const slot = pick(random, buses);
      const mode = drawnMode(pick(random, [40, 60, 100, 150, 200, 300, 400, 600]));
      const faces = Array.from({ length: 7 }, () => {
        const face = aFace(random, pick(random, ['I', 'II']));
        // Some that contradict themselves: they are never right.
        return random() < 0.2 ? { ...face, words: [...face.words, 'U1', 'V30'] } : face;
      });
      const wanted = written(mode) * 1.15;
      const holds = faces.map((face) => promised(face, slot) + 1e-9 >= wanted);
      if (!holds.includes(true) || holds.filter((one) => !one).length < 3) continue;
      const kit = {
        bodies: [aBody({ modes: [mode], slots: [aSlot({ accepts: [{ form: 'sd', bus: slot }], family: 'sdxc' })] })],
        cards: faces.map((face, at) => ({ ...faceCard(face, String(at)), label: `C-${at}` })),
        tests: [],
        reports: [],
        policy: DEFAULT_POLICY,
      };
      // Several questions of each kit: what they draw from it is another each time.
      for (let seed = 0; seed < 5; seed += 1) {
        const question = generate({ topic, level: LEVELS[seed % 3] as Level, seed: drawn * 5 + seed, kit });
        if (!question) throw new Error(`a kit with ${holds.join()} was asked nothing`);
        asked += 1;
        for (const { value, slip } of question.choices) {
          if (value.kind !== 'card') throw new Error('not a card');
          const own = holds[Number(value.card.id)];
          if (own !== (slip === null)) expect({ own, slip }, JSON.stringify(question)).toEqual('the same by both');
        }
      }
    }
    expect(asked).toBeGreaterThanOrEqual(DRAWN);
  });

  it('are none where the kit has nothing to tell apart', () => {
    const empty = { bodies: [], cards: [], tests: [], reports: [], policy: DEFAULT_POLICY };
    for (const topic of topics) expect(generate({ topic, level: 1, seed: 1, kit: empty })).toBeNull();
    for (const topic of topics) expect(generate({ topic, level: 1, seed: 1, kit: null })).toBeNull();
    const asked = topics.map((topic) => ({ topic, level: 1 as const }));
    expect(roundOf({ asked, seed: 1, kit: empty })).toEqual([]);
  });
});
