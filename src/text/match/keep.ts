import type { Mode } from '../../core/kit/model.ts';
import { plain } from '../quantity.ts';

/** The presses under an answer. */
export const KEEP_WORDS = {
  camera: 'Keep this camera',
  card: 'Keep this card',
  cards: (count: number) => `Keep these ${count} cards`,
} as const;

/** What the form of a kept thing says. */
export const KEEP_NAME = {
  camera: 'What this camera is called',
  card: 'What this card is called',
  form: { camera: 'Cards that it takes', card: 'Form of the card' },
  fps: 'Frames a second, which the line does not tell',
  empty: 'The name is empty. Enter at least one character.',
  noStore:
    'The kit cannot be opened in this browser, so that nothing can be kept. What is asked is answered all the same.',
} as const;

/** Beside the kinds of bus that a slot may have. */
export const KEEP_BUS = { question: 'Which bus do its slots have?', unsure: 'Not sure' } as const;

/** What a mode that was kept from a line is called: its picture and what it writes. Its speed stands behind every name. */
export function keptModeName({ width, height, rate, codec }: Mode): string {
  const picture = width === null || height === null ? '' : `${width}\u00a0×\u00a0${height} `;
  switch (rate.kind) {
    case 'stated':
      return `${picture}${plain(rate.Mbps, 3)}\u00a0Mb/s`;
    case 'raw':
      return `${picture}raw ${plain(rate.ratio, 2)}:1`;
    case 'frame':
    case 'counter':
      return `${picture}${codec}`;
  }
}
