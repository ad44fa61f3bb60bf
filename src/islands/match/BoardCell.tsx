import { memo } from 'react';
import { cellTone } from '../../app/match/answers.ts';
import type { HeatLevel } from '../../core/heat/run/level.ts';
import type { Body, Card, Mode, TakeKind } from '../../core/kit/model.ts';
import type { Cell } from '../../core/match/cell.ts';
import { cellAside, cellFigure, spokenCell } from '../../text/match/cell.ts';
import { CELL_WORDS, VERDICT_WORDS } from '../../text/match/verdict.ts';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import css from './BoardCell.module.css';
import { cellId } from './cellId.ts';

interface BoardCellProps {
  readonly cell: Cell;
  readonly card: Card;
  readonly body: Body;
  readonly mode: Mode;
  readonly take: TakeKind;
  readonly row: number;
  readonly column: number;
  readonly left: number;
  readonly width: number;
  readonly picked: boolean;
  readonly active: boolean;
  /** Null where the rate does not hold, or heat is not worked out yet. */
  readonly heat: HeatLevel | null;
  readonly onPick: (row: number, column: number) => void;
}

/** Minutes, glyph and word; below them what stands against it: heat, or a card that waits for copies. Read aloud as one sentence. */
export const BoardCell = memo(function BoardCell(props: BoardCellProps) {
  const { cell, card, body, mode, take, row, column, left, width, picked, active, heat, onPick } = props;
  const { verdict } = cell;
  const figure = cellFigure(cell);
  const aside = cellAside(cell, card, heat, true);
  return (
    <div
      id={cellId(row, column)}
      className={css.cell}
      data-tone={cellTone(cell, take)}
      data-verdict={verdict}
      data-active={active || undefined}
      data-picked={picked || undefined}
      data-heat={heat ?? undefined}
      style={{ left, width }}
      role="gridcell"
      aria-colindex={column + 2}
      aria-selected={picked}
      aria-label={spokenCell({ cell, body, mode, card }, heat)}
      onClick={() => onPick(row, column)}
    >
      {verdict === 'unfit' ? (
        <span className={css.word}>{VERDICT_WORDS.unfit}</span>
      ) : (
        <>
          <span className={css.figure}>
            {figure.figure}
            {figure.unit && <span className="unit">{`\u00a0${figure.unit}`}</span>}
          </span>{' '}
          <span className={css.word}>
            <VerdictGlyph verdict={verdict} size={12} />
            {CELL_WORDS[verdict]}
          </span>{' '}
          {aside && <span className={css.aside}>{aside}</span>}
        </>
      )}
    </div>
  );
});
