import MiniSearch, { type Options, type SearchResult } from 'minisearch';
import type { Passage } from '../../text/guide/passages.ts';

/** How much more an answered question counts than another place: more where a question is searched for, less where a word is. */
const ANSWERED = { question: 1.5, word: 0.5 } as const;

/** Words from which on a search is a question. */
const FEWEST_OF_A_QUESTION = 3;

/** Words and numbers; a number is parted from a unit that is written to it. */
const words = (text: string): string[] =>
  text
    .replace(/(\d)(?=(?:[kmgt]i?b|fps|min|h|p)(?!\p{L}))/giu, '$1 ')
    .split(/[\s\p{P}\p{S}]+/u)
    .filter((word) => word !== '');

/** A number is meant as it stands: 30 is neither 300 nor 3. */
const isNumber = (term: string): boolean => /^\d+$/.test(term);

/** How the guide is searched: the same when its index is built and when it is read. */
const OPTIONS: Options<Passage> = {
  tokenize: words,
  fields: ['title', 'section', 'text', 'said'],
  storeFields: ['title', 'section', 'text'],
  searchOptions: {
    boost: { title: 4, said: 3, section: 1.5 },
    prefix: (term) => !isNumber(term),
    fuzzy: (term) => (/\d/.test(term) ? false : 0.2),
    combineWith: 'AND',
  },
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
    // A word or two look for a thing; more of them ask.
    const answered = ANSWERED[words(query).length >= FEWEST_OF_A_QUESTION ? 'question' : 'word'];
    const boostDocument = (id: string): number => (id.startsWith('ask-') ? answered : 1);
    const all = index.search(asked, { boostDocument });
    const some = all.length > 0 ? all : index.search(asked, { combineWith: 'OR', boostDocument });
    return some.slice(0, MOST_FOUND).map(foundOf);
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
