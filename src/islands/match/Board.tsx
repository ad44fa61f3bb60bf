import { useMediaQuery } from '@mantine/hooks';
import { defaultRangeExtractor, type Range, useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { HeatMarks } from '../../app/heat/useHeatMarks.ts';
import { boardEntries } from '../../app/match/entries.ts';
import type { CellPick } from '../../app/match/subject.ts';
import type { TakeKind } from '../../core/kit/model.ts';
import type { Board as BoardData } from '../../core/match/board.ts';
import { whenIdle } from '../../ui/whenIdle.ts';
import css from './Board.module.css';
import { BoardCell } from './BoardCell.tsx';
import { BodyHeading, CardHeading, ModeHeading } from './BoardHeadings.tsx';
import { cellId } from './cellId.ts';
import { useBoardKeys } from './useBoardKeys.ts';

interface BoardProps {
  readonly board: BoardData;
  readonly take: TakeKind;
  readonly picked: CellPick | null;
  readonly heat: HeatMarks;
  /** What stands in the corner, over the modes. */
  readonly corner: ReactNode;
  readonly onPick: (pick: CellPick) => void;
}

const SIZES = { wide: { side: 200, cell: 94, row: 48 }, narrow: { side: 128, cell: 92, row: 58 } } as const;
/** Before it is measured: what is drawn first should be about what is seen, in one go. */
const firstRect = () => ({ width: window.innerWidth * 0.7, height: window.innerHeight * 0.6 });
const HEAD = 69;
const BODY_ROW = 37;

/** Modes against cards, virtualised both ways, both headings staying. One grid for keyboard and screen reader. */
export function Board({ board, take, picked, heat, corner, onPick }: BoardProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const narrow = useMediaQuery('(max-width: 760px)') ?? false;
  const size = narrow ? SIZES.narrow : SIZES.wide;
  const entries = useMemo(() => boardEntries(board.rows), [board.rows]);
  // What is beyond the edges comes once what is in view stands.
  const [settled, setSettled] = useState(false);
  useEffect(() => whenIdle(() => startTransition(() => setSettled(true))), []);
  const [at, setAt] = useState({ row: 0, column: 0 });
  const entryOfRow = useMemo(() => {
    const places: number[] = [];
    entries.forEach((entry, place) => {
      if (entry.kind === 'mode') places[entry.rowAt] = place;
    });
    return places;
  }, [entries]);
  const active = { row: Math.min(at.row, board.rows.length - 1), column: Math.min(at.column, board.cards.length - 1) };
  const activeEntry = entryOfRow[active.row] ?? 0;
  // The active cell is always drawn, so that the grid never points a screen reader at nothing.
  const withActive =
    (extra: number) =>
    (range: Range): number[] => {
      const shown = defaultRangeExtractor(range);
      return shown.includes(extra) ? shown : [...shown, extra].sort((a, b) => a - b);
    };
  const rows = useVirtualizer({
    count: entries.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => (entries[index]?.kind === 'body' ? BODY_ROW : size.row),
    useFlushSync: false,
    initialRect: firstRect(),
    overscan: settled ? 6 : 0,
    scrollPaddingStart: HEAD,
    rangeExtractor: withActive(activeEntry),
  });
  const columns = useVirtualizer({
    horizontal: true,
    count: board.cards.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => size.cell,
    useFlushSync: false,
    initialRect: firstRect(),
    overscan: settled ? 4 : 0,
    scrollPaddingStart: size.side,
    rangeExtractor: withActive(active.column),
  });
  // Both keep the sizes they measured; a turned phone or a new kit changes them.
  useEffect(() => {
    rows.measure();
    columns.measure();
  }, [size, entries]);
  const pickAt = useCallback(
    (row: number, column: number) => {
      const target = board.rows[row];
      const card = board.cards[column];
      setAt({ row, column });
      if (target && card) onPick({ bodyId: target.body.id, modeId: target.mode.id, cardId: card.id });
    },
    [board.rows, board.cards, onPick],
  );
  const onKeyDown = useBoardKeys({
    active,
    rows: board.rows.length,
    columns: board.cards.length,
    onMove: (row, column) => {
      pickAt(row, column);
      rows.scrollToIndex(entryOfRow[row] ?? 0);
      columns.scrollToIndex(column);
    },
  });
  const width = size.side + columns.getTotalSize();
  const shownColumns = columns.getVirtualItems();
  const shownRows = rows.getVirtualItems();
  const inView = [shownColumns, shownRows].map((items) => `${items[0]?.index} ${items.at(-1)?.index}`).join(' ');
  useEffect(() => {
    const at = shownRows.flatMap(({ index }) => {
      const entry = entries[index];
      return entry?.kind === 'mode' ? [entry.rowAt] : [];
    });
    heat.want(shownColumns.flatMap(({ index }) => at.flatMap((row) => board.columnAt(index)[row] ?? [])));
  }, [heat, board, entries, inView]);
  const pickedColumn = picked ? board.cards.findIndex(({ id }) => id === picked.cardId) : -1;
  return (
    <div
      ref={scroller}
      className={css.board}
      role="grid"
      aria-label="Modes against cards"
      aria-rowcount={entries.length + 1}
      aria-colcount={board.cards.length + 1}
      aria-activedescendant={cellId(active.row, active.column)}
      tabIndex={0}
      onKeyDown={onKeyDown}
    >
      <div className={css.head} style={{ width, height: HEAD }} role="row" aria-rowindex={1}>
        <div className={css.corner} style={{ width: size.side }} role="columnheader" aria-colindex={1}>
          {corner}
        </div>
        {shownColumns.map((column) => {
          const card = board.cards[column.index];
          return (
            card && (
              <CardHeading
                key={card.id}
                card={card}
                index={column.index}
                left={size.side + column.start}
                width={column.size}
                picked={column.index === pickedColumn}
              />
            )
          );
        })}
      </div>
      <div className={css.rows} style={{ width, height: rows.getTotalSize() }} role="presentation">
        {shownRows.map((item) => {
          const entry = entries[item.index];
          if (!entry) return null;
          const place = { transform: `translateY(${item.start}px)`, height: item.size, width };
          if (entry.kind === 'body') {
            return <BodyHeading key={`body-${entry.body.id}`} body={entry.body} index={item.index} style={place} />;
          }
          const { row, rowAt } = entry;
          return (
            <div
              key={`${row.body.id} ${row.mode.id}`}
              className={css.row}
              style={place}
              role="row"
              aria-rowindex={item.index + 2}
            >
              <ModeHeading
                row={row}
                width={size.side}
                picked={picked?.modeId === row.mode.id && picked.bodyId === row.body.id}
              />
              {shownColumns.map((column) => {
                const card = board.cards[column.index];
                const cell = board.columnAt(column.index)[rowAt];
                if (!card || !cell) return null;
                return (
                  <BoardCell
                    key={card.id}
                    cell={cell}
                    card={card}
                    body={row.body}
                    mode={row.mode}
                    take={take}
                    row={rowAt}
                    column={column.index}
                    left={size.side + column.start}
                    width={column.size}
                    picked={picked !== null && column.index === pickedColumn && isPicked(picked, cell)}
                    heat={heat.of(cell)}
                    active={rowAt === active.row && column.index === active.column}
                    onPick={pickAt}
                  />
                );
              })}
            </div>
          );
        })}
      </div>
    </div>
  );
}

const isPicked = (picked: CellPick, cell: { readonly bodyId: string; readonly modeId: string }): boolean =>
  picked.bodyId === cell.bodyId && picked.modeId === cell.modeId;
