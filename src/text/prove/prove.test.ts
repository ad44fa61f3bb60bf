import { describe, expect, it } from 'vitest';
import type { Reason } from '../../core/prove/nextTests.ts';
import type { Explanation } from '../../core/prove/reconcile.ts';
import { CAUSES, QUESTIONS, SYMPTOMS } from '../../core/prove/symptom.ts';
import { aBody, aCard, aTest } from '../../core/testing.ts';
import type { Of } from '../match/findingLine.ts';
import { reportedLine, twinsLine } from '../match/likelyLines.ts';
import { clearedText, LIMITING_TEXT, voidText } from './clearing.ts';
import { codecText } from './clip.ts';
import { tableText } from './files.ts';
import { countText, doubtText, entryName, entryWords, logLine } from './log.ts';
import { agoText, dueText, reasonText } from './nextTests.ts';
import {
  bufferText,
  explanationText,
  heldText,
  inCommonText,
  ruledOutText,
  supportText,
  supportWord,
} from './reconcile.ts';
import { CAUSE_TEXT, QUESTION_WORDS, SYMPTOM_WORDS } from './symptom.ts';

const plainSpaces = (text: string): string => text.replaceAll('\u00a0', ' ');
const named = { bodies: new Map([['b', aBody({ name: 'Dory' })]]), cards: new Map([['c', aCard()]]) };
const take = (change: Parameters<typeof aTest>[0] = {}) => {
  const test = aTest(change);
  return {
    kind: 'take',
    key: 't',
    date: test.date ?? '',
    bodyId: test.bodyId,
    cardId: test.cardId,
    onTop: false,
    test,
  } as const;
};

describe('a line of the log', () => {
  it('names what it is, where, its figure and its end', () => {
    expect(logLine(take({ seconds: 1840 }), named)).toMatchObject({
      title: 'mode 50p',
      place: 'Dory · C-01',
      figure: '30:40',
      end: 'full',
      tone: 'cool',
    });
    expect(logLine(take({ takes: 3 }), named).figure).toBe('3 × 60:00');
    expect(entryName(take({ bodyId: 'x', cardId: 'y', modeId: 'z' }), named)).toBe(
      'a mode that is gone, a camera that is gone · a card that is gone',
    );
    expect(entryWords(take({ note: 'slipway', warning: 'SLOW' }), named)).toMatch(/slipway.*SLOW|SLOW.*slipway/);
  });

  it('is counted', () => {
    expect([countText(1, 1), countText(3, 3), countText(2, 9)]).toEqual(['1 entry', '3 entries', '2 of 9 entries']);
  });

  it('is asked about in one sentence and a question', () => {
    expect(plainSpaces(doubtText({ code: 'half-full', clipGB: 120, roomGB: 250 }))).toContain(
      '120 GB is far from the 250 GB',
    );
    expect(doubtText({ code: 'future', date: '2030-01-01' })).toMatch(/\?$/);
  });
});

describe('what explains a result', () => {
  const all: readonly Explanation[] = [
    { code: 'agrees', ratio: 1, support: 1 },
    { code: 'compression-ratio', from: 3, to: 5, support: 1 },
    { code: 'variable-rate', ratio: 0.7, support: 1 },
    { code: 'beside-the-picture', ratio: 1.05, support: 1 },
    { code: 'counter-rounding', seconds: 30, support: 1 },
    { code: 'split', cards: 3, support: 1 },
    { code: 'crop', share: 0.444, support: 1 },
    { code: 'gib', larger: true, support: 1 },
    { code: 'bits-or-bytes', factor: 8, support: 1 },
    { code: 'clock', factor: 1 / 60, support: 1 },
    { code: 'not-empty', ratio: 1.7, support: 1 },
    { code: 'unknown', ratio: 0.2, support: 0 },
  ];
  it.each(all)('$code is a sentence', (one) => {
    expect(explanationText(one)).toMatch(/^(It|A counter) .*\.$/);
  });

  it('how strongly, in a word', () => {
    expect([0.9, 0.5, 0.2, 0.01].map((support) => supportWord(support).word)).toEqual([
      'likely',
      'likely',
      'possible',
      'unlikely',
    ]);
  });

  it('what it is not, and no belief told as certain', () => {
    for (const code of ['split', 'crop', 'gib', 'beside-the-picture', 'counter-rounding'] as const)
      expect(ruledOutText({ code, wouldBe: 0.5 })).toMatch(/^[A-Z].*0\.5.*\.$/);
    expect([0.999, 0.5].map((support) => plainSpaces(supportText(support)))).toEqual(['over 99 %', '50 %']);
  });

  it('hundreds of gigabytes fit no buffer', () => {
    expect(plainSpaces(bufferText({ shortfallGB: 400, possible: false }))).toBe(
      'A shortfall of 400 GB fits no buffer: the rate was lower than believed, or the card slowed part-way.',
    );
  });

  it('cache, heat or link, with what would tell', () => {
    for (const cause of ['cache', 'heat', 'link', null] as const)
      expect(inCommonText({ cause, strength: 3 }, 2)).toMatch(/tell|To check/);
    expect(inCommonText({ cause: null, strength: 1 }, 0)).toBe('');
    expect(heldText([])).toBe('');
    expect(plainSpaces(heldText([{ minutes: 10, share: 0.75 }]))).toContain('10 min: 75 %');
  });
});

describe('what to test next', () => {
  const reasons: readonly Reason[] = [
    { code: 'contradiction' },
    { code: 'cause', between: ['cache', 'heat', 'link'] },
    { code: 'puzzle', testId: 't', explanation: null },
    { code: 'past', provenSeconds: 1200 },
    { code: 'due', due: { code: 'old', months: 14 } },
    { code: 'due', due: { code: 'incident', date: '2026-05-04T10:00' } },
    { code: 'void-burst', clearingId: 'r' },
    { code: 'repeat', passes: 1, wanted: 3 },
    { code: 'worst-mode' },
  ];
  it.each(reasons)('%j says what it decides', (reason) => {
    expect(reasonText(reason, 4)).toMatch(/\.$/);
  });

  it('ages in words', () => {
    expect([0, 1, 7].map(agoText)).toEqual(['this month', 'a month ago', '7 months ago']);
    expect(dueText({ code: 'firmware', was: '1.0', is: '1.1' })).toBe(
      'tested with firmware 1.0; the camera has 1.1 now.',
    );
  });
});

describe('bursts, symptoms, tables and what others say', () => {
  it('every void has its reason, every limit its sentence', () => {
    for (const one of [
      { code: 'never-slowed' },
      { code: 'count', slowed: 30, frames: 20 },
      { code: 'shutter', fps: 10, possibleFps: 5 },
      { code: 'too-few', MB: 900, bufferMB: 1500 },
      { code: 'no-buffer' },
    ] as const)
      expect(voidText(one)).toMatch(/^Not counted: .*\.$/);
    expect(plainSpaces(clearedText({ bufferedMB: 1500, drainMBps: 75, void: null }))).toBe(
      '75 MB/s: 1500 MB written away.',
    );
    expect(Object.values(LIMITING_TEXT).every((text) => /[.]$/.test(text))).toBe(true);
  });

  it('every symptom, question and cause has its words', () => {
    expect(SYMPTOMS.every((one) => SYMPTOM_WORDS[one].length > 5)).toBe(true);
    expect(QUESTIONS.every((one) => QUESTION_WORDS[one].endsWith('?'))).toBe(true);
    expect(CAUSES.every((one) => CAUSE_TEXT[one].attempt.endsWith('.'))).toBe(true);
  });

  it('a table says what would come in', () => {
    expect(tableText({ code: 'no-columns', missing: ['body', 'end', 'seconds'] })).toContain(
      'body, end and seconds is missing',
    );
    expect(tableText({ code: 'too-many', lines: 30_000, max: 20_000 })).toContain('30,000 lines; 20,000');
    expect(tableText({ code: 'read', tests: [], known: 2, problems: [] })).toBe('0 new, 2 in the log already.');
  });

  it('likely is never proven, reported moves nothing', () => {
    const twins: Of<'twin-tests'> = {
      rule: 'twin-tests',
      outcome: 'note',
      passes: 1,
      cards: ['C-02', 'C-03'],
      dropSeconds: null,
      testIds: [],
    };
    expect(twinsLine(twins)).toMatchObject({
      text: 'C-02 and C-03, with the same printed label, passed your test',
      figure: '1 pass',
    });
    const reported: Of<'reported'> = {
      rule: 'reported',
      outcome: 'note',
      passes: 1,
      drops: 1,
      from: [],
      newest: '2026-05-01',
      contradicts: true,
      reportIds: [],
    };
    expect(reportedLine(reported)).toMatchObject({
      text: 'A colleague’s test, 1 May 2026',
      figure: '1 full, 1 dropped',
    });
    expect(reportedLine(reported).more).toContain('your own tests, which count');
  });
});

describe('clips', () => {
  // Marks as files carry them, from memory of the registry of codec types; what a mark is not known for stays as it is.
  it.each([
    ['avc', 'H.264'],
    ['hvc1', 'H.265'],
    ['ai15', 'H.264 intra'],
    ['xd5b', 'MPEG-2'],
    ['mjpa', 'motion JPEG'],
    ['dvh5', 'DV'],
    ['AVdh', 'VC-3'],
    ['CFHD', 'VC-5'],
    ['abcd', 'abcd'],
    [null, 'unknown codec'],
  ])('%s is called %s', (codec, said) => {
    expect(codecText(codec)).toBe(said);
  });
});
