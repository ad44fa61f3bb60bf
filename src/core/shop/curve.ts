import type { Steps } from '../steps.ts';
import { best, minutesOf } from './choose.ts';
import type { Choice, ShopProblem } from './problem.ts';
import type { IntegerSolver } from './programme.ts';

/** One way between the cheapest set and the one least at risk: no other is cheaper with as few minutes on one card. */
interface CurvePoint {
  /** Most planned minutes on one card. */
  readonly most: number;
  readonly cents: number;
}

/** The ways between the sets. */
export interface Curve {
  /** Price ascending, minutes descending. */
  readonly points: readonly CurvePoint[];
  /** False where a point could not be proven in its time: a better one may lie beside it. */
  readonly proven: boolean;
}

/** What a set costs under every cap of minutes on one card: each price once, with the least minutes that it buys. */
export function* curveSteps(problem: ShopProblem, solve: IntegerSolver, seconds: number): Steps<Curve> {
  const caps = minutesOf(problem);
  if (problem.needs.every((minutes) => minutes <= 0)) return { points: [], proven: true };
  const found: Choice[] = [];
  let proven = true;
  let cap = caps.at(-1);
  while (cap !== undefined) {
    yield 1 - caps.indexOf(cap) / caps.length;
    const { choice, proven: sure } = best(problem, ['cents', 'cards'], cap, { solve, seconds, stages: 1 });
    proven &&= sure;
    if (choice === null) break;
    found.push(choice);
    cap = caps.findLast((minutes) => minutes < choice.most);
  }
  // Tighter caps come later: of equal prices the last has the fewest minutes; one that another beats at both is none.
  const points = found.filter((one, at) => !found.slice(at + 1).some(({ cents }) => cents <= one.cents));
  return { points: points.map(({ most, cents }) => ({ most, cents })), proven };
}
