import { describe, expect, it } from 'vitest';
import { travelling, travellingLine } from './travel.ts';

describe('text that travels', () => {
  it.each([
    ['one\rtwo', 'one\ntwo'],
    ['one\r\ntwo\u2028three\u0085four', 'one\ntwo\nthree\nfour'],
    ['nul\0 bell\u0007 escape\u001b[31m delete\u007f', 'nul bell escape[31m delete'],
    ['\u202ecod.exe\u2066', 'cod.exe'],
    ['half \ud83d a letter', 'half  a letter'],
    ['tab\tstays, as does 👩‍🚀 and é', 'tab\tstays, as does 👩‍🚀 and é'],
  ])('%j leaves as %j', (text, left) => expect(travelling(text)).toBe(left));

  it('may be in one line', () => expect(travellingLine(' a\r\n\tb ')).toBe('a b'));
});
