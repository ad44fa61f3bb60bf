import { describe, expect, it } from 'vitest';
import { toMegabytes } from '../units/convert.ts';
import { readLabel } from './readLabel.ts';

const inMB = (rate: Parameters<typeof toMegabytes>[0] | null) => (rate === null ? null : toMegabytes(rate));
const figures = (text: string) => {
  const { reads, writes, minimum, sustained, hours, enduranceTB, unread } = readLabel(text);
  expect(unread, text).toEqual([]);
  return [inMB(reads), inMB(writes), inMB(sustained), inMB(minimum), hours, enduranceTB];
};

// As makers, shops and lists write them: common practice, no source.
describe('no figure of a print is lost', () => {
  it.each([
    ['1TB CFexpress Type B 1600MB/s read 1300MB/s write', [1600, 1300, null, null, null, null]],
    ['128GB SDXC I R170 W90', [170, 90, null, null, null, null]],
    ['128GB SDXC II V90 300/260MB/s', [300, 260, null, null, null, null]],
    ['128GB SDXC II write 260MB/s min 90MB/s', [null, 260, null, 90, null, null]],
    ['512GB CFexpress B 450 write sustained 430', [null, 450, 430, null, null, null]],
    ['512GB CFexpress B read 1700 MB/s write 1200 MB/s sustained 1100 MB/s', [1700, 1200, 1100, null, null, null]],
    [
      '512GB CFexpress B max read 1700MB/s max write 1200MB/s min. sustained write 400MB/s',
      [1700, 1200, null, 400, null, null],
    ],
    ['512GB CFexpress B 1700MB/s (read), 1200MB/s (write), 800 MB/s sustained', [1700, 1200, 800, null, null, null]],
    ['512GB CFexpress B 1300 sustained write 1600 read', [1600, null, 1300, null, null, null]],
    ['256GB SD II read up to 300 MB/s, write up to 260', [300, 260, null, null, null, null]],
    ['128GB microSDXC V30 6000 hours', [null, null, null, null, 6000, null]],
    ['128GB microSDXC V30 43,800 hours', [null, null, null, null, 43_800, null]],
    ['1TB SSD endurance 600 TBW', [null, null, null, null, null, 600]],
    ['1TB endurance 600 TBW SSD', [null, null, null, null, null, 600]],
    ['1TB SSD TBW: 600', [null, null, null, null, null, 600]],
    ['600 TB written 1TB SSD', [null, null, null, null, null, 600]],
    ['1TB SSD 600TBW 1050MB/s', [1050, null, null, null, null, 600]],
    ['1TB SSD endurance: 0.3 PB', [null, null, null, null, null, 300]],
    ['128 Go SDXC 280 Mo/s', [280, null, null, null, null, null]],
    ['270MB/s 128GB SDXC II', [270, null, null, null, null, null]],
  ] as const)('%s', (text, expected) => {
    expect(figures(text)).toEqual(expected);
  });

  it('a rating in bytes is no second size, and a size no rating', () => {
    expect(readLabel('1TB SSD 600TBW').capacity).toBe(1e12);
    expect(readLabel('600TBW SSD 1TB').capacity).toBe(1e12);
    expect(readLabel('1TB endurance 600 TBW SSD').capacity).toBe(1e12);
    expect(readLabel('2TB SSD').enduranceTB).toBeNull();
  });

  it('a number that no word tells is asked about; few hours are no rating', () => {
    expect(readLabel('64GB SD II V60 280').unread).toMatchObject([{ text: '280' }]);
    expect(readLabel('64GB SD V60 2 hours').hours).toBeNull();
  });

  it('what is stated for a whole take is no peak', () => {
    expect(readLabel('128GB SDXC II write 260MB/s min 90MB/s').printed).toEqual([260e6]);
    expect(readLabel('128GB SDXC II sustained 90MB/s').printed).toEqual([]);
  });
});
