/** The same draws for every run, wherever a take is shown, so that a change shows as itself and not as luck. */
export const RISK_SEED = 1;

/**
 * Runs behind every share that is told unless more are asked for, and events they may have: one number for one take,
 * whether it stands in the headline, beside a move, in Why, side by side or through the day.
 */
export const TOLD_RUNS = 2000;
export const TOLD_EVENTS = 300_000;

/** Events of all risk runs of one question that a person waits for: some five seconds. */
const RISK_EVENTS = 3_000_000;

/** Events that so many runs may have. */
export const eventsOf = (runs: number): number => (runs === TOLD_RUNS ? TOLD_EVENTS : RISK_EVENTS);
