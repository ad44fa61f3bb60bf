import 'fake-indexeddb/auto';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { beforeAll, describe, expect, it } from 'vitest';
import type { DayViewKit } from '../../src/app/day/dayKit.ts';
import { database } from '../../src/app/kit/database.ts';
import { drafted } from '../../src/app/kit/draft.ts';
import type { ProveKit } from '../../src/app/prove/proveKit.ts';
import type { ShopViewKit } from '../../src/app/shop/shopKit.ts';
import { BlockForm } from '../../src/islands/day/BlockForm.tsx';
import SetupForm from '../../src/islands/day/SetupForm.tsx';
import { TestForm } from '../../src/islands/prove/TestForm.tsx';
import NeedForm from '../../src/islands/shop/NeedForm.tsx';
import OfferForm from '../../src/islands/shop/OfferForm.tsx';
import StandingForm from '../../src/islands/shop/StandingForm.tsx';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { parseKit } from '../../src/kit/importKit.ts';
import { startWith } from '../../src/store/apply.ts';
import { IS_DEEP } from '../support/runs.ts';
import { draw, words } from './draw.tsx';

const read = await parseKit(JSON.stringify(demo));
if (!read.ok) throw new Error('the demo does not open');
const { kit } = read.value;
const own = {
  need: kit.needs[0],
  offer: kit.prices[0],
  standing: kit.standing[0],
  plan: kit.plans[0],
  test: kit.tests[0],
};
if (!own.need || !own.offer || !own.standing || !own.plan || !own.test) throw new Error('the demo wants a list');
const {
  need,
  offer,
  standing,
  plan: day,
  test,
} = own as {
  readonly [K in keyof typeof own]-?: NonNullable<(typeof own)[K]>;
};
const plan = {
  ...day,
  readers: day.readers.slice(0, 1),
  copies: { ...day.copies, destinations: day.copies.destinations.slice(0, 1) },
  airProfile: day.airProfile?.slice(0, 1) ?? [],
};
const block = plan.blocks[0];
if (!block) throw new Error('the demo’s day has no block');
const done = (): void => {};
const side = { isNew: false, isGone: false, onDone: done, onClose: done };

/** Every form with numbers of shop, day, disks and log, over an entry of the demo. */
const FORMS: Readonly<Record<string, readonly [string, ReactNode]>> = {
  need: ['needs', <NeedForm key="f" kit={kit as unknown as ShopViewKit} need={drafted(need)} {...side} />],
  price: ['prices', <OfferForm key="f" offer={drafted(offer)} {...side} />],
  'camera that never stops': [
    'standing',
    <StandingForm key="f" kit={kit as unknown as ShopViewKit} camera={drafted(standing)} {...side} />,
  ],
  block: [
    'plans',
    <BlockForm
      key="f"
      kit={kit as unknown as DayViewKit}
      plan={plan}
      block={block}
      isNew={false}
      onDone={done}
      onClose={done}
    />,
  ],
  'day, readers and disks': [
    'plans',
    <SetupForm key="f" kit={kit as unknown as DayViewKit} plan={plan} onDone={done} onClose={done} />,
  ],
  take: [
    'tests',
    <TestForm
      key="f"
      kit={kit as unknown as ProveKit}
      test={drafted(test)}
      isNew={false}
      isGone={false}
      onSaved={done}
      onTime={null as never}
      onClose={done}
    />,
  ],
};

/** What is typed, and the number that it is: null where it is none, or may be two. */
const TYPED: readonly (readonly [string, number | null])[] = [
  ['', null],
  ['-5', -5],
  ['1e308', 1e308],
  ['1,200', null],
  ['1.200', 1.2],
  ['٣', null],
  ['½', null],
];
const MORE: readonly (readonly [string, number | null])[] = [
  ['1e999', null],
  ['12 MB/s', null],
  ['0', 0],
  ['-0', 0],
  ['1 200', 1200],
  ['0x10', null],
];
const values = IS_DEEP ? [...TYPED, ...MORE] : TYPED;

const stored = async (list: string): Promise<Readonly<Record<string, unknown>>> =>
  Object.fromEntries(
    (await database.table(list).toArray()).map((row: { id: string; value: unknown }) => [row.id, row.value]),
  );

/** The places in which two entries differ, with what stands there now. */
function differences(before: unknown, after: unknown, path = ''): readonly (readonly [string, unknown])[] {
  if (Object.is(before ?? null, after ?? null)) return [];
  const isNode = (one: unknown): one is Record<string, unknown> => typeof one === 'object' && one !== null;
  if (!isNode(before) || !isNode(after)) return [[path, after]];
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...keys].flatMap((key) => differences(before[key], after[key], `${path}.${key}`));
}

const numberFields = (): readonly HTMLInputElement[] =>
  screen.getAllByRole<HTMLInputElement>('textbox').filter(({ inputMode }) => inputMode === 'decimal');

/** All fields are there once every folded part is open. */
function unfolded(form: ReactNode): readonly HTMLInputElement[] {
  draw(form);
  for (const head of document.querySelectorAll('button[aria-expanded=false]')) fireEvent.click(head);
  return numberFields();
}

async function seeded(): Promise<void> {
  localStorage.clear();
  await database.delete();
  await database.open();
  await startWith(database, { ...kit, plans: [plan] });
}

describe.each(Object.entries(FORMS))('the numbers of a %s', (_, [list, form]) => {
  beforeAll(seeded);

  it.each(values)(
    'typed as “%s” go in as what they are, or nothing does, and it is said where',
    async (text, meant) => {
      // Drawn anew only after something went in.
      let fields: readonly HTMLInputElement[] | null = null;
      for (let at = 0; ; at += 1) {
        if (fields === null) {
          cleanup();
          localStorage.clear();
          fields = unfolded(form);
        }
        const field = fields[at];
        if (!field) {
          expect(at, 'a form with numbers').toBeGreaterThan(0);
          break;
        }
        const shown = field.value;
        const name = words(field.labels?.[0] ?? field);
        if (shown === text || (meant !== null && Number(shown || 'none') === meant)) continue;
        const rows: readonly unknown[] = await database.table(list).toArray();
        const before = await stored(list);
        fireEvent.change(field, { target: { value: text } });
        fireEvent.blur(field);
        const entry = field.closest('form');
        if (!entry) throw new Error(`${name} stands in no form`);
        // Either something goes in, or the field says why not; a log asks once about numbers that can hardly be.
        let changed: readonly (readonly [string, unknown])[] = [];
        const isTold = async (): Promise<boolean> => {
          changed = differences(before, await stored(list));
          return changed.length > 0 || entry.querySelector('[aria-invalid=true]') !== null;
        };
        const press = (): Promise<void> => act(async () => void fireEvent.submit(entry));
        await press();
        const asks = words(entry).includes('press Save once more');
        if (asks) await press();
        await waitFor(async () => expect(await isTold(), `${name}: ${words(entry)}`).toBe(true), { interval: 4 });
        // What was typed may be told again, as a quotation.
        const said = words(entry).replaceAll(/“[^”]*”|1e999/g, '');
        expect(said, name).not.toMatch(/NaN|undefined|must be a number\.|\(\w+\.\w+\)|Infinity/);
        if (changed.length === 0) {
          fireEvent.change(field, { target: { value: shown } });
          continue;
        }
        const numbers = changed.filter(([, value]) => typeof value === 'number').map(([, value]) => value);
        expect(changed.length, `${name}: ${JSON.stringify(changed)}`).toBeLessThanOrEqual(2);
        if (text === '')
          expect(
            changed.map(([, value]) => value ?? null),
            name,
          ).toContain(null);
        // A share is stored as a part of one.
        else
          expect(
            numbers.some((one) => one === meant || one === Number(meant) / 100),
            `${name}: ${numbers}`,
          ).toBe(true);
        await database.table(list).bulkPut(rows);
        fields = null;
      }
    },
  );
});
