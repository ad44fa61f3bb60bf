import type { Doubt } from '../../core/bodies/rate/plausibility.ts';
import { assertNever } from '../../core/result.ts';
import { plain } from '../quantity.ts';

/** A doubt about a rate, asked and not refused. */
export function doubtText(doubt: Doubt): string {
  switch (doubt.code) {
    case 'bits-or-bytes':
      return doubt.because === 'neighbours'
        ? 'Bits or bytes? This is about eight times off the other modes of this camera.'
        : 'Bits or bytes? Eight times off, it would be usual for this picture.';
    case 'bits-per-pixel':
      return `${plain(doubt.value, 2)} bits a pixel is unusual: ${doubt.min} to ${doubt.max} is common for this family. Check the figure.`;
    case 'above-level':
      return `Above what ${doubt.codec} level ${doubt.level} allows (${plain(doubt.maxKbps / 1000)} Mb/s). Check the figure.`;
    default:
      return assertNever(doubt);
  }
}
