import type { Random } from '../../../src/core/heat/writepath/random.ts';
import type { Pixels } from './drawn.ts';

type Point = readonly [x: number, y: number];

/** The eight numbers of a projective map that carries four points to four others (Gauss elimination). */
function projection(from: readonly Point[], to: readonly Point[]): readonly number[] {
  const rows = from.flatMap(([x, y], at) => {
    const [u, v] = to[at] as Point;
    return [
      [x, y, 1, 0, 0, 0, -u * x, -u * y, u],
      [0, 0, 0, x, y, 1, -v * x, -v * y, v],
    ];
  });
  for (let column = 0; column < 8; column += 1) {
    const best = rows.reduce(
      (most, row, at) => (at >= column && Math.abs(row[column] ?? 0) > Math.abs(rows[most]?.[column] ?? 0) ? at : most),
      column,
    );
    [rows[column], rows[best]] = [rows[best] as number[], rows[column] as number[]];
    const pivot = rows[column] as number[];
    const by = pivot[column] ?? 1;
    for (let at = 0; at < 9; at += 1) pivot[at] = (pivot[at] ?? 0) / by;
    for (const row of rows) {
      if (row === pivot) continue;
      const times = row[column] ?? 0;
      for (let at = 0; at < 9; at += 1) row[at] = (row[at] ?? 0) - times * (pivot[at] ?? 0);
    }
  }
  return rows.map((row) => row[8] ?? 0);
}

const channels = (colour: string): readonly number[] =>
  [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));

/** Blurs a row of colour triples in place with a box, three times over: near enough to a lens. */
function blur(data: Float32Array, width: number, height: number, radius: number): void {
  const box = Math.max(1, Math.round(radius * 2) | 1);
  const half = (box - 1) / 2;
  const line = new Float32Array(Math.max(width, height));
  const along = (count: number, start: number, step: number): void => {
    let sum = 0;
    const at = (i: number): number => data[start + Math.min(count - 1, Math.max(0, i)) * step] ?? 0;
    for (let i = -half; i <= half; i += 1) sum += at(i);
    for (let i = 0; i < count; i += 1) {
      line[i] = sum / box;
      sum += at(i + half + 1) - at(i - half);
    }
    for (let i = 0; i < count; i += 1) data[start + i * step] = line[i] ?? 0;
  };
  for (let channel = 0; channel < 3; channel += 1) {
    for (let y = 0; y < height; y += 1) along(width, y * width * 3 + channel, 3);
    for (let x = 0; x < width; x += 1) along(height, x * 3 + channel, width * 3);
  }
}

/** How a picture was taken. Everything else about it is drawn at random. */
export interface Shot {
  /** Degrees. */
  readonly turn: number;
  /** Share of a side by which a corner may be off. */
  readonly perspective: number;
  readonly blur: number;
  readonly noise: number;
  readonly glare: boolean;
}

export const aShot = (random: Random): Shot => ({
  turn: (random() * 2 - 1) * 30,
  perspective: random() * 0.05,
  blur: random() < 0.5 ? 0 : 0.5 + random() * 0.7,
  noise: random() * 12,
  glare: random() < 0.35,
});

/** A flat picture as a camera sees it lying on a table. */
export function photographed(flat: Pixels, table: string, random: Random, shot: Shot): Pixels {
  const { width, height } = flat;
  const turn = (shot.turn * Math.PI) / 180;
  const corners: readonly Point[] = [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ];
  const moved = corners.map(([x, y]): Point => {
    const [dx, dy] = [
      x - width / 2 + (random() * 2 - 1) * shot.perspective * width,
      y - height / 2 + (random() * 2 - 1) * shot.perspective * height,
    ];
    return [dx * Math.cos(turn) - dy * Math.sin(turn), dx * Math.sin(turn) + dy * Math.cos(turn)];
  });
  const pad = 0.06 + random() * 0.2;
  const [left, top] = [Math.min(...moved.map(([x]) => x)), Math.min(...moved.map(([, y]) => y))];
  const wide = Math.round((Math.max(...moved.map(([x]) => x)) - left) * (1 + 2 * pad));
  const tall = Math.round((Math.max(...moved.map(([, y]) => y)) - top) * (1 + 2 * pad));
  const placed = moved.map(
    ([x, y]): Point => [x - left + (wide * pad) / (1 + 2 * pad), y - top + (tall * pad) / (1 + 2 * pad)],
  );
  const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0] = projection(placed, corners);
  const under = channels(table);
  const out = new Float32Array(wide * tall * 3);
  const grain = 6 + random() * 10;
  const [gx, gy, gr] = [
    wide * (0.2 + random() * 0.6),
    tall * (0.2 + random() * 0.6),
    Math.min(wide, tall) * (0.12 + random() * 0.25),
  ];
  const strength = 60 + random() * 80;
  const light = 0.75 + random() * 0.3;
  const tilt = (random() - 0.5) * 0.3;
  for (let y = 0; y < tall; y += 1) {
    for (let x = 0; x < wide; x += 1) {
      const w = g * x + h * y + 1;
      const [sx, sy] = [(a * x + b * y + c) / w - 0.5, (d * x + e * y + f) / w - 0.5];
      const at = (y * wide + x) * 3;
      const inside = sx >= 0 && sy >= 0 && sx < width - 1 && sy < height - 1;
      const [x0, y0] = [Math.floor(sx), Math.floor(sy)];
      const [fx, fy] = [sx - x0, sy - y0];
      const from = (y0 * width + x0) * 4;
      const shine = shot.glare ? strength * Math.exp(-((x - gx) ** 2 + ((y - gy) * 1.6) ** 2) / (2 * gr * gr)) : 0;
      const lit = light * (1 + tilt * (x / wide - 0.5));
      const rough = inside ? 0 : (random() - 0.5) * grain;
      for (let channel = 0; channel < 3; channel += 1) {
        const { data } = flat;
        const value = inside
          ? ((data[from + channel] ?? 0) * (1 - fx) + (data[from + 4 + channel] ?? 0) * fx) * (1 - fy) +
            ((data[from + width * 4 + channel] ?? 0) * (1 - fx) + (data[from + width * 4 + 4 + channel] ?? 0) * fx) * fy
          : (under[channel] ?? 0) + rough;
        out[at + channel] = value * lit + shine;
      }
    }
  }
  if (shot.blur > 0) for (let pass = 0; pass < 3; pass += 1) blur(out, wide, tall, shot.blur);
  const data = new Uint8ClampedArray(wide * tall * 4);
  for (let at = 0; at < wide * tall; at += 1) {
    const noise = shot.noise * (random() + random() + random() - 1.5);
    for (let channel = 0; channel < 3; channel += 1) data[at * 4 + channel] = (out[at * 3 + channel] ?? 0) + noise;
    data[at * 4 + 3] = 255;
  }
  return { width: wide, height: tall, data };
}
