import Joi from 'joi';
import { DEFAULT_PLAN } from '../../core/heat/run/plan.ts';
import { board } from '../../core/match/board.ts';
import type { Policy } from '../../core/match/policy.ts';
import { VERDICTS } from '../../core/match/verdict.ts';
import { err, ok } from '../../core/result.ts';
import { headroom } from '../../core/units/amount.ts';
import { readKit } from '../../kit/importKit.ts';
import { kitSchema } from '../../kit/schema.ts';
import { call, MAX_BODY } from '../call.ts';
import { kitRefused } from '../kitRefused.ts';
import { type PolicyAsked, policyAsked } from '../policyAsked.ts';
import { refusal } from '../refusal.ts';
import { list, numberOrNull, object, oneOf, oneOrNull, text, textOrNull } from '../shapes.ts';
import { boardView, boardWork } from '../views.ts';

/** Most cells answered at once: the answer to a 1 MB kit stays bounded too. */
const MAX_CELLS = 20_000;
/** Most work done for one answer, as `boardWork` counts it: about a second. */
const MAX_WORK = 150_000;

interface Asked {
  readonly kit: unknown;
  readonly policy: PolicyAsked;
}

const cell = Joi.object({
  bodyId: text,
  modeId: text,
  cardId: text,
  slotId: textOrNull,
  verdict: oneOf(VERDICTS),
  tone: oneOf(['cool', 'warm', 'hot', 'mute', 'none']),
  needMBps: numberOrNull,
  floorMBps: numberOrNull,
  busMBps: numberOrNull,
  minutes: object({ label: numberOrNull, planned: numberOrNull, counter: numberOrNull, measured: numberOrNull }),
  dropSeconds: numberOrNull,
  provenSeconds: numberOrNull,
  heldSeconds: numberOrNull,
  seats: Joi.array()
    .items(Joi.object({ slotId: text, cardId: textOrNull, verdict: oneOrNull(VERDICTS) }))
    .allow(null)
    .required(),
  reasons: list(Joi.object({ rule: text, outcome: oneOf(['pass', 'note', 'short', 'block', 'unknown']), text })),
  moves: list(Joi.object({ code: text, text })),
});

/** The board of a kit. */
export const match = call({
  path: '/api/match',
  method: 'POST',
  summary: 'Every mode of a kit on every card',
  heavy: true,
  maxBody: MAX_BODY,
  // The kit is read like a file: of any version, with a message for what is wrong in it.
  asked: Joi.object<Asked>({ kit: Joi.object().unknown(true).required(), policy: policyAsked }),
  described: async () => Joi.object({ kit: (await kitSchema()).required(), policy: policyAsked }),
  answer: object({ cells: list(cell) }),
  answerText: 'One cell a mode and card',
  refusals: {
    400: 'The kit or policy is not valid; places in details',
    422: `Over ${MAX_CELLS.toLocaleString('en')} cells, or more work than is done for one answer`,
  },
  async run(asked) {
    const read = await readKit(asked.kit);
    if (!read.ok) return err(kitRefused(read.error));
    const margin = headroom(asked.policy.headroom);
    if (!margin.ok) return err(refusal(400, 'invalid', 'Headroom is 0 to 1.'));
    const { kit } = read.value;
    const modes = kit.bodies.reduce((sum, one) => sum + one.modes.length, 0);
    if (modes * kit.cards.length > MAX_CELLS) {
      const message = `${modes} modes × ${kit.cards.length} cards is over ${MAX_CELLS} cells. Ask for fewer at once.`;
      return err(refusal(422, 'too-many-cells', message));
    }
    if (boardWork(kit) > MAX_WORK) {
      const message = `${modes} modes × ${kit.cards.length} unlike cards with their moves are more than is worked out at once. Ask for fewer modes or cards at once.`;
      return err(refusal(422, 'too-much-work', message));
    }
    const strict: Policy = { take: asked.policy.take, headroom: margin.value };
    const { minutes } = kit.settings.plannedTake ?? DEFAULT_PLAN;
    return ok(boardView(board(kit, strict), kit, strict, minutes));
  },
});
