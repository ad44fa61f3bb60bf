// Draws the icons of the installed app from public/icon.svg: npm run icons
import { readFileSync, writeFileSync } from 'node:fs';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import { ROOT } from './lib.mjs';

const GROUND = '#f5f3ec';
/** Side, pixels, and the share of it that the drawing takes: a mask may cut a maskable icon to the middle four fifths. */
const ICONS = [
  ['icon-192', 192, 1],
  ['icon-512', 512, 1],
  ['icon-maskable', 512, 0.72],
  ['icon-touch', 180, 0.86],
] as const;

const svg = readFileSync(`${ROOT}/public/icon.svg`, 'utf8');
for (const [name, side, share] of ICONS) {
  const own = side * share;
  const image = await loadImage(Buffer.from(svg.replace('<svg ', `<svg width="${own}" height="${own}" `)));
  const context = createCanvas(side, side).getContext('2d');
  if (share < 1) {
    context.fillStyle = GROUND;
    context.fillRect(0, 0, side, side);
  }
  context.drawImage(image, (side - own) / 2, (side - own) / 2, own, own);
  writeFileSync(`${ROOT}/public/${name}.png`, context.canvas.toBuffer('image/png'));
}
