import type { Card, CardFigure } from '../../kit/model.ts';
import type { Cell } from '../../match/cell.ts';
import type { Finding } from '../../match/finding.ts';
import { ASSUMED } from '../../standards/assumptions.ts';
import type { Form } from '../../standards/forms.ts';
import { CARD_HEAT, type CardHeatRow, mostWatts } from '../../standards/heat.ts';
import { toMegabytes } from '../../units/convert.ts';
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

/** What a card is written in a cell, MB/s; 0 where the mode has no rate. */
export const needMBps = ({ need }: Cell): number => (need === null ? 0 : toMegabytes(need));

const KEPT = 1 - ASSUMED.makerDerating.value;
const OVER = 1 + ASSUMED.testedMargin.value;

const find = <R extends Finding['rule']>({ findings }: Cell, rule: R) =>
  findings.find((finding): finding is Extract<Finding, { rule: R }> => finding.rule === rule);

/**
 * What the flash keeps up, from the best of what is known: a full take of its own, a promise in force, the maker's figure
 * less 20 % [A]. A card of which nothing is known is taken to keep up, so that the run asks about heat alone.
 */
function sustained(card: Card, cell: Cell): Known {
  const options: Known[] = [];
  const proven = find(cell, 'own-tests')?.provenUpTo ?? null;
  if (proven !== null)
    options.push(known(toMegabytes(proven) * OVER, 'tested', { code: 'own-test', MBps: toMegabytes(proven) }));
  const guarantee = find(cell, 'guarantee');
  if (guarantee && guarantee.floor !== null && guarantee.mark !== null)
    options.push(known(toMegabytes(guarantee.floor), 'guaranteed', { code: 'mark', mark: guarantee.mark }));
  const minimum = find(cell, 'makers-minimum')?.floor ?? null;
  if (minimum !== null) options.push(known(toMegabytes(minimum), 'guaranteed', { code: 'minimum' }));
  const approved = find(cell, 'approved');
  if (approved && (approved.outcome === 'pass' || approved.outcome === 'note'))
    options.push(known(needMBps(cell), 'guaranteed', { code: 'approved' }));
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

/**
 * What writing a byte makes of heat, by the form, no more than the bus lets a card draw at the rate it is written.
 */
function assumedEnergy({ energyNJPerByte, energyRange, idleW }: CardHeatRow, cell: Cell): Omit<Known, 'source'> {
  const inForce = find(cell, 'bus')?.inForce ?? null;
  const mostW = inForce === null ? null : mostWatts(inForce);
  const most = mostW === null ? Number.POSITIVE_INFINITY : (mostW - idleW) / (needMBps(cell) * 1e-3);
  const [low, value, high] = [energyRange[0], energyNJPerByte, energyRange[1]].map((one) => Math.min(one, most));
  return { value: value ?? 0, basis: 'assumed', low: low ?? 0, high: high ?? 0 };
}

/** Figures of a card in one cell: its own first, then its evidence, then those of its form. */
export function cardFigures(card: Card, cell: Cell): CardFigures {
  const own = card.heat?.figures ?? {};
  const { row, borrowedFrom } = heatRow(card.form);
  const assumed = (value: number): Known => known(value, 'assumed', { code: 'form', form: card.form, borrowedFrom });
  const pace = ownFigure(own.sustainedMBps) ?? sustained(card, cell);
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
    energyNJPerByte: ownFigure(own.energyNJPerByte) ?? {
      ...assumedEnergy(row, cell),
      source: { code: 'form', form: card.form, borrowedFrom },
    },
    cardHeatCapacityJPerK: ownFigure(own.cardHeatCapacityJPerK) ?? assumed(row.heatCapacityJPerK),
    idleW: ownFigure(own.idleW) ?? assumed(row.idleW),
    throttleAtC: ownFigure(own.throttleAtC) ?? assumed(row.throttleAtC),
    resumeAtC: ownFigure(own.resumeAtC) ?? assumed(row.resumeAtC),
    throttleFactor: ownFigure(own.throttleFactor) ?? assumed(row.throttleFactor),
  };
}
