import { LISTS } from './collections.ts';
import { extraOf, type Kit } from './kit.ts';

/** A kit with the named keys first, in the order of the file, and everything unknown after them. */
function inOrder(kit: Kit): object {
  const { format, version, settings } = kit;
  const lists = Object.fromEntries(LISTS.map((list) => [list, kit[list]]));
  return { format, version, ...lists, settings, ...extraOf(kit) };
}

/** The text of a kit file: two-space JSON, to be read by a person too. */
export const kitText = (kit: Kit): string => `${JSON.stringify(inOrder(kit), null, 2)}\n`;

/** The same in one line, for a program alone. */
export const compactKitText = (kit: Kit): string => `${JSON.stringify(inOrder(kit))}\n`;

/** `kit-2026-05-04.coolreel.json` for a day given as ISO text. */
export const kitFileName = (isoDate: string): string => `kit-${isoDate.slice(0, 10)}.coolreel.json`;
