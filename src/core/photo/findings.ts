import { isContradiction, labelProblems } from '../cards/labelProblems.ts';
import { readLabel } from '../cards/readLabel.ts';
import { entryAt } from '../entryAt.ts';
import { type Form, isSd } from '../standards/forms.ts';
import { MARK_KEYS } from '../standards/marks.ts';
import type { MarkTold, SignedKind } from './glyphs/marksTold.ts';
import type { Told } from './labelWords.ts';
import type { Saying } from './rowSays.ts';
import { type Piece, pieceOf, type Row } from './rows.ts';

/** Why a finding is asked about. */
export type Doubt =
  /** A character had to be taken for another. */
  | 'confused'
  /** Only one of two readings says so, or they differ. */
  | 'differs'
  /** The recogniser itself is not sure. */
  | 'weak'
  /** Two different ones stand in the picture. */
  | 'several'
  /** One stroke or two: a numeral that small print runs together. */
  | 'numeral'
  /** With this the label contradicts itself. */
  | 'contradicts'
  /** A mark or a size that is hardly ever printed, and is easily what is left of another. */
  | 'rare';

/** One thing found on a card. */
export interface MarkFound {
  readonly told: Told;
  /** As the label reader spells it. */
  readonly word: string;
  /** What else it could be, the nearest first. */
  readonly couldBe: readonly string[];
  /** Null where it is sure. Nothing counts before a person has confirmed it, sure or not. */
  readonly doubt: Doubt | null;
  /** As it was read, each way once. */
  readonly texts: readonly string[];
  /** 0 to 1: the recogniser's own opinion of the better of two readings. */
  readonly confidence: number;
  readonly piece: Piece;
}

/** What one reading makes of one row. */
export interface RowReading {
  readonly row: Row;
  readonly says: readonly Saying[];
  /** Marks that its signs tell by themselves. */
  readonly told: readonly MarkTold[];
}

/** What promises a speed, or decides which promise counts: never taken from a doubtful piece without its question. */
const PROMISES: readonly Told[] = ['video', 'grade', 'class', 'express', 'vpg', 'bus'];

/** Confidence that at least one reading has of a sure word. */
const CONFIDENT = 0.5;
/** Characters that may be confused in the other reading: one in a promise, two elsewhere. */
const OTHER_PROMISE = 0.35;
const OTHER_WORD = 0.65;
/** How much nearer the first guess has to be than the next of its kind. */
const CLEAR = 0.25;

/** Marks that are what is left of others where a digit is lost: V6 of V60. */
const LEFT_OF: Readonly<Record<string, readonly string[]>> = Object.fromEntries(
  MARK_KEYS.map((key) => [key, MARK_KEYS.filter((other) => other !== key && other.startsWith(key))] as const).filter(
    ([, longer]) => longer.length > 0,
  ),
);

/** Score, as a share of the best, below which a word is not offered. */
const FAR = 0.15;

/** A mark told by its signs, in one of the readings. */
interface Signed extends MarkTold {
  readonly reading: number;
  readonly row: Row;
}

/** Share of its series at which a mark told by its signs is believed beside a reading of the text. */
const BELIEVED = 0.97;
/** And at which it makes a question of another. */
const OBJECTS = 0.9;
/** Characters that the text may be off where the signs tell the same. */
const OTHER_SIGNED = 0.75;

/** The one mark that the signs tell in every reading; null where they tell another, or none in one of them. */
function agreedBySigns(signed: readonly Signed[], readings: number): string | null {
  const words = new Set(signed.filter(({ chance }) => chance >= OBJECTS).map(({ word }) => word));
  const [word] = words;
  if (words.size !== 1 || word === undefined) return null;
  const told = new Set(
    signed.filter((one) => one.word === word && one.chance >= BELIEVED).map(({ reading }) => reading),
  );
  return told.size === readings ? word : null;
}

interface Heard {
  readonly reading: number;
  readonly row: Row;
  readonly say: Saying;
}

const firstOf = ({ say }: Heard) => entryAt(say.guesses, 0);

const isClear = ({ say }: Heard): boolean => {
  const [first, ...rest] = say.guesses;
  return first !== undefined && rest.every((guess) => guess.told !== first.told || guess.cost - first.cost >= CLEAR);
};

/** Words of one kind that a picture could mean, the likeliest first. */
function ranked(heard: readonly Heard[]): readonly string[] {
  const scores = new Map<string, number>();
  for (const { say } of heard) {
    const told = say.guesses[0]?.told;
    for (const guess of say.guesses) {
      if (guess.told !== told) continue;
      const score = (0.4 + say.confidence) / (0.25 + guess.cost);
      scores.set(guess.word, (scores.get(guess.word) ?? 0) + score);
    }
  }
  const sorted = [...scores].sort(([, a], [, b]) => b - a);
  const most = sorted[0]?.[1] ?? 0;
  return sorted.filter(([, score]) => score > FAR * most).map(([word]) => word);
}

function doubtOf(heard: readonly Heard[], readings: number, word: string): Doubt | null {
  const told = firstOf(entryAt(heard, 0)).told;
  const words = new Set(heard.map((one) => firstOf(one).word));
  if (words.size > 1) {
    const inOne = new Set(heard.filter(({ reading }) => reading === 0).map((one) => firstOf(one).word));
    return inOne.size > 1 ? 'several' : 'differs';
  }
  const limit = PROMISES.includes(told) ? OTHER_PROMISE : OTHER_WORD;
  for (let reading = 0; reading < readings; reading += 1) {
    const own = heard.filter((one) => one.reading === reading);
    if (own.length === 0) return 'differs';
    if (!own.some((one) => firstOf(one).cost <= limit && isClear(one))) return 'confused';
  }
  const exact = heard.filter((one) => firstOf(one).cost === 0);
  if (exact.length === 0) return 'confused';
  if (!exact.some(({ say }) => say.confidence >= CONFIDENT)) return 'weak';
  if (word === 'III') return 'numeral';
  if (word in LEFT_OF) return 'rare';
  return heard.some((one) => firstOf(one).cost >= 0.9) ? 'rare' : null;
}

/** Doubts that signs can settle: how well a text was read. */
const OF_THE_TEXT: readonly (Doubt | null)[] = ['confused', 'weak', 'differs'];

/** A doubt about a word, with what its signs say: they settle how it was read where the text is near, and object where they tell another. */
function doubtWithSigns(
  doubt: Doubt | null,
  word: string,
  { heard, agreed, signed }: { heard: readonly Heard[]; agreed: string | null; signed: readonly Signed[] },
): Doubt | null {
  const objects =
    signed.some((one) => one.word !== word && one.chance >= OBJECTS) ||
    // What the signs put first in place of what was read is a question, however sure both are of themselves.
    heard.every((one) => firstOf(one).word !== word);
  if (doubt === null) return objects ? 'differs' : null;
  if (agreed !== word || word in LEFT_OF || !OF_THE_TEXT.includes(doubt)) return doubt;
  const isNear = heard.some((one) => firstOf(one).word === word && firstOf(one).cost <= OTHER_SIGNED);
  const isOther = heard.some((one) => firstOf(one).word !== word && firstOf(one).cost === 0);
  return isNear && !isOther ? null : doubt;
}

function findingOf(heard: readonly Heard[], readings: number, signed: readonly Signed[]): MarkFound {
  const agreed = agreedBySigns(signed, readings);
  const read = ranked(heard);
  const words = [...new Set([...(agreed === null ? [] : [agreed]), ...read, ...signed.map((one) => one.word)])];
  const [word = ''] = words;
  const best = entryAt(
    [...heard].sort((a, b) => firstOf(a).cost - firstOf(b).cost || b.say.confidence - a.say.confidence),
    0,
  );
  const { row, say } = best;
  return {
    told: firstOf(best).told,
    word,
    couldBe: [...new Set([...words.slice(1), ...(LEFT_OF[word] ?? []), ...(word === 'I' ? ['II'] : [])])]
      .filter((other) => other !== word)
      .slice(0, 3),
    doubt: doubtWithSigns(doubtOf(heard, readings, word), word, { heard, agreed, signed }),
    texts: [...new Set(heard.map((one) => one.say.text))].slice(0, 3),
    confidence: Math.max(...heard.map((one) => one.say.confidence)),
    piece: pieceOf(row, Math.max(0, say.from - 6), Math.min(row.frame.width, say.to + 6)),
  };
}

/** A mark that no text was read for, told by its signs in every reading: always asked about. */
function findingBySigns(signed: readonly Signed[], readings: number): readonly MarkFound[] {
  const word = agreedBySigns(signed, readings);
  const best = signed.find((one) => one.word === word);
  if (word === null || !best) return [];
  return [
    {
      told: best.told,
      word,
      couldBe: LEFT_OF[word] ?? [],
      doubt: 'differs',
      texts: [],
      confidence: best.chance,
      piece: pieceOf(best.row, Math.max(0, best.from - 6), Math.min(best.row.frame.width, best.to + 6)),
    },
  ];
}

/** Kinds that signs tell by themselves. */
const SIGNED: readonly SignedKind[] = ['video', 'grade', 'class', 'vpg'];

/** Kinds of which a card has one at most; peaks may be printed for reading and for writing. */
const MANY: readonly Told[] = ['speed'];

/** The key under which what was heard belongs together. */
const placeOf = ({ row, say }: Heard): string => {
  const told = say.guesses[0]?.told ?? '';
  return MANY.includes(told as Told) ? `${told} ${row.line}` : told;
};

const FORM_WORDS: Readonly<Record<string, string>> = { A: 'CFexpress A', B: 'CFexpress B', C: 'CFexpress C' };

/** The text of a label with these findings, as the label reader takes it. */
export function labelText(words: readonly { readonly told: Told; readonly word: string }[]): string {
  const type = words.find(({ told }) => told === 'type');
  return words
    .flatMap(({ told, word }) => {
      if (told === 'type') return [];
      return told === 'form' && word === 'CFexpress' ? [type ? (FORM_WORDS[type.word] ?? word) : 'CFexpress'] : [word];
    })
    .join(' ');
}

/** Findings of which a contradiction makes questions: it cannot be told which of them is wrong. */
function doubtContradicting(findings: readonly MarkFound[]): readonly MarkFound[] {
  const problems = labelProblems(readLabel(labelText(findings))).filter(isContradiction);
  if (problems.length === 0) return findings;
  const involved = new Set<Told>(
    problems.flatMap((problem): Told[] => {
      switch (problem.code) {
        case 'family-mismatch':
          return ['family', 'capacity'];
        case 'mark-on-wrong-form':
          return ['form', 'type', 'family', 'video', 'grade', 'class', 'express', 'vpg'];
        case 'mark-needs-bus':
          return ['bus', 'video', 'express'];
        case 'grade-contradicts':
          return ['grade', 'video'];
        case 'two-buses':
          return ['bus'];
        case 'speed-above-bus':
          return ['bus', 'speed'];
        case 'times-disagree':
          return ['times', 'speed'];
        default:
          return [];
      }
    }),
  );
  return findings.map((finding) =>
    finding.doubt === null && involved.has(finding.told) ? { ...finding, doubt: 'contradicts' } : finding,
  );
}

/** What stands on a card, from readings of the same rows: each kind of print once, sure or asked about. */
export function findingsOf(readings: readonly (readonly RowReading[])[]): readonly MarkFound[] {
  const heard = readings.flatMap((rows, reading) =>
    rows.flatMap(({ row, says }) => says.map((say): Heard => ({ reading, row, say }))),
  );
  const places = new Map<string, Heard[]>();
  for (const one of heard) {
    const own = places.get(placeOf(one));
    if (own) own.push(one);
    else places.set(placeOf(one), [one]);
  }
  const signed = readings.flatMap((rows, reading) =>
    rows.flatMap(({ row, told }) => told.map((one): Signed => ({ ...one, reading, row }))),
  );
  const found = [...places.values()].map((own) => {
    const told = own[0]?.say.guesses[0]?.told;
    return findingOf(
      own,
      readings.length,
      signed.filter((one) => one.told === told),
    );
  });
  const has = (told: Told): boolean => found.some((one) => one.told === told);
  const unread = SIGNED.filter((told) => found.length > 0 && !has(told) && !(told === 'vpg' && has('family'))).flatMap(
    (told) =>
      findingBySigns(
        signed.filter((one) => one.told === told),
        readings.length,
      ),
  );
  return doubtContradicting([...found, ...unread]);
}

const ON_SD = ['bus', 'video', 'grade'] as const;
const ON_OTHERS = ['vpg'] as const;

/**
 * What was not found and may be printed nevertheless: it is asked about before a card is made of a picture.
 *
 * @param form - the form as a person said it; null: as the findings tell it
 */
export function notFound(findings: readonly MarkFound[], form: Form | null = null): readonly Told[] {
  const has = (told: Told): boolean => findings.some((finding) => finding.told === told);
  const own = form ?? readLabel(labelText(findings)).form;
  const onForm = own === null ? [...ON_SD, ...ON_OTHERS] : isSd(own) ? ON_SD : ON_OTHERS;
  const missing: Told[] = [];
  if (!has('capacity')) missing.push('capacity');
  if (readLabel(labelText(findings)).form === null) missing.push('form');
  return [...missing, ...onForm.filter((told) => !has(told))];
}
