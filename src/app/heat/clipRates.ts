import { MAX_TRACE_SECONDS } from '../../core/kit/model.ts';

const KEY = 'cool-reel clip rates';

/** A clip’s own rates, second by second, for the heat run that is opened next: an address cannot carry them. */
export function keepClipRates(rates: readonly number[] | null): void {
  try {
    if (rates && rates.length > 0 && rates.length <= MAX_TRACE_SECONDS)
      sessionStorage.setItem(KEY, JSON.stringify(rates));
    else sessionStorage.removeItem(KEY);
  } catch {
    // Storage may be full or refused: the heat run then says that the rates are lost.
  }
}

/** The rates that were kept in this tab; null where none are. */
export function clipRates(): readonly number[] | null {
  try {
    const rates: unknown = JSON.parse(sessionStorage.getItem(KEY) ?? 'null');
    const isRates =
      Array.isArray(rates) &&
      rates.length > 0 &&
      rates.length <= MAX_TRACE_SECONDS &&
      rates.every((one) => typeof one === 'number' && one >= 0 && one <= 1e6);
    return isRates ? (rates as readonly number[]) : null;
  } catch {
    return null;
  }
}
