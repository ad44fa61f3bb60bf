import type { Token } from '../../cards/token.ts';
import { ASSUMED } from '../../standards/assumptions.ts';
import { all, type Of } from './tokensOf.ts';

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
const isNamed = (token: Token | undefined): token is Of<'word'> & { readonly word: Named } =>
  token?.kind === 'word' && (token.word === 'captured' || token.word === 'recorded');
const isJoin = (token: Token | undefined): boolean =>
  token?.kind === 'word' && (token.word === 'at' || token.word === 'in');

/** Which speeds were called captured or recorded, and what a word that stands at no speed says of the rate. */
export function namedSpeeds(tokens: readonly Token[]): {
  readonly byToken: ReadonlyMap<Token, Named>;
  readonly ofRate: Named | null;
  readonly rateWord: Token | null;
} {
  const byToken = new Map<Token, Named>();
  const words = tokens.flatMap((token, at) => (isNamed(token) ? [{ token, at }] : []));
  const [first] = words;
  if (!first) return { byToken, ofRate: null, rateWord: null };
  // One word right behind the rate is the rate's own; two words name the two speeds, before or behind them.
  if (words.length === 1 && tokens[first.at - 1]?.kind === 'rate')
    return { byToken, ofRate: first.token.word, rateWord: first.token };
  const isBefore = first.at < tokens.findIndex((token) => token.kind === 'fps');
  let ofRate: Named | null = null;
  let rateWord: Token | null = null;
  for (const { token, at } of words) {
    const after = isJoin(tokens[at + 1]) ? tokens[at + 2] : tokens[at + 1];
    const before = tokens[at - 1];
    const sides = isBefore ? [after, before] : [before, after];
    const speed = sides.find((one) => one?.kind === 'fps' && !byToken.has(one));
    if (speed) byToken.set(speed, token.word);
    else [ofRate, rateWord] = [token.word, token];
  }
  return { byToken, ofRate, rateWord };
}

/** Of two speeds the higher is captured and the lower recorded, in any order, unless they are named. */
export function speedsOf(tokens: readonly Token[], named: ReadonlyMap<Token, Named>): Speeds {
  const [first, second] = all(tokens, 'fps');
  if (!first) return { fps: ASSUMED.quickFps.value, captureFps: null, assumed: true, ordered: false };
  if (!second) return { fps: first.value, captureFps: null, assumed: false, ordered: false };
  const isCaptured = (token: Token): boolean => named.get(token) === 'captured';
  const isRecorded = (token: Token): boolean => named.get(token) === 'recorded';
  const told = isCaptured(first) || isRecorded(second) || isCaptured(second) || isRecorded(first);
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
