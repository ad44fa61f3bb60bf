/** What a bench is to do. */
export interface BenchPlan {
  /** Bytes to write; null: until it is full. */
  readonly limitBytes: number | null;
  /** Where it is written until full: more than the card can hold, so that no other volume is filled in its place. */
  readonly mostBytes?: number | null;
  /** Of the pattern; any whole number of 32 bits. */
  readonly seed: number;
  /** Whether it is read back behind the writing; a real card is better taken out first, so that no memory answers for it. */
  readonly readsBack: boolean;
}

/** What is wrong with what was read back. */
export type BenchFault =
  /** Later bytes stand where earlier ones were written: it holds this many and begins anew. */
  | { readonly code: 'wraps'; readonly at: number; readonly realBytes: number }
  /** From here on nothing of what was written is there. */
  | { readonly code: 'lost'; readonly at: number; readonly realBytes: number }
  | { readonly code: 'changed'; readonly at: number; readonly pages: number }
  | { readonly code: 'unreadable'; readonly at: number; readonly message: string };

/** A stretch in which nothing happened: this computer slept, or the card stood still that long. */
export interface Silence {
  readonly atSeconds: number;
  readonly seconds: number;
  /** True where the clocks show that the computer slept; then it is counted in no rate. */
  readonly slept: boolean;
}

/** Where a bench stands, a few times a second. */
export interface BenchTick {
  readonly phase: 'write' | 'read';
  /** Done in this phase. */
  readonly bytes: number;
  /** To be done in this phase; null where it is written until full. */
  readonly ofBytes: number | null;
  /** The card’s own time in this phase. */
  readonly seconds: number;
  /** Mean rates of the whole seconds since the last tick, MB/s. */
  readonly rates: readonly number[];
}

/**
 * How the writing ended. `lost`: the folder could no longer be written to. `beyond`: it took more than is printed on its card,
 * and so is not that card.
 */
export type BenchEnd = 'limit' | 'full' | 'cancelled' | 'lost' | 'beyond';

/** What a bench found. */
export interface BenchOutcome {
  readonly ended: BenchEnd;
  readonly writtenBytes: number;
  readonly writeSeconds: number;
  /** By the second, MB/s. */
  readonly writeRates: readonly number[];
  /** Read back and found right, from the first byte on. */
  readonly verifiedBytes: number;
  /** Read in this run, and how long that took. */
  readonly readBytes: number;
  readonly readSeconds: number;
  readonly fault: BenchFault | null;
  readonly silences: readonly Silence[];
  /** Why it could not go on; null where nothing failed. */
  readonly message: string | null;
}

/** Rates by whole seconds from pieces of bytes and time. */
export interface Tally {
  readonly add: (bytes: number, seconds: number) => void;
  /** Rates of the whole seconds that were not taken yet. */
  readonly take: () => readonly number[];
  readonly rates: () => readonly number[];
  readonly seconds: () => number;
}

const MB = 1e6;

/** A piece that lasts longer than a second is spread over the seconds it took. */
export function tally(): Tally {
  const sums: number[] = [];
  let now = 0;
  let taken = 0;
  const whole = (): number => Math.floor(now + 1e-9);
  return {
    add(bytes, seconds) {
      const end = now + Math.max(0, seconds);
      const rate = seconds > 0 ? bytes / seconds : 0;
      if (seconds <= 0) sums[whole()] = (sums[whole()] ?? 0) + bytes;
      while (now < end - 1e-12) {
        const second = whole();
        const until = Math.min(end, second + 1);
        sums[second] = (sums[second] ?? 0) + rate * (until - now);
        now = until;
      }
    },
    take() {
      const rates = Array.from({ length: whole() - taken }, (_, at) => (sums[taken + at] ?? 0) / MB);
      taken = whole();
      return rates;
    },
    rates: () => Array.from({ length: whole() }, (_, at) => (sums[at] ?? 0) / MB),
    seconds: () => now,
  };
}

/** Seconds until a phase is done, at the pace of its last stretch; null where its end is not known. */
export function timeLeft(bytes: number, ofBytes: number | null, rates: readonly number[]): number | null {
  if (ofBytes === null) return null;
  const last = rates.slice(-20);
  const rate = last.reduce((sum, one) => sum + one, 0) / last.length;
  return rate > 0 ? Math.max(0, ofBytes - bytes) / (rate * MB) : null;
}

/** Share of what is printed that a full card was written with; less, and something else filled it [A]. */
const WHOLE = 0.85;

/** Share of what is printed beyond which no card takes anything [A]. */
const BEYOND = 1.1;

/** Bytes that no card of this size takes. */
export const mostOf = (capacityGB: number): number => Math.round(BEYOND * capacityGB * 1e9);

/** Whether every byte that was written came back as it was. */
export const isRight = ({ fault, writtenBytes, verifiedBytes }: BenchOutcome): boolean =>
  fault === null && writtenBytes > 0 && verifiedBytes >= writtenBytes;

/**
 * Whether a bench verifies a card: filled to its end, read back whole, and by the card itself. A part of it, a memory that may
 * have answered for it, or a card that was filled by something else verifies nothing.
 *
 * @param isFresh - it was taken out before it was read back
 */
export const verifiesCard = (outcome: BenchOutcome, capacityGB: number, isFresh: boolean): boolean =>
  isFresh && outcome.ended === 'full' && isRight(outcome) && outcome.writtenBytes >= WHOLE * capacityGB * 1e9;

/** Names of files that cameras write; a folder with them is somebody’s work. */
const FOOTAGE =
  /\.(?:mp4|mov|mxf|mts|m2ts|avi|mkv|m4v|3gp|insv|lrv|ari|arx|dng|cr[23]|crw|nef|nrw|arw|sr2|raf|orf|rw2|rwl|pef|x3f|iiq|3fr|dpx|exr|wav|bwf|jpe?g|heif|heic|hif|tiff?)$|\.(?:r3d|braw|crm|nev)$/i;
const CAMERA_FOLDER = /^(?:DCIM|PRIVATE|AVCHD|CLIP|CLIPS|CONTENTS|XDROOT|M4ROOT|BPAV|MP_ROOT|VIDEO|.+\.RDC|.+\.RDM)$/i;

/** Whether a name in a folder is that of footage, or of a folder that cameras make for it. */
export const isFootage = (name: string, isFolder: boolean): boolean =>
  isFolder ? CAMERA_FOLDER.test(name) : FOOTAGE.test(name);
