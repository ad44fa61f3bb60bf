import type { CounterAnswer, CounterRate } from '../core/bodies/counter/counter.ts';
import type { Body, CounterReading } from '../core/kit/model.ts';
import type { ShopInput } from '../core/shop/options.ts';
import type { ShopAnswer } from '../core/shop/sets.ts';
import type { Around } from '../core/shop/whatIf.ts';

/** What is bought, and how long one question to the solver may take. */
interface ShopRequest {
  readonly input: ShopInput;
  readonly seconds: number;
}

/** What is worked out with the solver of linear programmes. */
export interface SolverTasks {
  readonly decode: {
    readonly request: {
      readonly body: Pick<Body, 'modes' | 'counterRounds'>;
      readonly counters: readonly CounterReading[];
      readonly capacityGB: number;
    };
    readonly answer: CounterAnswer;
  };
  readonly counterRate: {
    readonly request: {
      readonly body: Pick<Body, 'modes' | 'counterRounds'>;
      readonly counters: readonly CounterReading[];
      readonly modeId: string;
    };
    readonly answer: CounterRate | null;
  };
  readonly shop: { readonly request: ShopRequest; readonly answer: ShopAnswer };
  readonly shopAround: { readonly request: ShopRequest; readonly answer: Around };
}
