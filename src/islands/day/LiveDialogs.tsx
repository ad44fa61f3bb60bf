import type { StatesRead } from '../../app/day/codes.ts';
import { atStake } from '../../app/day/liveModel.ts';
import type { Live } from '../../app/day/useLive.ts';
import type { Card } from '../../core/kit/model.ts';
import type { Plan } from '../../core/kit/plan.ts';
import { part } from '../../ui/part.tsx';
import { AskPress } from './AskPress.tsx';

const ScanDialog = part(async () => ({ default: (await import('./CodeDialogs.tsx')).ScanDialog }));
const ShowStates = part(async () => ({ default: (await import('./CodeDialogs.tsx')).ShowStates }));
const TakeOver = part(async () => ({ default: (await import('./CodeDialogs.tsx')).TakeOver }));
const CompareDialog = part(async () => ({ default: (await import('./CodeDialogs.tsx')).CompareDialog }));

/** A dialog of codes or lists that stands open. */
export type Coded =
  | { readonly kind: 'scan' | 'show' }
  | { readonly kind: 'take'; readonly read: StatesRead }
  | { readonly kind: 'compare'; readonly card: Card };

interface LiveDialogsProps {
  /** The plan as it is kept, with its log. */
  readonly kept: Plan;
  readonly live: Live;
  readonly coded: Coded | null;
  readonly onCoded: (coded: Coded | null) => void;
  readonly onScanned: (cardId: string) => void;
}

/** What stands over the live day: codes, lists that are compared, and a press that is asked about. */
export function LiveDialogs({ kept, live, coded, onCoded, onScanned }: LiveDialogsProps) {
  const { model, act } = live;
  const { kit, plan, isRehearsed } = model;
  const close = (): void => onCoded(null);
  return (
    <>
      {coded?.kind === 'scan' && (
        <ScanDialog
          plan={plan}
          isRehearsed={isRehearsed}
          cards={kit.cards}
          onCard={onScanned}
          onStates={(read) => onCoded({ kind: 'take', read })}
          onClose={close}
        />
      )}
      {coded?.kind === 'show' && <ShowStates plan={plan} isRehearsed={isRehearsed} onClose={close} />}
      {coded?.kind === 'take' && (
        <TakeOver kept={kept} plan={plan} cards={kit.cards} read={coded.read} onClose={close} />
      )}
      {coded?.kind === 'compare' && (
        <CompareDialog
          card={coded.card}
          copies={plan.copies.count}
          onClose={close}
          onVerified={() => {
            close();
            act.note({ cardId: coded.card.id, to: 'verified', proof: 'lists' });
          }}
        />
      )}
      {model.asked && (
        <AskPress
          asked={model.asked}
          kit={kit}
          plan={plan}
          atStake={atStake(model.day, model.asked.live.card.id, model.seconds)}
          onClose={act.forget}
          onPress={act.note}
        />
      )}
    </>
  );
}
