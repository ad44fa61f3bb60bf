import { recordedFault } from '../cards/recordedFault.ts';
import type { Body, Card } from '../kit/model.ts';

/** Everything of a card that an answer may hang on: two cards that agree in it are of one print. */
export const printOf = ({ form, capacityGB, marks, bus, ...card }: Card): string =>
  JSON.stringify([
    ...[form, capacityGB, marks, bus],
    ...[card.usableGB, card.readMBps, card.writeMBps, card.sustainedMBps, card.minimumMBps, card.minimumSource],
    ...[recordedFault(card), card.verified ? card.verified.date : null, card.adapterTwoRows === true, card.cacheGB],
  ]);

/** Cards that a maker approves by name: each stands for itself, whatever is printed on others. */
export const namedCards = (bodies: readonly Body[]): ReadonlySet<string> =>
  new Set(bodies.flatMap(({ approved }) => approved?.flatMap(({ cardIds }) => cardIds) ?? []));
