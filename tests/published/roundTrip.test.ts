import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MAX_NAME } from '../../src/core/kit/model.ts';
import { cardOfPrint, marksByPromise } from '../../src/core/match/buyCard.ts';
import { FORM_KEYS } from '../../src/core/standards/forms.ts';
import { sizesOf } from '../../src/core/standards/sizes.ts';
import { aBody, aCard } from '../../src/core/testing.ts';
import { copyOfBody, copyOfCard } from '../../src/kit/copies.ts';
import { compactKitText, kitText } from '../../src/kit/exportKit.ts';
import { parseKit } from '../../src/kit/importKit.ts';
import { EMPTY_KIT, type Kit } from '../../src/kit/kit.ts';
import { createNamer } from '../../src/kit/names.ts';
import { bodySchema } from '../../src/kit/schemas/body.ts';
import { cardSchema } from '../../src/kit/schemas/card.ts';
import { replaceKit, startWith } from '../../src/store/apply.ts';
import { openDb } from '../../src/store/db.ts';
import { takeBack } from '../../src/store/history.ts';
import { readStoredKit } from '../../src/store/read.ts';
import { listSnapshots } from '../../src/store/snapshots.ts';
import { toBuyWords } from '../../src/text/match/toBuy.ts';
import { anyKit } from '../support/anyKit.ts';

/** As a store holds them: every id once. */
const kits = anyKit.map((kit): Kit => ({ ...kit, tests: kit.tests.map((test, at) => ({ ...test, id: `t${at}` })) }));

/** Names as people and machines make them: long, numbered past what a number holds, blank at the ends, of any script. */
const names = fc
  .oneof(
    fc.string({ minLength: 1, maxLength: MAX_NAME, unit: 'grapheme' }),
    fc.stringMatching(/^[A-Z]{0,3}[- ]?\d{1,60}$/),
    fc.constantFrom(
      '9'.repeat(MAX_NAME),
      `C-${'9'.repeat(20)}`,
      'x'.repeat(MAX_NAME),
      'C-01',
      '007',
      '٣',
      '😀'.repeat(40),
    ),
  )
  .filter((name) => /\S/.test(name) && name.length <= MAX_NAME);

const kitOf = async (text: string): Promise<Kit> => {
  const read = await parseKit(text, Number.POSITIVE_INFINITY);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value.kit;
};

describe('names of copies', () => {
  it('are free, unlike each other, and no longer than a kit may hold, whatever they count on from', () => {
    fc.assert(
      fc.property(names, fc.array(names, { maxLength: 5 }), (name, taken) => {
        const make = createNamer([name, ...taken]);
        const made = Array.from({ length: 12 }, () => make(name));
        expect(new Set([name, ...taken, ...made]).size).toBe(new Set([name, ...taken]).size + 12);
        for (const one of made) expect(one.length).toBeLessThanOrEqual(MAX_NAME);
      }),
      { seed: 81, numRuns: 1000 },
    );
  });

  it('count on past the largest whole number of the language', () => {
    expect(createNamer([])('SN9007199254740993')).toBe('SN9007199254740994');
    expect(createNamer([])('SN99999999999999999999')).toBe('SN100000000000000000000');
  });
});

describe('a card to buy, kept from a trial', () => {
  it('is as a kit wants it, in every form, mark and size sold, with a label that says what it is', () => {
    for (const form of FORM_KEYS)
      for (const mark of marksByPromise(form))
        for (const capacityGB of sizesOf(form)) {
          const card = { ...cardOfPrint({ form, mark, capacityGB }), ...toBuyWords({ form, mark, capacityGB }) };
          expect(cardSchema.validate(card, { convert: false }).error).toBeUndefined();
          expect(card.label.endsWith(mark)).toBe(true);
        }
  });
});

describe('copies', () => {
  it('are as a kit wants them, however long the first is named', () => {
    fc.assert(
      fc.property(kits, names, (kit, name) => {
        for (const card of kit.cards) {
          const copy = copyOfCard({ ...card, label: name }, 'copy', createNamer([name])(name));
          expect(cardSchema.validate(copy, { convert: false }).error).toBeUndefined();
        }
        for (const body of kit.bodies) {
          const copy = copyOfBody({ ...body, name }, 'copy', createNamer([name])(name));
          expect(bodySchema.validate(copy, { convert: false }).error).toBeUndefined();
        }
      }),
      { seed: 82, numRuns: 200 },
    );
  });

  it('of a card carry what is printed and nothing that happened to the first', () => {
    const fitted = { value: 9, basis: 'fitted' } as const;
    const stated = { value: 400, basis: 'stated' } as const;
    const card = aCard({
      id: 'a',
      label: 'A-01',
      price: 90,
      firmware: '1.2',
      note: 'blue tape',
      readMBps: 300,
      state: 'full',
      writtenGB: 900,
      boughtOn: '2026-01-01',
      warranty: 'to 2030',
      retired: true,
      incidents: [{ date: '2026-02-02', kind: 'dropped', text: '' }],
      verified: { date: '2026-02-01', how: 'filled' },
      heat: { figures: { cardResistanceKPerW: fitted, sustainedMBps: stated } },
    });
    expect(copyOfCard(card, 'b', 'A-02')).toEqual({
      ...aCard({ id: 'b', label: 'A-02', price: 90, firmware: '1.2', note: 'blue tape', readMBps: 300 }),
      heat: { figures: { sustainedMBps: stated } },
    });
  });

  it('of a body leave its fitted figures with the first', () => {
    const body = aBody({ heat: { size: 'cine', figures: { recordingW: { value: 9, basis: 'fitted' } } } });
    expect(copyOfBody(body, 'b', 'Dory 2')).toMatchObject({
      id: 'b',
      name: 'Dory 2',
      heat: { size: 'cine', figures: {} },
    });
  });
});

/** Keys of another program, at any depth; three of them no kit may have. */
const extras = fc
  .dictionary(fc.string(), fc.jsonValue({ maxDepth: 2 }))
  .filter((value) => !/"(?:__proto__|constructor|prototype)":/.test(JSON.stringify(value)));

describe('what the app lets in, it lets out and in again', () => {
  it('as a file, spaced or in one line', async () => {
    let met = 0;
    await fc.assert(
      fc.asyncProperty(kits, names, extras, async (made, name, more) => {
        const [first] = made.cards;
        const cards = first ? [{ ...first, label: name, studio: more }, ...made.cards.slice(1)] : made.cards;
        const kit = await kitOf(compactKitText({ ...made, cards }));
        expect(await kitOf(kitText(kit))).toEqual(kit);
        expect(await kitOf(compactKitText(kit))).toEqual(kit);
        met += kit.cards.length;
      }),
      { seed: 83, numRuns: 150 },
    );
    expect(met, 'cards that went out and in').toBeGreaterThan(300);
  });

  it('as an earlier state that is put back, and as a change that is taken back', async () => {
    let count = 0;
    await fc.assert(
      fc.asyncProperty(kits, kits, async (one, other) => {
        count += 1;
        const db = openDb(`round-${count}`);
        const [kit, next] = [await kitOf(kitText(one)), await kitOf(kitText(other))];
        await startWith(db, kit);
        const { id } = await replaceKit(db, next, { what: 'x', at: '2026-01-01', snapshot: 'before' });
        expect(await readStoredKit(db)).toEqual(next);
        const [state] = await listSnapshots(db);
        expect(await kitOf(state?.text ?? '')).toEqual(kit);
        expect((await takeBack(db, id ?? -1, '2026-01-02', kitOf)).ok).toBe(true);
        expect(await readStoredKit(db)).toEqual(kit);
        await db.delete();
      }),
      { seed: 84, numRuns: 25 },
    );
  });

  it('a kit of eight million characters as well', { timeout: 120_000 }, async () => {
    const note = 'n'.repeat(1900);
    const cards = Array.from({ length: 4000 }, (_, at) => aCard({ id: `c${at}`, label: `C-${at}`, note }));
    const kit: Kit = { ...EMPTY_KIT, cards };
    expect(kitText(kit).length).toBeGreaterThan(8_000_000);
    const db = openDb('large');
    await startWith(db, kit);
    const { id } = await replaceKit(db, EMPTY_KIT, { what: 'x', at: '2026-01-01', snapshot: 'before' });
    expect((await takeBack(db, id ?? -1, '2026-01-02', kitOf)).ok).toBe(true);
    expect((await readStoredKit(db)).cards).toHaveLength(4000);
    await db.delete();
  });
});
