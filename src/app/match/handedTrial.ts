import type { Card } from '../../core/kit/model.ts';

/** Cards to be bought, on their way from another view to the board. */
export interface HandedTrial {
  readonly text: string;
  readonly cards: readonly Card[];
}

const KEY = 'cool-reel trial';

/** Hands cards over to the board of this tab; false where the browser keeps nothing. */
export function handTrial(trial: HandedTrial): boolean {
  try {
    sessionStorage.setItem(KEY, JSON.stringify(trial));
    return true;
  } catch {
    return false;
  }
}

/** What was handed over to the board, once. */
export function takeHandedTrial(): HandedTrial | null {
  try {
    const text = sessionStorage.getItem(KEY);
    sessionStorage.removeItem(KEY);
    return text === null ? null : (JSON.parse(text) as HandedTrial);
  } catch {
    return null;
  }
}
