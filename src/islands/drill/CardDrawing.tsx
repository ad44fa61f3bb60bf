import type { Face } from '../../core/drill/face.ts';
import { plain } from '../../text/quantity.ts';
import css from './CardDrawing.module.css';

const NUMERALS: ReadonlySet<string> = new Set(['I', 'II', 'III']);
const FAMILIES: ReadonlySet<string> = new Set(['SD', 'SDHC', 'SDXC', 'SDUC']);

const size = (GB: number): string => (GB < 1000 ? `${plain(GB)} GB` : `${plain(GB / 1000)} TB`);

/** One mark in its own shape: a grade in its bowl, a class in its ring, a numeral with its feet. */
function Mark({ word }: { readonly word: string }) {
  if (NUMERALS.has(word)) return <span className={css.numeral}>{word}</span>;
  if (/^U\d$/.test(word))
    return (
      <span className={css.bowl}>
        <span className="unseen">U</span>
        {word.slice(1)}
      </span>
    );
  if (/^C\d+$/.test(word))
    return (
      <span className={css.ring}>
        <span className="unseen">C</span>
        {word.slice(1)}
      </span>
    );
  return <span className={/^A\d$/.test(word) ? css.app : css.mark}>{word}</span>;
}

/** A made-up card, drawn plainly: what one would read on it. */
export function CardDrawing({ face, small = false }: { readonly face: Face; readonly small?: boolean }) {
  const { capacityGB, words, readMBps } = face;
  const families = words.filter((word) => FAMILIES.has(word));
  const marks = words.filter((word) => !FAMILIES.has(word));
  return (
    <span className={css.face} data-small={small || undefined}>
      <span className={css.top}>
        <span className={css.capacity}>{size(capacityGB)}</span>
        <span className={css.family}>{families.join(' ')}</span>
      </span>
      {readMBps !== null && <span className={css.peak}>up to {readMBps} MB/s</span>}
      <span className={css.marks}>
        {marks.map((word, at) => (
          <Mark key={`${word} ${at}`} word={word} />
        ))}
      </span>
    </span>
  );
}
