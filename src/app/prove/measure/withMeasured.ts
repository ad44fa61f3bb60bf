import type { Mode, ModeRate } from '../../../core/kit/model.ts';

/** A mode with a measured rate; what it had from elsewhere is kept beside it, an earlier measurement is not. */
export function withMeasured(mode: Mode, rate: ModeRate): Mode {
  const others = [mode.rate, ...(mode.otherRates ?? [])].filter(({ source }) => source !== 'measured');
  return { ...mode, rate, otherRates: others };
}
