import { useMemo } from 'react';
import { type Answer, answerAsk } from '../core/ask/answerAsk.ts';
import type { AskRefusal } from '../core/ask/ask.ts';
import { readAsk } from '../core/ask/readAsk.ts';
import type { Policy } from '../core/match/policy.ts';
import type { Result } from '../core/result.ts';

/** The answer to what is typed, at once. */
export function useQuickCheck(text: string, policy: Policy): Result<Answer, AskRefusal> {
  return useMemo(() => {
    const ask = readAsk(text);
    return ask.ok ? answerAsk(ask.value, policy) : ask;
  }, [text, policy]);
}
