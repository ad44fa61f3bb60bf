import type { PrintedLabel } from '../../core/cards/readLabel.ts';
import { isSameWord } from '../../core/cards/vocabulary.ts';
import type { Card } from '../../core/kit/model.ts';
import type { BytesPerSecond } from '../../core/units/brand.ts';
import { toGigabytes, toMegabytes } from '../../core/units/convert.ts';
import { newId } from '../../kit/newId.ts';

/** A new card from a label; null until form and capacity are told. */
export function cardOfLabel(label: PrintedLabel): Card | null {
  if (label.form === null || label.capacity === null) return null;
  const { hours: ratedHours, enduranceTB } = label;
  return {
    id: newId(),
    label: '',
    form: label.form,
    capacityGB: toGigabytes(label.capacity),
    usableGB: null,
    marks: [...new Set(label.words)],
    bus: null,
    ...speedsOf(label),
    cacheGB: null,
    ...(ratedHours === null ? {} : { ratedHours }),
    ...(enduranceTB === null ? {} : { enduranceTB }),
  };
}

/** The speeds of a print in the fields of a card, each in its own. */
export function speedsOf({ reads, writes, sustained, minimum }: PrintedLabel) {
  const inMB = (rate: BytesPerSecond | null): number | null => (rate === null ? null : toMegabytes(rate));
  return {
    readMBps: inMB(reads),
    writeMBps: inMB(writes),
    sustainedMBps: inMB(sustained),
    ...(minimum === null ? {} : { minimumMBps: inMB(minimum), minimumSource: 'its print' }),
  };
}

/** Puts a word on a label, or takes it off where it stands. */
export function toggleMark(text: string, word: string): string {
  const words = text.split(/\s+/).filter(Boolean);
  const rest = words.filter((one) => !isSameWord(one, word));
  return (rest.length < words.length ? rest : [...words, word]).join(' ');
}
