import { labelReading, overallOf } from '../../app/cards/labelReading.ts';
import { labelProblemText, markMeaning, overallText, peakText } from '../../text/cards/label.ts';
import css from './QuickAnswer.module.css';

interface QuickLabelProps {
  readonly text: string;
  /** The line with the printed speed taken for what the camera writes; null where none is printed. */
  readonly asStream: string | null;
  readonly onReplace: (text: string) => void;
}

/** A label alone in the line: what it promises, and what has to be added for an answer about a take. */
export default function QuickLabel({ text, asStream, onReplace }: QuickLabelProps) {
  const reading = labelReading(text);
  const { label, problems, formName } = reading;
  const overall = overallOf(reading);
  const peak = peakText(label);
  return (
    <div className={css.answer}>
      <div className={css.head}>
        <span className={`${css.word} tone-${overall.tone}`}>{overallText(overall)}</span>
      </div>
      <div className={css.reason}>
        <p>
          {formName}
          {label.form === null && ' (taken for one)'}.{' '}
          {label.marks.map((key) => `${key}: ${markMeaning(key)}.`).join(' ')} {peak && `${peak}.`}
        </p>
        {problems.map(({ problem }) => (
          <p key={JSON.stringify(problem)} className="tone-warm">
            {labelProblemText(problem)}
          </p>
        ))}
        <p>
          Add the rate your camera writes, such as 600 Mb/s, to check this card against it.{' '}
          {asStream && (
            <button type="button" className="plain-button" onClick={() => onReplace(asStream)}>
              the camera writes that
            </button>
          )}
        </p>
      </div>
    </div>
  );
}
