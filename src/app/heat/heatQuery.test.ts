import { describe, expect, it } from 'vitest';
import type { HeatPick } from '../../core/kit/model.ts';
import { pickQuery, queryPick } from './heatQuery.ts';

const pick: HeatPick = {
  bodyId: 'b 1&',
  modeId: 'm',
  arrangement: 'relay',
  cardIds: ['a', 'b'],
  ratio: 5,
  plan: { minutes: 12.5, takes: 3, restMinutes: 6, ambientC: -4, sunC: 5 },
  startBodyC: 30,
  startCardC: null,
};

describe('a take in an address', () => {
  it('comes back as it went', () => {
    const { bodyId, modeId, ...rest } = pick;
    expect(queryPick(pickQuery(pick))).toEqual({ body: bodyId, mode: modeId, card: 'a', hasClip: false, rest });
  });

  it('may be a cell alone', () => {
    expect(queryPick('?body=b&mode=m&card=c')).toEqual({ body: 'b', mode: 'm', card: 'c', hasClip: false, rest: null });
    expect(queryPick('')).toEqual({ body: null, mode: null, card: null, hasClip: false, rest: null });
  });

  it.each(['min=NaN', 'min=', 'takes=1.5', 'takes=-1', 'air=1e9', 'rest=x'])('leaves nonsense out: %s', (part) => {
    const [key = ''] = part.split('=');
    const query = new URLSearchParams(pickQuery(pick));
    query.set(key, part.slice(key.length + 1));
    expect(queryPick(`?${query}`).rest).toBeNull();
  });

  it('says that a clip was in use, whose rates it cannot carry', () => {
    const query = pickQuery({ ...pick, demandTraceMBps: new Array<number>(20_000).fill(1) });
    expect(queryPick(query).hasClip).toBe(true);
    expect(query.length).toBeLessThan(300);
  });

  it('takes an unknown arrangement as single', () => {
    expect(queryPick(pickQuery(pick).replace('relay', 'sideways')).rest?.arrangement).toBe('single');
  });
});
