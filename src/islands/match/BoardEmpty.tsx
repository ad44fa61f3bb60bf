import css from './BoardEmpty.module.css';

/** A board without modes or without cards: says which is missing and where to add it. */
export function BoardEmpty({ rows, cards }: { readonly rows: number; readonly cards: number }) {
  return (
    <div className={css.empty}>
      <h2>The board is empty</h2>
      <p>
        Rows are modes, columns are cards; each crossing says whether the card holds the mode, and for how many minutes.
      </p>
      <p className={css.links}>
        {rows === 0 && <a href="/bodies">Add a body with a mode</a>}
        {cards === 0 && <a href="/cards">Add a card</a>}
        <span className="soft">or load the demo kit under Kit.</span>
      </p>
    </div>
  );
}
