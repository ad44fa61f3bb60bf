import type { KeptTake, MadeWith } from '../../core/kit/model.ts';
import { today } from '../kit/today.ts';
import { BODY_FIGURES, CARD_FIGURES } from './heatViews.ts';
import type { Run } from './useRun.ts';

const KEYS = [...BODY_FIGURES, ...CARD_FIGURES] as const;
type Figures = MadeWith['figures'];

/** The figures a run was made with: those of its body and of the card that decided. */
function figuresOf({ lane }: Run): Figures {
  const all = { ...lane.figures, ...lane.cardFigures[0] };
  return Object.fromEntries(KEYS.flatMap((key) => (all[key] ? [[key, all[key].value]] : [])));
}

/** How a run ends with the figures of now, to be kept with the take. */
export const madeWith = (run: Run, failing: number | null): MadeWith => ({
  date: today(),
  outcome: run.result.outcome,
  atSeconds: run.result.atSeconds,
  failing,
  figures: figuresOf(run),
});

/** A figure that is another now than when the take was kept. */
export interface FigureSince {
  readonly key: keyof Figures;
  readonly then: number;
  readonly now: number;
}

/** What has changed since a take was kept. */
export function changedSince({ made }: KeptTake, run: Run): readonly FigureSince[] {
  const now = figuresOf(run);
  return KEYS.flatMap((key) => {
    const [then, current] = [made?.figures[key], now[key]];
    return then === undefined || current === undefined || Math.abs(current - then) <= Math.abs(then) * 1e-6
      ? []
      : [{ key, then, now: current }];
  });
}
