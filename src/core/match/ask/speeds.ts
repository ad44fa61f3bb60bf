import type { Token } from '../../cards/token.ts';
import { ASSUMED } from '../../standards/assumptions.ts';
import { all, type Of, says } from './tokensOf.ts';

/** Frames a second recorded and, where it differs, captured. */
export interface Speeds {
  readonly fps: number;
  readonly captureFps: number | null;
  readonly assumed: boolean;
  /** True where two speeds stand without a word of which is which. */
  readonly ordered: boolean;
}

/** A word that says which of two speeds one is. */
export type Named = 'captured' | 'recorded';

/** What a word says of a speed: what plays is what was recorded. */
function nameOf(token: Token | undefined): Named | null {
  if (token?.kind !== 'word') return null;
  if (token.word === 'captured') return 'captured';
  return token.word === 'recorded' || token.word === 'plays' ? 'recorded' : null;
}
const isJoin = (token: Token | undefined): boolean =>
  token?.kind === 'word' && (token.word === 'at' || token.word === 'in');

/** A word of speed in a line, and the speeds right before and right behind it. */
interface Pointing {
  readonly token: Token;
  readonly name: Named;
  readonly before: Of<'fps'> | null;
  readonly behind: Of<'fps'> | null;
  /** `captured at 120`: by its own grammar it points to what is behind it. */
  readonly isJoined: boolean;
}

function pointing(tokens: readonly Token[]): readonly Pointing[] {
  return tokens.flatMap((token, at) => {
    const name = nameOf(token);
    if (name === null) return [];
    const isJoined = isJoin(tokens[at + 1]);
    const [before, behind] = [tokens[at - 1], tokens[isJoined ? at + 2 : at + 1]];
    return [
      {
        ...{ token, name, isJoined },
        before: before?.kind === 'fps' ? before : null,
        behind: behind?.kind === 'fps' ? behind : null,
      },
    ];
  });
}

/**
 * One word that stands beside a speed and is not joined to it may belong to the other one. Taken so that less is captured
 * than is recorded, it would be a lower rate on a guess.
 */
function forgetSlower(byToken: Map<Token, Named>, words: readonly Pointing[], speeds: readonly Of<'fps'>[]): void {
  const [only, second] = [...byToken];
  if (!only || second || words.some(({ isJoined, behind }) => isJoined && behind === only[0])) return;
  const [speed, name] = only;
  const values = speeds.map(({ value }) => value);
  const isLower = speed.kind === 'fps' && speed.value === Math.min(...values);
  if (isLower === (name === 'captured')) byToken.delete(speed);
}

/**
 * Which speeds were called captured or recorded, and of which of them the rate is said to be. A word points to the speed
 * behind it where `at` or `in` joins them, else to the only one beside it. Between two speeds and without a join it may
 * mean either: then the higher is taken for the captured one, as everywhere.
 */
export function namedSpeeds(tokens: readonly Token[]): {
  readonly byToken: ReadonlyMap<Token, Named>;
  readonly ofRate: Named | null;
  readonly rateWord: Token | null;
} {
  const byToken = new Map<Token, Named>();
  const words = pointing(tokens);
  const free = (speed: Of<'fps'> | null): Of<'fps'> | null => (speed !== null && !byToken.has(speed) ? speed : null);
  for (const { name, behind, isJoined } of words) if (isJoined && behind) byToken.set(behind, name);
  // What one word points to is no longer free for the other: until nothing changes, from the end of the line.
  let open = words.filter(({ behind, isJoined }) => !(isJoined && behind)).reverse();
  for (let before = -1; before !== open.length; ) {
    before = open.length;
    open = open.filter(({ name, ...beside }) => {
      const [only, other] = [free(beside.before), free(beside.behind)].filter((one) => one !== null);
      if (only && !other) byToken.set(only, name);
      return !only || other !== undefined;
    });
  }
  forgetSlower(byToken, words, all(tokens, 'fps'));
  const told = tokens.find((token) => says(token, 'as-captured') || says(token, 'as-recorded'));
  const alone = words.find(({ before, behind }) => before === null && behind === null);
  const beside = alone && tokens[tokens.indexOf(alone.token) - 1]?.kind === 'rate' ? alone : null;
  const ofRate = told ? (says(told, 'as-captured') ? 'captured' : 'recorded') : (beside?.name ?? null);
  return { byToken, ofRate, rateWord: told ?? beside?.token ?? null };
}

/** Of two speeds the higher is captured and the lower recorded, in any order, unless they are named. */
export function speedsOf(tokens: readonly Token[], named: ReadonlyMap<Token, Named>): Speeds {
  const [first, second] = all(tokens, 'fps');
  if (!first) return { fps: ASSUMED.quickFps.value, captureFps: null, assumed: true, ordered: false };
  if (!second) return { fps: first.value, captureFps: null, assumed: false, ordered: false };
  const isCaptured = (token: Token): boolean => named.get(token) === 'captured';
  const isRecorded = (token: Token): boolean => named.get(token) === 'recorded';
  // Both called the same says nothing of which is which.
  const told = named.get(first) !== named.get(second);
  const firstIsCaptured = told ? isCaptured(first) || isRecorded(second) : first.value > second.value;
  const [captured, recorded] = firstIsCaptured ? [first, second] : [second, first];
  const same = captured.value === recorded.value;
  return {
    fps: recorded.value,
    captureFps: same ? null : captured.value,
    assumed: false,
    ordered: !told && !same,
  };
}

/** Of which speed a stated rate is; where nobody says, the reading that writes more. */
export const rateAt = ({ fps, captureFps }: Speeds, said: Named | null): Named =>
  said ?? (captureFps !== null && captureFps < fps ? 'captured' : 'recorded');
