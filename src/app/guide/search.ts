import MiniSearch, { type Options, type SearchResult } from 'minisearch';
import type { Passage } from '../../text/guide/passages.ts';

/** How the guide is searched: the same when its index is built and when it is read. */
const OPTIONS: Options<Passage> = {
  fields: ['title', 'section', 'text', 'said'],
  storeFields: ['title', 'section', 'text'],
  searchOptions: { boost: { title: 4, said: 3, section: 1.5 }, prefix: true, fuzzy: 0.2, combineWith: 'AND' },
};

/** Most places shown of one search. */
const MOST_FOUND = 12;

/** A place of the guide that was found. */
export interface Found {
  readonly id: string;
  readonly title: string;
  readonly section: string;
  readonly text: string;
}

/** The index of the guide, as text; made when the app is built. */
export function indexText(passages: readonly Passage[]): string {
  const index = new MiniSearch<Passage>(OPTIONS);
  index.addAll(passages);
  return JSON.stringify(index);
}

const foundOf = ({ id, title, section, text }: SearchResult): Found => ({
  id: String(id),
  title: String(title),
  section: String(section),
  text: String(text),
});

/** Words that ask and name nothing: people type questions. */
const ASKING = /\b(?:what|which|why|how|is|are|the|a|an|of|in|on|my|i|do|does|can|to|for|it|mean|means)\b/gi;

/**
 * Opens an index that was made by `indexText`.
 *
 * @returns the search: the best places first; those that hold every word, else those that hold any
 */
export function openIndex(text: string): (query: string) => readonly Found[] {
  const index = MiniSearch.loadJSON<Passage>(text, OPTIONS);
  return (query) => {
    const bare = query.replace(ASKING, ' ').trim();
    const asked = bare === '' ? query : bare;
    const all = index.search(asked);
    return (all.length > 0 ? all : index.search(asked, { combineWith: 'OR' })).slice(0, MOST_FOUND).map(foundOf);
  };
}

/** Where the index lies; it is kept for offline use with the rest of the app. */
const INDEX_PATH = '/guide-index.json';

/** Fetches the index and opens it. Throws where it cannot be fetched. */
export async function loadSearch(): Promise<(query: string) => readonly Found[]> {
  const answer = await fetch(INDEX_PATH);
  if (!answer.ok) throw new Error(`the index of the guide: ${answer.status}`);
  return openIndex(await answer.text());
}
