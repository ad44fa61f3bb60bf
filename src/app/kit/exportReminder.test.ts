import { describe, expect, it } from 'vitest';
import { DEFAULT_SETTINGS } from '../../kit/kit.ts';
import { exportDue } from './exportReminder.ts';

const NOW = Date.parse('2026-06-20T12:00:00Z');
const due = (writes: number, since: string | null, exportEveryDays?: number, isKept = true) =>
  exportDue(
    { writes, since },
    { ...DEFAULT_SETTINGS, ...(exportEveryDays === undefined ? {} : { exportEveryDays }) },
    { now: NOW, isKept },
  );

describe('the reminder to export', () => {
  it('comes after so many days with changes, and not before', () => {
    expect(due(3, '2026-06-01T12:00:00Z', 14)).toEqual({ days: 19, writes: 3, isDue: true, mayBeLost: false });
    expect(due(3, '2026-06-10T12:00:00Z', 14).isDue).toBe(false);
    expect(due(0, '2026-01-01T12:00:00Z', 14).isDue, 'nothing changed since').toBe(false);
  });

  it('comes after the first evening’s work where nothing was ever exported, and never where it is switched off', () => {
    expect(due(1, null).isDue).toBe(false);
    expect(due(60, null).isDue).toBe(true);
    expect(due(60, null, 0).isDue).toBe(false);
    expect(due(60, '2026-01-01T12:00:00Z', 0).isDue).toBe(false);
  });

  it('comes sooner where the browser may drop the kit, and is off where it is switched off', () => {
    expect(due(3, '2026-06-16T12:00:00Z', 14).isDue).toBe(false);
    expect(due(3, '2026-06-16T12:00:00Z', 14, false)).toEqual({ days: 4, writes: 3, isDue: true, mayBeLost: true });
    expect(due(3, '2026-06-18T12:00:00Z', 14, false).isDue).toBe(false);
    expect(due(3, '2026-06-18T12:00:00Z', 1, false).isDue, 'a shorter wish stands').toBe(true);
    expect(due(8, null, undefined, false).isDue).toBe(true);
    expect(due(60, null, 0, false).isDue).toBe(false);
  });
});
