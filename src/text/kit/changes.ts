/** What a change did, in words, for its notice and the list of the last changes. */
const cards = (count: number): string => (count === 1 ? '1 card' : `${count} cards`);

export const CHANGE_TEXT = {
  saved: (name: string) => `${name} saved.`,
  cardDeleted: (label: string) => `${label} deleted.`,
  cardsDeleted: (count: number) => `${cards(count)} deleted.`,
  bodyDeleted: (name: string) => `${name} deleted, with its modes and slots.`,
  duplicated: (name: string) => `${name} duplicated.`,
  copied: (count: number) => `${cards(count)} added as copies.`,
  added: (count: number) => `${cards(count)} added.`,
  changed: (count: number, what: string) => `${cards(count)} ${what}.`,
  arranged: (name: string, way: string) => `${name} now records ${way}.`,
  trialKept: (text: string) => `Kept: ${text}.`,
  tested: (mode: string, card: string) => `Test of ${mode} on ${card} noted.`,
  takeLogged: 'Take logged.',
  takeKept: (name: string) => `Kept to compare: ${name}.`,
  takeKeptInPlace: (name: string, oldest: string) => `Kept to compare: ${name}. ${oldest} made room for it.`,
  takeForgotten: (name: string) => `${name} is no longer kept.`,
  figureSet: (name: string, value: string, unit: string) => `${name} is ${value} ${unit} now.`,
  figureReset: (name: string) => `${name} is as it was.`,
  figuresReset: 'Every figure is as it was.',
  figuresFitted: 'The fitted figures are in use.',
  bodyLike: (name: string, like: string) => `${name} is taken for a ${like}.`,
  limitSet: (name: string) => `${name} is calibrated by its manual.`,
  limitRemoved: 'The maker’s limit is taken out.',
  planned: 'The board is marked for another take.',
  headroom: (percent: string) => `Headroom is ${percent} % now.`,
  kindOfTake: (kind: string) => `The take is ${kind} now.`,
  reminder: 'The reminder to export is set.',
  imported: 'A kit file imported.',
  merged: (count: number) => `${count} ${count === 1 ? 'entry' : 'entries'} of a kit file added.`,
  demoLoaded: 'The demo kit is loaded.',
  emptied: 'The kit is empty.',
  stateRestored: 'The earlier state is back.',
} as const;

/** Why an earlier state was kept. */
export const STATE_REASON = {
  import: 'before an import',
  demo: 'before loading the demo kit',
  empty: 'before starting empty',
  restore: 'before putting an earlier state back',
  bodyDeleted: (name: string) => `before deleting ${name}`,
  many: (what: 'deleting' | 'changing' | 'adding', count: number) => `before ${what} ${cards(count)}`,
} as const;
