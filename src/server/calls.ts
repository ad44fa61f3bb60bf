import type { Call, CallName } from './call.ts';
import { answer } from './calls/answer.ts';
import { best } from './calls/best.ts';
import { day } from './calls/day.ts';
import { health } from './calls/health.ts';
import { label } from './calls/label.ts';
import { match } from './calls/match.ts';
import { reconcile } from './calls/reconcile.ts';
import { shop } from './calls/shop.ts';
import { simulate } from './calls/simulate.ts';
import { trace } from './calls/trace.ts';
import { wear } from './calls/wear.ts';

/** Every call that works something out, by its name. The endpoint, the contract, its workers and its tests go over this list. */
const BY_NAME: Readonly<Record<CallName, Call>> = {
  health,
  answer,
  label,
  match,
  simulate,
  reconcile,
  trace,
  day,
  best,
  shop,
  wear,
};

export const CALLS: readonly Call[] = Object.values(BY_NAME);

/** A call by its address; null where there is none. */
export const callAt = (path: string): Call | null => CALLS.find((one) => one.path === path) ?? null;
