/** Families of codecs by what their rate hangs on, as the kit names them. */
type Family = 'long-gop' | 'intra' | 'raw';

/** Sizes of pictures as rates are told for them, by most pixels. */
const SIZES = { hd: 2_600_000, uhd: 16_000_000, eight: Number.POSITIVE_INFINITY } as const;
type Size = keyof typeof SIZES;

/** Speeds as rates are told for them, by most frames a second captured. */
const SPEEDS = { slow: 30, fast: 60, faster: Number.POSITIVE_INFINITY } as const;
type Speed = keyof typeof SPEEDS;

const classOf = <K extends string>(most: Readonly<Record<K, number>>, value: number): K => {
  const keys = Object.keys(most) as K[];
  return keys.find((key) => value <= most[key]) ?? (keys.at(-1) as K);
};

/** Rates of codecs that are common in the trade, Mb/s, by the size and speed of the picture [P, from memory]. */
// biome-ignore format: one row a line
const COMMON: Readonly<Record<'long-gop' | 'intra', Readonly<Record<Size, Readonly<Record<Speed, readonly number[]>>>>>> = {
  'long-gop': {
    hd: { slow: [16, 17, 24, 28, 35, 50, 100], fast: [28, 45, 50, 60, 100, 150, 200], faster: [60, 100, 150, 200] },
    uhd: { slow: [40, 50, 60, 100, 120, 150, 200], fast: [100, 120, 150, 200, 300, 400, 600], faster: [100, 200, 280, 400, 600] },
    eight: { slow: [80, 150, 200, 300, 400, 520, 680], fast: [200, 400, 680], faster: [400] },
  },
  intra: {
    hd: { slow: [36, 45, 100, 111, 120, 145, 175, 185, 200, 220, 330], fast: [100, 200, 222, 240, 290, 367, 440], faster: [400, 800] },
    uhd: { slow: [240, 250, 300, 400, 410, 492, 500, 600, 737, 880], fast: [500, 600, 800, 983, 1180, 1475, 1768], faster: [1200, 2360] },
    eight: { slow: [800, 1000, 1300, 1950, 2600], fast: [2000, 3900], faster: [5200] },
  },
};

/**
 * Bits a pixel of a frame that a family usually needs, less than eight times from end to end, so that a figure in the wrong unit
 * falls out of it [A].
 */
const USUAL = {
  'long-gop': {
    hd: { slow: [0.26, 2], fast: [0.13, 1], faster: [0.1, 0.78] },
    uhd: { slow: [0.15, 1.18], fast: [0.1, 0.78], faster: [0.06, 0.47] },
    eight: { slow: [0.08, 0.63], fast: [0.05, 0.39], faster: [0.04, 0.31] },
  },
  intra: [0.85, 6.6],
  raw: [0.55, 4.38],
} as const;

/** A picture and its codec, as rates are told for them. */
interface Told {
  readonly codec: Family;
  readonly pixels: number;
  readonly fps: number;
}

/** How far a rate may be off a common one and still be it: makers round. */
const ROUNDING = 0.03;

/** Whether a rate, Mb/s, is one that is common for such a picture. */
export function isCommonRate(Mbps: number, { codec, pixels, fps }: Told): boolean {
  if (codec === 'raw') return false;
  const rates = COMMON[codec][classOf(SIZES, pixels)][classOf(SPEEDS, fps)];
  return rates.some((rate) => Math.abs(Mbps / rate - 1) <= ROUNDING);
}

/** Bits a pixel of a frame that are usual for such a picture. */
export function usualBits({ codec, pixels, fps }: Told): { readonly min: number; readonly max: number } {
  const [min, max] = codec === 'long-gop' ? USUAL[codec][classOf(SIZES, pixels)][classOf(SPEEDS, fps)] : USUAL[codec];
  return { min, max };
}
