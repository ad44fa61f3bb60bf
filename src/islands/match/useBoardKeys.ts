import type { KeyboardEvent } from 'react';

interface BoardKeys {
  readonly active: { readonly row: number; readonly column: number };
  readonly rows: number;
  readonly columns: number;
  readonly onMove: (row: number, column: number) => void;
}

/** Rows a page key moves. */
const PAGE = 8;

const clamp = (value: number, count: number): number => Math.max(0, Math.min(count - 1, value));

/** Arrows, Home, End, page keys move on the board; Enter goes to the reason. */
export function useBoardKeys({ active, rows, columns, onMove }: BoardKeys) {
  return (event: KeyboardEvent): void => {
    const { row, column } = active;
    const targets: Readonly<Record<string, readonly [number, number]>> = {
      ArrowUp: [row - 1, column],
      ArrowDown: [row + 1, column],
      ArrowLeft: [row, column - 1],
      ArrowRight: [row, column + 1],
      PageUp: [row - PAGE, column],
      PageDown: [row + PAGE, column],
      Home: event.ctrlKey ? [0, 0] : [row, 0],
      End: event.ctrlKey ? [rows - 1, columns - 1] : [row, columns - 1],
    };
    const target = targets[event.key];
    if (target) {
      event.preventDefault();
      onMove(clamp(target[0], rows), clamp(target[1], columns));
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      onMove(row, column);
      // The panel is drawn with the new selection; focus follows once it stands.
      requestAnimationFrame(() => document.getElementById('why')?.focus());
    }
  };
}
