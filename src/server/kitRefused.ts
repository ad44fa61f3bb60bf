import type { KitRefusal } from '../kit/importKit.ts';
import { kitRefusalText } from '../text/kit/kitRefusal.ts';
import { problemText } from '../text/kit/problem.ts';
import type { Refusal } from './refusal.ts';

/** A kit that a call cannot read, with its places. */
export const kitRefused = (error: KitRefusal): Refusal => ({
  status: 400,
  code: error.code,
  message: kitRefusalText(error),
  details: (error.code === 'invalid' ? error.problems : []).map((problem) => ({
    path: `kit.${problem.path}`,
    message: problemText(problem),
  })),
});
