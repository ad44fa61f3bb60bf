import { createRequire } from 'node:module';
import { createCanvas, GlobalFonts, type SKRSContext2D } from '@napi-rs/canvas';
import { pick, shuffled } from '../../../src/core/drill/draw.ts';
import { type Random, seeded } from '../../../src/core/heat/writepath/random.ts';
import { aShot, photographed, type Shot } from './photographed.ts';
import { aTruth, type LabelTruth } from './truth.ts';

/** A picture as the reading takes it: four bytes a pixel. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

export interface DrawnLabel {
  readonly truth: LabelTruth;
  readonly pixels: Pixels;
  /** Degrees by which it lies turned. */
  readonly turn: number;
}

const { resolve } = createRequire(import.meta.url);
const FONTS = {
  Next: '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  Mono: '@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2',
  Grotesque: '@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2',
  Barlow: '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff2',
  Oswald: '@fontsource/oswald/files/oswald-latin-500-normal.woff2',
  Exo: '@fontsource/exo-2/files/exo-2-latin-700-normal.woff2',
  Rubik: '@fontsource/rubik/files/rubik-latin-700-normal.woff2',
  Archivo: '@fontsource/archivo-narrow/files/archivo-narrow-latin-700-normal.woff2',
  Saira: '@fontsource/saira-condensed/files/saira-condensed-latin-600-normal.woff2',
  Titillium: '@fontsource/titillium-web/files/titillium-web-latin-700-normal.woff2',
  Chakra: '@fontsource/chakra-petch/files/chakra-petch-latin-600-normal.woff2',
  Panel: '@fontsource/b612-mono/files/b612-mono-latin-700-normal.woff2',
  Share: '@fontsource/share-tech-mono/files/share-tech-mono-latin-400-normal.woff2',
  Overpass: '@fontsource/overpass/files/overpass-latin-700-normal.woff2',
} as const;
type Face = keyof typeof FONTS;
/** Faces of the labels held apart that no label for tuning is set in. */
const ONLY_HELD: readonly Face[] = ['Rubik', 'Archivo'];
/** Faces of the labels with framed marks held apart: no other set has one of them. */
const ONLY_APART: readonly Face[] = ['Saira', 'Titillium', 'Chakra', 'Panel', 'Share', 'Overpass'];
const FACES = (Object.keys(FONTS) as Face[]).filter((face) => !ONLY_HELD.includes(face) && !ONLY_APART.includes(face));
/** Names under which the canvas knows them. */
export const APART_FACES: readonly string[] = ONLY_APART.map((face) => `Label ${face}`);
for (const [name, file] of Object.entries(FONTS)) GlobalFonts.registerFromPath(resolve(file), `Label ${name}`);

/** Widths of a card in its picture, pixels. */
const WIDTHS = [320, 360, 400, 450, 500, 560, 640, 720, 800, 900, 1000, 1200] as const;

const MAKERS = ['HARBOUR', 'Tideline', 'REEL PRO', 'Quay', 'CLINKER', 'Spinnaker', 'LUGSAIL', 'Bosun', 'KEELSON'];
const LINES = ['EXTREME TIDE', 'Pro', 'Ultra Plus', 'CINE', 'Memory Card', 'Made in Nowhere', 'Regatta'];

/** [ground, second ground of a gradient, ink] */
const COLOURS: readonly (readonly [string, string, string])[] = [
  ['#16181c', '#2a2f38', '#f4f4f0'],
  ['#0d2b4a', '#123e6b', '#ffffff'],
  ['#6b1414', '#8c2020', '#fbf2dd'],
  ['#e9e6dc', '#d5d0c2', '#1b1b1b'],
  ['#c9a227', '#e0bd4a', '#141414'],
  ['#f7f7f7', '#dfe4ea', '#123a6d'],
  ['#204a32', '#2f6a48', '#f2f7e6'],
  ['#3a3a3a', '#1d1d1d', '#e6c35a'],
  ['#8f979f', '#b3bac1', '#0e0e0e'],
  ['#f2f2f2', '#f2f2f2', '#8a1c1c'],
];
const TABLES = ['#8a6f4d', '#50565c', '#d8d3c8', '#2a2723', '#9fb0a8', '#efeeea'];

interface Look {
  readonly face: string;
  readonly ink: string;
  readonly ground: string;
}

/** A piece of print: its width at a size, and how it is drawn with its left end on the base line. */
interface Piece {
  readonly width: (context: SKRSContext2D, size: number, look: Look) => number;
  readonly draw: (context: SKRSContext2D, x: number, base: number, size: number, look: Look) => void;
}

const setFont = (context: SKRSContext2D, size: number, look: Look): void => {
  context.font = `700 ${size}px "${look.face}"`;
};

const text = (words: string, scale = 1): Piece => ({
  width: (context, size, look) => {
    setFont(context, size * scale, look);
    return context.measureText(words).width;
  },
  draw: (context, x, base, size, look) => {
    setFont(context, size * scale, look);
    context.fillStyle = look.ink;
    context.fillText(words, x, base);
  },
});

/** Pieces beside each other, a gap apart. */
const beside = (pieces: readonly Piece[], gap: number): Piece => ({
  width: (context, size, look) =>
    pieces.reduce((sum, piece) => sum + piece.width(context, size, look), 0) + gap * size * (pieces.length - 1),
  draw: (context, x, base, size, look) => {
    let at = x;
    for (const piece of pieces) {
      piece.draw(context, at, base, size, look);
      at += piece.width(context, size, look) + gap * size;
    }
  },
});

/** A digit in a bowl that is open at the top. */
const bowl = (digit: string): Piece => ({
  width: (_, size) => size * 1.05,
  draw: (context, x, base, size, look) => {
    const [w, h, line] = [size * 0.92, size * 0.98, size * 0.11];
    context.strokeStyle = look.ink;
    context.lineWidth = line;
    context.beginPath();
    context.moveTo(x + line, base - h + size * 0.1);
    context.lineTo(x + line, base - h * 0.42);
    context.arc(x + w / 2, base - h * 0.42, w / 2 - line, Math.PI, 0, true);
    context.lineTo(x + w - line, base - h + size * 0.1);
    context.stroke();
    setFont(context, size * 0.58, look);
    context.fillStyle = look.ink;
    context.fillText(digit, x + w / 2 - context.measureText(digit).width / 2, base - h * 0.34);
  },
});

/** Digits in a ring that is open on the right. */
const ring = (digits: string): Piece => ({
  width: (_, size) => size * 1.1,
  draw: (context, x, base, size, look) => {
    const radius = size * 0.47;
    const [cx, cy] = [x + radius, base - radius * 0.86];
    context.strokeStyle = look.ink;
    context.lineWidth = size * 0.1;
    context.beginPath();
    context.arc(cx, cy, radius - size * 0.05, 0.55, 2 * Math.PI - 0.55);
    context.stroke();
    setFont(context, size * (digits.length > 1 ? 0.46 : 0.56), look);
    context.fillStyle = look.ink;
    context.fillText(digits, cx - context.measureText(digits).width / 2 - size * 0.02, cy + size * 0.19);
  },
});

/** Words in a box, filled or not. */
const boxed = (words: string, filled: boolean): Piece => ({
  width: (context, size, look) => {
    setFont(context, size * 0.72, look);
    return context.measureText(words).width + size * 0.6;
  },
  draw: (context, x, base, size, look) => {
    setFont(context, size * 0.72, look);
    const width = context.measureText(words).width + size * 0.5;
    context.beginPath();
    context.roundRect(x, base - size * 0.86, width, size * 1.04, size * 0.14);
    context.lineWidth = size * 0.07;
    context.fillStyle = look.ink;
    context.strokeStyle = look.ink;
    if (filled) context.fill();
    else context.stroke();
    context.fillStyle = filled ? look.ground : look.ink;
    context.fillText(words, x + size * 0.25, base - size * 0.08);
  },
});

/** A digit in a bucket: two walls and a floor, open at the top. */
const bucket = (digit: string): Piece => ({
  width: (_, size) => size * 1.05,
  draw: (context, x, base, size, look) => {
    const [w, h, line] = [size * 0.9, size, size * 0.1];
    context.strokeStyle = look.ink;
    context.lineWidth = line;
    context.beginPath();
    context.moveTo(x + line, base - h);
    context.lineTo(x + line, base - line / 2);
    context.lineTo(x + w - line, base - line / 2);
    context.lineTo(x + w - line, base - h);
    context.stroke();
    setFont(context, size * 0.62, look);
    context.fillStyle = look.ink;
    context.fillText(digit, x + w / 2 - context.measureText(digit).width / 2, base - h * 0.28);
  },
});

/** A word above another, as wide as the wider: `VPG` over its digits. */
const stacked = (above: string, below: string): Piece => {
  const upper = text(above, 0.42);
  const lower = text(below, 0.66);
  const wide = (context: SKRSContext2D, size: number, look: Look): number =>
    Math.max(upper.width(context, size, look), lower.width(context, size, look));
  return {
    width: wide,
    draw: (context, x, base, size, look) => {
      const width = wide(context, size, look);
      upper.draw(context, x + (width - upper.width(context, size, look)) / 2, base - size * 0.62, size, look);
      lower.draw(context, x + (width - lower.width(context, size, look)) / 2, base, size, look);
    },
  };
};

/** A piece in a box that is drawn around it or filled. */
const framedIn = (piece: Piece, filled: boolean): Piece => ({
  width: (context, size, look) => piece.width(context, size, look) + size * 0.5,
  draw: (context, x, base, size, look) => {
    context.beginPath();
    context.roundRect(x, base - size * 1.06, piece.width(context, size, look) + size * 0.44, size * 1.24, size * 0.12);
    context.lineWidth = size * 0.07;
    context.fillStyle = look.ink;
    context.strokeStyle = look.ink;
    if (filled) context.fill();
    else context.stroke();
    const own = filled ? { ...look, ink: look.ground } : look;
    piece.draw(context, x + size * 0.22, base, size, own);
  },
});

const capacityText = (gigabytes: number): readonly [string, string] =>
  gigabytes >= 1000 ? [String(gigabytes / 1000), 'TB'] : [String(gigabytes), 'GB'];

const FORM_TEXT: Readonly<Partial<Record<LabelTruth['form'], readonly string[]>>> = {
  'cfexpress-a': ['CFexpress TYPE A', 'CFexpress Type A'],
  'cfexpress-b': ['CFexpress TYPE B', 'CFexpress Type B'],
  cf: ['CompactFlash', 'CF'],
  xqd: ['XQD'],
};

/** Marks of which most stand in a frame, on a plate or over each other. */
function framedMarks(truth: LabelTruth, random: Random): readonly Piece[] {
  const pieces: Piece[] = [];
  if (truth.video) pieces.push(pick(random, [boxed(truth.video, false), boxed(truth.video, true), text(truth.video)]));
  if (truth.grade) {
    const digit = truth.grade.slice(1);
    pieces.push(pick(random, [bowl(digit), bucket(digit), bucket(digit), boxed(truth.grade, false)]));
  }
  if (truth.speedClass) {
    const digits = truth.speedClass.slice(1);
    pieces.push(pick(random, [ring(digits), ring(digits), text(`C${digits}`)]));
  }
  if (truth.app) pieces.push(pick(random, [text(truth.app), boxed(truth.app, false)]));
  if (truth.vpg) {
    const digits = truth.vpg.slice(3);
    const over = stacked('VPG', digits);
    const inLine = `VPG${digits}`;
    pieces.push(
      pick(random, [over, framedIn(over, false), framedIn(over, true), boxed(inLine, false), boxed(inLine, true)]),
    );
  }
  return shuffled(random, pieces);
}

function marksOf(truth: LabelTruth, random: Random): readonly Piece[] {
  const framed = random() < 0.6;
  const pieces: Piece[] = [];
  if (truth.video) pieces.push(text(truth.video, 1.05));
  if (truth.grade) pieces.push(framed ? bowl(truth.grade.slice(1)) : text(truth.grade));
  if (truth.speedClass) {
    const digits = truth.speedClass.slice(1);
    pieces.push(framed ? ring(digits) : text(random() < 0.5 ? `C${digits}` : `CLASS ${digits}`, 0.8));
  }
  if (truth.app) pieces.push(text(truth.app));
  if (truth.vpg) {
    const digits = truth.vpg.slice(3);
    const words = pick(random, [`VPG${digits}`, `VPG ${digits}`, `VPG-${digits}`]);
    pieces.push(random() < 0.5 ? boxed(words, random() < 0.4) : text(words));
  }
  return shuffled(random, pieces);
}

/** The rows of a label, each with its size as a share of the card's shorter side, and where it stands. */
function rowsOf(
  truth: LabelTruth,
  random: Random,
  isFramed: boolean,
): readonly { piece: Piece; size: number; align: number }[] {
  const [number, unit] = capacityText(truth.capacityGB);
  const capacity =
    random() < 0.5
      ? text(`${number}${random() < 0.5 ? ' ' : ''}${unit}`)
      : beside([text(number), text(unit, 0.5 + random() * 0.3)], 0.12);
  const align = pick(random, [0, 0, 0.5]);
  const rows: { piece: Piece; size: number; align: number }[] = [];
  const small = truth.form === 'microsd' ? 0.12 : 0.085;
  if (random() < 0.85) rows.push({ piece: text(pick(random, MAKERS)), size: 0.11 + random() * 0.04, align });
  if (random() < 0.4) rows.push({ piece: text(pick(random, LINES)), size: 0.075, align });
  const speeds: string[] = [];
  if (truth.readMBps !== null) {
    speeds.push(
      truth.writeMBps === null && random() < 0.6
        ? `${truth.readMBps}${random() < 0.5 ? ' ' : ''}MB/s`
        : pick(random, [`R ${truth.readMBps} MB/s`, `READ ${truth.readMBps}MB/s`, `R${truth.readMBps} MB/s`]),
    );
  }
  if (truth.writeMBps !== null) speeds.push(`${pick(random, ['W ', 'WRITE ', 'W'])}${truth.writeMBps} MB/s`);
  if (truth.times !== null) speeds.push(`${truth.times}x`);
  const body = [
    ...speeds.map((words) => ({ piece: text(words), size: small + 0.01, align })),
    { piece: capacity, size: 0.16 + random() * 0.1, align: pick(random, [0, 0.5, 1]) },
  ];
  const marks = isFramed ? framedMarks(truth, random) : marksOf(truth, random);
  if (marks.length > 0) body.push({ piece: beside(marks, 0.4), size: small + 0.03 + random() * 0.03, align });
  const name = FORM_TEXT[truth.form];
  if (truth.family) {
    const family = `${truth.form === 'microsd' ? 'micro' : ''}${truth.family}`;
    const bus = truth.bus === null ? [] : [text(truth.bus === 'EX' ? 'EX' : truth.bus)];
    body.push({ piece: beside([text(family), ...bus], 0.35 + random() * 0.3), size: small + 0.015, align });
  } else if (name) {
    const words = pick(random, name);
    body.push({
      piece: text(truth.version === null ? words : `${words.replace(/ /, ` ${truth.version} `)}`),
      size: small + 0.01,
      align,
    });
  }
  return [...rows, ...shuffled(random, body)];
}

/** Width over height of a card, by form. */
const SHAPES: Readonly<Partial<Record<LabelTruth['form'], number>>> = {
  sd: 24 / 32,
  microsd: 15 / 11,
  'cfexpress-a': 20 / 28,
  'cfexpress-b': 38.5 / 29.8,
  cf: 42.8 / 36.4,
  xqd: 38.5 / 29.8,
};

export type LabelSet = 'tuning' | 'held' | 'framed' | 'apart';

/** Labels of each set, with seeds of its own: two to tune on, without and with framed marks, and two held apart. */
export const HELD = 600;

/** Seeds of the sets lie apart: no label of one is ever one of another. */
const FIRST_SEED: Readonly<Record<LabelSet, number>> = {
  tuning: 1_000,
  held: 900_000,
  framed: 300_000,
  apart: 600_000,
};
const SET_FACES: Readonly<Record<LabelSet, readonly Face[]>> = {
  tuning: FACES,
  held: [...FACES, ...ONLY_HELD],
  framed: FACES,
  apart: ONLY_APART,
};

/** A label as it was printed, flat. */
function printed(
  truth: LabelTruth,
  random: Random,
  {
    faces,
    width,
    isFramed = false,
  }: { readonly faces: readonly Face[]; readonly width: number; readonly isFramed?: boolean },
): { readonly pixels: Pixels; readonly table: string } {
  const face = pick(random, faces);
  const [ground, second, ink] = pick(random, COLOURS);
  const look: Look = { face: `Label ${face}`, ink, ground };
  const height = Math.round(width / (SHAPES[truth.form] ?? 1));
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  const table = pick(random, TABLES);
  context.fillStyle = table;
  context.fillRect(0, 0, width, height);
  const fade = context.createLinearGradient(0, 0, width * 0.6, height);
  fade.addColorStop(0, ground);
  fade.addColorStop(1, second);
  context.fillStyle = fade;
  const corner = width * 0.16;
  context.beginPath();
  context.moveTo(0, 0);
  context.lineTo(width - (truth.form === 'sd' ? corner : 0), 0);
  context.lineTo(width, truth.form === 'sd' ? corner : 0);
  context.lineTo(width, height);
  context.lineTo(0, height);
  context.fill();
  const side = Math.min(width, height);
  const margin = side * 0.09;
  const rows = rowsOf(truth, random, isFramed).map((row) => {
    const size = row.size * side;
    const wide = row.piece.width(context, size, look);
    const scale = Math.min(1, (width - 2 * margin) / wide);
    return { ...row, size: size * scale, wide: wide * scale };
  });
  const tall = rows.reduce((sum, { size }) => sum + size * 1.45, 0);
  const scale = Math.min(1, (height - 2 * margin) / tall);
  const gap = (height - 2 * margin - tall * scale) / Math.max(1, rows.length);
  let y = margin;
  for (const { piece, size, wide, align } of rows) {
    y += size * 1.45 * scale;
    piece.draw(
      context,
      margin + (width - 2 * margin - wide * scale) * align,
      y - size * 0.3 * scale,
      size * scale,
      look,
    );
    y += gap;
  }
  const { data } = context.getImageData(0, 0, width, height);
  return { pixels: { width, height, data }, table };
}

/** A drawn label as it was photographed: on a table, turned, in perspective, with glare, blur and noise. */
export function drawnLabel(set: LabelSet, at: number): DrawnLabel {
  const random = seeded(FIRST_SEED[set] + at);
  const truth = aTruth(random);
  const { pixels, table } = printed(truth, random, {
    faces: SET_FACES[set],
    width: WIDTHS[at % WIDTHS.length] ?? 640,
    isFramed: set === 'framed' || set === 'apart',
  });
  const shot = aShot(random);
  return { truth, pixels: photographed(pixels, table, random, shot), turn: shot.turn };
}

/** A label with this print, photographed as is said: for a test that acts on what it says. */
export function labelOf(truth: LabelTruth, shot: Shot, { seed = 1, width = 800 } = {}): Pixels {
  const random = seeded(seed);
  const { pixels, table } = printed(truth, random, { faces: ['Exo'], width });
  return photographed(pixels, table, random, shot);
}

/** Lines of text as on a page or a screen, cells at equal steps, photographed as is said. */
export function pageOf(rows: readonly (readonly string[])[], shot: Shot, { dark = false, step = 230 } = {}): Pixels {
  const width = 60 + step * Math.max(...rows.map((cells) => cells.length));
  const height = 80 + 80 * rows.length;
  const context = createCanvas(width, height).getContext('2d');
  context.fillStyle = dark ? '#0b0b0d' : '#f4f2ea';
  context.fillRect(0, 0, width, height);
  context.fillStyle = dark ? '#e8f0ff' : '#222222';
  context.font = '30px "Label Exo"';
  for (const [row, cells] of rows.entries()) {
    for (const [at, text] of cells.entries()) context.fillText(text, 40 + at * step, 80 + row * 80);
  }
  const { data } = context.getImageData(0, 0, width, height);
  return photographed({ width, height, data }, '#50565c', seeded(3), shot);
}

/** Pictures beside each other in one. */
export function sideBySide(pictures: readonly Pixels[]): Pixels {
  const width = pictures.reduce((sum, picture) => sum + picture.width, 0);
  const height = Math.max(...pictures.map((picture) => picture.height));
  const data = new Uint8ClampedArray(width * height * 4).fill(60);
  let left = 0;
  for (const picture of pictures) {
    for (let y = 0; y < picture.height; y += 1) {
      const row = picture.data.subarray(y * picture.width * 4, (y + 1) * picture.width * 4);
      data.set(row, (y * width + left) * 4);
    }
    left += picture.width;
  }
  return { width, height, data };
}

/** A picture as a PNG file. */
export function pngOf({ width, height, data }: Pixels): Buffer {
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  const image = context.createImageData(width, height);
  image.data.set(data);
  context.putImageData(image, 0, 0);
  return canvas.toBuffer('image/png');
}
