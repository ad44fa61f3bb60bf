import type { AnswerValue, Facts, Question, StoppedTake } from '../../src/core/drill/question.ts';

/**
 * Answers the questions of the drill by itself: tables written out once more from the standards (values from memory), plain
 * arithmetic, and a take followed second by second. It shares no code with the core.
 */

const PROMISES: Readonly<Record<string, number>> = {
  C2: 2,
  C4: 4,
  C6: 6,
  C10: 10,
  U1: 10,
  U3: 30,
  V6: 6,
  V10: 10,
  V30: 30,
  V60: 60,
  V90: 90,
  A1: 10,
  A2: 10,
};

/** Slots by how fast they are over one row, and whether the second row speaks UHS-II. */
const SLOTS: Readonly<Record<string, { readonly oneRow: 'high-speed' | 'uhs'; readonly rows: number }>> = {
  'high-speed': { oneRow: 'high-speed', rows: 1 },
  'uhs-i-50': { oneRow: 'uhs', rows: 1 },
  'uhs-i': { oneRow: 'uhs', rows: 1 },
  'uhs-ii': { oneRow: 'uhs', rows: 2 },
  'uhs-iii': { oneRow: 'uhs', rows: 2 },
  // Its second row speaks PCIe, not UHS-II.
  'sd-express-1': { oneRow: 'uhs', rows: 1 },
};

interface Printed {
  readonly capacityGB: number;
  readonly words: readonly string[];
  readonly readMBps: number | null;
}

const numerals = (words: readonly string[]): readonly string[] => words.filter((word) => /^I{1,3}$/.test(word));

/** Whether two things on a label cannot both be true. */
function isContradiction({ capacityGB, words }: Printed): boolean {
  const has = (word: string): boolean => words.includes(word);
  const family = words.find((word) => /^SD(HC|XC|UC)?$/.test(word));
  const own = capacityGB <= 2 ? 'SD' : capacityGB <= 32 ? 'SDHC' : capacityGB <= 2048 ? 'SDXC' : 'SDUC';
  if (family !== undefined && family !== own) return true;
  if (numerals(words).length > 1) return true;
  if (has('I') && (has('V60') || has('V90'))) return true;
  return has('U1') && ['U3', 'V30', 'V60', 'V90'].some(has);
}

/** What a label promises in a slot, MB/s; 0 for nothing. */
export function promised(face: Printed, slot: string): number {
  if (isContradiction(face)) return 0;
  const where = SLOTS[slot];
  if (!where) throw new Error(`no slot ${slot}`);
  const { words } = face;
  const twoRows = words.includes('II') || words.includes('III') || words.includes('V60') || words.includes('V90');
  const both = twoRows && where.rows === 2;
  const counts = (word: string): boolean => {
    if (word === 'V60' || word === 'V90') return both;
    if (/^C|^V6$|^V10$/.test(word)) return true;
    return where.oneRow === 'uhs';
  };
  const all = words.flatMap((word) => (PROMISES[word] !== undefined && counts(word) ? [PROMISES[word]] : []));
  const fallsBack = (words.includes('V60') || words.includes('V90')) && where.oneRow === 'uhs' ? [30] : [];
  return Math.max(0, ...all, ...fallsBack);
}

/** What a mode writes, MB/s: 2 Mb/s and 20 kB a frame beside the picture, at most 15 % of it. */
function stream(Mbps: number, fps: number): number {
  const picture = Mbps / 8;
  return picture + Math.min(0.25 + fps * 0.02, picture * 0.15);
}

interface ModeLike {
  readonly fps: number;
  readonly captureFps: number | null;
  readonly rate: object;
}
const statedOf = ({ rate }: ModeLike): number => (rate as { readonly Mbps: number }).Mbps;

/** What a mode writes, MB/s. */
export const written = (mode: ModeLike): number => stream(statedOf(mode), mode.fps);

const minutesOf = (mode: ModeLike, capacityGB: number): number =>
  Math.floor((capacityGB * 0.987 * 1000) / stream(statedOf(mode), mode.fps) / 60 + 1e-9);

/** Seconds until a frame is dropped, a quarter of a second at a time; infinite where the hour is over first. */
function seconds(take: StoppedTake, change: Partial<Record<'bus' | 'cache' | 'flash' | 'heat', boolean>>): number {
  const step = 0.25;
  const bus = change.bus ? 1e6 : take.busMBps;
  const burst = change.bus ? Math.max(take.burstMBps, take.clipMBps * 2) : take.burstMBps;
  const cacheMB = change.cache ? 1e9 : take.cacheGB * 1000;
  const flashOf = change.flash ? 1e6 : take.sustainedMBps;
  let [buffer, cache, card, body, throttled] = [0, 0, take.ambientC, take.ambientC, false];
  for (let at = 0; at < 3600; at += step) {
    const slow = throttled && !change.heat ? 0.5 : 1;
    const flash = flashOf * slow;
    const room = cacheMB - cache;
    const accept = room > 1e-6 ? Math.min(bus, burst * slow) : Math.min(bus, flash);
    const drain = buffer > 0 ? accept : Math.min(take.clipMBps, accept);
    buffer = Math.max(0, buffer + (take.clipMBps - drain) * step);
    cache = Math.min(cacheMB, Math.max(0, cache + (drain - Math.min(flash, cache > 0 ? flash : drain)) * step));
    if (buffer > take.bufferMB) return at;
    const watts = 0.6 + drain * 1e6 * 2.5e-9;
    const toBody = (card - body) / 9;
    card += ((watts - toBody) / 9) * step;
    body += ((9 + toBody - (body - take.ambientC) / 1.6) / 500) * step;
    if (card >= take.throttleAtC) throttled = true;
    else if (card <= 68) throttled = false;
  }
  return Number.POSITIVE_INFINITY;
}

function reason(take: StoppedTake): string {
  if (Math.round((take.clipMBps * 8) / take.menuMbps) === 8) return 'bytes';
  for (const one of ['heat', 'bus', 'cache'] as const) if (seconds(take, { [one]: true }) > 3600) return one;
  return 'cache';
}

const near = (a: number, b: number, share = 1e-6): boolean =>
  Math.abs(a - b) <= share * Math.max(Math.abs(a), Math.abs(b), 1e-9);

type Of<K extends Facts['kind']> = Extract<Facts, { readonly kind: K }>;

/** Whether an answer is right; of a question that is chosen, asked of each of its answers. */
export function isRight(question: Question, value: AnswerValue): boolean {
  const { facts } = question;
  switch (facts.kind) {
    case 'bits':
      return rightBits(facts, value);
    case 'label': {
      const most = promised(facts.face, facts.slot);
      return value.kind === 'nothing'
        ? most === 0
        : value.kind === 'rate' && most > 0 && near(value.bytesPerSecond, most * 1e6);
    }
    case 'contradict':
      return value.kind === 'face' && isContradiction(value.face);
    case 'cheapest': {
      const wanted = stream(statedOf(facts.mode), facts.mode.fps) * 1.15;
      const holds = question.choices.flatMap(({ value: one }) =>
        one.kind === 'face' && promised(one.face, facts.slot) + 1e-9 >= wanted ? [one.price ?? 0] : [],
      );
      return value.kind === 'face' && holds.includes(value.price ?? -1) && value.price === Math.min(...holds);
    }
    case 'minutes':
      return value.kind === 'minutes' && value.minutes === minutesOf(facts.mode, facts.capacityGB);
    case 'slow-motion': {
      if (facts.ask === 'plays')
        return value.kind === 'seconds' && near(value.seconds, (facts.takeSeconds * facts.captured) / facts.playback);
      const times = (facts.mode.captureFps ?? 0) / facts.mode.fps;
      return value.kind === 'rate' && near(value.bytesPerSecond * 8, statedOf(facts.mode) * times * 1e6, 1e-5);
    }
    case 'counter':
      return rightCounter(question, facts, value);
    case 'stopped':
      return value.kind === 'reason' && value.reason === reason(facts.take);
    case 'afternoon': {
      const each = minutesOf(facts.mode, facts.capacityGB);
      const cards =
        Math.ceil((facts.minutes * facts.rolling) / each - 1e-9) * (facts.arrangement === 'mirrored' ? 2 : 1);
      return value.kind === 'count' && value.count === cards;
    }
    case 'own':
      throw new Error('one’s own kit is answered by the board');
  }
}

function rightBits(facts: Of<'bits'>, value: AnswerValue): boolean {
  switch (facts.ask) {
    case 'to-bytes':
    case 'to-bits':
      return value.kind === 'rate' && near(value.bytesPerSecond, facts.bytesPerSecond);
    case 'per-minute':
      return value.kind === 'per-minute' && near(value.GB * 1000, (facts.bytesPerSecond / 1e6) * 60);
    case 'computer':
      return value.kind === 'room' && value.GB === facts.GB;
  }
}

function rightCounter({ choices }: Question, facts: Of<'counter'>, value: AnswerValue): boolean {
  if (value.kind !== 'mode') return false;
  if (facts.ask === 'rate') {
    const most = (facts.capacityGB * 8000) / 60 / facts.minutes;
    const least = ((facts.capacityGB * 8000) / 60 / (facts.minutes + 1)) * 0.8;
    return value.Mbps >= least && value.Mbps <= most;
  }
  const alike = choices.filter((one) => one.value.kind === 'mode' && one.value.minutes === value.minutes);
  return alike.length === 1;
}

/** What a typed answer is to be, in its unit. */
export function rightNumber({ facts }: Question): number {
  switch (facts.kind) {
    case 'bits':
      return facts.ask === 'per-minute'
        ? (facts.bytesPerSecond * 60) / 1e9
        : facts.ask === 'to-bits'
          ? (facts.bytesPerSecond * 8) / 1e6
          : facts.ask === 'to-bytes'
            ? facts.bytesPerSecond / 1e6
            : Number.NaN;
    case 'minutes':
      return minutesOf(facts.mode, facts.capacityGB);
    case 'slow-motion':
      return facts.ask === 'rate' ? (statedOf(facts.mode) * (facts.mode.captureFps ?? 0)) / facts.mode.fps : Number.NaN;
    default:
      return Number.NaN;
  }
}
