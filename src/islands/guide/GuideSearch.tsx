import { useEffect, useId, useState } from 'react';
import type { Found } from '../../app/guide/search.ts';
import css from './GuideView.module.css';

type Search = (query: string) => readonly Found[];
type Index = { readonly phase: 'none' | 'coming' | 'failed' } | { readonly phase: 'there'; readonly search: Search };

/** Full text over the guide. The index and what reads it come with the first letter. */
export function GuideSearch() {
  const [query, setQuery] = useState('');
  const [index, setIndex] = useState<Index>({ phase: 'none' });
  const id = useId();
  const wanted = query.trim() !== '';
  const { phase } = index;
  useEffect(() => {
    if (!wanted || phase !== 'none') return;
    setIndex({ phase: 'coming' });
    void import('../../app/guide/search.ts')
      .then(({ loadSearch }) => loadSearch())
      .then(
        (search) => setIndex({ phase: 'there', search }),
        () => setIndex({ phase: 'failed' }),
      );
  }, [wanted, phase]);
  const found = wanted && index.phase === 'there' ? index.search(query) : null;
  return (
    <search className={css.search}>
      <label htmlFor={id} className="unseen">
        Search the guide
      </label>
      <input
        id={id}
        type="search"
        className={css.field}
        value={query}
        maxLength={200}
        placeholder="Search: V60, bits, verified, headroom"
        autoComplete="off"
        spellCheck={false}
        onChange={(event) => setQuery(event.currentTarget.value)}
        onKeyDown={(event) => {
          const [first] = found ?? [];
          if (event.key === 'Enter' && first) {
            event.preventDefault();
            window.location.hash = first.id;
          }
          if (event.key === 'Escape') setQuery('');
        }}
      />
      <p role="status" className={found ? 'unseen' : css.where}>
        {wanted && phase === 'coming' && 'Opening the index…'}
        {wanted && phase === 'failed' && (
          <>
            The index could not be loaded; the guide below is whole.{' '}
            <button type="button" className="plain-button" onClick={() => setIndex({ phase: 'none' })}>
              Try again
            </button>
          </>
        )}
        {found &&
          (found.length === 0
            ? `Nothing found for “${query.trim()}”.`
            : `${found.length} ${found.length === 1 ? 'place' : 'places'} found`)}
      </p>
      {found && found.length === 0 && (
        <p className={css.where}>Nothing found for “{query.trim()}”. One word finds more than a sentence.</p>
      )}
      {found && found.length > 0 && (
        <ol className={css.found} aria-label="Found in the guide">
          {found.map(({ id: at, title, section, text }) => (
            <li key={at}>
              <a href={`#${at}`}>
                <span>
                  <b>{title}</b> <span className={css.where}>{section === title ? '' : section}</span>
                </span>
                <span className={css.piece}>{text}</span>
              </a>
            </li>
          ))}
        </ol>
      )}
    </search>
  );
}
