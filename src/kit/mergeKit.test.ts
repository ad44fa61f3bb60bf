import { describe, expect, it } from 'vitest';
import { bodyFile } from '../app/kit/giveAway.ts';
import type { Body } from '../core/kit/model.ts';
import { aBody, aCard, aMode, aSlot } from '../core/testing.ts';
import { parseKit } from './importKit.ts';
import { EMPTY_KIT, type Kit } from './kit.ts';
import { incoming, type MergeChoice, mergedItems } from './mergeKit.ts';

const kit = (part: Partial<Kit>): Kit => ({ ...EMPTY_KIT, ...part });
const merge = (before: Kit, other: Kit, choice: MergeChoice) => {
  const all = incoming(before, other);
  return mergedItems(
    all,
    all.map(({ mine }) => (mine === null ? 'theirs' : choice)),
  );
};

const own = aCard({ id: 'c1', label: 'C-01', capacityGB: 256 });
const hers = aCard({ id: 'x9', label: 'c-01', capacityGB: 512 });
const other = aCard({ id: 'x8', label: 'A-07', capacityGB: 128 });

describe('another kit beside one’s own', () => {
  it('meets by id before label, and says which', () => {
    const all = incoming(kit({ cards: [own, aCard({ id: 'x9', label: 'Z-01' })] }), kit({ cards: [hers, other, own] }));
    expect(all.map(({ name, mine, byLabel, isSame }) => [name, mine?.id ?? null, byLabel, isSame])).toEqual([
      ['c-01', 'x9', false, false],
      ['A-07', null, false, false],
      ['C-01', 'c1', false, true],
    ]);
  });

  it('meets by label where no id is the same', () => {
    const all = incoming(kit({ cards: [own] }), kit({ cards: [hers] }));
    expect(all).toMatchObject([{ byLabel: true, isSame: false, theirs: { id: 'c1', capacityGB: 512 } }]);
  });

  it('one’s own stays unless chosen, new ones come in, both stand side by side under two names', () => {
    const [before, file] = [kit({ cards: [own] }), kit({ cards: [hers, other] })];
    expect(merge(before, file, 'mine').map(({ item }) => item)).toEqual([other]);
    expect(merge(before, file, 'theirs').map(({ item }) => item)).toMatchObject([
      { id: 'c1', label: 'c-01', capacityGB: 512 },
      { id: 'x8' },
    ]);
    const [both] = merge(before, file, 'both').map(({ item }) => item);
    expect(both).toMatchObject({ label: 'c-01 2', capacityGB: 512 });
    expect(both?.id).not.toBe('c1');
  });

  it('what points to an entry goes along when the entry is met by its label', () => {
    const body = (id: string, modeId: string): Body =>
      aBody({
        id,
        name: 'Heron',
        slots: [aSlot({ id: `${id} s` })],
        modes: [aMode({ id: modeId, name: '4K', fps: 25 })],
      });
    const test = { id: 't1', bodyId: 'theirs', modeId: 'm9', cardId: 'x9', slotId: 'theirs s', ended: 'full' };
    const all = incoming(
      kit({ bodies: [body('mine', 'm1')], cards: [own] }),
      kit({ bodies: [body('theirs', 'm9')], cards: [hers], tests: [test as never] }),
    );
    expect(all.find(({ list }) => list === 'tests')?.theirs).toMatchObject({
      bodyId: 'mine',
      modeId: 'm1',
      cardId: 'c1',
      slotId: 'mine s',
    });
    expect(all[0]).toMatchObject({ byLabel: true, isSame: true });
  });

  it('a body given away is a kit file, without one’s own approved cards, and comes home unchanged', async () => {
    const body = aBody({
      id: 'b1',
      name: 'Dory / 2',
      approved: [{ cardIds: ['c1'], modeIds: null, upToMbps: 400, source: 'manual' }],
    });
    const { name, text } = bodyFile(body);
    expect(name).toBe('dory-2.coolreel.json');
    const read = await parseKit(text);
    if (!read.ok) throw new Error(read.error.code);
    expect(read.value.kit.bodies[0]).not.toHaveProperty('approved');
    const all = incoming(kit({ bodies: [body] }), read.value.kit);
    expect(all).toMatchObject([{ isSame: true, theirs: { approved: body.approved } }]);
    expect(mergedItems(all, ['theirs'])).toEqual([]);
  });
});
