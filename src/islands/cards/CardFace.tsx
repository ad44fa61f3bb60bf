import { faceRows } from '../../app/cards/labelReading.ts';
import type { PrintedLabel } from '../../core/cards/readLabel.ts';
import type { Form } from '../../core/standards/forms.ts';
import { capacityText } from '../../text/quantity.ts';
import css from './CardFace.module.css';

interface CardFaceProps {
  readonly label: PrintedLabel;
  readonly form: Form;
  readonly formName: string;
  /** Words that a picture may show and that nobody has confirmed. */
  readonly asked?: readonly string[];
  /** A capacity that nobody has confirmed. */
  readonly askedCapacity?: string | null;
  readonly onToggle: (word: string) => void;
}

/** A card drawn plainly, on which every mark can be tapped on or off. */
export function CardFace({ label, form, formName, asked = [], askedCapacity = null, onToggle }: CardFaceProps) {
  const words: readonly string[] = label.words;
  return (
    <div className={css.face} data-form={form}>
      <p className={css.form}>
        {formName}
        {label.form === null && <span className="soft">, taken for one</span>}
      </p>
      <p className={css.capacity} data-asked={askedCapacity !== null || undefined}>
        {askedCapacity !== null ? `${askedCapacity}?` : label.capacity === null ? '—' : capacityText(label.capacity)}
      </p>
      {faceRows(form).map(([name, row]) => (
        <fieldset key={name} className={css.row}>
          <legend className="unseen">{name}</legend>
          {row.map((word) => (
            <button
              key={word}
              type="button"
              className={css.mark}
              aria-pressed={words.includes(word)}
              data-asked={asked.includes(word) || undefined}
              onClick={() => onToggle(word)}
            >
              {word}
            </button>
          ))}
        </fieldset>
      ))}
    </div>
  );
}
