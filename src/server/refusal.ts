import Joi from 'joi';

/** One thing wrong with a request: its place and what to do. */
interface Detail {
  readonly path: string;
  readonly message: string;
}

export interface Refusal {
  readonly status: 400 | 404 | 405 | 408 | 413 | 415 | 417 | 422 | 431 | 500 | 503;
  readonly code: string;
  readonly message: string;
  readonly details: readonly Detail[];
  /** The answer to a part of what was asked, for whoever wants to show it as that. */
  readonly without?: object | null;
}

/** The one shape in which every call refuses, whatever was wrong and wherever it was noticed. */
export const refusalBody = ({ code, message, details, without }: Refusal) => ({
  error: { code, message, details },
  ...(without && { without }),
});

export const REFUSAL = Joi.object({
  error: Joi.object({
    code: Joi.string().required(),
    message: Joi.string().required(),
    details: Joi.array()
      .items(Joi.object({ path: Joi.string().allow('').required(), message: Joi.string().required() }))
      .required(),
  }).required(),
  without: Joi.object().unknown(true),
});

/** A refusal without places. */
export const refusal = (status: Refusal['status'], code: string, message: string): Refusal => ({
  status,
  code,
  message,
  details: [],
});

export const CONTRACT_HINT = 'See /api/openapi.json.';

/** Seconds after which a refused client may ask again, as the header has it. */
export const RETRY_AFTER = '5';

/** Too much waits already. Seconds after which to ask again are in `Retry-After`. */
export const BUSY: Refusal = refusal(503, 'busy', 'Too much is being worked out already. Ask again in a few seconds.');
