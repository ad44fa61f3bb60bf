import { adviceSteps } from '../core/heat/run/advice.ts';
import { shareSteps } from '../core/heat/run/failures.ts';
import { type Fit, type FitInput, type FitRefusal, fitSteps } from '../core/heat/run/fit.ts';
import { marksSteps } from '../core/heat/run/marks.ts';
import { waysOut } from '../core/heat/run/waysOut.ts';
import { checkSimulation } from '../core/heat/writepath/checkSimulation.ts';
import { checkRisk, riskSteps } from '../core/heat/writepath/risk.ts';
import type { Result } from '../core/result.ts';
import type { DayInput } from '../core/rotation/day.ts';
import type { Steps } from '../core/steps.ts';
import type { ComputationTasks, DayRequest } from './computation.protocol.ts';
import { leastSquaresWith } from './leastSquares.ts';
import type { TaskSteps } from './taskApi.ts';

/** An answer that is there already, as steps. */
// biome-ignore lint/correctness/useYield: nothing is left to wait for
function* at<T>(answer: T): Steps<T> {
  return answer;
}

/** A day with its clock; null where its date, start or time zone is none. */
async function dayInput({ now, ...asked }: DayRequest): Promise<DayInput | null> {
  const { dayClock } = await import('../reading/day/dayClock.ts');
  const times = dayClock(asked.plan);
  return times && { ...asked, times, now: now === null ? null : times.ofMoment(now) };
}

/** Every task of the computation worker; the readers of files come with their first use. */
export const COMPUTATION: TaskSteps<ComputationTasks> = {
  risk({ sim, input }) {
    const refused = checkSimulation(sim) ?? checkRisk(input);
    // Views check before they ask: a request that gets here is a bug, and must not run for an hour.
    if (refused) throw new RangeError(`${refused.field} must lie between ${refused.min} and ${refused.max}`);
    return riskSteps(sim, input);
  },
  advise: adviceSteps,
  ways: (input) => at(waysOut(input)),
  marks: marksSteps,
  shares: shareSteps,
  fit: (request: FitInput, sign): Steps<Result<Fit, FitRefusal>> => fitSteps(request, leastSquaresWith(sign)),
  async next(input) {
    const { nextTestSteps } = await import('../core/prove/nextTests.ts');
    return nextTestSteps(input);
  },
  async trace(file) {
    const [{ traceSteps }, text] = await Promise.all([import('../reading/heat/rateTrace.ts'), file.text()]);
    return traceSteps(text);
  },
  async cards(text) {
    const { cardSteps } = await import('../reading/cards/pasteCards.ts');
    return cardSteps(text);
  },
  async prices(request) {
    const { priceSteps } = await import('../reading/shop/pricesCsv.ts');
    return priceSteps(request);
  },
  async day(request) {
    const [{ plannedDaySteps }, input] = await Promise.all([
      import('../core/rotation/plannedDay.ts'),
      dayInput(request),
    ]);
    return input ? plannedDaySteps(input) : at(null);
  },
  async dayMoves({ day, ...request }) {
    const [{ dayMoveSteps }, input] = await Promise.all([import('../core/rotation/dayMoves.ts'), dayInput(request)]);
    return input ? dayMoveSteps(input, day) : at([]);
  },
  async dayHeat({ day, ...request }) {
    const { dayHeatSteps } = await import('../core/rotation/blockHeat.ts');
    return dayHeatSteps(request, day);
  },
  async kit(file) {
    const [{ parseKit }, text] = await Promise.all([import('../kit/importKit.ts'), file.text()]);
    return at(await parseKit(text));
  },
};
