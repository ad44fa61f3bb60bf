/** The same draws for every run, wherever a take is shown, so that a change shows as itself and not as luck. */
export const RISK_SEED = 1;

/** Events of all risk runs of one question that a person waits for: some five seconds. */
export const RISK_EVENTS = 3_000_000;
