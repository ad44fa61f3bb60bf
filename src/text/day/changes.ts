/** What a change of a shoot day is called where it can be taken back. */
export const DAY_CHANGE = {
  saved: (name: string): string => `${name} saved`,
  added: (name: string): string => `${name} added`,
  deleted: (name: string): string => `${name} deleted`,
  block: (name: string): string => `Block of ${name} changed`,
  blockGone: (name: string): string => `Block of ${name} deleted`,
  move: (name: string): string => `${name} planned another way`,
  cleared: (name: string): string => `Noted states of ${name} cleared`,
  takenOver: (count: number): string => `${count === 1 ? '1 card' : `${count} cards`} taken over`,
  clearedRehearsal: (name: string): string => `Rehearsal of ${name} cleared`,
  press: 'State of a card noted',
  rehearsed: 'A press rehearsed',
} as const;
