import { isAtHand } from '../../cards/atHand.ts';
import type { Card } from '../../kit/model.ts';
import { answersFor } from '../../match/board.ts';
import type { Cell } from '../../match/cell.ts';
import { TONES_USED, toneOf } from '../../match/verdict.ts';
import { pick, shuffled } from '../draw.ts';
import type { Choice } from '../question.ts';
import type { Slip } from '../slips.ts';
import type { Draft, Making } from './making.ts';

/** Cards looked at for one question: enough to find one that holds among some that do not. */
const MOST_LOOKED_AT = 24;

/** The slip of putting this card in, by what the rules find. */
function slipOf(cell: Cell): Slip {
  switch (cell.verdict) {
    case 'unfit':
      return 'form';
    case 'locked':
      return 'lock';
    case 'drops':
      return 'bus';
    case 'tight':
      return 'headroom';
    case 'proven':
    case 'claimed':
    case 'held':
      return 'claim';
    default: {
      const guarantee = cell.findings.find((finding) => finding.rule === 'guarantee');
      return guarantee && guarantee.notInForce.length > 0 ? 'not-in-force' : 'peak';
    }
  }
}

/** Two cards of one label cannot be told apart in an answer. */
const byLabel = (cards: readonly Card[]): readonly Card[] => [
  ...new Map(cards.map((card) => [card.label.trim().toLowerCase(), card])).values(),
];

/** Which of one’s own cards holds a mode of one’s own body; null where the kit has no such question. */
export function makeOwn({ random, level, slip, kit }: Making): Draft | null {
  if (!kit) return null;
  const bodies = kit.bodies.filter(({ modes, slots }) => modes.length > 0 && slots.length > 0);
  if (bodies.length === 0 || kit.cards.length < 3) return null;
  const body = pick(random, bodies);
  const mode = pick(random, body.modes);
  const { policy, tests, reports } = kit;
  const known = byLabel(kit.cards.filter((card) => !card.retired));
  const looked = shuffled(random, known).slice(0, MOST_LOOKED_AT);
  const answer = answersFor({ body, mode, cards: kit.cards, tests, reports, policy });
  const used = TONES_USED[policy.take];
  const cells = looked.map((card) => ({ card, cell: answer(card) }));
  const holds = cells.filter(({ cell }) => !cell.doubted && toneOf(cell.verdict, policy.take) === 'cool');
  const fails = cells.filter(({ cell }) => !used.has(toneOf(cell.verdict, policy.take)));
  const lead =
    slip === 'form'
      ? fails.filter(({ cell }) => cell.verdict === 'unfit')
      : fails.filter(({ cell }) => cell.verdict !== 'unfit');
  // A card that holds takes, or is away, may not go anywhere.
  const right = holds.find(({ card }) => isAtHand(card));
  const [first] = lead;
  if (!right || !first) return null;
  const others = fails.filter((one) => one !== first).slice(0, level === 1 ? 1 : 2);
  if (others.length === 0) return null;
  const wrongs = [first, ...others].map(
    ({ card, cell }): Choice => ({ value: { kind: 'card', card, cell }, slip: slipOf(cell) }),
  );
  return {
    facts: { kind: 'own', body, mode, policy },
    choices: shuffled(random, [{ value: { kind: 'card', card: right.card, cell: right.cell }, slip: null }, ...wrongs]),
    typed: null,
  };
}
