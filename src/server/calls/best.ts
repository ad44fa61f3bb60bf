import Joi from 'joi';
import { beside, bestSteps } from '../../core/best/best.ts';
import { fixes } from '../../core/best/fixes.ts';
import type { BestQuestion } from '../../core/best/question.ts';
import { usuallyAccepted } from '../../core/heat/run/acceptedRisk.ts';
import { AIR_MOVEMENTS, type AirMovement, FINISH_KEYS, type Finish } from '../../core/kit/model.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import { err, ok } from '../../core/result.ts';
import { cardsForShop } from '../../core/shop/options.ts';
import { finish } from '../../core/steps.ts';
import { headroom } from '../../core/units/amount.ts';
import { readKit } from '../../kit/importKit.ts';
import { kitSchema } from '../../kit/schema.ts';
import { fixText, whyText } from '../../text/best/best.ts';
import { call, MAX_BODY } from '../call.ts';
import { wholeSolver } from '../heavy/solver.ts';
import { kitRefused } from '../kitRefused.ts';
import { type PolicyAsked, policyAsked } from '../policyAsked.ts';
import { refusal } from '../refusal.ts';
import { list, object, text, textOrNull } from '../shapes.ts';

/** Modes × cards asked for at the most. */
const MAX_ANSWERS = 15_000;
/** Time for one question to the solver, seconds. */
const SECONDS = 1;
/** Runs and seed of every share of failing takes, as the app tells it. */
const RUNS = { runs: 2000, seed: 1 } as const;

interface Asked {
  readonly kit: unknown;
  readonly policy: PolicyAsked;
  readonly bodyIds: readonly string[] | null;
  readonly cardIds: readonly string[] | null;
  readonly minutes: number;
  readonly stretchMinutes: number | null;
  readonly ambientC: number;
  readonly sunC: number;
  readonly sun: Finish | null;
  readonly air: AirMovement;
  readonly rhythm: { readonly takeMinutes: number; readonly restMinutes: number } | null;
  readonly accepted: number | null;
  readonly fixesFor: { readonly bodyId: string; readonly modeId: string } | null;
}

const conditions = {
  policy: policyAsked,
  bodyIds: Joi.array().items(Joi.string()).unique().allow(null).default(null),
  cardIds: Joi.array().items(Joi.string()).unique().allow(null).default(null),
  minutes: Joi.number().min(RANGES.takeMinutes.min).max(RANGES.takeMinutes.max).required(),
  stretchMinutes: Joi.number().min(RANGES.takeMinutes.min).max(RANGES.takeMinutes.max).allow(null).default(null),
  ambientC: Joi.number().min(RANGES.airC.min).max(RANGES.airC.max).required(),
  sunC: Joi.number().min(RANGES.sunC.min).max(RANGES.sunC.max).default(0),
  sun: Joi.string()
    .valid(...FINISH_KEYS)
    .allow(null)
    .default(null),
  air: Joi.string()
    .valid(...AIR_MOVEMENTS)
    .default('still'),
  rhythm: Joi.object({
    takeMinutes: Joi.number().min(1).max(RANGES.takeMinutes.max).required(),
    restMinutes: Joi.number().min(RANGES.restMinutes.min).max(RANGES.restMinutes.max).required(),
  })
    .allow(null)
    .default(null),
  accepted: Joi.number().min(0).max(1).allow(null).default(null),
  fixesFor: Joi.object({ bodyId: Joi.string().required(), modeId: Joi.string().required() }).allow(null).default(null),
};

/** Of a list the entries asked for, in the order asked; all where none is named. The names of those that are not there. */
function chosen<T extends { readonly id: string }>(all: readonly T[], ids: readonly string[] | null) {
  const byId = new Map(all.map((one) => [one.id, one]));
  return {
    found: ids === null ? all : ids.flatMap((id) => byId.get(id) ?? []),
    missing: (ids ?? []).filter((id) => !byId.has(id)),
  };
}

const notThere = (path: string, ids: readonly string[]) => ({
  path,
  message: `There is no ${ids.map((id) => `“${id}”`).join(', ')} in the kit that is in use.`,
});

/** The best mode that each body can record to the end on these cards. */
export const best = call({
  path: '/api/best',
  method: 'POST',
  summary: 'The best mode each body can record to the end, and what is in the way of a better one',
  heavy: true,
  maxBody: MAX_BODY,
  asked: Joi.object<Asked>({ kit: Joi.object().unknown(true).required(), ...conditions }),
  described: async () => Joi.object({ kit: (await kitSchema()).required(), ...conditions }),
  answer: object({
    bodies: list(
      Joi.object({
        bodyId: text,
        modeId: textOrNull,
        cardIds: list(Joi.string()),
        better: list(Joi.object({ modeId: text, code: text, text })),
        after: list(Joi.string()),
      }),
    ),
    proven: Joi.boolean().required(),
    fixes: Joi.array()
      .items(Joi.array().items(Joi.object({ code: text, text })))
      .allow(null)
      .required(),
  }),
  answerText:
    'A body in the order asked, which is the order in which they choose; `better` from the best on, `after` what nobody looked at. `fixes`: each by itself makes the mode of `fixesFor` hold, or two together; empty where it holds, or nothing was found',
  refusals: {
    400: 'The kit, policy or conditions are not valid, or name what is not in the kit; places in details',
    422: `Over ${MAX_ANSWERS.toLocaleString('en')} modes × cards`,
  },
  async run(asked) {
    const read = await readKit(asked.kit);
    if (!read.ok) return err(kitRefused(read.error));
    const margin = headroom(asked.policy.headroom);
    if (!margin.ok) return err(refusal(400, 'invalid', 'Headroom is 0 to 1.'));
    const { kit } = read.value;
    const bodies = chosen(kit.bodies, asked.bodyIds);
    // A card in a camera that never stops is there for nothing else.
    const inUse = cardsForShop(kit.cards, kit.standing).filter(({ retired }) => !retired);
    const cards = chosen(inUse, asked.cardIds);
    const wanted = bodies.found.find(({ id }) => id === asked.fixesFor?.bodyId);
    const mode = wanted?.modes.find(({ id }) => id === asked.fixesFor?.modeId);
    const details = [
      ...(bodies.missing.length > 0 ? [notThere('bodyIds', bodies.missing)] : []),
      ...(cards.missing.length > 0 ? [notThere('cardIds', cards.missing)] : []),
      ...(asked.fixesFor && !wanted ? [notThere('fixesFor.bodyId', [asked.fixesFor.bodyId])] : []),
      ...(asked.fixesFor && wanted && !mode ? [notThere('fixesFor.modeId', [asked.fixesFor.modeId])] : []),
    ];
    if (details.length > 0)
      return err({ status: 400, code: 'invalid', message: 'Something asked for is not in the kit.', details });
    const modes = bodies.found.reduce((sum, one) => sum + one.modes.length, 0);
    if (modes * cards.found.length > MAX_ANSWERS) {
      const message = `${modes} modes × ${cards.found.length} cards is over ${MAX_ANSWERS}. Ask for fewer at once.`;
      return err(refusal(422, 'too-much-work', message));
    }
    const { minutes, stretchMinutes, rhythm, ambientC, sunC, sun, air } = asked;
    const question: BestQuestion = {
      kit: { ...kit, bodies: bodies.found, cards: cards.found },
      offers: kit.prices,
      policy: { take: asked.policy.take, headroom: margin.value },
      minutes,
      stretchMinutes,
      rhythm,
      air: { ambientC, sunC, sun, air },
      accepted: asked.accepted ?? usuallyAccepted(asked.policy.take),
      ...RUNS,
    };
    const solving = { solve: await wholeSolver(), seconds: SECONDS, heat: new Map() };
    const found = finish(bestSteps(question, solving));
    const others = found.bodies.flatMap((one) => (one.body === wanted ? [] : one.cards));
    const ways = wanted && mode ? fixes(beside(question, others), wanted, mode, solving) : null;
    return ok({
      bodies: found.bodies.map((one) => ({
        bodyId: one.body.id,
        modeId: one.best?.id ?? null,
        cardIds: one.cards.map(({ id }) => id),
        better: one.better.map(({ mode: { id }, why }) => ({ modeId: id, code: why.code, text: whyText(why) })),
        after: one.after.map(({ id }) => id),
      })),
      proven: found.proven,
      fixes: ways === null ? null : ways.map((things) => things.map((fix) => ({ code: fix.code, text: fixText(fix) }))),
    });
  },
});
