import type { Body } from '../../core/kit/model.ts';
import type { Row } from '../../core/match/evaluate.ts';

/** What the board's rows are: a heading for each body, then its modes. */
export type Entry =
  | { readonly kind: 'body'; readonly body: Body }
  | { readonly kind: 'mode'; readonly row: Row; readonly rowAt: number };

export function boardEntries(rows: readonly Row[]): readonly Entry[] {
  const entries: Entry[] = [];
  rows.forEach((row, rowAt) => {
    if (rows[rowAt - 1]?.body !== row.body) entries.push({ kind: 'body', body: row.body });
    entries.push({ kind: 'mode', row, rowAt });
  });
  return entries;
}
