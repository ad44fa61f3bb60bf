import { describe, expect, it } from 'vitest';
import { editRefusalText, historyRefusalText, takenBackText } from './editRefusal.ts';
import { exportDueText } from './exportDue.ts';
import { fieldPathText, valueText } from './fields.ts';

describe('words of the kit', () => {
  it('name a field by the way to it, entries of lists by their own names', () => {
    const body = { modes: [{ id: 'm1', name: '4K intra', rate: { Mbps: 400 } }] };
    expect(fieldPathText(['modes', { id: 'm1' }, 'rate', 'Mbps'], body)).toBe('Modes, 4K intra, Rate, Rate');
    expect(fieldPathText(['modes', { id: 'gone' }], body)).toBe('Modes, gone');
    expect(fieldPathText(['tint'], {})).toBe('“tint”');
  });

  it('show a value at a glance, with the unit of its key', () => {
    expect(valueText(256, ['capacityGB'])).toBe('256\u00a0GB');
    expect(valueText(90, ['readMBps'])).toBe('90\u00a0MB/s');
    expect(valueText(null)).toBe('not known');
    expect(valueText([])).toBe('none');
    expect(valueText(['V90', 'II'])).toBe('V90, II');
    expect(valueText({ name: '4K' })).toBe('4K');
    expect(valueText(true)).toBe('yes');
  });

  it('say what was taken back, what stands in the way, and that nothing was', () => {
    const what = 'C-01 saved.';
    expect(takenBackText({ what, inTheWay: [], done: true }, 'back')).toBe('Taken back: C-01 saved.');
    const inTheWay = [{ list: 'cards' as const, name: 'C-01', fields: ['price'] }];
    expect(takenBackText({ what, inTheWay, done: true }, 'again')).toContain('Made again in part');
    expect(takenBackText({ what, inTheWay, done: false }, 'back')).toBe(
      'Nothing was taken back: C-01 (price) changed since. “C-01 saved.”',
    );
    expect(historyRefusalText({ code: 'nothing-there' }, 'again')).toContain('make again');
    expect(editRefusalText({ code: 'too-many', list: 'cards', most: 20_000 })).toContain('at most 20,000 cards');
  });

  it('tell how long the kit has not been exported', () => {
    expect(exportDueText({ days: null, writes: 1, mayBeLost: false })).toBe(
      'Never exported: 1 change, in this browser alone.',
    );
    expect(exportDueText({ days: 0, writes: 3, mayBeLost: false })).toBe('Last exported today; 3 changes since.');
    expect(exportDueText({ days: 2, writes: 3, mayBeLost: true })).toBe(
      'Last exported 2 days ago; 3 changes since. This browser may drop it when space runs short.',
    );
    expect(exportDueText({ days: 15, writes: 1200, mayBeLost: false })).toBe(
      'Last exported 15 days ago; 1,200 changes since.',
    );
  });
});
