import { BURN_TEXT } from '../heat/heat.ts';
import type { GuideEntry } from './entry.ts';

/** What may lose footage or hurt somebody [domain.md §10]. */
export const CAUTIONS: readonly GuideEntry[] = [
  {
    id: 'caution-media',
    title: 'Cards',
    text: [
      'The wrong card loses the take, and the client with it. A slow reader only costs patience.',
      'Never use an untested borderline card on a once-only job. One pass is not a guarantee.',
      'Buy from sellers you know, and verify the capacity of a card before its first use.',
      'Format in the camera, after two verified copies and not before.',
      'Check the lock switch of an SD card. Do not pull a card while the lamp is on.',
    ],
  },
  {
    id: 'caution-heat',
    title: 'Heat',
    text: [
      'Cards and cameras can be too hot to hold after long takes at high rates: let them cool.',
      BURN_TEXT,
      'Do not cover vents. What is estimated here is no safety limit: the maker’s manual stands above it.',
    ],
  },
  {
    id: 'caution-law',
    title: 'Flying and mounting',
    text: ['Aerial work and cameras on vehicles follow local law and licensed practice. Nothing here replaces either.'],
  },
];
