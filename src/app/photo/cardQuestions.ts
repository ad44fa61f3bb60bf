import { readLabel } from '../../core/cards/readLabel.ts';
import type { Token } from '../../core/cards/token.ts';
import { tokenize } from '../../core/cards/tokenize.ts';
import { isSameWord } from '../../core/cards/vocabulary.ts';
import { type Doubt, labelText, type MarkFound, notFound } from '../../core/photo/findings.ts';
import type { Told } from '../../core/photo/labelWords.ts';
import { isSd } from '../../core/standards/forms.ts';
import { MARK_KEYS, mark, marksIn, marksOf } from '../../core/standards/marks.ts';
import type { TypedLabel } from '../cards/cardDraft.ts';

/** One thing of a card to be confirmed: found for sure, found and doubtful, or not found. */
export interface CardQuestion {
  /** Its place among the questions. */
  readonly key: string;
  readonly told: Told;
  readonly state: 'sure' | 'asked' | 'missing';
  /** Null where it is sure or was not found. */
  readonly why: Doubt | 'typed' | null;
  readonly finding: MarkFound | null;
  /** What a person had typed of the same kind, one word or the readings of an open figure; empty where nothing. */
  readonly typed: readonly string[];
  /** What it could be, the likeliest first. */
  readonly options: readonly string[];
  /** Everything else of its kind. */
  readonly others: readonly string[];
}

/** What a person said to each question: a word, or null for “not printed”. */
export type Answers = Readonly<Record<string, string | null>>;

const ORDER: readonly Told[] = [
  ...(['form', 'family', 'capacity', 'bus', 'video', 'grade', 'class', 'express', 'vpg', 'app', 'version'] as const),
  ...(['speed', 'times', 'type'] as const),
];

/** What is to be answered comes first. */
const STATES: readonly CardQuestion['state'][] = ['asked', 'missing', 'sure'];

const FORMS = ['SD', 'microSD', 'CFexpress A', 'CFexpress B', 'CFexpress C', 'XQD', 'CFast', 'CompactFlash'];
const BUSES = ['I', 'II', 'III', 'EX'];
const SERIES = { video: 'V', grade: 'U', class: 'C', express: 'E' } as const;
const SERIES_TOLD: Readonly<Record<string, Told>> = { V: 'video', U: 'grade', C: 'class', E: 'express' };

/** Every word of a kind; empty where they cannot be listed, as sizes. */
function wordsOfKind(told: Told, text: string): readonly string[] {
  switch (told) {
    case 'form':
      return FORMS;
    case 'family':
      return ['SDHC', 'SDXC', 'SDUC', 'microSDHC', 'microSDXC', 'microSDUC'];
    case 'bus':
      return BUSES;
    case 'video':
    case 'grade':
    case 'class':
    case 'express':
      return MARK_KEYS.filter((key) => mark(key).series === SERIES[told]);
    case 'vpg': {
      const { form } = readLabel(text);
      return form === null || isSd(form) ? marksIn('VPG') : marksOf(form);
    }
    case 'app':
      return ['A1', 'A2'];
    case 'version':
      return ['1.0', '2.0', '4.0'];
    default:
      return [];
  }
}

const KINDS: Readonly<Partial<Record<Token['kind'], Told>>> = {
  capacity: 'capacity',
  form: 'form',
  family: 'family',
  bus: 'bus',
  app: 'app',
  version: 'version',
  rate: 'speed',
  times: 'times',
};

/** The kind of one token of a typed label; null where it is nothing of a label. */
function kindOf(token: Token): Told | null {
  if (token.kind !== 'mark') return KINDS[token.kind] ?? null;
  const { series } = mark(token.mark);
  return series === 'VPG' ? 'vpg' : (SERIES_TOLD[series] ?? null);
}

/** The kind of one typed word; null where it is none of a label. */
export function toldOf(word: string): Told | null {
  const [token, ...more] = tokenize(word);
  return token && more.length === 0 ? kindOf(token) : null;
}

/** Form and type of a CFexpress card, which are printed apart, as one thing. */
function withForm(findings: readonly MarkFound[]): readonly MarkFound[] {
  const form = findings.find(({ told, word }) => told === 'form' && word === 'CFexpress');
  const type = findings.find(({ told }) => told === 'type');
  const rest = findings.filter((one) => one !== type);
  if (!form) return rest;
  const whole: MarkFound = type
    ? {
        ...form,
        word: `CFexpress ${type.word}`,
        couldBe: type.couldBe.map((other) => `CFexpress ${other}`),
        doubt: form.doubt ?? type.doubt,
        texts: [...form.texts, ...type.texts],
        piece: type.piece,
      }
    : { ...form, word: 'CFexpress B', couldBe: ['CFexpress A', 'CFexpress C'], doubt: 'differs' };
  return rest.map((one) => (one === form ? whole : one));
}

/** Typed words by their kind. */
function typedByKind(typed: string): ReadonlyMap<Told, string> {
  const words = new Map<Told, string>();
  for (const token of tokenize(typed)) {
    const told = kindOf(token);
    if (told !== null && told !== 'speed' && !words.has(told)) words.set(told, token.text);
  }
  return words;
}

/** Whether two texts are one word, one size or one speed: `128 GB` is 128GB, and 1000GB is 1TB. */
function saysTheSame(a: string, b: string): boolean {
  if (isSameWord(a, b)) return true;
  const [one, other] = [readLabel(a), readLabel(b)];
  const [size, speed] = [one.capacity, one.printed[0]];
  return (
    (size !== null && size === other.capacity) ||
    (speed !== undefined && other.printed.some((printed) => printed === speed))
  );
}

/** A speed that was typed and that none of the picture is; a card may have two of them. */
function otherSpeed(typed: string, findings: readonly MarkFound[]): string | null {
  const speeds = tokenize(typed).flatMap((token) => (kindOf(token) === 'speed' ? [token.text] : []));
  const read = findings.filter(({ told }) => told === 'speed');
  return speeds.find((own) => read.every(({ word }) => !saysTheSame(own, word))) ?? null;
}

/** What is to be confirmed of a picture, with what was typed before: nothing of it counts before it is. */
export function questionsOf(
  read: readonly MarkFound[],
  { text: typed, open }: TypedLabel,
  answers: Answers = {},
): readonly CardQuestion[] {
  const findings = withForm(read);
  const text = labelText(findings);
  const told = answers.form;
  const form = told ? readLabel(told).form : null;
  const typedWords = typedByKind(typed);
  const speed = otherSpeed(typed, findings);
  const firstSpeed = findings.find(({ told }) => told === 'speed');
  const typedOf = (told: Told, finding: MarkFound | null): readonly string[] => {
    const one = told !== 'speed' ? typedWords.get(told) : finding === firstSpeed ? speed : null;
    if (one) return [one];
    if (finding === null || (told !== 'capacity' && finding !== firstSpeed)) return [];
    // An open figure asks by itself; here it is met by a picture that shows none of its readings.
    const readings = open[told as 'capacity' | 'speed'] ?? [];
    const isMet = findings.some((one) => one.told === told && readings.some((word) => saysTheSame(word, one.word)));
    return isMet ? [] : readings;
  };
  const question = (told: Told, key: string, finding: MarkFound | null): CardQuestion => {
    const own = typedOf(told, finding);
    const differs = finding !== null && own.length > 0 && !own.some((word) => saysTheSame(word, finding.word));
    const options = finding ? [finding.word, ...(differs ? own : []), ...finding.couldBe] : own;
    const unlike = options.filter((word, at) => options.indexOf(word) === at);
    return {
      key,
      told,
      state: finding === null ? 'missing' : finding.doubt !== null || differs ? 'asked' : 'sure',
      why: differs ? 'typed' : (finding?.doubt ?? null),
      finding,
      typed: own,
      options: unlike,
      others: wordsOfKind(told, `${text} ${answers.form ?? ''}`).filter((word) => !unlike.includes(word)),
    };
  };
  const found = findings.map((finding, at) =>
    question(finding.told, finding.told === 'speed' ? `speed ${at}` : finding.told, finding),
  );
  const missing = notFound(findings, form).map((kind) => question(kind, kind, null));
  return [...found, ...missing].sort(
    (a, b) => STATES.indexOf(a.state) - STATES.indexOf(b.state) || ORDER.indexOf(a.told) - ORDER.indexOf(b.told),
  );
}

/** What a question comes to: the answer given, else what is sure; null where nothing is. */
export function answerOf({ key, state, finding, typed }: CardQuestion, answers: Answers): string | null {
  if (key in answers) return answers[key] ?? null;
  if (state === 'sure') return finding?.word ?? null;
  return state === 'missing' ? (typed[0] ?? null) : null;
}

/** Questions that stand open: doubtful ones without an answer. What was not found counts as not printed. */
export const openQuestions = (questions: readonly CardQuestion[], answers: Answers): readonly CardQuestion[] =>
  questions.filter(({ key, state }) => state === 'asked' && !(key in answers));

/** The label as it was confirmed so far, as the label reader takes it. */
export const confirmedText = (questions: readonly CardQuestion[], answers: Answers): string =>
  questions.flatMap((one) => answerOf(one, answers) ?? []).join(' ');

/** The confirmed label with what was typed of other kinds; a typed word that the picture answered gives way. */
export function mergedText(questions: readonly CardQuestion[], answers: Answers, { text: typed }: TypedLabel): string {
  const answered = new Set(questions.map(({ told }) => told));
  const kept = tokenize(typed).flatMap((token) => {
    const told = kindOf(token);
    return told !== null && answered.has(told) ? [] : [token.text];
  });
  return [confirmedText(questions, answers), ...kept].filter(Boolean).join(' ');
}
