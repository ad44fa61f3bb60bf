import { ASSUMED } from '../core/standards/assumptions.ts';
import { plain } from './quantity.ts';

const percent = (share: number): string => `${plain(share * 100, 1)} %`;

/** What is assumed, in words; the values stand in the table of assumptions alone. */
export const ASSUMED_WORDS = {
  usable: percent(ASSUMED.usableFraction.value),
  derating: percent(ASSUMED.makerDerating.value),
  headroom: percent(ASSUMED.headroom.value),
  fixed: `${plain(ASSUMED.fixedMbps.value)} Mb/s`,
  perFrame: `${plain(ASSUMED.perFrameKB.value)} kB`,
} as const;
