import { withoutEndurance } from '../../cards/printedFigures.ts';
import type { Token } from '../../cards/token.ts';
import { MAX_TEXT, tokenize } from '../../cards/tokenize.ts';
import { err, ok, type Result } from '../../result.ts';
import type { Mark } from '../../standards/marks.ts';
import type { Policy } from '../policy.ts';
import { alternatives, asOffered } from './alternatives.ts';
import { type Answer, answerAsk } from './answerAsk.ts';
import type { AskRefusal, AskUnread } from './ask.ts';
import { type OtherAnswer, otherQuestion } from './otherQuestions.ts';
import { placed } from './place.ts';
import { readAsk } from './readAsk.ts';
import { spokenLine } from './spokenLine.ts';
import { all, asTyped, span } from './tokensOf.ts';

/** A mark that would do where the one that was named does not, and the line with it. */
export interface Instead {
  readonly mark: Mark;
  readonly line: string;
}

/** The answer to a need on a card, and what would do where it does not. */
export interface CardAsked {
  readonly kind: 'card';
  readonly answer: Answer;
  readonly instead: readonly Instead[];
}

/** One of several things that a line offers, judged. */
interface Choice {
  readonly piece: string;
  readonly line: string;
  readonly answer: Answer;
}

/** What one line comes to. */
export type Asked = CardAsked | { readonly kind: 'choice'; readonly choices: readonly Choice[] } | OtherAnswer;

const isSaid = (token: Token): boolean => !(token.kind === 'word' && ['pause', 'card', 'filler'].includes(token.word));

/** The unread words of a line that asks for something else than a stream on a card. */
const unreadOf = (text: string, tokens: readonly Token[]): readonly AskUnread[] =>
  asTyped(
    text,
    all(tokens, 'unread').map((token) => ({ ...span(token), problem: token.problem, place: 'stream' as const })),
  );

/** Another question than that of a stream on a card; refused where a word of it is not understood. */
function askOther(text: string, tokens: readonly Token[]): Result<Asked, AskRefusal> | null {
  const whole = otherQuestion(tokens);
  if (whole) return whole;
  const unread = unreadOf(text, tokens);
  if (unread.length === 0) return null;
  const rest = tokens.filter((token) => token.kind !== 'unread');
  return otherQuestion(rest)?.ok ? err({ code: 'not-understood', unread }) : null;
}

/** The line with another mark in the place of the ones it has, or behind the card's own words. */
function withMark(text: string, key: Mark): string | null {
  const tokens = tokenize(text);
  const old = tokens.filter(({ kind }) => kind === 'mark' || kind === 'app');
  const anchor = old[0] ?? tokens.find(({ kind }) => kind === 'capacity' || kind === 'form' || kind === 'family');
  if (anchor === undefined) return null;
  const isMark = old[0] !== undefined;
  return tokens.reduceRight((line, token) => {
    if (token === anchor) {
      const put = isMark ? key : `${text.slice(token.start, token.end)} ${key}`;
      return line.slice(0, token.start) + put + line.slice(token.end);
    }
    return old.includes(token) ? line.slice(0, token.start) + line.slice(token.end) : line;
  }, text);
}

/** The line without the bus that the card prints: a card of another mark has the bus of that mark. */
function withoutBus(text: string): string {
  const tokens = tokenize(text);
  const own = placed(spokenLine(tokens).tokens).tokens.filter(({ kind }) => kind === 'bus');
  return own.reduceRight((line, { start, end }) => line.slice(0, start) + line.slice(end), text);
}

/** Marks that would do, each asked again in the line itself: what is offered is never another guess. */
function insteadOf(text: string, answer: Answer, policy: Policy, aside: ReadonlySet<string>): readonly Instead[] {
  if (answer.cell === null || answer.cell.verdict !== 'uncovered') return [];
  return answer.smallestMarks.flatMap((mark) => {
    const put = withMark(text, mark);
    if (put === null) return [];
    const line = [put, withoutBus(put)].find((one) => {
      const ask = readAsk(one, aside);
      const found = ask.ok ? answerAsk(ask.value, policy) : ask;
      return found.ok && found.value.cell?.verdict === 'guaranteed' && !found.value.cell.doubted;
    });
    return line === undefined ? [] : [{ mark, line: line.replace(/\s+/g, ' ').trim() }];
  });
}

const NONE: ReadonlySet<string> = new Set();

function askCard(text: string, policy: Policy, aside: ReadonlySet<string>): Result<CardAsked, AskRefusal> {
  const ask = readAsk(text, aside);
  if (!ask.ok) return ask;
  const answer = answerAsk(ask.value, policy);
  if (!answer.ok) return answer;
  return ok({ kind: 'card', answer: answer.value, instead: insteadOf(text, answer.value, policy, aside) });
}

/**
 * Answers one line: a need on a card, several of them side by side, or another question about cards and takes.
 *
 * @param text - at most 500 characters
 * @param aside - words that a person said do not matter, in small letters
 * @example askLine('3:50 at 100p plays at 25p', { take: 'once', headroom: 150 }).ok // => true
 */
export function askLine(text: string, policy: Policy, aside = NONE): Result<Asked, AskRefusal> {
  if (text.length > MAX_TEXT) return askCard(text, policy, aside);
  const spoken = spokenLine(tokenize(withoutEndurance(text)), aside).tokens;
  const tokens = spoken.filter(isSaid);
  const offered = alternatives(text, asOffered(spoken).filter(isSaid));
  if (offered) {
    const judged = offered.map((one) => ({ ...one, found: askCard(one.line, policy, aside) }));
    const refused = judged.find(({ found }) => !found.ok);
    if (refused && !refused.found.ok && judged.every(({ found }) => !found.ok)) {
      const { error } = refused.found;
      if (error.code !== 'not-understood') return err(error);
    }
    if (!refused)
      return ok({
        kind: 'choice',
        choices: judged.flatMap(({ piece, line, found }) =>
          found.ok ? [{ piece, line, answer: found.value.answer }] : [],
        ),
      });
  }
  return askOther(text, tokens) ?? askCard(text, policy, aside);
}

/**
 * The answer that the rest of a line would give, without what was not understood in it: never a verdict of the line itself.
 *
 * @returns null where the rest is no question
 */
export function askWithout(text: string, unread: readonly AskUnread[], policy: Policy, aside = NONE): Asked | null {
  const rest = unread.reduceRight(
    (line, { start, end }) => line.slice(0, start) + ' '.repeat(end - start) + line.slice(end),
    text,
  );
  if (rest.trim() === '') return null;
  const found = askLine(rest, policy, aside);
  return found.ok ? found.value : null;
}
