/** The document id of a cell, by place; what the grid names as its active descendant. */
export const cellId = (row: number, column: number): string => `cell-${row}-${column}`;
