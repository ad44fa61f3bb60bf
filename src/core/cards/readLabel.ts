import { ASSUMED } from '../standards/assumptions.ts';
import type { Bus } from '../standards/buses.ts';
import { type Family, familyOf } from '../standards/families.ts';
import { type Form, form as formRow, isSd } from '../standards/forms.ts';
import { type AppClass, KB_PER_TIMES, type Mark, mark } from '../standards/marks.ts';
import type { Bytes, BytesPerSecond } from '../units/brand.ts';
import { KB } from '../units/convert.ts';
import { printedBus, printedBuses } from './printedBus.ts';
import { type PrintedSpeed, printedFigures, type Side } from './printedFigures.ts';
import type { Span, Token, UnreadProblem } from './token.ts';
import { tokenize } from './tokenize.ts';
import { unclearGrade } from './unclearGrade.ts';
import { keptSpelling } from './vocabulary.ts';

/** A stretch of a label that was not understood, in its place, and what it could be. */
export type Unread = Span & { readonly problem: UnreadProblem };

/** What is printed on a card, read and not yet judged. */
export interface PrintedLabel {
  readonly form: Form | null;
  /** True where the form was told by its marks and not by its name. */
  readonly formInferred: boolean;
  readonly capacity: Bytes | null;
  /** Every form it names, each once: two contradict each other. */
  readonly forms: readonly Form[];
  /** Every capacity family it names, each once. */
  readonly families: readonly Family[];
  /** As printed; the capacity's own family where none is. */
  readonly family: Family | null;
  readonly familyPrinted: Family | null;
  readonly bus: Bus | null;
  readonly busPrinted: boolean;
  /** Every bus printed as such: two that differ contradict each other. */
  readonly buses: readonly Bus[];
  /** Speed marks in the order printed. */
  readonly marks: readonly Mark[];
  readonly apps: readonly AppClass[];
  /** Everything that the kit keeps as a card's `marks`. */
  readonly words: readonly string[];
  /** Speeds printed in MB/s, largest first: peaks. */
  readonly printed: readonly BytesPerSecond[];
  /** The same by side: what is read, or the fastest where no side is printed; and what is written. */
  readonly reads: BytesPerSecond | null;
  readonly writes: BytesPerSecond | null;
  /** What its maker states for a whole take: at least, and sustained. */
  readonly minimum: BytesPerSecond | null;
  readonly sustained: BytesPerSecond | null;
  /** Hours of recording, and TB of writing, that it is rated for. */
  readonly hours: number | null;
  readonly enduranceTB: number | null;
  /** The × rating in bytes a second; a peak. */
  readonly times: { readonly value: number; readonly rate: BytesPerSecond } | null;
  readonly unread: readonly Unread[];
}

/** The word as a card keeps it; a mark that does not exist is kept as it stands, so that it is asked about there too. */
function wordOf(token: Token): string | null {
  switch (token.kind) {
    case 'unread':
      return token.problem.code === 'no-such-mark' ? token.text.toUpperCase() : null;
    case 'mark':
    case 'app':
    case 'family':
    case 'bus':
    case 'version':
      return keptSpelling(token);
    default:
      return null;
  }
}

/** Forms that cards of one family are: a family alone says no more. */
const SD_FORMS: readonly Form[] = ['sd', 'microsd'];

/** Every form that is named, each once; what is said with an adapter is a slot's. */
function formsOf(tokens: readonly Token[]): readonly Form[] {
  const named = tokens.flatMap((token): Form[] =>
    token.kind === 'form' ? [token.form] : token.kind === 'family' && token.micro ? ['microsd'] : [],
  );
  const isFamilyTold = tokens.some(({ kind }) => kind === 'family');
  const all = isFamilyTold && !named.some((one) => SD_FORMS.includes(one)) ? [...named, 'sd' as const] : named;
  return [...new Set(all)];
}

function formOf(tokens: readonly Token[], marks: readonly Mark[]): Pick<PrintedLabel, 'form' | 'formInferred'> {
  const family = tokens.find((token) => token.kind === 'family');
  for (const token of tokens) {
    if (token.kind === 'form') {
      return { form: token.form === 'sd' && family?.micro ? 'microsd' : token.form, formInferred: false };
    }
  }
  if (family) return { form: family.micro ? 'microsd' : 'sd', formInferred: false };
  const tells = tokens.some((token) => token.kind === 'bus' || token.kind === 'app');
  if (tells || marks.some((key) => mark(key).forms.includes('sd'))) return { form: 'sd', formInferred: true };
  if (marks.some((key) => mark(key).forms.includes('cfexpress-b'))) return { form: 'cfexpress-b', formInferred: true };
  return { form: marks.length > 0 ? 'cf' : null, formInferred: marks.length > 0 };
}

/** The largest of the speeds of one side; null where none is printed. */
const fastestOf = (speeds: readonly PrintedSpeed[], side: Side | null): BytesPerSecond | null =>
  speeds.reduce<BytesPerSecond | null>(
    (most, one) => (one.side === side && one.value > (most ?? 0) ? one.value : most),
    null,
  );

/** The printed speeds by side: the one without a side is the larger, which is that of reading. */
function sidesOf(speeds: readonly PrintedSpeed[]): Pick<PrintedLabel, 'reads' | 'writes' | 'minimum' | 'sustained'> {
  return {
    reads: fastestOf(speeds, 'read') ?? fastestOf(speeds, null),
    writes: fastestOf(speeds, 'write'),
    minimum: fastestOf(speeds, 'minimum'),
    sustained: fastestOf(speeds, 'sustained'),
  };
}

/** A × rating with the bytes a second it stands for. */
export const timesRate = (value: number): NonNullable<PrintedLabel['times']> => ({
  value,
  rate: (value * KB_PER_TIMES * KB) as BytesPerSecond,
});

/** Whether a × rating and the speed printed beside it are not the same. */
export const isApart = (rate: BytesPerSecond, printed: BytesPerSecond | undefined): boolean =>
  printed !== undefined && Math.abs(rate - printed) / printed > ASSUMED.printedDisagreement.value;

/**
 * Reads tokens already cut, so that a quick check and a label are read by one set of rules.
 *
 * @param text - what they were cut from
 */
export function labelOf(all: readonly Token[], text: string): PrintedLabel {
  const { speeds, hours, enduranceTB, isUsed } = printedFigures(text, all);
  // A rating in bytes is no second size.
  const tokens = all.filter((token) => token.kind === 'rate' || !isUsed(token));
  const marks = tokens.flatMap((token) => (token.kind === 'mark' ? [token.mark] : []));
  const { form, formInferred } = formOf(tokens, marks);
  const forms = formsOf(tokens);
  const times = tokens.find((token) => token.kind === 'times');
  // Another form is kept by its name: a card has one, and the other is what speaks against it.
  const otherForms = forms.filter((one) => one !== form).map((one) => formRow(one).name);
  const printed = speeds
    .flatMap(({ value, side }) => (side === 'minimum' || side === 'sustained' ? [] : [value]))
    .sort((a, b) => b - a);
  // A rating is kept where it is the only peak, and where it disagrees with the speed beside it.
  const rated = times ? timesRate(times.value) : null;
  const odd = times && rated && (printed.length === 0 || isApart(rated.rate, printed[0])) ? [times.text] : [];
  const words = [...tokens.flatMap((token) => wordOf(token) ?? []), ...otherForms, ...odd];
  const capacity = tokens.find((token) => token.kind === 'capacity')?.value ?? null;
  const familyPrinted = tokens.find((token) => token.kind === 'family')?.family ?? null;
  const bus = form === null ? null : printedBus(form, words);
  return {
    form,
    formInferred,
    forms,
    families: [...new Set(tokens.flatMap((token) => (token.kind === 'family' ? [token.family] : [])))],
    capacity,
    familyPrinted,
    family: familyPrinted ?? (form !== null && isSd(form) && capacity !== null ? familyOf(capacity) : null),
    bus: bus?.bus ?? null,
    busPrinted: bus?.printed ?? false,
    buses: form === null ? [] : printedBuses(form, words),
    marks,
    apps: tokens.flatMap((token) => (token.kind === 'app' ? [token.app] : [])),
    words,
    ...sidesOf(speeds),
    hours,
    enduranceTB,
    printed,
    times: rated,
    unread: tokens.flatMap((token): Unread[] => {
      const asked = token.kind === 'bus' ? unclearGrade(token) : null;
      if (asked) return [{ ...unreadOf(token), problem: asked }];
      return isUnreadOnLabel(token) ? [unreadOf(token)] : [];
    }),
  };
}

/** What a token of a card may say. */
export const CARD_KINDS: readonly Token['kind'][] = [
  'capacity',
  'times',
  'form',
  'family',
  'bus',
  'version',
  'mark',
  'app',
];

/** And what may stand beside it on a label: how many of them, in a list of cards. */
const LABEL_KINDS: readonly Token['kind'][] = [...CARD_KINDS, 'word', 'picture-name', 'count'];

const isUnreadOnLabel = (token: Token): boolean =>
  !LABEL_KINDS.includes(token.kind) && !(token.kind === 'rate' && token.written === 'bytes');

const unreadOf = (token: Token): Unread => ({
  start: token.start,
  end: token.end,
  text: token.text,
  problem: token.kind === 'unread' ? token.problem : { code: 'unknown', couldBe: [] },
});

/** Reads what is printed on a card, typed in any order: `128GB SDXC II U3 V60 270MB/s`. */
export const readLabel = (text: string): PrintedLabel => labelOf(tokenize(text), text);
