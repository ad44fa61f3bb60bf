import { type TraceSaid, WRITE_UNITS, type WriteTraceProblem } from '../../../reading/prove/writeTrace.ts';
import { TIME_WORDS, writeTraceProblemText } from '../../../text/prove/trace.ts';
import { Chips } from '../../../ui/Chips.tsx';
import css from './measure.module.css';

interface TraceAskProps {
  readonly problem: WriteTraceProblem;
  /** Puts an answer beside those given before. */
  readonly onSay: (part: TraceSaid) => void;
}

const TIMES = ['s', 'ms', 'µs', 'min'] as const;
const STEPS = [1, 2, 5, 10, 30, 60];

/** A question with its answers; null where a problem is none that an answer settles. */
interface Question {
  readonly legend: string;
  readonly choices: readonly { readonly label: string; readonly said: TraceSaid }[];
}

function questionOf(problem: WriteTraceProblem): Question | null {
  switch (problem.code) {
    case 'which-time':
      return {
        legend: 'Its times are',
        choices: TIMES.map((timeUnit) => ({ label: TIME_WORDS[timeUnit], said: { timeUnit } })),
      };
    case 'too-fast':
      return { legend: 'Its rates are in', choices: WRITE_UNITS.map((unit) => ({ label: unit, said: { unit } })) };
    case 'which-decimal':
      return {
        legend: 'The comma or point in its numbers',
        choices: [
          { label: 'a point is the decimal sign', said: { decimal: 'point' } },
          { label: 'a comma is the decimal sign', said: { decimal: 'comma' } },
        ],
      };
    case 'which-date':
      return {
        legend: 'In front stands',
        choices: [
          { label: 'the day', said: { dateOrder: 'day-first' } },
          { label: 'the month', said: { dateOrder: 'month-first' } },
        ],
      };
    case 'which-step':
      return {
        legend: 'From one to the next',
        choices: STEPS.map((stepSeconds) => ({ label: `${stepSeconds} s`, said: { stepSeconds } })),
      };
    case 'which-column':
      return {
        legend: 'The card was written',
        choices: problem.choices.map(({ column, title }) => ({ label: title, said: { column } })),
      };
    case 'which-kind':
      return {
        legend: 'Its figures are',
        choices: [
          { label: 'a pace at each moment', said: { kind: 'rate' } },
          { label: 'all that was written until then', said: { kind: 'total' } },
        ],
      };
    case 'which-rows':
      return {
        legend: 'Those that count are',
        choices: problem.words.map((rows) => ({ label: rows, said: { rows } })),
      };
    default:
      return null;
  }
}

/** Why a trace is not read yet: a question with its answers, or what is wrong with it. */
export function TraceAsk({ problem, onSay }: TraceAskProps) {
  const question = questionOf(problem);
  return (
    <div className={question ? css.ask : css.bad} role="alert">
      <p>{writeTraceProblemText(problem)}</p>
      {question && (
        <Chips
          legend={question.legend}
          value=""
          choices={question.choices.map(({ label }, at) => ({ value: String(at), label }))}
          onChange={(picked) => onSay(question.choices[Number(picked)]?.said ?? {})}
        />
      )}
    </div>
  );
}
