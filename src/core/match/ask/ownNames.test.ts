import { describe, expect, it } from 'vitest';
import { aBody, aCard, aMode } from '../../testing.ts';
import { readOwn } from './ownNames.ts';

const bodies = [
  aBody({
    id: 'dory',
    name: 'Dory',
    modes: [
      aMode({ id: 'i25', name: '4K intra', fps: 25 }),
      aMode({ id: 'i50', name: '4K intra', fps: 50 }),
      aMode({ id: 'slow', name: '4K intra slow', fps: 25, captureFps: 100 }),
    ],
  }),
  aBody({
    id: 'yawl',
    name: 'Yawl B',
    modes: [aMode({ id: 'y', name: '4K intra', fps: 25 }), aMode({ id: 'gop', name: 'HD long-GOP' })],
  }),
];
const cards = [
  aCard({ id: 'c1', label: 'C-01', capacityGB: 256, readMBps: 170 }),
  aCard({ id: 'c10', label: 'C-010' }),
  aCard({ id: 'long', label: 'Red card of the second crew' }),
  aCard({ id: 'gone', label: 'C-99', retired: true }),
  aCard({ id: 'word', label: 'V90' }),
];
const readers = [
  { id: 'dock', name: 'Blue dock', forms: ['sd'], MBps: 250, slots: 2 },
  { id: 'hub', name: 'Hub', forms: ['sd'], MBps: 90, slots: 1 },
] as const;
const own = (text: string): string => {
  const found = readOwn(text, { bodies, cards, readers }, new Set(['exfat']));
  if (found === null) return 'none';
  if (found.code === 'which')
    return `which ${found.what}: ${found.choices.map(({ body, mode }) => `${body.id} ${mode.id}`).join(', ')}`;
  if (found.code === 'open') return `open: ${found.unread.map(({ text: one }) => one).join(', ')}`;
  if (found.code === 'which-reader') return `which reader: ${found.readers.map(({ name }) => name).join(', ')}`;
  if (found.code === 'copy')
    return `copy ${found.card.id} ${found.reader.name} ${found.copying.seconds.toFixed(1)} ${found.copying.slower}`;
  return `${found.body.id} ${found.mode.id} ${found.card.id}`;
};

describe('one’s own things by name', () => {
  it.each([
    ['Dory 4K intra 50p on C-01', 'dory i50 c1'],
    ['dory 4k intra 25p c01', 'dory i25 c1'],
    ['will Dory hold 4K intra slow on C 01?', 'dory slow c1'],
    ['HD long GOP on C-010', 'yawl gop c10'],
    ['Yawl B, 4K intra, red card of the second crew', 'yawl y long'],
    ['how long does C-01 last in Dory at 4K intra 50p', 'dory i50 c1'],
  ])('%s', (text, found) => expect(own(text)).toBe(found));

  it('asks where the names fit several, and takes none', () => {
    expect(own('Dory 4K intra on C-01')).toBe('which mode: dory i25, dory i50');
    expect(own('Dory on C-01')).toBe('which mode: dory i25, dory i50, dory slow');
    expect(own('4K intra 25p on C-01')).toBe('which body: dory i25, yawl y');
    expect(own('Dory 4K intra 24p on C-01'), 'a speed that none has').toBe('which mode: dory i25, dory i50');
  });

  it.each([
    ['Dory 4K intra 50p not on C-01', 'open: not'],
    ['Dory 4K intra 50p on borrowed C-01', 'open: borrowed'],
    ['Dory 4K intra 50p mirrored on C-01', 'open: mirrored'],
    ['Dory 4K intra 50p on C-01 V30', 'open: V30'],
    ['Dory 4K intra 50p on half of C-01', 'open: half'],
    ['Dory 4K intra 50p on C-01 exFAT, tomorrow at the wedding', 'dory i50 c1'],
  ])('every word beside the names counts: %s', (text, found) => expect(own(text)).toBe(found));

  it.each([
    // 256 GB, formatted 252.672: by the hub at 90 MB/s; the card reads 170 MB/s, so the dock waits for it.
    ['copy C-01 with the Hub', 'copy c1 Hub 2807.5 reader'],
    ['how long to offload C-01 through the blue dock', 'copy c1 Blue dock 1486.3 card'],
    ['copy C-01', 'which reader: Blue dock, Hub'],
    ['copy C-01 through a broken hub', 'open: broken'],
    ['copy C-01 at 95 MB/s', 'none'],
    ['copy that card', 'none'],
  ])('copying: %s', (text, found) => expect(own(text)).toBe(found));

  it.each([
    ['Dory 600 Mb/s on C-01', 'a rate is another question'],
    ['Dory 4K intra 50p', 'no card'],
    ['Dory 4K intra 50p on C-99', 'retired'],
    ['Dory 4K intra 50p on 256GB V90', 'a label that is a mark means the mark'],
    ['C-01', 'a card alone'],
    ['Doryx 4K intrax on C-01', 'names within words'],
    ['', 'nothing'],
  ])('is not about them: %s (%s)', (text) => expect(own(text)).toBe('none'));
});
