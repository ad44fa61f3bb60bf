import { useMemo } from 'react';
import { settled } from '../../app/kit/draft.ts';
import { solver } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { CounterRate as Found } from '../../core/bodies/counter/counter.ts';
import type { Body, CounterRounding } from '../../core/kit/model.ts';
import { bodySchema } from '../../kit/schemas/body.ts';
import { counterRateText, roundingTexts, roundsText } from '../../text/bodies/counter.ts';
import { plain } from '../../text/quantity.ts';
import { Fold } from '../../ui/Fold.tsx';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';
import { useSame } from '../../ui/useSame.ts';
import own from './CounterFields.module.css';

type Between = Pick<Found, 'lowMbps' | 'highMbps'>;

/** The rate of a mode that only the body's counter tells of, worked out from its readings and taken with one press. */
export function CounterRate({ form, at }: { readonly form: DraftForm<Body>; readonly at: number }) {
  const mode = form.values.modes[at];
  const rate = mode?.rate;
  const body = useMemo(() => settled<Body>(form.values, bodySchema), [form.values]);
  const counters = useSame((body.counters ?? []).filter(({ capacityGB, minutes }) => capacityGB > 0 && minutes > 0));
  const modes = useSame(body.modes);
  const counterRounds = body.counterRounds ?? null;
  const modeId = mode?.id ?? '';
  const isAsked = counters.some((one) => one.modeId === modeId);
  const request = useMemo(
    () => (isAsked ? { body: { modes, counterRounds }, counters, modeId } : null),
    [isAsked, modes, counterRounds, counters, modeId],
  );
  const [state] = useTask(solver, 'counterRate', request, `rate of ${modeId}`);
  const found = state.phase === 'done' ? state.answer : null;
  if (!mode || rate?.kind !== 'counter') return null;
  const has = Number.isFinite(rate.lowMbps) && Number.isFinite(rate.highMbps) && Number(rate.highMbps) > 0;
  const isSame = found !== null && has && found.lowMbps === rate.lowMbps && found.highMbps === rate.highMbps;
  const take = (between: Between | null, rounds?: CounterRounding): void => {
    if (!between) return;
    const { lowMbps, highMbps } = between;
    form.setFieldValue(`modes.${at}.rate`, { ...rate, lowMbps, highMbps });
    if (rounds) form.setFieldValue('counterRounds', rounds);
  };
  const failed = form.errors[`modes.${at}.rate.lowMbps`] ?? form.errors[`modes.${at}.rate.highMbps`];
  return (
    <div className={`${css.full} ${own.rate}`}>
      {has && (
        <p>
          Everything written: {plain(Number(rate.lowMbps), 0)} to {plain(Number(rate.highMbps), 0)}&nbsp;Mb/s. The
          higher figure is used for the card’s speed.
        </p>
      )}
      {found && !isSame && (
        <p>
          {counterRateText(found)}{' '}
          <button type="button" className="plain-button" onClick={() => take(found)}>
            Use this rate
          </button>
        </p>
      )}
      {isSame && <p className="soft">{roundsText(found)}</p>}
      {found?.roundsBy === 'assumed' && (
        <Fold title="All three ways" about="down, to the nearest, up">
          {roundingTexts(found).map(([rounds, text]) => (
            <p key={rounds}>
              If it {text}.{' '}
              {found.by[rounds] && (
                <button type="button" className="plain-button" onClick={() => take(found.by[rounds], rounds)}>
                  It does
                </button>
              )}
            </p>
          ))}
        </Fold>
      )}
      {!found && state.phase !== 'running' && (
        <p className={css.hint}>Enter what the counter shows for this mode below: one reading is enough.</p>
      )}
      {failed && !has && (
        <p className="tone-hot" role="alert">
          No rate is taken from the counter yet.
        </p>
      )}
    </div>
  );
}
