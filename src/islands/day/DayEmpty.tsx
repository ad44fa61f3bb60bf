import type { DayViewKit } from '../../app/day/dayKit.ts';
import type { Plan } from '../../core/kit/plan.ts';
import css from './DayView.module.css';

interface DayEmptyProps {
  readonly kit: DayViewKit;
  readonly templates: readonly Plan[];
  readonly onNew: () => void;
  readonly onLike: (template: Plan) => void;
}

/** Nothing is planned yet: what a day needs, and one press to begin. */
export function DayEmpty({ kit, templates, onNew, onLike }: DayEmptyProps) {
  const missing = kit.bodies.length === 0 ? 'body' : kit.cards.length === 0 ? 'card' : null;
  return (
    <div className={css.empty}>
      <h1>Shoot day</h1>
      <p>
        Which card sits where, when it is changed, when it is copied twice and free again, and what runs short: worked
        out from the blocks you will record.
      </p>
      {missing ? (
        <p>
          A day needs a camera with a mode and some cards: add a {missing === 'body' ? 'camera' : missing} under{' '}
          <a href={missing === 'body' ? '/bodies' : '/cards'}>{missing === 'body' ? 'Cameras' : 'Cards'}</a> first.
        </p>
      ) : (
        <button type="button" className="ink-button" data-strong onClick={onNew}>
          Plan a day
        </button>
      )}
      {templates.map((one) => (
        <button key={one.id} type="button" className="plain-button" onClick={() => onLike(one)}>
          Plan a day like {one.name}
        </button>
      ))}
    </div>
  );
}
