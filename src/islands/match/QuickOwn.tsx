import type { OwnAnswer } from '../../app/match/ownAnswer.ts';
import type { CellPick } from '../../app/match/subject.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import { Amount } from '../../ui/Amount.tsx';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import css from './QuickAnswer.module.css';

interface QuickOwnProps {
  readonly own: OwnAnswer;
  /** Selects a cell of the board. */
  readonly onPick: (pick: CellPick) => void;
}

/** The answer to a line about one's own body, mode and card: the board's own, or which of several is meant. */
export function QuickOwn({ own, onPick }: QuickOwnProps) {
  if (own.code === 'which') {
    return (
      <div className={css.answer}>
        <div className={css.reason}>
          <p>
            Which {own.what} on {own.card}?
          </p>
          <ul className={css.readings} aria-label={`Which ${own.what}`}>
            {own.choices.map(({ pick, name }) => (
              <li key={`${pick.bodyId} ${pick.modeId}`}>
                <button type="button" className="plain-button" onClick={() => onPick(pick)}>
                  {name}
                </button>
              </li>
            ))}
          </ul>
        </div>
      </div>
    );
  }
  const { verdict, tone, figure, sentence, pick } = own;
  return (
    <div className={css.answer}>
      <div className={css.head}>
        <span className={`${css.word} tone-${tone}`}>
          <VerdictGlyph verdict={verdict} size={23} />
          {VERDICT_WORDS[verdict]}
        </span>
        {figure.figure !== '—' && (
          <span className={css.figure}>
            <Amount {...figure} />
          </span>
        )}
      </div>
      <div className={css.reason}>
        <p>
          {sentence}{' '}
          <button type="button" className="plain-button" onClick={() => onPick(pick)}>
            Why
          </button>
        </p>
      </div>
    </div>
  );
}
