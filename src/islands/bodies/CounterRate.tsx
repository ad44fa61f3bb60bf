import { useMemo } from 'react';
import { settled } from '../../app/kit/draft.ts';
import { solver } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { Body } from '../../core/kit/model.ts';
import { bodySchema } from '../../kit/schemas/body.ts';
import { plain } from '../../text/quantity.ts';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';
import { useSame } from '../../ui/useSame.ts';

/** The rate of a mode that only the body's counter tells of, worked out from its readings and taken with one press. */
export function CounterRate({ form, at }: { readonly form: DraftForm<Body>; readonly at: number }) {
  const mode = form.values.modes[at];
  const rate = mode?.rate;
  const body = useMemo(() => settled<Body>(form.values, bodySchema), [form.values]);
  const counters = useSame((body.counters ?? []).filter(({ capacityGB, minutes }) => capacityGB > 0 && minutes > 0));
  const modes = useSame(body.modes);
  const modeId = mode?.id ?? '';
  const isAsked = counters.some((one) => one.modeId === modeId);
  const request = useMemo(
    () => (isAsked ? { body: { modes }, counters, modeId } : null),
    [isAsked, modes, counters, modeId],
  );
  const [state] = useTask(solver, 'counterRate', request, `rate of ${modeId}`);
  const found = state.phase === 'done' ? state.answer : null;
  if (!mode || rate?.kind !== 'counter') return null;
  const has = Number.isFinite(rate.lowMbps) && Number.isFinite(rate.highMbps) && Number(rate.highMbps) > 0;
  const isSame = found && has && found.lowMbps === rate.lowMbps && found.highMbps === rate.highMbps;
  const take = (): void => {
    if (found) form.setFieldValue(`modes.${at}.rate`, { ...rate, ...found });
  };
  const failed = form.errors[`modes.${at}.rate.lowMbps`] ?? form.errors[`modes.${at}.rate.highMbps`];
  return (
    <div className={css.full}>
      {has && (
        <p>
          Everything written: {plain(Number(rate.lowMbps), 0)} to {plain(Number(rate.highMbps), 0)}&nbsp;Mb/s. The
          faster end decides.
        </p>
      )}
      {found && !isSame && (
        <p>
          Its readings say {plain(found.lowMbps, 0)} to {plain(found.highMbps, 0)}&nbsp;Mb/s.{' '}
          <button type="button" className="plain-button" onClick={take}>
            Take that
          </button>
        </p>
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
