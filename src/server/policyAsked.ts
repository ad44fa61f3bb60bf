import Joi from 'joi';
import type { TakeKind } from '../core/kit/model.ts';

/** The policy as every call that judges cards is asked it: headroom is a share, 0 to 1. */
export interface PolicyAsked {
  readonly take: TakeKind;
  readonly headroom: number;
}

/** The policy in what a call is asked. */
export const policyAsked = Joi.object<PolicyAsked>({
  take: Joi.string().valid('once', 'repeatable').required(),
  headroom: Joi.number().min(0).max(1).required(),
}).required();
