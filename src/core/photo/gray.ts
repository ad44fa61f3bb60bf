/** A picture in shades of gray, row by row; 0 is black. */
export interface Gray {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** A picture as a canvas hands it out: four bytes a pixel. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray | Uint8Array;
}

/** Brightness of colours as the eye weighs them [source: ITU-R BT.601, weights of luma]. */
export function grayOf({ width, height, data }: Pixels): Gray {
  const gray = new Uint8Array(width * height);
  for (let at = 0, from = 0; at < gray.length; at += 1, from += 4) {
    gray[at] = ((data[from] ?? 0) * 77 + (data[from + 1] ?? 0) * 150 + (data[from + 2] ?? 0) * 29) >> 8;
  }
  return { width, height, data: gray };
}

/** The same picture at half its size, each pixel the mean of four. */
function halved({ width, height, data }: Gray): Gray {
  const [wide, tall] = [width >> 1, height >> 1];
  const small = new Uint8Array(wide * tall);
  for (let y = 0, at = 0; y < tall; y += 1) {
    let from = y * 2 * width;
    for (let x = 0; x < wide; x += 1, at += 1, from += 2) {
      small[at] =
        ((data[from] ?? 0) + (data[from + 1] ?? 0) + (data[from + width] ?? 0) + (data[from + width + 1] ?? 0) + 2) >>
        2;
    }
  }
  return { width: wide, height: tall, data: small };
}

/** Pictures at half their size: each row of print is taken from the same one. */
const halves = new WeakMap<Gray, Gray>();

function half(source: Gray): Gray {
  const known = halves.get(source) ?? halved(source);
  halves.set(source, known);
  return known;
}

/** Where the pixels of a new picture lie in the old one: origin, and the steps to the right and down. */
export interface Frame {
  readonly x: number;
  readonly y: number;
  /** Step of one new pixel to the right, in old pixels. */
  readonly across: readonly [x: number, y: number];
  /** Step of one new pixel down, in old pixels. */
  readonly down: readonly [x: number, y: number];
  readonly width: number;
  readonly height: number;
}

/** Steps longer than this skip pixels: the source is halved first. */
const LONGEST_STEP = 1.6;

/** Samples a part of a picture, turned and scaled; what lies outside repeats the edge. */
export function sampled(source: Gray, frame: Frame): Gray {
  const step = Math.hypot(...frame.across);
  if (step > LONGEST_STEP && source.width > 3 && source.height > 3) {
    const halfOf = (pair: readonly [number, number]): readonly [number, number] => [pair[0] / 2, pair[1] / 2];
    return sampled(half(source), {
      ...frame,
      x: (frame.x - 0.5) / 2,
      y: (frame.y - 0.5) / 2,
      across: halfOf(frame.across),
      down: halfOf(frame.down),
    });
  }
  const { width, height, data } = source;
  const out = new Uint8Array(frame.width * frame.height);
  const [lastX, lastY] = [width - 1.001, height - 1.001];
  for (let row = 0, at = 0; row < frame.height; row += 1) {
    let x = frame.x + frame.down[0] * row;
    let y = frame.y + frame.down[1] * row;
    for (let column = 0; column < frame.width; column += 1, at += 1) {
      const sx = Math.max(0, Math.min(lastX, x));
      const sy = Math.max(0, Math.min(lastY, y));
      const x0 = sx | 0;
      const y0 = sy | 0;
      const from = y0 * width + x0;
      const fx = sx - x0;
      const top = (data[from] ?? 0) + ((data[from + 1] ?? 0) - (data[from] ?? 0)) * fx;
      const low = (data[from + width] ?? 0) + ((data[from + width + 1] ?? 0) - (data[from + width] ?? 0)) * fx;
      out[at] = top + (low - top) * (sy - y0) + 0.5;
      x += frame.across[0];
      y += frame.across[1];
    }
  }
  return { width: frame.width, height: frame.height, data: out };
}

/** A whole picture, made no larger than this on its longer side; never enlarged. */
export function fitted(source: Gray, longest: number): { readonly gray: Gray; readonly scale: number } {
  const scale = Math.min(1, longest / Math.max(source.width, source.height));
  if (scale === 1) return { gray: source, scale };
  const step = 1 / scale;
  const gray = sampled(source, {
    x: step / 2 - 0.5,
    y: step / 2 - 0.5,
    across: [step, 0],
    down: [0, step],
    width: Math.max(1, Math.round(source.width * scale)),
    height: Math.max(1, Math.round(source.height * scale)),
  });
  return { gray, scale };
}
