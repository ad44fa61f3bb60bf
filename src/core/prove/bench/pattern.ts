import { seeded } from '../../heat/writepath/random.ts';

/** Bytes whose place is coded together: less than any card writes at once. */
export const PAGE = 4096;
const WORDS = PAGE / 4;
/** Words from one that carries the place to the next: every 64 bytes hang on where they stand. */
const EVERY = 16;
/** Pages of random words that are used in turn: more than any controller looks back to pack what repeats. */
const PAGES = 256;
/** Bytes of which a place is recognised. */
const RECOGNISED = 160;

/** A number mixed so that every bit hangs on every other; each result comes from one number alone. */
function mixed(value: number): number {
  let one = value | 0;
  one = Math.imul(one ^ (one >>> 16), 0x7feb352d);
  one = Math.imul(one ^ (one >>> 15), 0x846ca68b);
  return one ^ (one >>> 16);
}

/** The number behind a mixed one. */
function unmixed(value: number): number {
  let one = value ^ (value >>> 16);
  one = Math.imul(one, 0x43021123);
  one ^= (one >>> 15) ^ (one >>> 30);
  one = Math.imul(one, 0x1d69e2a5);
  return (one ^ (one >>> 16)) >>> 0;
}

/** A pattern by its seed: random pages in turn, with the key of its place in every sixteenth word of each. */
export interface Pattern {
  /** Fills bytes as they stand at this offset. */
  readonly fill: (into: Uint8Array, offset: number) => void;
  /** The first byte that is not as it should be at this offset; -1 where all are. */
  readonly firstWrong: (data: Uint8Array, offset: number) => number;
  /** The offset whose pattern these bytes are; null where they are none, or too few. Looks at any alignment. */
  readonly placeOf: (data: Uint8Array) => number | null;
}

export function pattern(seed: number): Pattern {
  const random = seeded(seed);
  const base = Uint32Array.from({ length: WORDS * PAGES }, () => Math.floor(random() * 4_294_967_296));
  const baseBytes = new Uint8Array(base.buffer);
  const keyOf = (page: number): number => mixed((page ^ seed) >>> 0);
  const one = new Uint32Array(WORDS);
  const oneBytes = new Uint8Array(one.buffer);
  const make = (into: Uint32Array, at: number, page: number): void => {
    const from = (page % PAGES) * WORDS;
    into.set(base.subarray(from, from + WORDS), at);
    const key = keyOf(page);
    for (let word = 0; word < WORDS; word += EVERY) into[at + word] = (base[from + word] as number) ^ key;
  };
  /** Whether a whole page is as it should be. */
  const isPage = (words: Uint32Array, at: number, page: number): boolean => {
    const from = (page % PAGES) * WORDS;
    const key = keyOf(page);
    let differs = 0;
    for (let word = 0; word < WORDS; ) {
      differs |= (words[at + word] as number) ^ (base[from + word] as number) ^ key;
      const next = word + EVERY;
      for (word += 1; word < next; word += 1) differs |= (words[at + word] as number) ^ (base[from + word] as number);
    }
    return differs === 0;
  };
  const fill = (into: Uint8Array, offset: number): void => {
    let at = 0;
    if (offset % PAGE === 0 && into.byteOffset % 4 === 0) {
      const words = new Uint32Array(into.buffer, into.byteOffset, into.length >> 2);
      for (; at + PAGE <= into.length; at += PAGE) make(words, at >> 2, (offset + at) / PAGE);
    }
    while (at < into.length) {
      const page = Math.floor((offset + at) / PAGE);
      const from = offset + at - page * PAGE;
      const length = Math.min(PAGE - from, into.length - at);
      make(one, 0, page);
      into.set(oneBytes.subarray(from, from + length), at);
      at += length;
    }
  };
  return {
    fill,
    firstWrong(data, offset) {
      let at = 0;
      if (offset % PAGE === 0 && data.byteOffset % 4 === 0) {
        const words = new Uint32Array(data.buffer, data.byteOffset, data.length >> 2);
        while (at + PAGE <= data.length && isPage(words, at >> 2, (offset + at) / PAGE)) at += PAGE;
      }
      for (; at < data.length; at += PAGE) {
        const wanted = new Uint8Array(Math.min(PAGE, data.length - at));
        fill(wanted, offset + at);
        const wrong = wanted.findIndex((byte, place) => byte !== data[at + place]);
        if (wrong >= 0) return at + wrong;
      }
      return -1;
    },
    placeOf(data) {
      if (data.length < RECOGNISED) return null;
      for (let from = 0; from < baseBytes.length; from += 1) {
        if (isElsewhere(data, from, 20) || isElsewhere(data, from, 37)) continue;
        const place = placeAt(data, from);
        if (place !== null) return place;
      }
      return null;
    },
  };

  /** Whether one byte alone shows that these do not begin here; one that carries the place shows nothing. */
  function isElsewhere(data: Uint8Array, from: number, at: number): boolean {
    const place = (from + at) % baseBytes.length;
    return (place >> 2) % EVERY !== 0 && data[at] !== baseBytes[place];
  }

  /** The place of bytes that would begin here among the random pages. */
  function placeAt(data: Uint8Array, from: number): number | null {
    const shift = from % PAGE;
    const length = Math.min(RECOGNISED, PAGE - shift);
    const key = new Uint8Array(4);
    let seen = 0;
    for (let at = 0; at < length; at += 1) {
      const byte = (data[at] as number) ^ (baseBytes[from + at] as number);
      const place = shift + at;
      if ((place >> 2) % EVERY !== 0) {
        if (byte !== 0) return null;
        continue;
      }
      const bit = 1 << (place & 3);
      if ((seen & bit) !== 0 && key[place & 3] !== byte) return null;
      key[place & 3] = byte;
      seen |= bit;
    }
    if (seen !== 15) return null;
    const page = (unmixed(new Uint32Array(key.buffer)[0] as number) ^ seed) >>> 0;
    return page % PAGES === Math.floor(from / PAGE) ? page * PAGE + shift : null;
  }
}
