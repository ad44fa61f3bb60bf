import css from './BoardEmpty.module.css';

/** A board without modes or without cards: says which is missing and where to add it. */
export function BoardEmpty({ rows, cards }: { readonly rows: number; readonly cards: number }) {
  return (
    <div className={css.empty}>
      <h2>No cameras or cards yet</h2>
      <p>
        Add a camera and a card. This page then shows, for every mode and card, whether the card is fast enough and how
        many minutes it lasts.
      </p>
      <p className={css.links}>
        {rows === 0 && <a href="/bodies">Add a camera with a mode</a>}
        {cards === 0 && <a href="/cards">Add a card</a>}
        <span className="soft">or load the demo kit under Kit.</span>
      </p>
    </div>
  );
}
