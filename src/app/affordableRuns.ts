/** Events of all runs of one question together that a person waits for: about ten seconds. */
const MOST_EVENTS = 8_000_000;
/** Fewer say nothing. */
const LEAST_RUNS = 50;

/**
 * As many runs as asked for, or fewer where each of them has very many events.
 *
 * @param events - of one run, all of its paths together
 * @param share - of the time a person waits, 0 to 1
 */
export const affordableRuns = (asked: number, events: number, share = 1): number =>
  Math.max(LEAST_RUNS, Math.min(asked, Math.floor((MOST_EVENTS * share) / Math.max(1, events))));
