import type { AirMovement, BodySize, OwnFigure } from '../../kit/model.ts';
import { SPREAD_OF } from '../../standards/assumptions.ts';
import type { Form } from '../../standards/forms.ts';
import type { Promising } from '../../standards/marks.ts';

/** How well a figure is known, worst first. */
export type Basis = 'assumed' | 'claimed' | 'stated' | 'guaranteed' | 'tested' | 'measured' | 'fitted';

/** Where a figure comes from. */
export type FigureSource =
  | { readonly code: 'own' }
  | { readonly code: 'fitted' }
  /** Read off a write trace of its own. */
  | { readonly code: 'traced' }
  | { readonly code: 'size'; readonly size: BodySize; readonly guessed: boolean }
  /** Worked out from the outside of the assumed body and the air around it. */
  | { readonly code: 'surface'; readonly size: BodySize; readonly guessed: boolean; readonly air: AirMovement }
  /** `shorter`: two statements that no body fits, of which the shorter one rules. */
  | { readonly code: 'limits'; readonly statements: number; readonly shorter: boolean }
  | { readonly code: 'form'; readonly form: Form; readonly borrowedFrom: Form | null }
  | { readonly code: 'on-card' }
  | { readonly code: 'on-body' }
  | { readonly code: 'derated'; readonly stated: number }
  | { readonly code: 'mark'; readonly mark: Promising }
  | { readonly code: 'minimum' }
  | { readonly code: 'approved' }
  | { readonly code: 'own-test'; readonly MBps: number }
  | { readonly code: 'as-sustained' }
  | { readonly code: 'none-known' }
  | { readonly code: 'keeps-up' };

/** One figure of a run with what stands behind it. */
export interface Known {
  readonly value: number;
  readonly basis: Basis;
  readonly source: FigureSource;
  /** Middle nine tenths, of a fitted figure and of one whose form tells them. */
  readonly low: number | null;
  readonly high: number | null;
}

/** A figure with where it comes from, and no range of its own. */
export const known = (value: number, basis: Basis, source: FigureSource): Known => ({
  value,
  basis,
  source,
  low: null,
  high: null,
});

const OWN_SOURCE = { stated: 'own', fitted: 'fitted', measured: 'traced' } as const satisfies Record<
  OwnFigure['basis'],
  FigureSource['code']
>;

/** A figure of the person's own, which comes before every other. */
export const ownFigure = (own: OwnFigure | null | undefined): Known | null =>
  own
    ? {
        value: own.value,
        basis: own.basis,
        source: { code: OWN_SOURCE[own.basis] },
        low: own.low ?? null,
        high: own.high ?? null,
      }
    : null;

/** Standard deviations between the ends of the middle nine tenths of a normal distribution. */
export const NINE_TENTHS = 2 * 1.6449;

/** How far a figure may be off: the standard deviation of its logarithm. A fitted one says so itself. */
export function spreadOf({ basis, low, high }: Known): number {
  if (low !== null && high !== null && low > 0 && high > low) return Math.log(high / low) / NINE_TENTHS;
  return SPREAD_OF[basis];
}

/** True where both heat paths are more than assumed: only then may a run be timed by its temperatures. */
export const isCalibrated = (figures: {
  readonly cardResistanceKPerW?: Known;
  readonly bodyResistanceKPerW?: Known;
}): boolean =>
  [figures.cardResistanceKPerW, figures.bodyResistanceKPerW].every(
    (one) => one !== undefined && one.basis !== 'assumed',
  );
