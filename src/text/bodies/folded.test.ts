import { describe, expect, it } from 'vitest';
import type { Body } from '../../core/kit/model.ts';
import { aBody } from '../../core/testing.ts';
import { FOLDED } from './folded.ts';

describe('a folded part of a camera', () => {
  it('says nothing of rows that nobody has filled in yet', () => {
    const begun = {
      ...aBody(),
      advisesAgainst: [{ anyOf: [], overGB: '', source: '' }],
      heat: { limits: [{ minutes: '', ambientC: '' }] },
    } as unknown as Body;
    expect(FOLDED.groups(begun)).toBe('no required mark entered');
    expect(FOLDED.heat(begun)).toBe('read from its slots');
  });

  it('counts what is entered', () => {
    const told = {
      ...aBody(),
      advisesAgainst: [
        { anyOf: ['V30'], source: '' },
        { anyOf: [], overGB: 512, source: '' },
      ],
      heat: { size: 'action', limits: [{ minutes: 20, ambientC: 25 }] },
    } as unknown as Body;
    expect(FOLDED.groups(told)).toBe('advises against 2 things');
    expect(FOLDED.heat(told)).toMatch(/^like: action camera · 20 min at 25 °C$/);
  });
});
