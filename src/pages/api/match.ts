import type { APIRoute } from 'astro';
import Joi from 'joi';
import type { TakeKind } from '../../core/kit/model.ts';
import { board } from '../../core/match/board.ts';
import type { Policy } from '../../core/match/policy.ts';
import { headroom } from '../../core/units/amount.ts';
import { readKit } from '../../kit/importKit.ts';
import { json, onlyBy, readBody, refuse } from '../../server/json.ts';
import { boardView, boardWork } from '../../server/views.ts';
import { kitRefusalText } from '../../text/kit/kitRefusal.ts';
import { problemText } from '../../text/kit/problem.ts';

/** Most cells answered at once: the answer to a 1 MB kit stays bounded too. */
const MAX_CELLS = 20_000;
/** Most work done for one answer, as `boardWork` counts it: a few seconds. */
const MAX_WORK = 400_000;

const body = Joi.object({
  kit: Joi.object().unknown(true).required(),
  policy: Joi.object({
    take: Joi.string().valid('once', 'repeatable').required(),
    headroom: Joi.number().min(0).max(1).required(),
  }).required(),
});

interface MatchRequest {
  readonly kit: unknown;
  readonly policy: { readonly take: TakeKind; readonly headroom: number };
}

export const POST: APIRoute = async ({ request }) => {
  const read = await readBody<MatchRequest>(request, body);
  if (!read.ok) return refuse(read.error);
  const kit = await readKit(read.value.kit);
  if (!kit.ok) {
    const problems = kit.error.code === 'invalid' ? kit.error.problems : [];
    return refuse({
      status: 400,
      code: kit.error.code,
      message: kitRefusalText(kit.error),
      details: problems.map((problem) => ({ path: `kit.${problem.path}`, message: problemText(problem) })),
    });
  }
  const margin = headroom(read.value.policy.headroom);
  if (!margin.ok) return refuse({ status: 400, code: 'invalid', message: 'Headroom is 0 to 1.', details: [] });
  const { kit: asked } = kit.value;
  const modes = asked.bodies.reduce((sum, one) => sum + one.modes.length, 0);
  if (modes * asked.cards.length > MAX_CELLS) {
    return refuse({
      status: 422,
      code: 'too-many-cells',
      message: `${modes} modes × ${asked.cards.length} cards is over ${MAX_CELLS} cells. Ask for fewer at once.`,
      details: [],
    });
  }
  if (boardWork(asked) > MAX_WORK) {
    return refuse({
      status: 422,
      code: 'too-much-work',
      message: `${modes} modes × ${asked.cards.length} unlike cards with their moves are more than is worked out at once. Ask for fewer modes or cards at once.`,
      details: [],
    });
  }
  const policy: Policy = { take: read.value.policy.take, headroom: margin.value };
  return json(boardView(board(asked, policy), asked, policy));
};

export const ALL = onlyBy('POST');
