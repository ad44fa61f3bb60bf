import { describe, expect, it } from 'vitest';
import { readLabel } from '../../core/cards/readLabel.ts';
import type { MarkFound } from '../../core/photo/findings.ts';
import type { TextCell } from '../../core/photo/readText.ts';
import { labelOfDraft, ownWords, typedLabel } from '../cards/cardDraft.ts';
import { cardOfText } from './cardOfText.ts';
import { answerOf, confirmedText, mergedText, openQuestions, questionsOf } from './cardQuestions.ts';
import { patchOfText } from './patchOfText.ts';
import { counterTimes, openCells, pastedText } from './textRows.ts';

const finding = (told: MarkFound['told'], word: string, part: Partial<MarkFound> = {}): MarkFound => ({
  told,
  word,
  couldBe: [],
  doubt: null,
  texts: [word],
  confidence: 0.9,
  piece: [],
  ...part,
});

const CARD = [
  finding('family', 'SDXC'),
  finding('capacity', '128GB'),
  finding('bus', 'II'),
  finding('video', 'V90', { doubt: 'confused', couldBe: ['V60'] }),
  finding('grade', 'U3'),
  finding('speed', '280MB/s'),
];

describe('questions about a card', () => {
  it('put what is doubtful first, and stand open until it is answered', () => {
    const questions = questionsOf(CARD, typedLabel(''));
    expect(questions[0]).toMatchObject({ told: 'video', state: 'asked', options: ['V90', 'V60'] });
    expect(openQuestions(questions, {})).toHaveLength(1);
    expect(openQuestions(questions, { video: 'V60' })).toEqual([]);
    expect(openQuestions(questions, { video: null })).toEqual([]);
  });

  it('never let a doubtful mark count before its answer', () => {
    const questions = questionsOf(CARD, typedLabel(''));
    expect(readLabel(confirmedText(questions, {})).marks).toEqual(['U3']);
    expect(readLabel(confirmedText(questions, { video: 'V60' })).marks).toEqual(['V60', 'U3']);
    expect(readLabel(confirmedText(questions, { video: null })).marks).toEqual(['U3']);
  });

  it('ask where the person typed something else, and offer both', () => {
    const questions = questionsOf([finding('video', 'V60'), finding('family', 'SDXC')], typedLabel('SDXC V90'));
    const [video] = questions;
    expect(video).toMatchObject({ told: 'video', state: 'asked', why: 'typed', options: ['V60', 'V90'] });
    expect(questions.find(({ told }) => told === 'family')?.state).toBe('sure');
  });

  it.each(['128 GB', '128gb', '0.128TB'])('do not take %s for another size than 128GB', (typed) => {
    const [capacity] = questionsOf([finding('capacity', '128GB')], typedLabel(typed)).filter(
      ({ told }) => told === 'capacity',
    );
    expect(capacity?.state).toBe('sure');
  });

  it('hold a bus that was entered beside the marks against the picture', () => {
    const typed = labelOfDraft({ form: 'sd', capacityGB: 128, marks: ['V60', 'IP68'], bus: 'uhs-i' }, 'point');
    const questions = questionsOf([finding('bus', 'II'), finding('video', 'V60')], typed);
    expect(questions.find(({ told }) => told === 'bus')).toMatchObject({ state: 'asked', why: 'typed' });
    expect(ownWords(['V60', 'IP68', 'UHS-II'])).toEqual(['IP68']);
  });

  it('ask where a peak was typed that the picture has not, and not where it is one of two', () => {
    const two = [finding('speed', '280MB/s'), finding('speed', '150MB/s')];
    const typed = labelOfDraft({ form: 'sd', capacityGB: '', marks: [], readMBps: 300 }, 'point');
    const asked = questionsOf(two, typed).filter(({ state }) => state === 'asked');
    expect(asked).toMatchObject([{ told: 'speed', why: 'typed', options: ['280MB/s', '300MB/s'] }]);
    const key = asked[0]?.key ?? '';
    expect(mergedText(questionsOf(two, typed), { [key]: '300MB/s' }, typed)).toBe('300MB/s 150MB/s');
    for (const same of ['150MB/s', '280 MB/s', '280mb/s'])
      expect(openQuestions(questionsOf(two, typedLabel(same)), {}), same).toEqual([]);
  });

  it('ask where a figure was typed that may be two, and take the one a picture shows', () => {
    const typed = labelOfDraft({ form: 'sd', capacityGB: '1,200', marks: [], readMBps: '1,400' }, 'point');
    expect(typed.text).toBe('');
    const [capacity, speed] = questionsOf([finding('capacity', '128GB'), finding('speed', '280MB/s')], typed);
    expect(capacity).toMatchObject({ state: 'asked', why: 'typed', options: ['128GB', '1200GB', '1.2GB'] });
    expect(speed).toMatchObject({ state: 'asked', why: 'typed', options: ['280MB/s', '1400MB/s', '1.4MB/s'] });
    const alike = questionsOf([finding('capacity', '1.2TB')], typed).find(({ told }) => told === 'capacity');
    expect(alike).toMatchObject({ state: 'sure', options: ['1.2TB'] });
    const second = questionsOf([finding('speed', '1700MB/s'), finding('speed', '1400MB/s')], typed);
    expect(openQuestions(second, {})).toEqual([]);
    // The comma of a person who writes parts with it is no question.
    expect(labelOfDraft({ form: 'sd', capacityGB: '1,200', marks: [] }, 'comma').open.capacity).toEqual([]);
  });

  it('leave a figure that may be two to its own question where a picture has none', () => {
    const typed = labelOfDraft({ form: 'sd', capacityGB: '1,200', marks: [], readMBps: '1,400' }, 'point');
    const questions = questionsOf([finding('video', 'V60')], typed);
    expect(openQuestions(questions, {})).toEqual([]);
    expect(patchOfText(mergedText(questions, {}, typed), [])).toEqual({ form: 'sd', marks: ['V60'] });
  });

  it('change in a form what they answer, and keep its own words', () => {
    expect(patchOfText('SDXC 256GB II V60 280MB/s', ['V90', 'IP68'])).toEqual({
      form: 'sd',
      capacityGB: 256,
      bus: null,
      marks: ['SDXC', 'II', 'V60', 'IP68'],
      readMBps: 280,
    });
  });

  it('take what was typed where the picture has nothing of its kind', () => {
    const questions = questionsOf([finding('family', 'SDXC')], typedLabel('256 GB V30 UHS-I'));
    expect(mergedText(questions, {}, typedLabel('256 GB V30 UHS-I'))).toContain('V30');
    expect(cardOfText(mergedText(questions, {}, typedLabel('256 GB V30 UHS-I')))).toMatchObject({
      form: 'sd',
      capacityGB: 256,
    });
  });

  it('keep typed words of kinds that a label has and the picture does not answer', () => {
    const questions = questionsOf(CARD, typedLabel('A2 V90'));
    expect(mergedText(questions, { video: 'V60' }, typedLabel('A2 V90'))).toContain('A2');
    expect(mergedText(questions, { video: 'V60' }, typedLabel('A2 V90'))).not.toContain('V90');
  });

  it('join form and type, and ask for a type that was not read', () => {
    const whole = questionsOf(
      [finding('form', 'CFexpress'), finding('type', 'B'), finding('capacity', '512GB')],
      typedLabel(''),
    );
    expect(cardOfText(confirmedText(whole, {}))).toMatchObject({ form: 'cfexpress-b', capacityGB: 512 });
    const half = questionsOf([finding('form', 'CFexpress'), finding('capacity', '512GB')], typedLabel(''));
    expect(half.find(({ told }) => told === 'form')).toMatchObject({ state: 'asked' });
    expect(cardOfText(confirmedText(half, {})).form).toBeNull();
  });

  it('ask after the marks of the form that was answered', () => {
    const told = (answers: Record<string, string>) =>
      questionsOf([finding('capacity', '512GB')], typedLabel(''), answers).map((one) => one.told);
    expect(told({})).toEqual(expect.arrayContaining(['form', 'vpg', 'video', 'bus']));
    expect(told({ form: 'CFexpress B' })).not.toContain('video');
    expect(told({ form: 'microSD' })).not.toContain('vpg');
  });

  it('answer nothing by themselves but what is sure', () => {
    for (const question of questionsOf(CARD, typedLabel(''))) {
      expect(answerOf(question, {}) === null).toBe(question.state !== 'sure');
    }
  });
});

const cell = (text: string, part: Partial<TextCell> = {}): TextCell => ({
  text,
  other: null,
  isDoubtful: false,
  piece: [],
  ...part,
});

describe('rows of a picture', () => {
  const reading = {
    angle: 0,
    rows: [
      [cell('4K'), cell('166 Mb/s', { isDoubtful: true })],
      [cell('HD'), cell('50 Mb/s')],
    ],
  };
  it('go on as a pasted table, once what is doubtful was compared', () => {
    expect(openCells(reading, {})).toBe(1);
    expect(openCells(reading, { '0 1': '100 Mb/s' })).toBe(0);
    expect(pastedText(reading, { '0 1': '100 Mb/s' })).toBe('4K\t100 Mb/s\nHD\t50 Mb/s');
  });

  it.each([
    ['57 min', [57]],
    ['CARD A 57 min', [57]],
    ['1h 23m', [83]],
    ['2 h', [120]],
    ['1:23:45', [83]],
    ['1:23', [83, 1]],
    ['O57 min', [57]],
    ['4K 25p', []],
    ['3840x2160', []],
    ['REC', []],
  ])('%s could be %j minutes', (text, minutes) => {
    expect(counterTimes({ angle: 0, rows: [[cell(text)]] }).map((time) => time.minutes)).toEqual(minutes);
  });

  it('offer both where two readings differ, named minutes first', () => {
    const rows = [[cell('128')], [cell('57 min', { other: '51 min' })]];
    expect(counterTimes({ angle: 0, rows }).map(({ minutes }) => minutes)).toEqual([57, 51, 128]);
  });
});

describe('a label that was confirmed', () => {
  it('fills what it says, and leaves the rest to be typed', () => {
    expect(cardOfText('microSDXC I V30 U3 A2 160MB/s')).toEqual({
      form: 'microsd',
      capacityGB: null,
      marks: ['SDXC', 'I', 'V30', 'U3', 'A2'],
      speeds: { readMBps: 160, writeMBps: null, sustainedMBps: null },
      namesBus: true,
    });
    expect(cardOfText('SDXC II R300 W260 min 90MB/s').speeds).toMatchObject({ writeMBps: 260, minimumMBps: 90 });
    const nothing = { readMBps: null, writeMBps: null, sustainedMBps: null };
    expect(cardOfText('')).toEqual({ form: null, capacityGB: null, marks: [], speeds: nothing, namesBus: false });
  });
});
