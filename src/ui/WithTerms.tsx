import { termsIn } from '../text/guide/terms.ts';
import { Term } from './Term.tsx';

/** A text of the app in which every word that the guide explains opens its entry. Never within a button or a link. */
export const WithTerms = ({ text }: { readonly text: string }) =>
  termsIn(text).map(({ text: piece, term }, at, all) =>
    term === null ? (
      piece
    ) : (
      <Term key={at} of={term} alone={all.length === 1}>
        {piece}
      </Term>
    ),
  );
