import { asKind, PLAIN_KINDS } from '../../app/bodies/plainKinds.ts';
import { drafted } from '../../app/kit/draft.ts';
import type { Body } from '../../core/kit/model.ts';
import { copyOfBody } from '../../kit/copies.ts';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';

interface StartFromProps {
  readonly form: DraftForm<Body>;
  readonly others: readonly Body[];
}

/** What a new body can begin from: a plain kind, or a body that is there already. Its own name stays. */
export function StartFrom({ form, others }: StartFromProps) {
  const { values } = form;
  const take = (next: typeof values) => form.setValues(next);
  const copy = (other: Body): void => {
    const { id, name } = values;
    take({ ...drafted(copyOfBody(other, id, '')), name });
  };
  return (
    <fieldset className={css.section}>
      <legend className={css.legend}>Begin from</legend>
      <div className={css.kinds}>
        {PLAIN_KINDS.map((kind) => (
          <button
            key={kind.key}
            type="button"
            className={css.kind}
            aria-pressed={values.note === kind.name}
            onClick={() => take(asKind(values, kind))}
          >
            <span>{kind.name}</span>
            <small>{kind.about}</small>
          </button>
        ))}
        {others.map((other) => (
          <button key={other.id} type="button" className={css.kind} onClick={() => copy(other)}>
            <span>Copy of {other.name}</span>
            <small>its slots and {other.modes.length === 1 ? 'one mode' : `${other.modes.length} modes`}</small>
          </button>
        ))}
      </div>
      <p className={css.hint}>
        This fills in the slots and a heat estimate. Take the slots’ bus and every rate from the manual.
      </p>
    </fieldset>
  );
}
