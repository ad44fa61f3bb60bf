import { useEffect, useMemo, useRef, useState } from 'react';
import type { Card, CardState } from '../../core/kit/model.ts';
import type { Plan } from '../../core/kit/plan.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { PlannedDay, PlannedSwap } from '../../core/rotation/plannedDay.ts';
import type { DayNames } from '../../text/day/day.ts';
import { noteFault } from '../cards/cardActions.ts';
import type { Written } from '../kit/write.ts';
import type { TaskState } from '../tasks/useTask.ts';
import { type NewPress, pressCard, pressLoaded, pressSwap } from './dayActions.ts';
import { clockFor, type DayClock, namesFor } from './dayClock.ts';
import type { DayViewKit } from './dayKit.ts';
import { type Lanes, lanesOf } from './lanes.ts';
import {
  callOut,
  keepWho,
  keptWho,
  type LiveCard,
  pressTime,
  rehearsedCards,
  rehearsedPlan,
  useAwake,
  useDayTime,
} from './live.ts';
import { type AskedPress, type LiveModel, type LiveStep, liveModel, pressStep, swapStep } from './liveModel.ts';
import { useDay } from './useDay.ts';

/** The live day, joined for its view. */
export interface Live {
  readonly model: LiveModel & {
    /** The plan and the wallet as they are shown: rehearsed ones are kept apart. */
    readonly plan: Plan;
    readonly kit: DayViewKit;
    readonly clock: DayClock;
    readonly names: DayNames;
    /** The last plan that was worked out: a countdown does not blink while the next one comes. */
    readonly day: PlannedDay | null;
    readonly lanes: Lanes | null;
    readonly planning: TaskState<PlannedDay | null>;
    readonly asked: AskedPress | null;
    readonly who: string;
    readonly isLoud: boolean;
    readonly isRehearsed: boolean;
  };
  readonly act: {
    readonly press: (live: LiveCard, to: CardState) => void;
    readonly swap: (planned: PlannedSwap) => void;
    /** Notes a card as faulty, which takes it out of the plan; null in a rehearsal, of which nothing counts. */
    readonly takeOut: ((card: Card) => void) | null;
    /** Says that what the plan has in the cameras now is in them. */
    readonly confirmLoaded: () => void;
    readonly note: (press: Omit<NewPress, 'who'>) => void;
    readonly forget: () => void;
    readonly planAgain: () => void;
    readonly setWho: (who: string) => void;
    readonly setLoud: (isLoud: boolean) => void;
    /** Begins a rehearsal a minute before the first block. */
    readonly rehearse: () => void;
    /** Moves the clock of a rehearsal on by milliseconds, or ends it with null. */
    readonly moveClock: (by: number | null) => void;
  };
}

/** Planned again when something is pressed, and else so often, milliseconds: what is late shows by itself. */
const REPLAN = 60_000;
/** Called out this long before a swap, seconds. */
const CALL = 60;

/**
 * The day as it happens: its clock, its plan from what was pressed, and what presses come to.
 *
 * @param change - makes a change, and says what came of it
 * @returns null where the date or start of the plan cannot be read
 */
export function useLive(
  { kit: own, plan: asKept, policy }: { readonly kit: DayViewKit; readonly plan: Plan; readonly policy: Policy },
  change: (make: () => Promise<Written>) => Promise<boolean>,
): Live | null {
  const { now, isRehearsed, rehearse } = useDayTime(asKept.id);
  const plan = useMemo(() => (isRehearsed ? rehearsedPlan(asKept) : asKept), [isRehearsed, asKept]);
  const kit = useMemo(
    () => (isRehearsed ? { ...own, cards: rehearsedCards(asKept, own.cards) } : own),
    [isRehearsed, asKept, own],
  );
  const clock = useMemo(() => clockFor(plan), [plan]);
  const names = useMemo(() => (clock ? namesFor(kit, plan, clock) : null), [kit, plan, clock]);
  const {
    state,
    again,
    day: fresh,
  } = useDay(kit, plan, policy, {
    now: Math.floor(now / REPLAN) * REPLAN,
    more: false,
  });
  const lastDay = useRef(fresh);
  if (fresh) lastDay.current = fresh;
  const day = fresh ?? lastDay.current;
  const lanes = useMemo(() => (day ? lanesOf(plan, day) : null), [plan, day]);
  const [who, setWho] = useState(keptWho);
  const [asked, setAsked] = useState<AskedPress | null>(null);
  const [isLoud, setLoud] = useState(true);
  useAwake();
  const input = { plan, cards: kit.cards, day, seconds: clock ? clock.ofMoment(now) : 0 };
  const model = liveModel(input);
  const { swap, left } = model;
  const called = useRef<string | null>(null);
  useEffect(() => {
    if (!swap || left === null || left > CALL || !isLoud) return;
    const key = `${swap.bodyId} ${Math.round(swap.atSeconds / CALL)}`;
    if (called.current === key) return;
    called.current = key;
    callOut();
  }, [swap, left, isLoud]);
  if (!clock || !names) return null;
  const at = (): string => pressTime(now, clock);
  const note = (press: Omit<NewPress, 'who'>): void => {
    setAsked(null);
    void change(() => pressCard(asKept, { ...press, who: who.trim() }, { at: at(), isRehearsed }));
  };
  const take = (step: LiveStep | null): void => {
    if (step?.kind === 'ask') setAsked(step.asked);
    else if (step?.kind === 'note') note(step.press);
    else if (step?.kind === 'swap')
      void change(() => pressSwap(asKept, step.swap, who.trim(), { at: at(), isRehearsed }));
  };
  return {
    model: { ...model, plan, kit, clock, names, day, lanes, planning: state, asked, who, isLoud, isRehearsed },
    act: {
      press: (live, to) => take(pressStep(input, live, to)),
      swap: (planned) => take(swapStep(input, planned)),
      takeOut: isRehearsed
        ? null
        : (card) => void change(() => noteFault(card, { date: at().slice(0, 10), who: who.trim(), plan: plan.name })),
      confirmLoaded: () =>
        void change(() =>
          pressLoaded(asKept, model.loaded, who.trim(), {
            at: at(),
            isRehearsed,
            moment: (seconds) => pressTime(clock.realMoment(seconds), clock),
          }),
        ),
      note,
      forget: () => setAsked(null),
      planAgain: again,
      setWho(name) {
        setWho(name);
        keepWho(name);
      },
      setLoud,
      rehearse: () => rehearse(clock.realMoment(model.rehearsal)),
      moveClock: (by) => rehearse(by === null ? null : now + by),
    },
  };
}
