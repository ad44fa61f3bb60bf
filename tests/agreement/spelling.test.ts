import { describe, expect, it } from 'vitest';
import { readLabel } from '../../src/core/cards/readLabel.ts';
import { tokenize } from '../../src/core/cards/tokenize.ts';
import { readAsk } from '../../src/core/match/ask/readAsk.ts';
import { parseCapacity, parseRate } from '../../src/core/units/parse.ts';
import { everyRateSpelling } from '../../src/core/units/spelling.ts';
import { readRateMbps, unitIn } from '../../src/reading/bodies/paste/cells.ts';
import { looseCells } from '../../src/reading/bodies/paste/loose.ts';
import { writeUnitIn } from '../../src/reading/prove/trace/columns.ts';
import { readPrices } from '../../src/reading/shop/pricesCsv.ts';
import { runs } from '../support/runs.ts';

/** A rate in bytes a second as a field of its own reads it; null where it asks. */
const asField = (text: string): number | null => {
  const read = parseRate(text);
  return read.ok ? read.value.value : null;
};

/** The same as one word of a line reads it: null where it is no rate, or stands in pieces. */
const asToken = (text: string): number | null => {
  const [first, ...rest] = tokenize(text);
  return first?.kind === 'rate' && rest.length === 0 ? first.value : null;
};

const near = (a: number | null, b: number | null): boolean =>
  a === null || b === null ? a === b : Math.abs(a - b) <= Math.max(1, b * 1e-9);

describe('a unit is read alike wherever it stands', () => {
  const all = everyRateSpelling();
  // Every so many: no number of spellings a unit shares a factor with it, so that all words come by.
  const every = runs(7, 1);
  const spellings = all.filter((_, at) => at % every === 0);

  it('in every spelling of the table: field, question, label, pasted heading and cell, ragged line, trace', () => {
    let read = 0;
    for (const unit of spellings) {
      const written = `1.2 ${unit}`;
      const field = asField(written);
      if (field !== null) read += 1;
      expect(near(asToken(written), field), `question: ${written}`).toBe(true);
      expect(near(asToken(`1.2${unit}`), asField(`1.2${unit}`)), `closed up: 1.2${unit}`).toBe(true);
      const pasted = unitIn(`Bit rate (${unit})`);
      expect(pasted, `pasted heading: ${unit}`).toBe(writeUnitIn(`write (${unit})`));
      const refusal = parseRate(written);
      const isNoUnit = !refusal.ok && refusal.error.code !== 'out-of-range';
      expect(pasted === null, `heading against field: ${unit}`).toBe(isNoUnit);
      const cell = readRateMbps(`1200 ${unit}`, null, 'point');
      const thousand = asField(`1200 ${unit}`);
      // A field refuses what no card and no camera writes; a cell of a table leaves that to the kit.
      if (thousand !== null) expect(near(cell === null ? null : cell * 125_000, thousand), `cell: ${unit}`).toBe(true);
      const label = readLabel(`128GB 20 ${unit}`);
      const own = parseRate(`20 ${unit}`);
      if (own.ok && own.value.written === 'bytes') expect(label.printed, `label: ${unit}`).toEqual([own.value.value]);
      else expect(label.printed, `label: ${unit}`).toEqual([]);
      if (thousand !== null) expect(looseCells(`Fine 4K 1200 ${unit}`).at(-1), `ragged: ${unit}`).toBe(`1200 ${unit}`);
    }
    expect(read).toBeGreaterThan(spellings.length / 2);
  });

  it.each([
    ['5 GB/minute', 5e9 / 60],
    ['600 Mbit/second', 75_000_000],
    ['90000000 B/s', 90_000_000],
    ['1.2 Gbit', 150_000_000],
    ['1.2 Gbit/s', 150_000_000],
    ['75 Mo/s', 75_000_000],
    ['5 Go/min', 5e9 / 60],
    ['0.3 To/h', 3e11 / 3600],
    ['600 Mbit/s', 75_000_000],
    ['5 GB/Min.', 5e9 / 60],
    ['300 GB pro Stunde', 3e11 / 3600],
    ['5 Go par minute', 5e9 / 60],
    ['5 GB por minuto', 5e9 / 60],
    ['600 megabits per second', 75_000_000],
    ['71 MiB/s', 71 * 1024 ** 2],
  ])('%s', (text, expected) => {
    const whole = Math.ceil(expected - 1e-6);
    expect(asField(text)).toBe(whole);
    expect(asToken(text)).toBe(whole);
    const ask = readAsk(`${text} on 512GB V90 II`);
    expect(ask.ok).toBe(true);
    const [, unit = ''] = /^[\d.]+\s(.*)$/.exec(text) ?? [];
    const megabits = readRateMbps(text, null, 'point') ?? 0;
    expect(megabits * 125_000).toBeCloseTo(expected, 0);
    expect(unitIn(unit)).toBe(writeUnitIn(unit));
    const list = readPrices(`name;readMBps;price;currency\nSD 128GB V60 II;${text};79,00;EUR`);
    const [offer] = list.code === 'read' ? list.offers : [];
    expect((offer?.readMBps ?? 0) * 1e6, JSON.stringify(list)).toBeCloseTo(whole, -1);
  });

  it.each(['100 m', '100 Mb', '100 MB', '100 Mo', '100 MBPS', '100 megs', '100 megs per second'])(
    '%s is asked about everywhere',
    (text) => {
      expect(parseRate(text)).toMatchObject({ ok: false, error: { code: 'bits-or-bytes' } });
      expect(tokenize(text)[0]).toMatchObject({ kind: 'unread', problem: { code: 'bits-or-bytes' } });
      expect(readRateMbps(text, null, 'point')).toBeNull();
      expect(unitIn(text)).toBeNull();
      expect(writeUnitIn(text)).toBeNull();
    },
  );

  it.each([
    ['128 Go', 128e9],
    ['1 To', 1e12],
    ['256 gigs', 256e9],
    ['2 terabytes', 2e12],
    ['238 GiB', 238 * 1024 ** 3],
    ['64gb', 64e9],
  ])('a size of %s', (text, bytes) => {
    expect(parseCapacity(text)).toMatchObject({ ok: true, value: { value: bytes } });
    expect(readLabel(`${text} V60 II`).capacity).toBe(bytes);
    const list = readPrices(`name;size;price;currency\nSD V60 II;${text};79,00;EUR`);
    expect(list).toMatchObject({ code: 'read', offers: [{ capacityGB: bytes / 1e9 }] });
  });
});
