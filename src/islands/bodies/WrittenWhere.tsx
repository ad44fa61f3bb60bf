import { TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';

interface WrittenWhereProps {
  /** Of the field that holds where the maker says so. */
  readonly props: object;
  readonly onRemove: () => void;
}

/** The end of every entry that rests on a maker's word: where it is written, and the way to take the entry back. */
export function WrittenWhere({ props, onRemove }: WrittenWhereProps) {
  return (
    <>
      <TextField label="Where it says so" props={props} placeholder="manual, page 34" />
      <button type="button" className={`plain-button ${css.remove}`} onClick={onRemove}>
        Remove
      </button>
    </>
  );
}
