import css from './KitMenu.module.css';

/** What the button of the kit is called, in two lines: a backup is looked for by its name. */
export const KitName = () => (
  <>
    Kit <span className={css.backup}>and backup</span>
  </>
);
