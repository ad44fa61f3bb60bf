import { useMediaQuery } from '@mantine/hooks';
import { defaultRangeExtractor, type Range, useVirtualizer, type VirtualItem } from '@tanstack/react-virtual';
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { HeatMarks } from '../../app/heat/useHeatMarks.ts';
import { boardEntries, type Entry, type Section } from '../../app/match/entries.ts';
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
  /** What is tried of rows, by body and mode. */
  readonly tried: ReadonlyMap<string, string>;
  /** The one body that is shown; null: all of them. */
  readonly only: string | null;
  readonly onOnly: (bodyId: string | null) => void;
  readonly onPick: (pick: CellPick) => void;
}

const SIZES = {
  wide: { side: 216, cell: 118, row: 64, head: 92 },
  narrow: { side: 124, cell: 114, row: 66, head: 92 },
} as const;
/** Before it is measured: what is drawn first should be about what is seen, in one go. */
const firstRect = () => ({ width: window.innerWidth * 0.7, height: window.innerHeight * 0.6 });

/** Modes against cards, body by body, each with the cards that enter it; virtualised both ways, headings staying. */
export function Board({ board, take, picked, heat, tried, only, onOnly, onPick }: BoardProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const narrow = useMediaQuery('(max-width: 760px)') ?? false;
  const size = narrow ? SIZES.narrow : SIZES.wide;
  const entries = useMemo(() => boardEntries(board.rows, board.cards, only), [board.rows, board.cards, only]);
  // What is beyond the edges comes once what is in view stands.
  const [settled, setSettled] = useState(false);
  useEffect(() => whenIdle(() => startTransition(() => setSettled(true))), []);
  const modes = useMemo(() => entries.flatMap((entry, place) => (entry.kind === 'mode' ? [place] : [])), [entries]);
  const placeOf = useMemo(() => new Map(modes.map((entryAt, place) => [entryAt, place])), [modes]);
  const [at, setAt] = useState({ row: 0, column: 0 });
  const activeEntry = modes[Math.min(at.row, modes.length - 1)] ?? 0;
  const activeRow = entries[activeEntry];
  const across = activeRow?.section.cards.at.length ?? 0;
  const active = { row: Math.min(at.row, modes.length - 1), column: Math.max(0, Math.min(at.column, across - 1)) };
  // The active cell is always drawn, so that the grid never points a screen reader at nothing.
  const withActive =
    (extra: number) =>
    (range: Range): number[] => {
      const shown = defaultRangeExtractor(range);
      return shown.includes(extra) || extra >= range.count ? shown : [...shown, extra].sort((a, b) => a - b);
    };
  const rows = useVirtualizer({
    count: entries.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => (entries[index]?.kind === 'body' ? size.head : size.row),
    useFlushSync: false,
    initialRect: firstRect(),
    overscan: settled ? 6 : 0,
    scrollPaddingStart: size.head,
    rangeExtractor: withActive(activeEntry),
  });
  const most = useMemo(() => Math.max(0, ...entries.map(({ section }) => section.cards.at.length)), [entries]);
  const columns = useVirtualizer({
    horizontal: true,
    count: most,
    getScrollElement: () => scroller.current,
    estimateSize: () => size.cell,
    useFlushSync: false,
    initialRect: firstRect(),
    overscan: settled ? 4 : 0,
    scrollPaddingStart: size.side,
    rangeExtractor: withActive(active.column),
  });
  // Both keep the sizes they measured; a turned phone or a new kit changes them.
  // biome-ignore lint/correctness/useExhaustiveDependencies: measured anew when sizes or rows change, not when the virtualizer is another object
  useEffect(() => {
    rows.measure();
    columns.measure();
  }, [size, entries]);
  const pickAt = useCallback(
    (row: number, wanted: number) => {
      const entry = entries[modes[row] ?? -1];
      // Bodies have as many columns as cards that enter them: from a longer row one comes to the last of a shorter.
      const column = Math.max(0, Math.min(wanted, (entry?.section.cards.at.length ?? 0) - 1));
      const card = entry && board.cards[entry.section.cards.at[column] ?? -1];
      setAt({ row, column });
      if (entry?.kind === 'mode' && card)
        onPick({ bodyId: entry.row.body.id, modeId: entry.row.mode.id, cardId: card.id });
    },
    [entries, modes, board.cards, onPick],
  );
  const onKeyDown = useBoardKeys({
    active,
    rows: modes.length,
    columns: across,
    onMove: (row, column) => {
      pickAt(row, column);
      rows.scrollToIndex(modes[row] ?? 0);
      columns.scrollToIndex(column);
    },
  });
  const width = size.side + columns.getTotalSize();
  const shownColumns = columns.getVirtualItems();
  const shownRows = rows.getVirtualItems();
  const inView = [shownColumns, shownRows].map((items) => `${items[0]?.index} ${items.at(-1)?.index}`).join(' ');
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is in view is told by its edges; the lists of it are others at every render
  useEffect(() => {
    const cells = shownRows.flatMap(({ index }) => {
      const entry = entries[index];
      if (entry?.kind !== 'mode') return [];
      return shownColumns.flatMap(({ index: column }) => {
        const place = entry.section.cards.at[column];
        return place === undefined ? [] : (board.cellAt(place, entry.rowAt) ?? []);
      });
    });
    heat.want(cells);
  }, [heat, board, entries, inView]);
  // A trial may lead to another row or card: it is brought into view.
  // biome-ignore lint/correctness/useExhaustiveDependencies: brought into view when another cell is picked or rows change, not whenever a virtualizer is another object
  useEffect(() => {
    if (!picked) return;
    const entryAt = entries.findIndex(
      (entry) => entry.kind === 'mode' && entry.row.body.id === picked.bodyId && entry.row.mode.id === picked.modeId,
    );
    const entry = entries[entryAt];
    const column = entry?.section.cards.at.findIndex((place) => board.cards[place]?.id === picked.cardId) ?? -1;
    if (!entry || column < 0) return;
    setAt({ row: placeOf.get(entryAt) ?? 0, column });
    rows.scrollToIndex(entryAt, { align: 'auto' });
    columns.scrollToIndex(column, { align: 'auto' });
  }, [picked?.bodyId, picked?.modeId, picked?.cardId, entries]);
  const sections = sectionsOf(entries, shownRows);
  const startOf = (index: number): number => rows.measurementsCache[index]?.start ?? 0;
  return (
    <div
      ref={scroller}
      className={css.board}
      role="grid"
      aria-label="Modes against cards"
      aria-rowcount={entries.length}
      aria-colcount={most + 1}
      aria-activedescendant={cellId(active.row, active.column)}
      tabIndex={0}
      onKeyDown={onKeyDown}
    >
      <div className={css.rows} style={{ width, height: rows.getTotalSize() }} role="presentation">
        {sections.map(({ section, items }) => {
          const top = startOf(section.from);
          const { body, cards } = section;
          return (
            <div
              key={body.id}
              className={css.section}
              role="rowgroup"
              aria-label={body.name}
              style={{ top, height: size.head + section.count * size.row, width }}
            >
              <div className={css.head} role="row" aria-rowindex={section.from + 1} style={{ height: size.head }}>
                <BodyHeading
                  body={body}
                  outside={cards.outside}
                  width={size.side}
                  alone={only !== null}
                  onAlone={() => onOnly(body.id)}
                />
                {shownColumns.map((column) => {
                  const card = board.cards[cards.at[column.index] ?? -1];
                  return (
                    card && (
                      <CardHeading
                        key={card.id}
                        card={card}
                        index={column.index}
                        left={size.side + column.start}
                        width={column.size}
                        picked={picked?.bodyId === body.id && picked.cardId === card.id}
                      />
                    )
                  );
                })}
                {cards.at.length === 0 && (
                  <p className={css.none} style={{ left: size.side }}>
                    None of your cards fits this camera.
                  </p>
                )}
              </div>
              {items.map((item) => {
                const entry = entries[item.index];
                if (entry?.kind !== 'mode') return null;
                const { row, rowAt } = entry;
                const place = placeOf.get(item.index) ?? 0;
                const isRow = picked?.modeId === row.mode.id && picked.bodyId === body.id;
                return (
                  <div
                    key={row.mode.id}
                    className={css.row}
                    style={{ transform: `translateY(${item.start - top}px)`, height: item.size, width }}
                    role="row"
                    aria-rowindex={item.index + 1}
                  >
                    <ModeHeading
                      row={row}
                      width={size.side}
                      picked={isRow}
                      tried={tried.get(`${body.id} ${row.mode.id}`) ?? ''}
                    />
                    {shownColumns.map((column) => {
                      const cardAt = cards.at[column.index] ?? -1;
                      const card = board.cards[cardAt];
                      const cell = card && board.cellAt(cardAt, rowAt);
                      if (!cell) return null;
                      return (
                        <BoardCell
                          key={card.id}
                          cell={cell}
                          card={card}
                          body={row.body}
                          mode={row.mode}
                          take={take}
                          row={place}
                          column={column.index}
                          left={size.side + column.start}
                          width={column.size}
                          picked={isRow && picked?.cardId === card.id}
                          heat={heat.of(cell)}
                          active={place === active.row && column.index === active.column}
                          onPick={pickAt}
                        />
                      );
                    })}
                  </div>
                );
              })}
            </div>
          );
        })}
      </div>
    </div>
  );
}

/** The bodies of which anything is in view, each with its rows. */
function sectionsOf(entries: readonly Entry[], shown: readonly VirtualItem[]) {
  const sections = new Map<Section, VirtualItem[]>();
  for (const item of shown) {
    const entry = entries[item.index];
    if (!entry) continue;
    const items = sections.get(entry.section) ?? [];
    sections.set(entry.section, items);
    items.push(item);
  }
  return [...sections].map(([section, items]) => ({ section, items }));
}
