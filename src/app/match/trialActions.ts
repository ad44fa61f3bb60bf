import type { Body, Card } from '../../core/kit/model.ts';
import type { Settings } from '../../kit/kit.ts';
import { newId } from '../../kit/newId.ts';
import { type Edit, put, settle } from '../../store/edit.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { toBuyWords } from '../../text/match/toBuy.ts';
import { type Written, write } from '../kit/write.ts';

export { tryMove } from '../../core/match/trial.ts';

/** A card to be bought, as it stands in the wallet once a trial is kept. */
export const toBuy = ({ label }: Card, mark: string): Pick<Card, 'id' | 'label' | 'note'> => ({
  id: newId(),
  ...toBuyWords(label, mark),
});

/** What trials one upon another would change: bodies in their last form, cards to add, the kind of take. */
export interface TrialChanges {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly take: Settings['take'] | null;
}

/** Keeps everything that a chain of trials changed, in one go. */
export function keepTrial({ bodies, cards, take }: TrialChanges, text: string): Promise<Written> {
  const edits: readonly Edit[] = [
    ...bodies.map((body) => put('bodies', body)),
    ...cards.map((card) => put('cards', card)),
    ...(take ? [settle({ take })] : []),
  ];
  return write(CHANGE_TEXT.trialKept(text), edits);
}
