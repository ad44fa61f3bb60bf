import type { Body } from '../../kit/model.ts';
import type { Finding } from '../finding.ts';
import { cardsAtOnce } from '../seats.ts';

/** How many cards one filling takes where a body records over more than one slot; null for a single card. */
export function arrangementRule(body: Pick<Body, 'arrangement' | 'slots' | 'splitOver'>): Finding | null {
  const { arrangement, slots } = body;
  if (arrangement === 'single' || slots.length < 2) return null;
  return { rule: 'arrangement', outcome: 'note', arrangement, cards: cardsAtOnce(body) };
}

/** Slots the body wants a card in though the recording goes elsewhere; null where there are none. */
export function demandsCardRule(slots: Body['slots'], recordingTo: string): Finding | null {
  const named = slots.filter(({ id, demandsCard }) => demandsCard && id !== recordingTo).map(({ name }) => name);
  return named.length > 0 ? { rule: 'demands-card', outcome: 'note', slots: named } : null;
}
