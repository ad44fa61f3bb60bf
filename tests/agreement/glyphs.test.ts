import { describe, expect, it } from 'vitest';
import { aDrawnWord, SIGNS } from '../../scripts/glyphs/draw.ts';
import { seeded } from '../../src/core/heat/writepath/random.ts';
import { signChances } from '../../src/core/photo/glyphs/reader.ts';
import { APART_FACES } from '../support/labels/drawn.ts';
import { runs } from '../support/runs.ts';

/** Signs in typefaces that none was learnt from, drawn small, slanted, blurred and noisy. */
function tried(words: number) {
  const random = seeded(77);
  let [all, right, sure, wrong] = [0, 0, 0, 0];
  for (let at = 0; at < words; at += 1) {
    for (const { ink, is } of aDrawnWord(random, APART_FACES[at % APART_FACES.length] ?? '') ?? []) {
      const { of } = signChances(ink);
      const best = [...SIGNS].reduce((most, sign) => (of(sign) > of(most) ? sign : most));
      all += 1;
      if (best === SIGNS[is]) right += 1;
      if (of(best) <= 0.9) continue;
      sure += 1;
      if (best !== SIGNS[is]) wrong += 1;
    }
  }
  return { all, right: right / all, sure: sure / all, wrong: wrong / sure };
}

describe('signs in typefaces held apart', () => {
  it('are read, and hardly one that is thought sure is another', () => {
    const found = tried(runs(600, 6000));
    console.table(found);
    expect(found.all).toBeGreaterThan(1000);
    expect(found.right).toBeGreaterThan(0.95);
    expect(found.sure).toBeGreaterThan(0.8);
    expect(found.wrong).toBeLessThan(0.01);
  });
});
