import type { CardState, Incident } from '../../core/kit/model.ts';

/** Where a card is in the rotation, in words. */
export const STATE_WORDS: Readonly<Record<CardState, string>> = {
  free: 'free',
  'in-body': 'in a camera',
  full: 'full',
  copying: 'copying',
  'copied-once': 'copied once',
  verified: 'copies verified',
};

export const INCIDENT_WORDS: Readonly<Record<Incident['kind'], string>> = {
  warning: 'warning shown',
  dropped: 'dropped frames',
  corruption: 'corruption',
  damage: 'damage',
};
