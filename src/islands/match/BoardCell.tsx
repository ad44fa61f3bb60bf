import { memo } from 'react';
import type { Cell } from '../../core/match/evaluate.ts';
import { toneOf } from '../../core/match/verdict.ts';
import type { Card, Mode, Take } from '../../core/model/kit.ts';
import { cellFigure, cellSentence } from '../../text/cell.ts';
import { VERDICT_WORDS } from '../../text/verdict.ts';
import { Amount } from '../../ui/Amount.tsx';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import css from './BoardCell.module.css';
import { cellId } from './cellId.ts';

interface BoardCellProps {
  readonly cell: Cell;
  readonly card: Card;
  readonly mode: Mode;
  readonly take: Take;
  readonly row: number;
  readonly column: number;
  readonly left: number;
  readonly width: number;
  readonly picked: boolean;
  readonly active: boolean;
  readonly onPick: (row: number, column: number) => void;
}

/** Minutes, glyph and word; a pair that cannot meet is only a dot. Read aloud as one sentence. */
export const BoardCell = memo(function BoardCell(props: BoardCellProps) {
  const { cell, card, mode, take, row, column, left, width, picked, active, onPick } = props;
  const { verdict } = cell;
  return (
    <div
      id={cellId(row, column)}
      className={css.cell}
      data-tone={toneOf(verdict, take)}
      data-verdict={verdict}
      data-active={active || undefined}
      data-picked={picked || undefined}
      style={{ left, width }}
      role="gridcell"
      aria-colindex={column + 2}
      aria-selected={picked}
      aria-label={cellSentence(cell, mode, card)}
      onClick={() => onPick(row, column)}
    >
      {verdict === 'unfit' ? (
        <span className={css.dot}>·</span>
      ) : (
        <>
          <span className={css.figure}>
            <Amount {...cellFigure(cell)} />
          </span>
          <span className={css.word}>
            <VerdictGlyph verdict={verdict} size={12} />
            {VERDICT_WORDS[verdict]}
          </span>
        </>
      )}
    </div>
  );
});
