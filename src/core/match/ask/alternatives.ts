import type { Said, Token } from '../../cards/token.ts';
import { entryAt } from '../../entryAt.ts';
import { mark } from '../../standards/marks.ts';
import { formTold, says, span } from './tokensOf.ts';

/** One of several things that a line offers, and the line with it alone. */
export interface Alternative {
  readonly piece: string;
  readonly line: string;
}

/** Most that are set beside each other. */
const MOST = 3;

const OF_A_CARD: readonly Said['kind'][] = ['mark', 'app', 'form', 'family', 'bus', 'version', 'capacity', 'times'];
/** What a card of another form does not share. */
const BY_FORM: readonly Said['kind'][] = ['mark', 'app', 'bus', 'version', 'family', 'times'];

const isPiece = (token: Token | undefined): token is Token => token !== undefined && OF_A_CARD.includes(token.kind);

/** The run of a card's words on one side of a place. */
function cardRun(tokens: readonly Token[], at: number, step: 1 | -1): readonly Token[] {
  const run: Token[] = [];
  for (let place = at + step; isPiece(tokens[place]); place += step) run.push(entryAt(tokens, place));
  return step === 1 ? run : run.reverse();
}

/** A rate, or a bare number that has the unit of the rate behind it: `200 or 400 Mb/s`. */
function rateRun(tokens: readonly Token[], at: number, step: 1 | -1): readonly Token[] {
  const token = tokens[at + step];
  const isNumber = token?.kind === 'unread' && token.problem.code === 'no-unit';
  return token && (token.kind === 'rate' || isNumber) ? [token] : [];
}

const textOf = (text: string, run: readonly Token[]): string =>
  text.slice(entryAt(run, 0).start, entryAt(run, run.length - 1).end);

/** What a run takes over from the others: what it does not say itself, and what is no matter of the form. */
function shared(own: readonly Token[], others: readonly (readonly Token[])[]): readonly Token[] {
  const forms = [own, ...others].flatMap((run) => run.flatMap((token) => formTold(token) ?? []));
  const formsDiffer = new Set(forms).size > 1;
  const has = new Set(own.map(({ kind }) => kind));
  return others
    .flat()
    .filter(({ kind }) => !has.has(kind) && !(formsDiffer && (BY_FORM.includes(kind) || kind === 'form')));
}

function withUnit(text: string, runs: readonly (readonly Token[])[]): readonly string[] | null {
  const unit = runs
    .flat()
    .map(({ kind, text: one }) => (kind === 'rate' ? /[^\d.,\s].*$/.exec(one)?.[0] : undefined))
    .findLast((one) => one !== undefined);
  if (unit === undefined) return null;
  return runs.map((run) => {
    const one = textOf(text, run);
    return /^[\d.,]+$/.test(one) ? `${one} ${unit}` : one;
  });
}

const isPause = (token: Token): boolean =>
  token.kind === 'word' && ['pause', 'in', 'card', 'filler'].includes(token.word);
/** Between two cards: a word or a sign that adds one to another, or the slot in which the first one lies. */
const ADDS = /^(?:and|&|\+|with|(?:card\s+)?slots?\s+#?[1-4]|(?:1st|2nd|first|second)\s.*slot)$/i;

/** Whether two runs of words are of two cards: what both say of one series, or of their size, differs. */
function areTwo(one: readonly Token[], other: readonly Token[]): boolean {
  const marks = (run: readonly Token[]) => run.flatMap((token) => (token.kind === 'mark' ? [token.mark] : []));
  return marks(one).some((a) => marks(other).some((b) => a !== b && mark(a).series === mark(b).series));
}

/**
 * A line in which two cards stand beside each other as if either were offered: `V60 and V30 mirrored`, `V90 in slot 1, V30 in
 * slot 2`. Each is judged: what both write in turn or at once, each of them has to hold.
 *
 * @param tokens - of the line, with its pauses
 */
export function asOffered(tokens: readonly Token[]): readonly Token[] {
  const places = tokens.flatMap((token, at) => (isPiece(token) ? [at] : []));
  const joins = places.flatMap((at, order) => {
    const next = places[order + 1];
    if (next === undefined || next === at + 1) return [];
    const between = tokens.slice(at + 1, next);
    const adds = between.find(({ text }) => ADDS.test(text.trim()));
    const isJoin = adds !== undefined && between.every((token) => isPause(token) || token === adds);
    return isJoin && areTwo(cardRun(tokens, at + 1, -1), cardRun(tokens, next - 1, 1))
      ? [{ from: at + 1, to: next, adds }]
      : [];
  });
  return joins.reduceRight<readonly Token[]>(
    (line, { from, to, adds }) => [
      ...line.slice(0, from),
      { ...span(adds), kind: 'say', say: 'or' },
      ...line.slice(to),
    ],
    tokens,
  );
}

/**
 * The lines of a question that offers several things: `V60 or V90`, `SD or CFexpress B`, `200 vs 400 Mb/s`. What stands with
 * one of them alone and is no matter of it (a size) is said of all.
 *
 * @param tokens - of the line, without what carries nothing and without pauses
 * @returns two or three; null where nothing is offered so
 */
export function alternatives(text: string, tokens: readonly Token[]): readonly Alternative[] | null {
  const joins = tokens.flatMap((token, at) => (says(token, 'or') ? [at] : []));
  const [first] = joins;
  if (first === undefined || joins.length >= MOST) return null;
  for (const runOf of [cardRun, rateRun]) {
    const runs = [runOf(tokens, first, -1), ...joins.map((at) => runOf(tokens, at, 1))];
    const isChain = joins.every((at, place) => {
      const before = runs[place]?.at(-1);
      return before !== undefined && before === tokens[at - 1];
    });
    if (!isChain || runs.some((run) => run.length === 0)) continue;
    const start = entryAt(entryAt(runs, 0), 0).start;
    const end = entryAt(runs, runs.length - 1).at(-1)?.end ?? start;
    const pieces =
      runOf === rateRun
        ? withUnit(text, runs)
        : runs.map((run, at) => {
            const more = shared(
              run,
              runs.filter((_, other) => other !== at),
            );
            const start = entryAt(run, 0).start;
            const [before, behind] = [more.filter((one) => one.start < start), more.filter((one) => one.start > start)];
            return [...before.map((one) => one.text), textOf(text, run), ...behind.map((one) => one.text)].join(' ');
          });
    if (pieces === null) continue;
    return pieces.map((piece) => ({ piece, line: text.slice(0, start) + piece + text.slice(end) }));
  }
  return null;
}
