import css from './Shell.module.css';

/** Until the kit is open. */
export const Opening = () => (
  <p className={css.note} role="status">
    Opening your kit…
  </p>
);
