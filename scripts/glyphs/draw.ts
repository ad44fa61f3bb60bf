import { createCanvas } from '@napi-rs/canvas';
import { pick } from '../../src/core/drill/draw.ts';
import type { Random } from '../../src/core/heat/writepath/random.ts';
import { glyphsIn } from '../../src/core/photo/glyphs/glyphs.ts';
import { grayOf, sampled } from '../../src/core/photo/gray.ts';
import { evened, sharpen } from '../../src/core/photo/rows.ts';

/** Signs of marks; the last stands for every other. No letter that cannot be told from a digit by its look: no I, no O. */
export const SIGNS = '0123456789VUCGPBTSDXHMRWA?';
const OTHERS = [...'EFJKLNYZ&abdeghknpqrtx/'];
const LETTERS = [...SIGNS.slice(10, -1)];

const WORDS = `V6 V10 V30 V60 V90 U1 U3 C2 C4 C6 C10 VPG20 VPG65 VPG200 VPG400 VPG800 20 65 200 400 800
  128GB 1TB SDXC SDHC A1 A2 10 3 1`.split(/\s+/);

/** A word as a label may have it, or signs in any order. */
function aWord(random: Random): string {
  if (random() < 0.35) return pick(random, WORDS);
  return Array.from({ length: 2 + Math.floor(random() * 4) }, () => {
    const kind = random();
    return kind < 0.68 ? String(Math.floor(random() * 10)) : pick(random, kind < 0.9 ? LETTERS : OTHERS);
  }).join('');
}

/** Most a base line sinks for each pixel along, and most that letters lean. */
const SINKS = 0.05;
const LEANS = 0.12;
/** Pixels around print in a row, as rows of pictures have them. */
const MARGIN = 8;
/** Heights of capitals in the two readings of a picture. */
const TALLS = [32, 26] as const;

interface Sign {
  readonly ink: Float32Array;
  /** Its place in {@link SIGNS}. */
  readonly is: number;
}

const within = (random: Random, most: number): number => (random() * 2 - 1) * most;

/** One word as a row of a picture holds it, cut into its signs; null where they run together. */
export function aDrawnWord(random: Random, cut: string): readonly Sign[] | null {
  const word = aWord(random);
  const size = 10 + random() ** 1.5 * 50;
  const pad = size * 1.2;
  const font = `${size}px "${cut}"`;
  const probe = createCanvas(8, 8).getContext('2d');
  probe.font = font;
  const { width: wide, actualBoundingBoxAscent: ascent } = probe.measureText(word);
  const [width, height] = [Math.ceil(wide + 2 * pad), Math.ceil(ascent + 2 * pad)];
  const context = createCanvas(width, height).getContext('2d');
  const isLight = random() < 0.5;
  const [ground, ink] = isLight ? [30 + random() * 60, 170 + random() * 80] : [160 + random() * 90, 10 + random() * 80];
  context.fillStyle = `rgb(${ground},${ground},${ground})`;
  context.fillRect(0, 0, width, height);
  const sinks = within(random, SINKS);
  context.translate(width / 2, height / 2);
  context.transform(1, sinks, -sinks + within(random, LEANS), 1, 0, 0);
  context.translate(-width / 2, -height / 2);
  if (random() < 0.5) context.filter = `blur(${random() * Math.min(2.2, size * 0.05)}px)`;
  context.font = font;
  context.fillStyle = `rgb(${ink},${ink},${ink})`;
  context.fillText(word, pad, pad + ascent);
  const gray = grayOf(context.getImageData(0, 0, width, height));
  const noise = random() * 12;
  for (const [at, shade] of gray.data.entries())
    gray.data[at] = Math.max(0, Math.min(255, shade + noise * (random() + random() + random() - 1.5)));
  const tall = pick(random, TALLS);
  const step = (ascent / tall) * (1 + within(random, 0.08));
  const row = sampled(gray, {
    x: pad - MARGIN * step + within(random, step),
    y: pad - MARGIN * step + within(random, 1.5 * step),
    across: [step, 0],
    down: [0, step],
    width: Math.round(wide / step + 2 * MARGIN),
    height: tall + 2 * MARGIN,
  });
  const even = evened(row, isLight ? 'light' : 'dark', tall);
  if (tall === TALLS[1]) sharpen(even);
  const glyphs = glyphsIn(even, tall);
  if (glyphs.length !== word.length) return null;
  return glyphs.map((glyph, at) => {
    const own = SIGNS.indexOf(word[at] ?? '');
    return { ink: glyph.ink, is: own < 0 ? SIGNS.length - 1 : own };
  });
}
