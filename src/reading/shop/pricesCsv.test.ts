import { describe, expect, it } from 'vitest';
import { pricesCsv } from '../../app/kit/csv.ts';
import type { Offer } from '../../core/kit/shop.ts';
import demo from '../../kit/demo.coolreel.json' with { type: 'json' };
import { readPrices } from './pricesCsv.ts';

const read = (text: string, currency?: string) => {
  const list = readPrices(text, currency);
  if (list.code !== 'read') throw new Error(list.code);
  return list;
};
const prices = (text: string) => read(text).offers.map(({ price }) => price);
const problems = (text: string) => read(text).problems.map(({ line, code }) => [line, code]);

describe('a price list as a table', () => {
  it('is read with headings in any order and language of signs: decimal commas, points, grouped thousands', () => {
    expect(
      prices('seller;price;name\nQuay;189,90;SD 256GB V90\nQuay;1.310,00;CFexpress B 1TB VPG400\n;"24,5";SD 64GB V30'),
    ).toEqual([189.9, 1310, 24.5]);
    expect(prices('name,price\nSD 256GB V90,189.90\nCFexpress B 1TB VPG400,"1,310.00"')).toEqual([189.9, 1310]);
    expect(prices('item\tcost\nSD 256GB V90\t1 299')).toEqual([1299]);
  });

  it('takes what may be a thousandfold another only where the list shows how it writes parts', () => {
    const open = 'name;price\nSD 256GB V90;1,200';
    expect(problems(open)).toEqual([[2, 'open-number']]);
    expect(prices(`${open}\nSD 64GB V30;24.50`)).toEqual([1200, 24.5]);
    // A list of decimal commas with three of them behind one: neither reading is a price that anybody prints.
    expect(problems(`${open}\nSD 64GB V30;24,50`)).toEqual([[2, 'open-number']]);
    expect(prices('name;price\nSD 256GB V90;1.200\nSD 64GB V30;24,50')).toEqual([1200, 24.5]);
  });

  it('finds the currency in its column, its cell, its heading, or is told', () => {
    const currencies = (text: string, other?: string) => read(text, other).offers.map(({ currency }) => currency);
    expect(currencies('name;price;currency\nSD 64GB V30;24;CHF')).toEqual(['CHF']);
    expect(currencies('name;price\nSD 64GB V30;24 €\nSD 64GB V30;$24\nSD 64GB V30;£24')).toEqual(['EUR', 'USD', 'GBP']);
    expect(currencies('name;price (EUR)\nSD 64GB V30;24')).toEqual(['EUR']);
    expect(currencies('name;price\nSD 64GB V30;24', 'SEK')).toEqual(['SEK']);
    expect(currencies('name;price\nSD 64GB V30;24')).toEqual(['']);
  });

  it('tells the line and the reason of what it leaves out, and reads the rest', () => {
    const list = [
      'name;form;capacityGB;marks;price;date;readMBps',
      'Quick;SD;256;V90 II;190;2027-05-20;300',
      'Quick;SD;256;V90 II;0;;',
      'Quick;SD;256;V90 II;-5;;',
      'Quick;SD;256;V90 II;;;',
      'Quick;SD;;V90 II;5;;',
      'Quick;floppy;256;V90 II;5;;',
      'Quick;SD;256;V9O;5;;',
      'Quick;SD;256;V90;5;yesterday;',
      'Quick;SD;256;V90;5;;fast',
      'Quick;SD;256;V90;5;;;;more',
      'Quick;CFexpress B;1TB;VPG400;99999999999;20.5.2027;',
      'Quick;CFexpress B;1TB;VPG400;310;20.5.2027;1700 MB/s',
    ].join('\n');
    expect(problems(list)).toEqual([
      [3, 'price-range'],
      [4, 'price-range'],
      [5, 'no-price'],
      [6, 'no-capacity'],
      [7, 'no-form'],
      [8, 'not-understood'],
      [9, 'no-date'],
      [10, 'no-number'],
      [11, 'cells'],
      [12, 'price-range'],
    ]);
    expect(read(list).offers).toMatchObject([
      { name: 'Quick', form: 'sd', capacityGB: 256, marks: ['V90', 'II'], price: 190, readMBps: 300 },
      { form: 'cfexpress-b', capacityGB: 1000, date: '2027-05-20', readMBps: 1700 },
    ]);
  });

  it('says where a comma in a price cuts a table of commas', () => {
    expect(problems('name,price\nSD 256GB V90,189,90')).toEqual([[2, 'cells']]);
  });

  it('reads back what this app writes', () => {
    const offers = demo.prices as readonly Offer[];
    const back = read(pricesCsv(offers)).offers;
    expect(back).toEqual(offers.map(({ id, ...offer }) => ({ note: null, ...offer })));
  });
});

describe('a price list as lines', () => {
  it('is a card and a price with its currency', () => {
    expect(read('SD 256GB SDXC II U3 V90 300MB/s 189,90 EUR\n€ 24.50 microSD 128GB U3 V30\n\n').offers).toMatchObject([
      { name: 'SD 256GB SDXC II U3 V90 300MB/s', price: 189.9, currency: 'EUR', readMBps: 300 },
      { name: 'microSD 128GB U3 V30', form: 'microsd', price: 24.5, currency: 'EUR' },
    ]);
    expect(problems('SD 64GB V30\nSD 64GB V30 20 EUR was 30 EUR\nhello 5 EUR')).toEqual([
      [1, 'no-price'],
      [2, 'several-prices'],
      [3, 'no-capacity'],
    ]);
  });

  it('takes an article number for none of the print, and asks where a mark is misspelt', () => {
    expect(read('Quick SD 256GB V90 II no. 1003 190 EUR').offers).toMatchObject([
      { capacityGB: 256, marks: ['V90', 'II'] },
    ]);
    expect(problems('Quick SD 256 V90 190 EUR\nQuick SD 256GB V9O 190 EUR')).toEqual([
      [1, 'not-understood'],
      [2, 'not-understood'],
    ]);
  });

  it('reads 10,000 lines, and refuses more than a kit may hold', () => {
    const many = (count: number) => Array.from({ length: count }, (_, at) => `SD 64GB V30 ${at + 1} EUR`).join('\n');
    expect(read(many(10_000)).offers).toHaveLength(10_000);
    expect(readPrices(many(20_002)).code).toBe('too-many');
  });
});
