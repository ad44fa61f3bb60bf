import { useEffect, useState } from 'react';
import { recordedFault } from '../../core/cards/recordedFault.ts';
import type { Card, CardState } from '../../core/kit/model.ts';
import type { Plan, PlanPress } from '../../core/kit/plan.ts';
import type { PlannedDay, PlannedSwap } from '../../core/rotation/plannedDay.ts';
import { lastPresses, nextState, type PressDoubt, pressDoubt, stateOf } from '../../core/rotation/states.ts';
import { type DayClock, momentText } from '../../reading/day/dayClock.ts';

/** A card on the day: where it stands, what comes next, and what stands against that. */
export interface LiveCard {
  readonly card: Card;
  readonly state: CardState;
  readonly press: PlanPress | null;
  /** What the wallet says where it differs from the last press: the less safe of both is the state. */
  readonly differs: CardState | null;
  readonly next: CardState;
  /** A fault was noted of it and is not settled: it is out of the plan, and what is on it is still copied. */
  readonly isFaulty: boolean;
}

/** The plan as it is rehearsed: what is pressed then stands in the place of the log, which it never touches. */
export const rehearsedPlan = (plan: Plan): Plan => ({ ...plan, log: plan.rehearsal ?? [] });

/** The wallet as it is rehearsed: a card that was pressed stands where it was pressed to. */
export function rehearsedCards(plan: Plan, cards: readonly Card[]): readonly Card[] {
  const last = lastPresses(plan.rehearsal ?? []);
  return cards.map((card) => ({ ...card, state: last.get(card.id)?.to ?? card.state ?? null }));
}

/** The cards of the day, in the order of the plan. */
export function liveCards(plan: Plan, cards: readonly Card[]): readonly LiveCard[] {
  const last = lastPresses(plan.log ?? []);
  const cardOf = new Map(cards.map((card) => [card.id, card]));
  return plan.cardIds.flatMap((id) => {
    const card = cardOf.get(id);
    if (!card) return [];
    const state = stateOf(card, last);
    const press = last.get(id) ?? null;
    const differs = press !== null && card.state && card.state !== press.to ? card.state : null;
    const isFaulty = recordedFault(card) !== null;
    return [{ card, state, press, differs, next: nextState(state, plan.copies), isFaulty }];
  });
}

export const doubtOf = (state: CardState, to: CardState, plan: Plan): PressDoubt | null =>
  pressDoubt(state, to, plan.copies);

/** What is done by hand next: a card goes in, with or without one coming out. */
export const nextChange = (day: PlannedDay, now: number): PlannedSwap | null =>
  day.changes.find(({ atSeconds, inCardId }) => inCardId !== null && atSeconds >= now - 1) ?? null;

/** Where the plan puts a card next. */
export const nextSeat = (day: PlannedDay, cardId: string): PlannedSwap | null =>
  day.changes.find(({ inCardId }) => inCardId === cardId) ?? null;

const OFFSET = 'cool-reel rehearsal';

/** How far the clock of a rehearsal is ahead, milliseconds; 0 where none runs. */
function keptOffset(planId: string): number {
  try {
    const kept = JSON.parse(sessionStorage.getItem(OFFSET) ?? 'null') as { planId?: unknown; by?: unknown } | null;
    return kept?.planId === planId && typeof kept.by === 'number' && Number.isFinite(kept.by) ? kept.by : 0;
  } catch {
    return 0;
  }
}

/** The clock of the day, every second; rehearsed, it runs from a moment of choice. */
export function useDayTime(planId: string): {
  readonly now: number;
  readonly isRehearsed: boolean;
  readonly rehearse: (from: number | null) => void;
} {
  const [offset, setOffset] = useState(() => keptOffset(planId));
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  return {
    now: now + offset,
    isRehearsed: offset !== 0,
    rehearse(from) {
      const by = from === null ? 0 : from - Date.now();
      setOffset(by);
      try {
        if (by === 0) sessionStorage.removeItem(OFFSET);
        else sessionStorage.setItem(OFFSET, JSON.stringify({ planId, by }));
      } catch {
        // Kept for this page alone.
      }
    },
  };
}

/** A moment as it is written into the log: ISO, with the offset of this device's clock. */
export const pressTime = (now: number, _clock: DayClock): string => momentText(now);

/** When a press was made by this device's clock, ISO. */
export const pressedAt = ({ at, aheadSeconds }: Pick<PlanPress, 'at' | 'aheadSeconds'>): string =>
  aheadSeconds ? momentText(Date.parse(at) - aheadSeconds * 1000) : at;

const WHO = 'cool-reel who';

/** Who presses, as it was entered on this device. */
export function keptWho(): string {
  try {
    return localStorage.getItem(WHO) ?? '';
  } catch {
    return '';
  }
}

export function keepWho(who: string): void {
  try {
    localStorage.setItem(WHO, who.slice(0, 80));
  } catch {
    // Asked again the next time.
  }
}

/** Keeps the screen awake while something is shown, where the browser can. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = async (): Promise<void> => {
      if (document.visibilityState !== 'visible') return;
      try {
        lock = (await navigator.wakeLock?.request('screen')) ?? null;
        if (left) void lock?.release();
      } catch {
        // A battery that is low refuses it.
      }
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
}

/** A short tone and a buzz, where the device has them. */
export function callOut(): void {
  // Browsers let nothing sound before somebody has touched the page.
  if (!navigator.userActivation?.hasBeenActive) return;
  try {
    navigator.vibrate?.([200, 100, 200]);
    const audio = new AudioContext();
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    volume.gain.value = 0.2;
    tone.frequency.value = 880;
    tone.connect(volume).connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + 0.5);
    tone.onended = () => void audio.close();
  } catch {
    // Nothing to be heard: the countdown is still there.
  }
}
