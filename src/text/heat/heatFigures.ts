import type { FigureSource } from '../../core/heat/run/known.ts';
import { AMBIENT_DEGREES } from '../../core/heat/writepath/draws.ts';
import type { BodyFigure, CardFigure } from '../../core/kit/model.ts';
import { AMBIENT_SPREAD, SPREAD_OF } from '../../core/standards/assumptions.ts';
import { form } from '../../core/standards/forms.ts';
import { plain } from '../quantity.ts';
import { AIR_WORDS, SIZE_WORDS } from './heatWords.ts';

const NBSP = '\u00a0';

interface FigureWords {
  readonly name: string;
  readonly unit: string;
  readonly digits: number;
}

/** What a figure is called, and its unit. */
export const FIGURE_WORDS: Readonly<Record<BodyFigure | CardFigure, FigureWords>> = {
  bufferMB: { name: 'Camera buffer', unit: 'MB', digits: 0 },
  bodyResistanceKPerW: { name: 'Camera heat path', unit: 'K/W', digits: 2 },
  bodyHeatCapacityJPerK: { name: 'Camera heat mass', unit: 'J/K', digits: 0 },
  recordingW: { name: 'Heat from the camera while recording', unit: 'W', digits: 1 },
  bodyLimitC: { name: 'Camera shuts down at', unit: '°C', digits: 0 },
  sustainedMBps: { name: 'Sustained write speed', unit: 'MB/s', digits: 0 },
  burstMBps: { name: 'Fast cache takes', unit: 'MB/s', digits: 0 },
  cacheGB: { name: 'Fast cache', unit: 'GB', digits: 1 },
  stallEveryGB: { name: 'Stalls every', unit: 'GB', digits: 1 },
  stallSeconds: { name: 'Stalls for', unit: 's', digits: 2 },
  cardResistanceKPerW: { name: 'Card heat path', unit: 'K/W', digits: 2 },
  cardHeatCapacityJPerK: { name: 'Card heat mass', unit: 'J/K', digits: 1 },
  idleW: { name: 'Card makes, idle', unit: 'W', digits: 2 },
  energyNJPerByte: { name: 'Card makes, writing', unit: 'nJ/B', digits: 2 },
  throttleAtC: { name: 'Throttles at', unit: '°C', digits: 0 },
  resumeAtC: { name: 'Resumes at', unit: '°C', digits: 0 },
  throttleFactor: { name: 'Write speed while hot, share of normal', unit: '×', digits: 2 },
};

/** Where a figure comes from, short enough to stand under it. */
export function figureSourceText(source: FigureSource): string {
  switch (source.code) {
    case 'own':
      return 'entered by you';
    case 'traced':
      return 'read off a write trace';
    case 'fitted':
      return 'fitted to logged takes';
    case 'size':
      return `assumed${source.guessed ? ', taken' : ''} for ${SIZE_WORDS[source.size].startsWith('a') ? 'an' : 'a'} ${SIZE_WORDS[source.size]}`;
    case 'surface':
      return `from the surface of ${SIZE_WORDS[source.size].startsWith('a') ? 'an' : 'a'} ${SIZE_WORDS[source.size]} in ${AIR_WORDS[source.air]}, by textbook convection and radiation`;
    case 'limits':
      if (source.shorter) return 'from the shorter of the maker’s limits';
      return source.statements > 1 ? 'from the maker’s two limits' : 'from the maker’s limit';
    case 'form':
      return source.borrowedFrom
        ? `assumed, borrowed from ${form(source.borrowedFrom).name}`
        : `assumed for ${form(source.form).name}`;
    case 'on-card':
      return 'as the card claims';
    case 'on-body':
      return 'from Cameras';
    case 'derated':
      return `claims ${plain(source.stated, 0)}, less 20${NBSP}%`;
    case 'mark':
      return `promised by ${source.mark}`;
    case 'minimum':
      return 'minimum its maker states';
    case 'approved':
      return 'approved for this mode';
    case 'own-test':
      return `filled at ${plain(source.MBps, 0)}, and 15${NBSP}% over`;
    case 'as-sustained':
      return 'none known, as the flash';
    case 'none-known':
      return 'none known, taken as none';
    case 'keeps-up':
      return 'none known, taken to keep up';
  }
}

/** How the figures of the risk runs are drawn. */
export const SPREAD_TEXT = `Risk runs draw each figure around its value: by ${SPREAD_OF.assumed * 100}${NBSP}% where it is assumed, ${SPREAD_OF.claimed * 100}${NBSP}% claimed, ${SPREAD_OF.stated * 100}${NBSP}% stated, ${SPREAD_OF.tested * 100}${NBSP}% tested, ${SPREAD_OF.guaranteed * 100}${NBSP}% promised by a mark, as far as a fit leaves open, and the air by ${AMBIENT_SPREAD * AMBIENT_DEGREES}${NBSP}°C (standard deviations, assumed).`;
