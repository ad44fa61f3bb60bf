import { useMemo } from 'react';
import type { AskRefusal, AskUnread } from '../../core/match/ask/ask.ts';
import { type Asked, askLine, askWithout } from '../../core/match/ask/askLine.ts';
import { asidePiece } from '../../core/match/ask/neutral.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { Result } from '../../core/result.ts';
import type { Settings } from '../../kit/schemas/settings.ts';

/** Words that the kit says do not matter. */
export const useAside = ({ asideWords }: Pick<Settings, 'asideWords'>): ReadonlySet<string> =>
  useMemo(() => new Set(asideWords ?? []), [asideWords]);

/** The answer to what is typed, at once. */
export const useQuickCheck = (text: string, policy: Policy, aside: ReadonlySet<string>): Result<Asked, AskRefusal> =>
  useMemo(() => askLine(text, policy, aside), [text, policy, aside]);

/** What the rest of a line comes to, without what was not understood; null where it is no question. */
export function useWithout(
  text: string,
  unread: readonly AskUnread[],
  policy: Policy,
  settings: Pick<Settings, 'asideWords'>,
): Asked | null {
  const aside = useAside(settings);
  return useMemo(() => askWithout(text, unread, policy, aside), [text, unread, policy, aside]);
}

/** How a stretch that was not understood is kept as one that does not matter; null where it always does. */
export const asideWord = ({ text, problem }: AskUnread): string | null =>
  problem.code === 'unknown' || problem.code === 'heat' ? asidePiece(text) : null;
