import type { Cell } from '../match/evaluate.ts';
import type { Card, CardFigure, Test } from '../model/kit.ts';
import { ASSUMED } from '../standards/assumptions.ts';
import type { Form } from '../standards/forms.ts';
import { CARD_HEAT, type CardHeatRow } from '../standards/heat.ts';
import { toMBps } from '../units/convert.ts';
import { type Known, known, ownFigure } from './known.ts';

/** Forms without a row of their own, and the one nearest in size whose figures they borrow [A]. */
const NEAREST: Readonly<Record<Exclude<Form, keyof typeof CARD_HEAT>, keyof typeof CARD_HEAT>> = {
  'cfexpress-c': 'cfexpress-b',
  cf: 'cfast',
  'usb-ssd': 'cfexpress-b',
  module: 'cfexpress-b',
};

function heatRow(form: Form): { readonly row: CardHeatRow; readonly borrowedFrom: Form | null } {
  if (form in CARD_HEAT) return { row: CARD_HEAT[form as keyof typeof CARD_HEAT], borrowedFrom: null };
  const nearest = NEAREST[form as keyof typeof NEAREST];
  return { row: CARD_HEAT[nearest], borrowedFrom: nearest };
}

/** Fastest rate at which own tests of this body filled the card, MB/s; null without such a test. */
const provenMBps = (tests: readonly Test[], { bodyId, cardId }: Cell): number | null =>
  tests.reduce<number | null>((best, test) => {
    if (test.bodyId !== bodyId || test.cardId !== cardId || test.end !== 'full') return best;
    return test.writtenMBps !== null && test.writtenMBps > (best ?? 0) ? test.writtenMBps : best;
  }, null);

/** What a card is written in a cell, MB/s; 0 where the mode has no rate. */
export const needMBps = ({ need }: Cell): number => (need === null ? 0 : toMBps(need));

const KEPT = 1 - ASSUMED.makerDerating.value;
const OVER = 1 + ASSUMED.testedMargin.value;

/**
 * What the flash keeps up, from the best of what is known: a passed test, the mark in force, the maker's figure less
 * 20 % [A]. A card of which nothing is known is taken to keep up, so that the run asks about heat alone.
 */
function sustained(card: Card, cell: Cell, tests: readonly Test[]): Known {
  const options: Known[] = [];
  const proven = provenMBps(tests, cell);
  if (proven !== null) options.push(known(proven * OVER, 'tested', { code: 'own-test', MBps: proven }));
  const found = cell.findings.find(({ rule }) => rule === 'guarantee');
  if (found?.rule === 'guarantee' && found.floor !== null && found.mark !== null)
    options.push(known(toMBps(found.floor), 'guaranteed', { code: 'mark', mark: found.mark }));
  if (card.sustainedMBps !== null)
    options.push(known(card.sustainedMBps * KEPT, 'claimed', { code: 'derated', stated: card.sustainedMBps }));
  const [first, ...rest] = options;
  if (!first) return known(needMBps(cell) * OVER, 'guaranteed', { code: 'keeps-up' });
  return rest.reduce((best, one) => (one.value > best.value ? one : best), first);
}

type CardFigures = Readonly<Record<Exclude<CardFigure, 'stallEveryGB' | 'stallSeconds'>, Known>> & {
  /** Null: the card is not known to stall. */
  readonly stallEveryGB: Known | null;
  readonly stallSeconds: Known | null;
};

/** Figures of a card in one cell: its own first, then its evidence, then those of its form. */
export function cardFigures(card: Card, cell: Cell, tests: readonly Test[]): CardFigures {
  const own = card.heat?.figures ?? {};
  const { row, borrowedFrom } = heatRow(card.form);
  const assumed = (value: number): Known => known(value, 'assumed', { code: 'form', form: card.form, borrowedFrom });
  const pace = ownFigure(own.sustainedMBps) ?? sustained(card, cell, tests);
  const burst =
    card.writeMBps !== null && card.writeMBps > pace.value
      ? known(card.writeMBps, 'claimed', { code: 'on-card' })
      : known(pace.value, pace.basis, { code: 'as-sustained' });
  const cache =
    card.cacheGB === null
      ? known(0, 'assumed', { code: 'none-known' })
      : known(card.cacheGB, 'claimed', { code: 'on-card' });
  return {
    sustainedMBps: pace,
    burstMBps: ownFigure(own.burstMBps) ?? burst,
    cacheGB: ownFigure(own.cacheGB) ?? cache,
    stallEveryGB: ownFigure(own.stallEveryGB),
    stallSeconds: ownFigure(own.stallSeconds),
    cardResistanceKPerW: ownFigure(own.cardResistanceKPerW) ?? assumed(row.resistanceKPerW),
    energyNJPerByte: ownFigure(own.energyNJPerByte) ?? assumed(row.energyNJPerByte),
    cardHeatCapacityJPerK: ownFigure(own.cardHeatCapacityJPerK) ?? assumed(row.heatCapacityJPerK),
    idleW: ownFigure(own.idleW) ?? assumed(row.idleW),
    throttleAtC: ownFigure(own.throttleAtC) ?? assumed(row.throttleAtC),
    resumeAtC: ownFigure(own.resumeAtC) ?? assumed(row.resumeAtC),
    throttleFactor: ownFigure(own.throttleFactor) ?? assumed(row.throttleFactor),
  };
}
