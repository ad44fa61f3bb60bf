import type Joi from 'joi';
import type { Result } from '../core/result.ts';
import type { Refusal } from './refusal.ts';

/** Names of the calls. One that is not here, or is here and in no list, does not type-check. */
export type CallName =
  | 'health'
  | 'answer'
  | 'label'
  | 'match'
  | 'simulate'
  | 'reconcile'
  | 'trace'
  | 'day'
  | 'best'
  | 'shop'
  | 'wear';

/** One call of the server: what it is asked, what it answers, and how. Everything else about it follows from this. */
export interface Call<Asked = unknown> {
  readonly path: `/api/${CallName}`;
  readonly method: 'GET' | 'POST';
  readonly summary: string;
  /** Worked out beside the event loop; for what can take longer than a few milliseconds. */
  readonly heavy: boolean;
  /** Largest body read, bytes, compressed or not. */
  readonly maxBody: number;
  /** The query of a GET or the body of a POST; null where nothing is asked. */
  readonly asked: Joi.ObjectSchema<Asked> | null;
  /** What is asked in full, where `asked` leaves a part to a reader of its own. */
  readonly described?: () => Promise<Joi.ObjectSchema>;
  readonly answer: Joi.ObjectSchema;
  readonly answerText: string;
  /** Refusals of its own by status, in words; those of every call are added. */
  readonly refusals: Readonly<Record<number, string>>;
  readonly run: (asked: Asked) => Result<object, Refusal> | Promise<Result<object, Refusal>>;
}

/** Checks what is asked against the schema that validates it; whoever makes a call validates first, so the type can go. */
export const call = <Asked>(one: Call<Asked>): Call => one as unknown as Call;

/** Largest body of a call that takes a kit or a run, bytes. */
export const MAX_BODY = 1_000_000;
/** Largest body of a call that takes one line of text, bytes. */
export const MAX_LINE_BODY = 16_000;
