import { heatMark } from '../../core/heat/run/mark.ts';
import type { Body, Card, Mode, PlannedTake } from '../../core/kit/model.ts';
import { cellFor } from '../../core/match/board.ts';
import type { Policy } from '../../core/match/policy.ts';
import { acrossCards, cardBrackets } from '../../core/prove/puzzles.ts';
import type { SymptomKnown } from '../../core/prove/symptom.ts';
import type { ProveKit } from './proveKit.ts';

/** The pair a symptom is of; what is not named is null. */
export interface SymptomOf {
  readonly body: Body | null;
  readonly mode: Mode | null;
  readonly card: Card | null;
}

const UNKNOWN: SymptomKnown = {
  verdict: null,
  findings: [],
  heat: null,
  labelContradicts: false,
  verified: false,
  incidents: 0,
  capacityGB: null,
  inCommon: null,
};

/** What the kit knows of a pair before anything is asked: the answer of the board, its heat, its card and its drops. */
export function symptomKnown(
  kit: ProveKit,
  { body, mode, card }: SymptomOf,
  policy: Policy,
  plan: PlannedTake,
): SymptomKnown {
  const { cards, tests, reports } = kit;
  const ofCard = card
    ? {
        verified: card.verified != null,
        incidents: card.incidents?.length ?? 0,
        capacityGB: card.capacityGB,
      }
    : {};
  if (!body || !card) return { ...UNKNOWN, ...ofCard };
  const own = cardBrackets(kit).find((one) => one.body.id === body.id && one.card.id === card.id);
  const across = acrossCards(kit).find((one) => one.body.id === body.id);
  const inCommon = own?.common.cause ?? across?.common.cause ?? null;
  if (!mode) return { ...UNKNOWN, ...ofCard, inCommon };
  const cell = cellFor({ body, mode, card, cards, tests, reports, policy });
  const mark = heatMark({ body, cell, card, tests: tests.filter(({ cardId }) => cardId === card.id), plan, cards });
  const label = cell.findings.find(({ rule }) => rule === 'label');
  return {
    ...UNKNOWN,
    ...ofCard,
    verdict: cell.verdict,
    findings: cell.findings,
    heat: mark?.level ?? null,
    labelContradicts: label?.outcome === 'short',
    inCommon,
  };
}
