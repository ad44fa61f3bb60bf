import { useEffect, useMemo, useState } from 'react';
import type { ShopInput } from '../../core/shop/options.ts';
import type { ShopAnswer } from '../../core/shop/sets.ts';
import type { Around } from '../../core/shop/whatIf.ts';
import { solver } from '../tasks/clients.ts';
import { type TaskState, useTask } from '../tasks/useTask.ts';

/**
 * Seconds that one question to the solver may take, round after round. In the first it is not loaded: most wallets are small
 * enough for a table. What that does not prove is looked at for longer. A worker that is silent for ten seconds counts as dead.
 */
const ROUNDS = [0, 2, 8] as const;

/** The sets as they are being worked out. */
export interface ShopState {
  /** Of the round that runs. */
  readonly state: TaskState<ShopAnswer>;
  readonly again: () => void;
  /** The last answer to this very question; it stays while a longer look is taken. */
  readonly answer: ShopAnswer | null;
  /** Whether more time is being given to what is not proven; null when not. */
  readonly proving: { readonly stop: () => void } | null;
  readonly around: Around | null;
}

/** Whether more time would tell nothing new. */
const isProven = ({ sets, isOpen }: ShopAnswer): boolean => !isOpen && sets.every(({ optimal }) => optimal);

interface Kept {
  readonly of: ShopInput;
  readonly answer: ShopAnswer;
}

/**
 * Chooses the sets beside the page whenever the question changes.
 *
 * @param input - null or without needs: nothing is asked, and the solver is not loaded
 */
export function useShop(input: ShopInput | null): ShopState {
  const [round, setRound] = useState<{ readonly of: ShopInput | null; readonly at: number }>({ of: input, at: 0 });
  const [kept, setKept] = useState<Kept | null>(null);
  const [stopped, setStopped] = useState<ShopInput | null>(null);
  const at = round.of === input ? round.at : 0;
  const seconds = ROUNDS[at] ?? ROUNDS[0];
  const request = useMemo(
    () => (input === null || input.needs.length === 0 || stopped === input ? null : { input, seconds }),
    [input, seconds, stopped],
  );
  const [state, again] = useTask(solver, 'shop', request);
  const found = state.phase === 'done' ? state.answer : null;
  useEffect(() => {
    if (!found || !input) return;
    setKept({ of: input, answer: found });
    if (!isProven(found) && at + 1 < ROUNDS.length) setRound({ of: input, at: at + 1 });
  }, [found, input, at]);
  const answer = found ?? (kept && kept.of === input ? kept.answer : null);
  const settled = answer !== null && (stopped === input || at + 1 === ROUNDS.length || isProven(answer));
  const possible = useMemo(() => {
    if (!input || !answer || !settled || answer.sets.length === 0) return null;
    const out = new Set(answer.impossible.map(({ needId }) => needId));
    const needs = input.needs.filter(({ id }) => !out.has(id));
    return { input: { ...input, needs }, seconds: at === 0 ? ROUNDS[0] : ROUNDS[1] };
  }, [input, answer, settled, at]);
  const [around] = useTask(solver, 'shopAround', possible);
  const isProving = answer !== null && state.phase === 'running' && at > 0;
  return {
    state,
    again,
    answer,
    proving: isProving && input ? { stop: () => setStopped(input) } : null,
    around: around.phase === 'done' ? around.answer : null,
  };
}
