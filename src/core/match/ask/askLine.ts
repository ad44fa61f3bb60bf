import { playbackLength } from '../../bodies/rate/playback.ts';
import type { Token } from '../../cards/token.ts';
import { MAX_TEXT, tokenize } from '../../cards/tokenize.ts';
import { err, ok, type Result } from '../../result.ts';
import type { Seconds } from '../../units/brand.ts';
import type { Policy } from '../policy.ts';
import { type Answer, answerAsk } from './answerAsk.ts';
import type { AskRefusal } from './ask.ts';
import { readAsk } from './readAsk.ts';
import { spokenLine } from './spokenLine.ts';

/** How long a take plays that was captured faster than it is shown. */
export interface Playback {
  readonly take: Seconds;
  readonly captured: number;
  readonly playback: number;
  readonly plays: Seconds;
}

/** What one line comes to. */
export type Asked =
  | { readonly kind: 'card'; readonly answer: Answer }
  | { readonly kind: 'playback'; readonly playback: Playback };

const ASIDE: readonly Token['kind'][] = ['word', 'fps', 'time', 'picture-name', 'codec'];

/**
 * A question about playback alone: a take and the speeds it is captured and shown at, no rate and no card. A length that
 * stands after `plays` is what somebody else worked out and is worked out again. Here `3:50` is minutes and seconds.
 */
function playbackOf(tokens: readonly Token[]): Result<Playback, AskRefusal> | null {
  if (!tokens.every(({ kind }) => ASIDE.includes(kind))) return null;
  const playsAt = tokens.findIndex((token) => token.kind === 'word' && token.word === 'plays');
  const [time] = tokens.filter((token, at) => token.kind === 'time' && (playsAt < 0 || at < playsAt));
  const speeds = tokens.flatMap((token) => (token.kind === 'fps' ? [token.value] : []));
  if (time?.kind !== 'time' || speeds.length === 0 || speeds.length > 2) return null;
  const take = time.clock ?? time.value;
  const captured = Math.max(...speeds);
  const playback = Math.min(...speeds);
  if (speeds.length === 1) return err({ code: 'no-playback-speed', take, captured });
  return ok({ take, captured, playback, plays: playbackLength(take, captured, playback) });
}

/**
 * Answers one line: a need on a card, or how long a take plays.
 *
 * @param text - at most 500 characters
 * @example askLine('3:50 at 100p plays at 25p', { take: 'once', headroom: 150 }).ok // => true
 */
export function askLine(text: string, policy: Policy): Result<Asked, AskRefusal> {
  const playback = text.length > MAX_TEXT ? null : playbackOf(spokenLine(tokenize(text)).tokens);
  if (playback) return playback.ok ? ok({ kind: 'playback', playback: playback.value }) : playback;
  const ask = readAsk(text);
  if (!ask.ok) return ask;
  const answer = answerAsk(ask.value, policy);
  return answer.ok ? ok({ kind: 'card', answer: answer.value }) : answer;
}
