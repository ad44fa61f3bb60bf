import type { OwnAnswer } from '../../app/match/ownAnswer.ts';
import type { CellPick } from '../../app/match/subject.ts';
import type { Settings } from '../../kit/kit.ts';
import { copySeconds, ownCopyText, timeFigure } from '../../text/match/ownCopy.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import { Amount } from '../../ui/Amount.tsx';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import { OwnOpen } from './OwnOpen.tsx';
import css from './QuickAnswer.module.css';

interface QuickOwnProps {
  readonly own: OwnAnswer;
  /** Selects a cell of the board. */
  readonly onPick: (pick: CellPick) => void;
  readonly settings: Settings;
  readonly onReplace: (text: string) => void;
}

const NO_READER = 'No plan has a reader that takes it. Add how fast yours is: copy 64GB at 95 MB/s.';

/** The answer to a line about one's own body, mode and card: the board's own, or which of several is meant. */
export function QuickOwn({ own, onPick, settings, onReplace }: QuickOwnProps) {
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
  if (own.code === 'open') return <OwnOpen own={own} text={own.text} settings={settings} />;
  if (own.code === 'which-reader')
    return (
      <div className={css.reason}>
        <p>{own.readers.length > 0 ? `${own.card} through which reader?` : NO_READER}</p>
        <ul className={css.readings} aria-label="Which reader">
          {own.readers.map(({ name, line }) => (
            <li key={name}>
              <button type="button" className="plain-button" onClick={() => onReplace(line)}>
                {name}
              </button>
            </li>
          ))}
        </ul>
      </div>
    );
  if (own.code === 'copy') {
    const { copying, card, reader } = own;
    return (
      <div className={css.answer}>
        <div className={css.head}>
          <span className={css.word}>Copies in</span>
          <span className={css.figure}>
            <Amount figure={timeFigure(copySeconds(copying.seconds))} unit="" />
          </span>
        </div>
        <p className={css.reason}>{ownCopyText(card, reader, copying)}</p>
      </div>
    );
  }
  if (own.code === 'fits') return null;
  const { verdict, tone, figure, byTheBox, sentence, pick } = own;
  return (
    <div className={css.answer}>
      <div className={css.head}>
        <span className={`${css.word} tone-${tone}`}>
          <VerdictGlyph verdict={verdict} size={23} />
          {VERDICT_WORDS[verdict]}
        </span>
        {figure.figure !== '—' && (
          <span className={css.minutes}>
            <span className={css.figure}>
              <Amount {...figure} />
            </span>
            {byTheBox !== null && <span className={css.kind}>{byTheBox}</span>}
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
