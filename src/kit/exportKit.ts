import type { Kit } from './kit.ts';

/** The text of a kit file: two-space JSON, the named keys first, everything unknown after them. */
export function kitText(kit: Kit): string {
  const { format, version, bodies, cards, tests, plans, prices, settings, ...extra } = kit;
  return `${JSON.stringify({ format, version, bodies, cards, tests, plans, prices, settings, ...extra }, null, 2)}\n`;
}

/** `kit-2026-05-04.coolreel.json` for a date given as ISO text. */
export const kitFileName = (isoDate: string): string => `kit-${isoDate.slice(0, 10)}.coolreel.json`;
