import { seeded } from '../../heat/writepath/random.ts';

/** Bytes whose place is coded together: less than any card writes at once. */
export const PAGE = 4096;
const WORDS = PAGE / 4;

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

/** A pattern by its seed: a page of random words, each page of a card with its own key on all of them. */
export interface Pattern {
  /** Fills bytes as they stand at this offset. */
  readonly fill: (into: Uint8Array, offset: number) => void;
  /** The first byte that is not as it should be at this offset; -1 where all are. */
  readonly firstWrong: (data: Uint8Array, offset: number) => number;
  /** The offset whose pattern these bytes are; null where they are none. Looks at any alignment. */
  readonly placeOf: (data: Uint8Array) => number | null;
}

/** Bytes of which a place is recognised. */
const RECOGNISED = 64;

export function pattern(seed: number): Pattern {
  const random = seeded(seed);
  const base = Uint32Array.from({ length: WORDS }, () => Math.floor(random() * 4_294_967_296));
  const baseBytes = new Uint8Array(base.buffer);
  const keyOf = (page: number): number => mixed((page ^ seed) >>> 0);
  const page = new Uint32Array(WORDS);
  const pageBytes = new Uint8Array(page.buffer);
  const make = (into: Uint32Array, at: number, number: number): void => {
    const key = keyOf(number);
    for (let word = 0; word < WORDS; word += 1) into[at + word] = (base[word] as number) ^ key;
  };
  const fill = (into: Uint8Array, offset: number): void => {
    let at = 0;
    if (offset % PAGE === 0 && into.byteOffset % 4 === 0) {
      const words = new Uint32Array(into.buffer, into.byteOffset, into.length >> 2);
      for (; at + PAGE <= into.length; at += PAGE) make(words, at >> 2, (offset + at) / PAGE);
    }
    while (at < into.length) {
      const number = Math.floor((offset + at) / PAGE);
      const from = offset + at - number * PAGE;
      const length = Math.min(PAGE - from, into.length - at);
      make(page, 0, number);
      into.set(pageBytes.subarray(from, from + length), at);
      at += length;
    }
  };
  return {
    fill,
    firstWrong(data, offset) {
      let at = 0;
      if (offset % PAGE === 0 && data.byteOffset % 4 === 0) {
        const words = new Uint32Array(data.buffer, data.byteOffset, data.length >> 2);
        for (; at + PAGE <= data.length; at += PAGE) {
          const key = keyOf((offset + at) / PAGE);
          const from = at >> 2;
          let differs = 0;
          for (let word = 0; word < WORDS; word += 1)
            differs |= (words[from + word] as number) ^ (base[word] as number) ^ key;
          if (differs !== 0) break;
        }
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
      const near = data.length < PAGE + RECOGNISED ? Math.min(data.length, RECOGNISED) : PAGE + RECOGNISED;
      for (let shift = 0; shift < PAGE; shift += 1) {
        const place = placeAt(data.subarray(0, near), shift);
        if (place !== null) return place;
      }
      return null;
    },
  };

  /** The place of bytes that would begin this far into a page. */
  function placeAt(data: Uint8Array, shift: number): number | null {
    const length = Math.min(RECOGNISED, PAGE - shift);
    if (length < 8) return null;
    const keyBytes = new Uint8Array(4);
    for (let at = 0; at < 4; at += 1)
      keyBytes[(shift + at) % 4] = (data[at] as number) ^ (baseBytes[shift + at] as number);
    for (let at = 4; at < length; at += 1)
      if (((data[at] as number) ^ (baseBytes[shift + at] as number)) !== keyBytes[(shift + at) % 4]) return null;
    const key = new Uint32Array(keyBytes.buffer)[0] as number;
    const number = (unmixed(key) ^ seed) >>> 0;
    return number * PAGE + shift;
  }
}
