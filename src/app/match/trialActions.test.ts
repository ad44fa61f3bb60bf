import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import { aBody, aCard } from '../../core/testing.ts';
import { EMPTY_KIT } from '../../kit/kit.ts';
import { apply, startWith } from '../../store/apply.ts';
import { change } from '../../store/edit.ts';
import { readStoredKit } from '../../store/read.ts';
import { database } from '../kit/database.ts';
import { undoChange } from '../kit/history.ts';
import { keepTrial, UNCHANGED, withTrial } from './trialActions.ts';

describe('trials that are kept', () => {
  it('change what was tried, leave what another tab changed since, and go back together', async () => {
    const body = aBody({ id: 'b', name: 'Dory', arrangement: 'single' });
    await startWith(database, { ...EMPTY_KIT, bodies: [body] });
    const tried = { kit: EMPTY_KIT, bodyId: 'b', modeId: 'm', cardId: 'c', addedCard: null } as const;
    const once = withTrial(UNCHANGED, { ...tried, changedBody: { ...body, arrangement: 'split' } }, null, body);
    const twice = withTrial(
      once,
      {
        ...tried,
        changedBody: { ...body, arrangement: 'split', bufferMB: 9 },
        addedCard: aCard({ id: 'n', label: 'n' }),
      },
      'repeatable',
      { ...body, arrangement: 'split' },
    );
    await apply(database, [change('bodies', 'b', (one) => ({ ...one, note: 'from another tab' }))], {
      what: '',
      at: '',
    });
    const kept = await keepTrial(twice, 'a split');
    if (!kept.ok || kept.value.id === null) throw new Error('not kept');
    const after = await readStoredKit(database);
    expect(after.bodies[0]).toEqual({ ...body, arrangement: 'split', bufferMB: 9, note: 'from another tab' });
    expect(after.cards.map(({ label }) => label)).toEqual(['n']);
    expect(after.settings.take).toBe('repeatable');
    expect((await undoChange(kept.value.id)).ok).toBe(true);
    const back = await readStoredKit(database);
    expect(back.bodies[0]).toEqual({ ...body, note: 'from another tab' });
    expect(back.cards).toEqual([]);
    expect(back.settings.take).toBe('once');
  });
});
