import { useMemo } from 'react';
import { keepFit } from '../../app/heat/heatActions.ts';
import type { HeatKit } from '../../app/heat/heatKit.ts';
import type { Run } from '../../app/heat/useRun.ts';
import { computation } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { FitInput } from '../../core/heat/run/fit.ts';
import type { Card } from '../../core/kit/model.ts';
import { explainedText, fitRefusalText, fittedText, NOT_REPRODUCED } from '../../text/heat/heatFit.ts';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './LoggedTakes.module.css';

interface FitResultProps {
  readonly kit: HeatKit;
  readonly run: Run;
  readonly card: Card;
  readonly onDone: () => void;
}

const FIT_SEED = 1;

const labelOf = ({ cards }: HeatKit, id: string): string | undefined => cards.find((card) => card.id === id)?.label;

/** What the logged takes say of the figures, before anything is changed by it. */
export function FitResult({ kit, run, card, onDone }: FitResultProps) {
  const change = useChange();
  const { policy } = run.setup;
  const body = kit.bodies.find(({ id }) => id === run.setup.body.id);
  const input = useMemo(
    (): FitInput | null => (body ? { body, card, cards: kit.cards, tests: kit.tests, policy, seed: FIT_SEED } : null),
    [body, card, kit.cards, kit.tests, policy],
  );
  const [state, again] = useTask(computation, 'fit', input);
  if (state.phase !== 'done') return <TaskNote state={state} what="the fit" onAgain={again} />;
  if (!state.answer.ok) {
    return (
      <p className="tone-hot" role="alert">
        {fitRefusalText(state.answer.error)}
      </p>
    );
  }
  const fit = state.answer.value;
  const informed = fit.figures.some((figure) => figure.informed);
  return (
    <div className={css.fit} role="status">
      <ul>
        {fit.figures.map((figure) => (
          <li key={figure.figure} data-informed={figure.informed || undefined}>
            {fittedText(figure)}
          </li>
        ))}
        {fit.takes.map((take) => (
          <li key={take.testId} className={!take.reproduced && take.cardId === card.id ? 'tone-hot' : undefined}>
            {explainedText(take, take.cardId === card.id ? undefined : labelOf(kit, take.cardId))}
          </li>
        ))}
      </ul>
      {!fit.usable && (
        <p className="tone-hot" role="alert">
          {NOT_REPRODUCED}
        </p>
      )}
      <p className={css.actions}>
        <button
          type="button"
          className="ink-button"
          disabled={!informed || !body || !fit.usable}
          onClick={() => void (body && change(() => keepFit({ body, card }, fit)).then((made) => made && onDone()))}
        >
          Use the fitted figures
        </button>
        <button type="button" className="plain-button" onClick={onDone}>
          Leave them
        </button>
      </p>
    </div>
  );
}
