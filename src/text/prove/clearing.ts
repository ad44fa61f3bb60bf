import type { Cleared, ClearTime, Limiting, NoBetter, Void } from '../../core/prove/clearing.ts';
import { assertNever } from '../../core/result.ts';
import { paceText } from '../heat/heatWords.ts';
import { plain } from '../quantity.ts';

const NBSP = '\u00a0';

/** Why a burst says nothing of the card. */
export function voidText(reason: Void): string {
  switch (reason.code) {
    case 'never-slowed':
      return 'Not counted: the camera never slowed, so the buffer was never full.';
    case 'shutter':
      return `Not counted: a shutter that long allows ${plain(reason.possibleFps)} pictures a second, not the ${plain(reason.fps)} set, and the buffer never fills.`;
    case 'count':
      return `Not counted: it cannot have slowed after ${plain(reason.slowed)} pictures of ${plain(reason.frames)}.`;
    case 'too-few':
      return `Not counted: ${plain(reason.MB, 0)}${NBSP}MB were taken, and the buffer holds ${plain(reason.bufferMB, 0)}${NBSP}MB.`;
    case 'no-buffer':
      return 'Not counted: how much the buffer held is not known. Enter the camera’s buffer under Cameras, or the pictures until it slowed.';
    default:
      return assertNever(reason);
  }
}

/** What a burst comes to, in a line. */
export const clearedText = ({ bufferedMB, drainMBps, void: reason }: Cleared): string =>
  reason
    ? voidText(reason)
    : drainMBps === null
      ? 'Its time alone: it tells this card from others of the same burst, and no rate.'
      : `${paceText(drainMBps)}: ${plain(bufferedMB ?? 0, 0)}${NBSP}MB written away.`;

/** How long a card took, and how much faster than the slowest that is. */
export const clearTimeText = ({ seconds, times }: ClearTime): string =>
  `${plain(seconds, 1)}${NBSP}s, ${times < 1.05 ? 'the slowest' : `${plain(times, 1)} times as fast as the slowest`}`;

export const LIMITING_TEXT: Readonly<Record<Limiting, string>> = {
  body: 'The camera is the limit: in these tests faster cards were no quicker in it.',
  card: 'The card is the limit: faster ones do better in this camera.',
  mixed:
    'Neither the camera nor the maker’s figures alone explain these results: the card with the highest stated speed was not the fastest in this camera.',
  unknown: 'Camera or card? To find out, test two cards whose stated speeds differ by half or more.',
};

/** That a faster card does no better. */
export const noBetterText = ({ faster, slower }: NoBetter): string =>
  `${faster.card.label} writes a burst away at ${paceText(faster.MBps)}, ${slower.card.label} at ${paceText(slower.MBps)}: the faster card does no better in this camera.`;
