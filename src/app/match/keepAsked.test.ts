import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Ask } from '../../core/match/ask/ask.ts';
import { askLine } from '../../core/match/ask/askLine.ts';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { ASSUMED } from '../../core/standards/assumptions.ts';
import { aBody, aCard } from '../../core/testing.ts';
import { parseKit } from '../../kit/importKit.ts';
import { readStoredKit } from '../../store/read.ts';
import { database } from '../kit/database.ts';
import { busesToAsk, KEPT_SPEEDS, keepAsked, keepCamera, keepCards } from './keepAsked.ts';

function askOf(line: string): Ask {
  const found = askLine(line, DEFAULT_POLICY);
  if (!found.ok || found.value.kind !== 'card') throw new Error(line);
  return found.value.answer.ask;
}
const EMPTY = { bodies: [], cards: [] };

describe('what is asked before a thing is kept', () => {
  it('a name that is free', () => {
    const kit = {
      bodies: [aBody({ name: 'Camera 1' })],
      cards: [aCard({ label: 'Card 1' }), aCard({ label: 'Card 3' })],
    };
    const ask = askOf('400 Mb/s on 256GB V60');
    expect(keepAsked('camera', ask, EMPTY)).toMatchObject({ name: 'Camera 1', form: 'sd', slotBus: null });
    expect(keepAsked('camera', ask, kit).name).toBe('Camera 2');
    expect(keepAsked('card', ask, kit).name).toBe('Card 2');
  });

  it('of a card in an adapter, or in another slot, its own type and that of the slot', () => {
    const ask = askOf('1000 Mb/s on 128GB XQD in CFexpress B slot');
    expect(keepAsked('camera', ask, EMPTY).form).toBe('cfexpress-b');
    expect(keepAsked('card', ask, EMPTY).form).toBe('xqd');
  });

  it('the bus of the slots of a camera, where the line does not tell it and there are several', () => {
    const untold = keepAsked('camera', askOf('400 Mb/s on 256GB V60'), EMPTY);
    expect(busesToAsk('camera', untold, 'sd')).toEqual(['uhs-ii', 'uhs-i', 'high-speed']);
    expect(busesToAsk('camera', untold, 'cfexpress-b')).toEqual(['cfexpress-4', 'cfexpress-2']);
    expect(busesToAsk('camera', untold, 'module')).toEqual([]);
    expect(busesToAsk('camera', untold, null)).toEqual([]);
    expect(busesToAsk('card', untold, 'sd')).toEqual([]);
    const told = keepAsked('camera', askOf('400 Mb/s on 256GB V60 in a UHS-II slot'), EMPTY);
    expect(busesToAsk('camera', told, 'sd')).toEqual([]);
  });

  it('a frame rate, from a list that has the one that was assumed', () => {
    expect(KEPT_SPEEDS).toContain(ASSUMED.quickFps.value);
  });
});

describe('what is kept', () => {
  beforeEach(async () => {
    await database.delete();
    await database.open();
  });

  it('begins an empty kit by itself, and a kit file that is exported has it whole', async () => {
    const ask = askOf('400 Mb/s on 2x256GB V60 R300');
    const made = await keepCamera(ask, { name: 'Harbour', form: 'sd', bus: 'uhs-ii', fps: 25 });
    expect(made).toMatchObject({ ok: true, value: { what: 'Harbour saved.' } });
    const cards = await keepCards(ask, { name: 'H-01', form: 'sd', bus: null, fps: null }, []);
    expect(cards).toMatchObject({ ok: true, value: { what: '2 cards added.' } });
    const kit = await readStoredKit(database);
    expect(kit.bodies).toMatchObject([
      { name: 'Harbour', modes: [{ name: '400\u00a0Mb/s', fps: 25, rate: { Mbps: 400 } }], slots: [{}, {}] },
    ]);
    expect(kit.cards).toMatchObject([
      { label: 'H-01', capacityGB: 256, marks: ['V60'], readMBps: 300 },
      { label: 'H-02', capacityGB: 256, marks: ['V60'], readMBps: 300 },
    ]);
    expect(await parseKit(JSON.stringify(kit))).toMatchObject({ ok: true, value: { kit: { cards: [{}, {}] } } });
  });

  it('one card has its own name alone', async () => {
    const made = await keepCards(askOf('400 Mb/s on 128GB V60'), { name: 'B-01', form: 'sd', bus: null, fps: null }, [
      aCard({ label: 'B-02' }),
    ]);
    expect(made).toMatchObject({ ok: true, value: { what: 'B-01 saved.' } });
    expect((await readStoredKit(database)).cards.map(({ label }) => label)).toEqual(['B-01']);
  });
});
