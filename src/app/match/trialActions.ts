import type { Body, Card, TakeKind } from '../../core/kit/model.ts';
import type { CardToBuy } from '../../core/match/buyCard.ts';
import type { Trial } from '../../core/match/trial.ts';
import type { Settings } from '../../kit/kit.ts';
import { newId } from '../../kit/newId.ts';
import { changesBetween, withChanges } from '../../kit/patch.ts';
import { change, type Edit, put, settle } from '../../store/edit.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { toBuyWords } from '../../text/match/toBuy.ts';
import { type Written, write } from '../kit/write.ts';

export { tryMove } from '../../core/match/trial.ts';

/** A card to be bought, as it stands in the wallet once a trial is kept. */
export const toBuy = (print: CardToBuy): Pick<Card, 'id' | 'label' | 'note'> => ({ id: newId(), ...toBuyWords(print) });

/** A body as it was before the first trial and as the last one leaves it. */
interface TriedBody {
  readonly before: Body;
  readonly after: Body;
}

/** What trials one upon another would change: bodies, cards to add, the kind of take. */
export interface TrialChanges {
  readonly bodies: readonly TriedBody[];
  readonly cards: readonly Card[];
  readonly take: Settings['take'] | null;
}

/** Nothing tried yet. */
export const UNCHANGED: TrialChanges = { bodies: [], cards: [], take: null };

/** The changes so far and one trial more; a body tried twice counts in its last form. */
export function withTrial(
  before: TrialChanges,
  trial: Trial | null,
  take: TakeKind | null,
  original: Body,
): TrialChanges {
  const body = trial?.changedBody;
  const known = before.bodies.find(({ after }) => after.id === body?.id);
  return {
    bodies: body
      ? [...before.bodies.filter((one) => one !== known), { before: known?.before ?? original, after: body }]
      : before.bodies,
    cards: trial?.addedCard ? [...before.cards, trial.addedCard] : before.cards,
    take: take ?? before.take,
  };
}

/** Keeps everything that a chain of trials changed, in one go: of a body only what was tried, not what another tab changed since. */
export function keepTrial({ bodies, cards, take }: TrialChanges, text: string): Promise<Written> {
  const edits: readonly Edit[] = [
    ...bodies.map(({ before, after }) =>
      change('bodies', after.id, (now) => withChanges(now, changesBetween(before, after)).value),
    ),
    ...cards.map((card) => put('cards', card)),
    ...(take ? [settle({ take })] : []),
  ];
  return write(CHANGE_TEXT.trialKept(text), edits);
}
