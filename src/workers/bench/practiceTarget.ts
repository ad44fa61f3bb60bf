import { pattern } from '../../core/prove/bench/pattern.ts';
import { lastWrittenAt, type Practice, paceOf } from '../../core/prove/bench/practice.ts';
import type { Target } from './target.ts';

/**
 * A practice card as something to write to. It keeps no byte: a pattern tells what stands where, so that a card of any size
 * fits into a page. It lives faster than the clock.
 *
 * @param faster - seconds of the card in one second of the clock
 */
export function practiceTarget(card: Practice, seed: number, faster: number): Target {
  const pace = paceOf(card);
  const known = pattern(seed);
  const labelBytes = card.labelGB * 1e9;
  let written = 0;
  let debt = 0;
  return {
    written: 0,
    verified: 0,
    async write(piece, offset) {
      if (offset + piece.length > labelBytes) return null;
      // A card that holds less is no slower for it.
      const seconds = pace(offset + piece.length) - pace(offset);
      written = offset + piece.length;
      return { seconds, written };
    },
    settle: async () => ({ seconds: 0, written }),
    async read(piece, offset) {
      for (let at = 0; at < piece.length; ) {
        const from = lastWrittenAt(offset + at, written, card.realBytes);
        const room = card.realBytes - ((offset + at) % card.realBytes);
        // Up to where the card begins anew, or to the newest byte, behind which an older lap stands.
        const length = Math.min(piece.length - at, room, written - from);
        known.fill(piece.subarray(at, at + length), from);
        at += length;
      }
      return piece.length / (card.readMBps * 1e6);
    },
    note: async () => {},
    async watched(seconds) {
      debt += seconds / faster;
      if (debt < 0.05) return;
      const wait = debt * 1000;
      debt = 0;
      await new Promise((go) => setTimeout(go, wait));
    },
    close: async () => {},
  };
}
