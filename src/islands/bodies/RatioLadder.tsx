import { ratioLadder } from '../../app/bodies/bodyDraft.ts';
import type { Mode } from '../../core/kit/model.ts';
import { MBpsFigure } from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import css from './RatioLadder.module.css';

interface RatioLadderProps {
  readonly mode: Mode;
  readonly onRatio: (ratio: number) => void;
}

/** What a raw mode writes at every common ratio at once; a press takes one. */
export function RatioLadder({ mode, onRatio }: RatioLadderProps) {
  const ladder = ratioLadder(mode);
  if (ladder.length === 0 || mode.rate.kind !== 'raw') return null;
  const { ratio: now } = mode.rate;
  const most = Math.max(...ladder.map(({ need }) => need));
  return (
    <fieldset className={css.ladder}>
      <legend className={css.legend}>Everything written, ratio by ratio</legend>
      {ladder.map(({ ratio, need }) => (
        <button
          key={ratio}
          type="button"
          className={css.rung}
          aria-pressed={ratio === now}
          onClick={() => onRatio(ratio)}
        >
          <span>{ratio}:1</span>
          <span className={css.bar} aria-hidden="true">
            <span className={css.fill} style={{ width: `${(100 * need) / most}%` }} />
          </span>
          <span className={css.rate}>
            <Amount {...MBpsFigure(need)} />
          </span>
        </button>
      ))}
    </fieldset>
  );
}
