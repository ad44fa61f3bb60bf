import type { Call } from './call.ts';
import { answer } from './calls/answer.ts';
import { day } from './calls/day.ts';
import { health } from './calls/health.ts';
import { label } from './calls/label.ts';
import { match } from './calls/match.ts';
import { reconcile } from './calls/reconcile.ts';
import { shop } from './calls/shop.ts';
import { simulate } from './calls/simulate.ts';
import { trace } from './calls/trace.ts';
import { wear } from './calls/wear.ts';

/** Every call that works something out. The contract, its workers and its tests go through this list. */
export const CALLS: readonly Call[] = [health, answer, label, match, simulate, reconcile, trace, day, shop, wear];
