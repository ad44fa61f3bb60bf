import {
  type BenchFault,
  type BenchOutcome,
  type BenchPlan,
  type BenchTick,
  type Silence,
  tally,
} from '../../core/prove/bench/bench.ts';
import { PAGE, type Pattern, pattern } from '../../core/prove/bench/pattern.ts';
import type { Target } from './target.ts';

/** Bytes written at a time. */
export const PIECE = 4 * 1024 * 1024;
/** Between two ticks, milliseconds. */
const TICK = 250;
/** A piece that takes this long is a silence to be told, seconds. */
const LONG = 8;
/** Clocks this far apart over a piece: the computer slept, seconds. */
const APART = 3;
/** Bytes in a row that are wrong before the rest is given up as lost. */
const GIVEN_UP = 64 * 1024 * 1024;

/** What a person may wish while a bench runs. */
export interface Wishes {
  readonly cancelled: () => boolean;
  /** Resolves when it may go on. */
  readonly paused: () => Promise<void> | null;
}

export interface Clocks {
  /** Milliseconds that may stand still while the computer sleeps. */
  readonly steady: () => number;
  /** Milliseconds of the calendar. */
  readonly calendar: () => number;
}

const said = (thrown: unknown): string => (thrown instanceof Error ? thrown.message || thrown.name : String(thrown));

/**
 * Writes a pattern, then reads it back and compares. What a target holds already from an earlier run is gone on with. A
 * target that fails in the middle ends the bench with everything that was found until then.
 */
export async function runBench(
  target: Target,
  { limitBytes, mostBytes = null, seed, readsBack }: BenchPlan,
  onTick: (tick: BenchTick) => void,
  { wishes, clocks }: { readonly wishes: Wishes; readonly clocks: Clocks },
): Promise<BenchOutcome> {
  const known = pattern(seed);
  const silences: Silence[] = [];
  const piece = new Uint8Array(PIECE);
  let calendar = clocks.calendar();
  let steady = clocks.steady();
  let ticked = Number.NEGATIVE_INFINITY;
  /** Notes a long piece, and takes what was slept off its time. */
  const awake = (seconds: number, at: number): number => {
    const [byCalendar, bySteady] = [clocks.calendar() - calendar, clocks.steady() - steady];
    const slept = (byCalendar - bySteady) / 1000;
    if (slept > APART) silences.push({ atSeconds: at, seconds: slept, slept: true });
    else if (seconds > LONG) silences.push({ atSeconds: at, seconds, slept: false });
    [calendar, steady] = [clocks.calendar(), clocks.steady()];
    return seconds;
  };
  const waits = async (): Promise<boolean> => {
    const wait = wishes.paused();
    if (wait) {
      await wait;
      [calendar, steady] = [clocks.calendar(), clocks.steady()];
    }
    return wishes.cancelled();
  };
  const tick = async (
    { phase, bytes, ofBytes }: Pick<BenchTick, 'phase' | 'bytes' | 'ofBytes'>,
    times: ReturnType<typeof tally>,
    isLast = false,
  ) => {
    const now = clocks.steady();
    if (!isLast && now - ticked < TICK) return;
    ticked = now;
    onTick({ phase, bytes, ofBytes, seconds: times.seconds(), rates: times.take() });
    // Wishes come as messages.
    await new Promise((go) => setTimeout(go, 0));
  };

  const writing = tally();
  const reading = tally();
  let written = target.written;
  let readBytes = 0;
  let ended: BenchOutcome['ended'] = 'limit';
  let message: string | null = null;
  try {
    while (limitBytes === null || written < limitBytes) {
      if (await waits()) {
        ended = 'cancelled';
        break;
      }
      if (mostBytes !== null && written >= mostBytes) {
        ended = 'beyond';
        break;
      }
      const length = Math.min(PIECE, limitBytes === null ? PIECE : limitBytes - written);
      const part = length === PIECE ? piece : piece.subarray(0, length);
      known.fill(part, written);
      [calendar, steady] = [clocks.calendar(), clocks.steady()];
      const answer = await target.write(part, written);
      if (answer === null) {
        ended = 'full';
        break;
      }
      const { seconds } = answer;
      const more = answer.written - written;
      written = answer.written;
      writing.add(Math.max(0, more), awake(seconds, writing.seconds()));
      await target.watched(seconds);
      await tick({ phase: 'write', bytes: written, ofBytes: limitBytes }, writing);
    }
    const settled = await target.settle();
    writing.add(0, settled.seconds);
    written = settled.written;
  } catch (thrown) {
    ended = 'lost';
    message = said(thrown);
  }
  const outcome = (verified: number, fault: BenchFault | null, end = ended): BenchOutcome => ({
    ended: end,
    writtenBytes: written,
    writeSeconds: writing.seconds(),
    writeRates: writing.rates(),
    verifiedBytes: verified,
    readBytes,
    readSeconds: reading.seconds(),
    fault,
    silences,
    message,
  });
  await tick({ phase: 'write', bytes: written, ofBytes: ended === 'full' ? written : limitBytes }, writing, true);
  if (!readsBack || (ended !== 'limit' && ended !== 'full')) return outcome(target.verified, null);

  let at = target.verified;
  let changed: { readonly from: number; pages: number; to: number } | null = null;
  while (at < written) {
    if (await waits()) return outcome(changed?.from ?? at, changedFault(changed), 'cancelled');
    const part = piece.subarray(0, Math.min(PIECE, written - at));
    [calendar, steady] = [clocks.calendar(), clocks.steady()];
    let seconds: number;
    try {
      seconds = await target.read(part, at);
    } catch (thrown) {
      return outcome(changed?.from ?? at, changedFault(changed) ?? { code: 'unreadable', at, message: said(thrown) });
    }
    readBytes += part.length;
    reading.add(part.length, awake(seconds, reading.seconds()));
    await target.watched(seconds);
    const wrong = known.firstWrong(part, at);
    if (wrong >= 0) {
      const wraps = wrapped(known, part, wrong, at);
      if (wraps !== null)
        return outcome(at + wrong, {
          code: 'wraps',
          at: at + wrong,
          realBytes: await oneLap(target, known, written, wraps),
        });
      const pages = wrongPages(known, part, at);
      const isOn: boolean = changed !== null && changed.to === at && pages * PAGE >= part.length - PAGE;
      changed = changed
        ? { from: changed.from, pages: changed.pages + pages, to: isOn ? at + part.length : changed.to }
        : { from: at + wrong, pages, to: at + part.length };
      const isRest = changed.to === at + part.length && changed.pages * PAGE >= changed.to - changed.from - PAGE;
      if (isRest && (changed.to - changed.from >= GIVEN_UP || at + part.length >= written))
        if (changed.pages > 1)
          return outcome(changed.from, { code: 'lost', at: changed.from, realBytes: changed.from });
    }
    at += part.length;
    await target.note(changed?.from ?? at);
    await tick({ phase: 'read', bytes: at, ofBytes: written }, reading);
  }
  await tick({ phase: 'read', bytes: at, ofBytes: written }, reading, true);
  return outcome(changed?.from ?? at, changedFault(changed));
}

const changedFault = (changed: { readonly from: number; readonly pages: number } | null): BenchFault | null =>
  changed && { code: 'changed', at: changed.from, pages: changed.pages };

/** How far from here the bytes at a place belong; null where they belong nowhere. */
function wrapped(known: Pattern, part: Uint8Array, wrong: number, at: number): number | null {
  // The first wrong byte may stand at the very seam of two pages; those behind it tell as well.
  for (const from of [wrong, wrong + 200, wrong + PAGE, wrong + PAGE + 200]) {
    const place = known.placeOf(part.subarray(from));
    const here = at + from;
    if (place !== null && place !== here) return Math.abs(place - here);
  }
  return null;
}

/** Places looked at for the length of one lap, and bytes of each. */
const LOOKS = 256;
const LOOK = 4 * PAGE;

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** A card that began anew more than once: how far apart its laps lie, which divides every distance that is found. */
async function oneLap(target: Target, known: Pattern, written: number, found: number): Promise<number> {
  let lap = found;
  const piece = new Uint8Array(LOOK);
  try {
    for (let look = 1; look < LOOKS; look += 1) {
      const at = Math.floor((look * (written - LOOK)) / LOOKS / PAGE) * PAGE;
      if (at < 0) break;
      await target.read(piece, at);
      const wrong = known.firstWrong(piece, at);
      const apart = wrong < 0 ? null : wrapped(known, piece, wrong, at);
      if (apart) lap = divisor(lap, apart);
    }
  } catch {
    // What was found so far is told.
  }
  return lap;
}

function wrongPages(known: Pattern, part: Uint8Array, at: number): number {
  let pages = 0;
  for (let from = 0; from < part.length; from += PAGE)
    if (known.firstWrong(part.subarray(from, from + PAGE), at + from) >= 0) pages += 1;
  return pages;
}
