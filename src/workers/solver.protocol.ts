import type { CounterAnswer, CounterRate } from '../core/bodies/counter/counter.ts';
import type { Body, CounterReading } from '../core/kit/model.ts';

/** What is worked out with the solver of linear programmes. */
export interface SolverTasks {
  readonly decode: {
    readonly request: {
      readonly body: Pick<Body, 'modes'>;
      readonly counters: readonly CounterReading[];
      readonly capacityGB: number;
    };
    readonly answer: CounterAnswer;
  };
  readonly counterRate: {
    readonly request: {
      readonly body: Pick<Body, 'modes'>;
      readonly counters: readonly CounterReading[];
      readonly modeId: string;
    };
    readonly answer: CounterRate | null;
  };
}
