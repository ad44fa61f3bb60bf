import type { GuideEntry } from './guide/entry.ts';
import { GLOSSARY, VERDICT_ENTRIES } from './guide/glossary.ts';

/** Those that are met first, in the order in which they are met. */
const FIRST_MET: readonly string[] = [
  ...VERDICT_ENTRIES.map(({ id }) => id),
  'heat-warm',
  'heat-hot',
  'likely',
  'its-like-dropped',
  'reported',
  'once-only',
  'repeatable',
  'headroom',
  'stream',
  'mbps',
  'speed-mark',
  'bus',
  'floor',
  'planned',
];

const ENTRIES = new Map([...VERDICT_ENTRIES, ...GLOSSARY].map((entry) => [entry.id, entry]));

/** The words that the help explains; said as the guide says them, which has the rest. */
export const HELP_WORDS: readonly GuideEntry[] = FIRST_MET.flatMap((id) => ENTRIES.get(id) ?? []);
