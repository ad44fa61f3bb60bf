import Papa from 'papaparse';
import { MAX_TRACE_SECONDS } from '../../core/kit/model.ts';
import { err, ok, type Result } from '../../core/result.ts';

export type TraceProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'too-long'; readonly max: number }
  | { readonly code: 'not-a-rate'; readonly line: number; readonly text: string };

const MAX_MBPS = 1e6;

/**
 * Reads a demand trace: one rate in MB/s a line, one line a second, from the last column of a table or alone. A first line
 * without a number is a heading.
 */
export function demandOfText(text: string): Result<readonly number[], TraceProblem> {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), { skipEmptyLines: 'greedy' });
  const cells = data.map((row) => (row.at(-1) ?? '').trim());
  const heading = cells.length > 0 && !/\d/.test(cells[0] ?? '');
  const rates: number[] = [];
  for (const [at, cell] of cells.entries()) {
    if (at === 0 && heading) continue;
    const value = cell === '' ? Number.NaN : Number(cell);
    if (!(value >= 0 && value <= MAX_MBPS)) return err({ code: 'not-a-rate', line: at + 1, text: cell.slice(0, 40) });
    rates.push(value);
    if (rates.length > MAX_TRACE_SECONDS) return err({ code: 'too-long', max: MAX_TRACE_SECONDS });
  }
  return rates.length === 0 ? err({ code: 'empty' }) : ok(rates);
}
