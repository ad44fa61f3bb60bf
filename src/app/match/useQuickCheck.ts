import { useMemo } from 'react';
import type { AskRefusal } from '../../core/match/ask/ask.ts';
import { type Asked, askLine } from '../../core/match/ask/askLine.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { Result } from '../../core/result.ts';

/** The answer to what is typed, at once. */
export const useQuickCheck = (text: string, policy: Policy): Result<Asked, AskRefusal> =>
  useMemo(() => askLine(text, policy), [text, policy]);
