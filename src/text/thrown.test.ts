import { describe, expect, it } from 'vitest';
import { manualProblemText } from './bodies/manual.ts';
import { partFailedText } from './kit/storeMessage.ts';
import { clipProblemText } from './prove/clip.ts';
import { thrownText } from './thrown.ts';

describe('words of a library', () => {
  const odd = new TypeError('timestamp must be a number.');
  it.each([
    ['a task', thrownText(odd)],
    ['a part of the page', partFailedText(odd)],
    ['a clip', clipProblemText({ code: 'unreadable', message: odd.message })],
    ['a manual', manualProblemText({ code: 'unreadable', message: odd.message })],
  ])('never reach a person: %s', (_, text) => {
    expect(text).not.toContain('timestamp');
    expect(text).toMatch(/[.?]$/);
  });

  it('of a browser are told by what they mean', () => {
    expect(thrownText(new DOMException('The requested file could not be read', 'NotReadableError'))).toBe(
      'It can no longer be read. Was it taken out?',
    );
  });
});
