import { assertNever } from '../../core/result.ts';
import type { KitRefusal } from '../../kit/importKit.ts';

/** A file whose content is not what its digest was made of. */
export const NOT_WHOLE =
  'This file is not as it was written: its digest does not fit. If nobody changed it by hand it was damaged on its way: look closely at what comes in, or fetch it again.';

/** Why a kit file was refused: what, where, what to do. Always ends in the same assurance. */
export function kitRefusalText(refusal: KitRefusal): string {
  switch (refusal.code) {
    case 'too-large':
      return `The file holds ${(refusal.length / 1e6).toFixed(1)} million characters; ${refusal.max / 1e6} million are read. Is it a kit?`;
    case 'too-deep':
      return `The file nests deeper than ${refusal.max} levels. A kit does not; it was not opened.`;
    case 'not-json':
      return `Not JSON from line ${refusal.line}, column ${refusal.column}, near “${refusal.near.trim()}”. Correct it there, or export the kit again.`;
    case 'not-a-kit':
      return 'This is not a kit file: it must begin with "format": "cool-reel-kit".';
    case 'other-version':
      return `The version in this file is ${JSON.stringify(refusal.version) ?? 'unknown'}, not a whole number. Nothing was imported. Export the file again from the program that wrote it.`;
    case 'newer-version':
      return `The file is of version ${refusal.version}, newer than this app reads. Reload the app to bring it up to date, or export the kit again where it came from.`;
    case 'forbidden-key':
      return `The key ${refusal.key} at ${refusal.path} is not allowed. Remove it.`;
    case 'unread':
      return 'The file could not be read to its end: this device may have too little memory for it. Try again, or on a larger one.';
    case 'invalid': {
      const count = refusal.problems.length + refusal.more;
      return `${count === 1 ? 'One entry in this file has values' : `${count} entries in this file have values`} the app cannot use. Correct them in the file, or export the kit again.`;
    }
    default:
      return assertNever(refusal);
  }
}
