import { describe, expect, it } from 'vitest';
import { largeKit } from '../../../tests/support/largeKit.ts';
import { entering } from '../../core/match/entering.ts';
import { toRow } from '../../core/match/evaluate.ts';
import { aBody, aCard, aSlot } from '../../core/testing.ts';
import { boardEntries } from './entries.ts';

const rowsOf = (bodies: ReturnType<typeof largeKit>['bodies']) =>
  bodies.flatMap((body) => body.modes.map((mode) => toRow(body, mode)));

describe('the rows of a board', () => {
  it('have for each camera the cards that enter it, also where many cameras have slots alike', () => {
    const { bodies, cards } = largeKit(60, 40);
    // One that is like the first in all but what a card may hold there, and one that takes another bus.
    const [first = aBody()] = bodies;
    const unlike = [
      { ...first, id: 'small', slots: first.slots.map((slot) => ({ ...slot, promisedMaxGB: 64 })) },
      { ...first, id: 'one', slots: [aSlot({ id: 's1', accepts: [{ form: 'microsd', bus: 'uhs-i' }] })] },
    ];
    const all = [...bodies, ...unlike];
    const entries = boardEntries(rowsOf(all), [...cards, aCard({ id: 'x', form: 'cfast' })], null);
    const sections = entries.flatMap((entry) => (entry.kind === 'body' ? [entry.section] : []));
    expect(sections.map(({ body }) => body.id)).toEqual(all.map(({ id }) => id));
    for (const { body, cards: own } of sections)
      expect(own, body.id).toEqual(entering(body, [...cards, aCard({ id: 'x', form: 'cfast' })]));
    expect(new Set(sections.map(({ cards: own }) => own)).size, 'worked out once a kind').toBeLessThan(8);
  });

  it('are those of one camera where one is shown alone', () => {
    const { bodies, cards } = largeKit(20, 10);
    const entries = boardEntries(rowsOf(bodies), cards, 'b2');
    expect(entries.map(({ section, kind }) => `${section.body.id} ${kind}`)).toEqual(
      ['body', 'mode', 'mode', 'mode', 'mode', 'mode'].map((kind) => `b2 ${kind}`),
    );
  });
});
