import type { TraceProblem } from '../../reading/heat/rateTrace.ts';

/** Why a file of rates was not taken, and what to do. */
export function traceProblemText(problem: TraceProblem): string {
  switch (problem.code) {
    case 'empty':
      return 'This file holds no numbers. Give one rate in MB/s a line, one line a second.';
    case 'too-long':
      return `This file has more than ${problem.max} lines. Cut it down: the trace repeats to the end of the take.`;
    case 'not-a-rate':
      return `Line ${problem.line}: “${problem.text}” is no rate in MB/s from 0 to 1,000,000. Nothing was taken over.`;
  }
}
