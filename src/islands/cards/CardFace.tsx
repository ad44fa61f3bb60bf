import type { Label } from '../../core/cards/readLabel.ts';
import type { Form } from '../../core/standards/forms.ts';
import { isSd } from '../../core/standards/forms.ts';
import { marksOf } from '../../core/standards/marks.ts';
import { capacityText } from '../../text/quantity.ts';
import css from './CardFace.module.css';

interface CardFaceProps {
  readonly label: Label;
  readonly form: Form;
  readonly onToggle: (word: string) => void;
}

const SD_ROWS: readonly (readonly string[])[] = [
  ['SDHC', 'SDXC', 'SDUC'],
  ['I', 'II', 'III', 'EX'],
  ['C10', 'U1', 'U3'],
  ['V6', 'V10', 'V30', 'V60', 'V90'],
  ['E150', 'E300', 'E450', 'E600'],
  ['A1', 'A2'],
];

const NAMES = ['Family', 'Bus', 'Class and grade', 'Video class', 'Express class', 'For apps'] as const;

/** A card drawn plainly, on which every mark can be tapped on or off. */
export function CardFace({ label, form, onToggle }: CardFaceProps) {
  const rows = isSd(form) ? SD_ROWS : [marksOf(form)];
  const words: readonly string[] = label.words;
  return (
    <div className={css.face} data-form={form}>
      <p className={css.capacity}>{label.capacity === null ? '—' : capacityText(label.capacity)}</p>
      {rows.map((row, at) => (
        <fieldset key={row.join()} className={css.row}>
          <legend className="unseen">{isSd(form) ? NAMES[at] : 'Performance guarantee'}</legend>
          {row.map((word) => (
            <button
              key={word}
              type="button"
              className={css.mark}
              aria-pressed={words.includes(word)}
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
