import Papa from 'papaparse';
import { MAX_TRACE_SECONDS } from '../../core/kit/model.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { finish, type Steps } from '../../core/steps.ts';

/** What a clip writes: one rate a second, MB/s. */
export type RateTrace = readonly number[];

export type TraceProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'too-long'; readonly max: number }
  | { readonly code: 'not-a-rate'; readonly line: number; readonly text: string };

const MAX_MBPS = 1e6;
/** Lines read at a time. */
const CHUNK = 2000;

/**
 * Reads a rate trace, in steps: one rate in MB/s a line, one line a second, from the last column of a table or alone. A
 * first line without a number is a heading. It stops at the first line that is no rate, or one too many.
 */
export function* traceSteps(text: string): Steps<Result<RateTrace, TraceProblem>> {
  const tidy = text.replace(/^\ufeff/, '');
  // Blank lines are skipped, and a file a thousand times too long is not unfolded to be refused.
  const { data } = Papa.parse<string[]>(tidy, { skipEmptyLines: 'greedy', preview: MAX_TRACE_SECONDS + 2 });
  const cells = data.map((row) => (row.at(-1) ?? '').trim());
  const heading = cells.length > 0 && !/\d/.test(cells[0] ?? '');
  const rates: number[] = [];
  for (const [at, cell] of cells.entries()) {
    if (at % CHUNK === 0) yield at / cells.length;
    if (at === 0 && heading) continue;
    const value = cell === '' ? Number.NaN : Number(cell);
    if (!(value >= 0 && value <= MAX_MBPS)) return err({ code: 'not-a-rate', line: at + 1, text: cell.slice(0, 40) });
    rates.push(value);
    if (rates.length > MAX_TRACE_SECONDS) return err({ code: 'too-long', max: MAX_TRACE_SECONDS });
  }
  return rates.length === 0 ? err({ code: 'empty' }) : ok(rates);
}

/** The same at once. */
export const rateTrace = (text: string): Result<RateTrace, TraceProblem> => finish(traceSteps(text));
