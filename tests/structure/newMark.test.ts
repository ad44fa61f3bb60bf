import { describe, expect, it, vi } from 'vitest';
import { faceRows } from '../../src/app/cards/labelReading.ts';
import { isContradiction, labelProblems } from '../../src/core/cards/labelProblems.ts';
import { readLabel } from '../../src/core/cards/readLabel.ts';
import { nearestMarks } from '../../src/core/cards/suggest.ts';
import { readWord } from '../../src/core/cards/vocabulary.ts';
import { generate } from '../../src/core/drill/generate.ts';
import { TOPICS } from '../../src/core/drill/topics.ts';
import { answerAsk, smallestMarks } from '../../src/core/match/ask/answerAsk.ts';
import { readAsk } from '../../src/core/match/ask/readAsk.ts';
import { board } from '../../src/core/match/board.ts';
import { cardOfPrint, cardsToBuy } from '../../src/core/match/buyCard.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { floorInForce } from '../../src/core/match/rules/guarantee.ts';
import { guesses } from '../../src/core/photo/labelWords.ts';
import type { Bus } from '../../src/core/standards/buses.ts';
import type { Mark } from '../../src/core/standards/marks.ts';
import { aBody, aCard, aMode, aSlot } from '../../src/core/testing.ts';
import { fromMegabytes } from '../../src/core/units/convert.ts';
import { markMeaning } from '../../src/text/cards/label.ts';
import { SLIP_TEXTS } from '../../src/text/drill/slips.ts';
import { STANDARD_TABLES } from '../../src/text/guide/standards.ts';

/** What the README says of a new mark: one row. Here it is one that nobody prints, of two rows of contacts. */
vi.mock('../../src/core/standards/markTable.ts', async (original) => {
  const table = await original<typeof import('../../src/core/standards/markTable.ts')>();
  return { ...table, MARKS: { ...table.MARKS, V120: { ...table.MARKS.V90, promisesMBps: 120 } } };
});

const V120 = 'V120' as Mark;
const MBps = (rate: number | null | undefined): number | null => (rate == null ? null : rate / 1e6);

describe('a mark added to the table, V120, is treated as its row says', () => {
  it('by the label reader: read with its bus, however it is spelled', () => {
    for (const text of ['256GB SDXC II U3 V120', '256gb v-120', '256 GB video speed class 120']) {
      const label = readLabel(text);
      expect(label.marks.at(-1), text).toBe(V120);
      expect(label.bus, text).toBe('uhs-ii');
      expect(labelProblems(label).filter(isContradiction), text).toEqual([]);
    }
    expect(nearestMarks('V', 121)).toContain(V120);
    expect(markMeaning(V120)).toContain('120');
  });

  it('by what contradicts: one row of contacts, and a grade too low beside it', () => {
    const codes = (text: string) => labelProblems(readLabel(text)).map(({ code }) => code);
    expect(codes('256GB SDXC I U3 V120')).toContain('mark-needs-bus');
    expect(codes('256GB SDXC II U1 V120')).toContain('grade-contradicts');
    expect(codes('256GB CFexpress B V120')).toContain('mark-on-wrong-form');
  });

  it('by its guarantee and its fallback', () => {
    const floor = (marks: readonly string[], bus: Bus) => MBps(floorInForce({ form: 'sd', marks }, bus).floor);
    expect(floor(['SDXC', 'II', 'V120'], 'uhs-ii')).toBe(120);
    expect(floor(['SDXC', 'II', 'V120'], 'uhs-iii')).toBe(120);
    expect(floor(['V120'], 'uhs-i')).toBe(30);
    expect(floor(['SDXC', 'I', 'V120'], 'uhs-i')).toBeNull();
    expect(floor(['SDXC', 'II', 'V120'], 'high-speed')).toBeNull();
    expect(floor(['SDXC', 'II', 'V120'], 'sd-express-1'), 'another interface').toBeNull();
  });

  it('by a line that is asked, and by a board', () => {
    const ask = readAsk('800 Mb/s on 256GB V120 II');
    const answer = ask.ok ? answerAsk(ask.value, DEFAULT_POLICY) : ask;
    expect(answer).toMatchObject({ ok: true, value: { cell: { verdict: 'guaranteed', floor: 120_000_000 } } });
    const body = aBody({
      modes: [aMode({ fps: 25, rate: { kind: 'stated', Mbps: 800, is: 'maximum' }, overhead: null })],
      slots: [aSlot({ accepts: [{ form: 'sd', bus: 'uhs-ii' }], family: 'sdxc' })],
    });
    const cards = [aCard({ id: 'new', marks: ['II', 'V120'] }), aCard({ id: 'old', marks: ['II', 'V90'] })];
    const all = board({ bodies: [body], cards, tests: [], reports: [] }, DEFAULT_POLICY);
    expect([0, 1].map((at) => all.columnAt(at)[0]?.verdict)).toEqual(['guaranteed', 'uncovered']);
  });

  it('by what would do', () => {
    expect(smallestMarks(fromMegabytes(100), DEFAULT_POLICY.headroom)).toContain(V120);
    expect(cardOfPrint({ form: 'sd', mark: V120, capacityGB: 256 }).marks).toEqual(['SDXC', 'II', V120]);
    const body = aBody({ slots: [aSlot({ accepts: [{ form: 'sd', bus: 'uhs-ii' }], family: 'sdxc' })] });
    const mode = aMode({ fps: 25, rate: { kind: 'stated', Mbps: 800, is: 'maximum' }, overhead: null });
    const own = { ...body, modes: [mode] };
    const found = cardsToBuy({
      body: own,
      card: { form: 'sd', capacityGB: 256 },
      floor: null,
      need: 100e6,
      minutes: null,
      answer: (card) => {
        const [cell] = board({ bodies: [own], cards: [card], tests: [], reports: [] }, DEFAULT_POLICY).columnAt(0);
        if (!cell) throw new Error('no cell');
        return cell;
      },
      holds: ({ verdict }) => verdict === 'guaranteed',
    });
    expect(found.map(({ print }) => print.mark)).toEqual([V120]);
  });

  it('by the drill: it is drawn, and what it promises is right', () => {
    const seen = { right: 0, fallen: 0 };
    for (const topic of TOPICS.filter(({ kind }) => kind === 'label'))
      for (let seed = 1; seed < 120; seed += 1) {
        const question = generate({ topic, level: 2, seed: seed * 7919, kit: null });
        if (question?.facts.kind !== 'label' || !question.facts.face.words.includes('V120')) continue;
        const right = question.choices.find(({ slip }) => slip === null)?.value;
        if (right?.kind !== 'rate') continue;
        if (right.bytesPerSecond === 120e6) seen.right += 1;
        if (right.bytesPerSecond === 30e6) seen.fallen += 1;
      }
    expect(seen.right).toBeGreaterThan(0);
    expect(seen.fallen).toBeGreaterThan(0);
    expect(SLIP_TEXTS['not-in-force'].why).toContain('V60, V90 and V120 count over UHS-II');
  });

  it('by pictures of cards, tiles and the guide', () => {
    expect(guesses('V12O')[0]).toMatchObject({ told: 'video', word: 'V120' });
    expect(readWord('v 120')).toEqual({ kind: 'mark', mark: V120 });
    expect(faceRows('sd').flatMap(([, words]) => words)).toContain('V120');
    const marks = STANDARD_TABLES.find(({ id }) => id === 'marks');
    expect(marks?.rows.map(({ id }) => id)).toContain('v120');
  });
});
