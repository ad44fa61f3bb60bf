import type { KitRefusal } from '../../kit/importKit.ts';
import type { LineProblem, TestsTable } from '../../reading/prove/testsCsv.ts';
import { kitRefusalText } from '../kit/kitRefusal.ts';
import { together } from '../quantity.ts';

const PROBLEMS: Readonly<Record<LineProblem['problem'], (text: string) => string>> = {
  unknown: (text) => `“${text}” is not in the kit`,
  several: (text) => `“${text}” is there more than once: rename one of them`,
  missing: () => 'is missing',
  'not-one-of': (text) => `“${text}” is not allowed`,
  'no-number': (text) => `“${text}” is no number`,
  'out-of-range': (text) => `“${text.slice(0, 30)}” is out of range`,
  'no-date': (text) => `“${text}” is no day that exists, such as 2026-05-04`,
  'open-date': (text) => `“${text}” may be two days: write it as 2026-05-04`,
  'open-number': (text) => `“${text}” may be two numbers: write it without a separator of thousands`,
};

/** What is wrong with one line of a table of tests. */
export const lineProblemText = ({ line, column, problem, text }: LineProblem): string =>
  `line ${line}, ${column}: ${PROBLEMS[problem](text)}`;

/** What a table comes to before anything is added. */
export function tableText(table: TestsTable): string {
  switch (table.code) {
    case 'too-many':
      return `${table.lines.toLocaleString('en')} lines; ${table.max.toLocaleString('en')} are read at once. Nothing was added.`;
    case 'no-columns':
      return `A column for ${together(table.missing)} is missing. Begin from a log that was exported here, or name the columns so.`;
    case 'read': {
      const known = table.known > 0 ? `, ${table.known} in the log already` : '';
      return `${table.tests.length} new${known}${table.problems.length > 0 ? `, ${table.problems.length} to correct first: all come in, or none` : ''}.`;
    }
  }
}

/** Why a file of a colleague's tests was refused. */
export const givenRefusalText = (refusal: KitRefusal): string =>
  refusal.code === 'not-a-kit'
    ? 'This is not a file of tests: it must begin with "format": "cool-reel-tests". A kit is imported under Kit.'
    : kitRefusalText(refusal);
