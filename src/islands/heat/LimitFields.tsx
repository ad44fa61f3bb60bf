import { useState } from 'react';
import { setLimits } from '../../app/heat/heatActions.ts';
import { bodyFigures, limitsOf, RANGES } from '../../app/heat/heatViews.ts';
import type { Body, LimitStatement } from '../../core/kit/model.ts';
import { LIMITS_APART, limitRefusalText } from '../../text/heat/heatFit.ts';
import { degreesText } from '../../text/heat/heatWords.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { plain } from '../../text/quantity.ts';
import { goToInvalid, NumberLine } from '../../ui/LineField.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './HeatView.module.css';

/** What the maker's manual says about heat: minutes of recording at one or two ambients. */
export function LimitFields({ body }: { readonly body: Body }) {
  const change = useChange();
  const limits = body.heat?.limits ?? [];
  const [open, setOpen] = useState(false);
  const [minutes, setMinutes] = useState<number | null>(null);
  const [ambientC, setAmbientC] = useState<number | null>(null);
  const keep = (next: readonly LimitStatement[], said: string): void =>
    void change(() => setLimits(body, next, said)).then((made) => {
      if (!made) return;
      setOpen(false);
      setMinutes(null);
      setAmbientC(null);
    });
  const tried = minutes !== null && ambientC !== null ? limitsOf(body, [...limits, { minutes, ambientC }]) : null;
  const now = limits.length > 0 ? limitsOf(body, limits) : null;
  return (
    <div className={css.limits}>
      {limits.map((limit, at) => (
        <p key={`${limit.ambientC} ${limit.minutes}`} className={css.limit}>
          <span>
            Manual: {plain(limit.minutes)} min at {degreesText(limit.ambientC)}
          </span>
          <button
            type="button"
            className={css.tiny}
            onClick={() =>
              keep(
                limits.filter((_, place) => place !== at),
                CHANGE_TEXT.limitRemoved,
              )
            }
          >
            remove
          </button>
        </p>
      ))}
      {now && !now.ok && (
        <p className={css.problem} role="alert">
          {limitRefusalText(now.error, bodyFigures(body).bodyLimitC.value)} The assumed camera is used.
        </p>
      )}
      {now?.ok && now.value.fixed === 'shorter' && <p className={css.problem}>{LIMITS_APART}</p>}
      {!open && limits.length < 2 && (
        <button type="button" className="plain-button" onClick={() => setOpen(true)}>
          {limits.length === 0 ? 'Add the maker’s recording limit' : 'Add the limit at another temperature'}
        </button>
      )}
      {open && (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (goToInvalid(event.currentTarget)) return;
            if (tried?.ok && minutes !== null && ambientC !== null)
              keep([...limits, { minutes, ambientC }], CHANGE_TEXT.limitSet(body.name));
          }}
        >
          <NumberLine
            label="Records for"
            value={minutes}
            unit="min"
            {...RANGES.takeMinutes}
            empty="30"
            onChange={setMinutes}
          />
          <NumberLine label="In air of" value={ambientC} unit="°C" {...RANGES.airC} empty="25" onChange={setAmbientC} />
          {tried && !tried.ok && (
            <p className={css.problem} role="alert">
              {limitRefusalText(tried.error, bodyFigures(body).bodyLimitC.value)}
            </p>
          )}
          {tried?.ok && tried.value.fixed === 'shorter' && (
            <p className={css.problem} role="status">
              {LIMITS_APART}
            </p>
          )}
          <p className={css.formActions}>
            <button type="submit" className="ink-button" disabled={!tried?.ok}>
              Use it
            </button>
            <button type="button" className="plain-button" onClick={() => setOpen(false)}>
              Cancel
            </button>
          </p>
        </form>
      )}
    </div>
  );
}
