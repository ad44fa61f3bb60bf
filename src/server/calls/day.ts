import Joi from 'joi';
import type { Plan } from '../../core/kit/plan.ts';
import { VERDICTS } from '../../core/match/verdict.ts';
import { err, ok } from '../../core/result.ts';
import { type PlannedDay, plannedDay } from '../../core/rotation/plannedDay.ts';
import { headroom } from '../../core/units/amount.ts';
import { readKit } from '../../kit/importKit.ts';
import { problemsOf } from '../../kit/problems.ts';
import { kitSchema } from '../../kit/schema.ts';
import { planSchema } from '../../kit/schemas/plan.ts';
import { dayClock } from '../../reading/day/dayClock.ts';
import { type DayNames, dayFaultText, shortageText } from '../../text/day/day.ts';
import { dayNames } from '../../text/day/names.ts';
import { problemText } from '../../text/kit/problem.ts';
import { call, MAX_BODY } from '../call.ts';
import { kitRefused } from '../kitRefused.ts';
import { type PolicyAsked, policyAsked } from '../policyAsked.ts';
import { type Refusal, refusal } from '../refusal.ts';
import { list, number, numberOrNull, object, oneOf, text, textOrNull } from '../shapes.ts';

/** Most answers of Match asked for one day: modes of its blocks × its cards. */
const MAX_ANSWERS = 40_000;
const MAX_BLOCKS = 300;

interface Asked {
  readonly kit: unknown;
  readonly plan: unknown;
  readonly policy: PolicyAsked;
}

const refused = (path: string, message: string): Refusal => ({
  status: 400,
  code: 'invalid',
  message: 'The plan is not valid.',
  details: [{ path, message }],
});

/** The plan as it was sent, or the one of the kit with that id. */
function planOf(asked: unknown, plans: readonly Plan[]): Plan | Refusal {
  if (typeof asked === 'string') {
    const found = plans.find(({ id }) => id === asked);
    return (
      found ?? refused('plan', `The kit has no plan “${asked.slice(0, 80)}”. Send one of its ids, or a plan itself.`)
    );
  }
  const { value, error } = planSchema.validate(asked, { abortEarly: false, convert: false });
  if (!error) return value as Plan;
  const details = problemsOf(error).map((problem) => ({ path: `plan.${problem.path}`, message: problemText(problem) }));
  return { status: 400, code: 'invalid', message: 'The plan is not valid.', details };
}

function dayView(day: PlannedDay, names: DayNames) {
  const faultOf = new Map(day.faults.flatMap((fault) => ('blockId' in fault ? [[fault.blockId, fault] as const] : [])));
  const { totals } = day;
  return {
    rolls: day.rolls.map((roll) => ({
      blockId: roll.blockId,
      bodyId: roll.bodyId,
      slotId: roll.slotId,
      cardId: roll.cardId,
      fromSeconds: roll.fromSeconds,
      toSeconds: roll.toSeconds,
      GB: roll.GB,
      verdict: roll.verdict,
      tone: roll.tone,
    })),
    swaps: day.swaps,
    offloads: day.offloads.map(({ readerId, cardId, stage, copy, fromSeconds, toSeconds, GB }) => ({
      readerId,
      cardId,
      stage,
      copy,
      fromSeconds,
      toSeconds,
      GB,
    })),
    frees: day.frees,
    shortages: day.shortages.map((short) => {
      const fault = short.reason.code === 'not-planned' ? faultOf.get(short.blockId ?? '') : undefined;
      return {
        atSeconds: short.atSeconds,
        blockId: short.blockId,
        bodyId: short.bodyId,
        missingMinutes: short.missingMinutes,
        missingGB: short.missingGB,
        text: fault ? dayFaultText(fault, names) : shortageText(short, names),
      };
    }),
    totals: {
      rolledMinutes: totals.rolledMinutes,
      GB: totals.GB,
      swaps: totals.swaps,
      cardsUsed: totals.cardsUsed,
      mostMinutesOnOneCard: totals.mostMinutesOnOneCard,
      lastOffloadEndsSeconds: totals.lastOffloadEndsSeconds,
      destinationGB: totals.destinationGB,
    },
  };
}

/** A shoot day: which card when, who copies what, what is free again. */
export const day = call({
  path: '/api/day',
  method: 'POST',
  summary: 'A shoot day: which card sits where when, copies, free cards, what is short',
  heavy: true,
  maxBody: MAX_BODY,
  asked: Joi.object<Asked>({
    kit: Joi.object().unknown(true).required(),
    plan: Joi.alternatives(Joi.string().min(1).max(64), Joi.object().unknown(true)).required(),
    policy: policyAsked,
  }),
  described: async () =>
    Joi.object({
      kit: (await kitSchema()).required(),
      plan: Joi.alternatives(Joi.string(), planSchema).required(),
      policy: policyAsked,
    }),
  answer: object({
    rolls: list(
      Joi.object({
        blockId: text,
        bodyId: text,
        slotId: text,
        cardId: text,
        fromSeconds: number,
        toSeconds: number,
        GB: number,
        verdict: oneOf(VERDICTS),
        tone: oneOf(['cool', 'warm', 'hot']),
      }),
    ),
    swaps: list(
      Joi.object({ atSeconds: number, bodyId: text, slotId: text, outCardId: textOrNull, inCardId: textOrNull }),
    ),
    offloads: list(
      Joi.object({
        readerId: textOrNull,
        cardId: text,
        stage: oneOf(['copy', 'verify']),
        copy: number,
        fromSeconds: number,
        toSeconds: number,
        GB: number,
      }),
    ),
    frees: list(Joi.object({ cardId: text, atSeconds: number })),
    shortages: list(
      Joi.object({
        atSeconds: number,
        blockId: textOrNull,
        bodyId: textOrNull,
        missingMinutes: number,
        missingGB: number,
        text,
      }),
    ),
    totals: object({
      rolledMinutes: number,
      GB: number,
      swaps: number,
      cardsUsed: number,
      mostMinutesOnOneCard: number,
      lastOffloadEndsSeconds: numberOrNull,
      destinationGB: list(Joi.number().unsafe()),
    }),
  }),
  answerText: 'The day, in seconds from its start',
  refusals: {
    400: 'The kit, the plan or the policy is not valid; places in details',
    422: `Over ${MAX_BLOCKS} blocks, or over ${MAX_ANSWERS.toLocaleString('en')} modes × cards`,
  },
  async run(asked) {
    const read = await readKit(asked.kit);
    if (!read.ok) return err(kitRefused(read.error));
    const margin = headroom(asked.policy.headroom);
    if (!margin.ok) return err(refusal(400, 'invalid', 'Headroom is 0 to 1.'));
    const { kit } = read.value;
    const plan = planOf(asked.plan, kit.plans);
    if ('status' in plan) return err(plan);
    const clock = dayClock(plan);
    if (!clock) return err(refused('plan.date', 'There is no such date, start or time zone.'));
    const modes = new Set(plan.blocks.map(({ bodyId, modeId }) => `${bodyId} ${modeId}`)).size;
    if (plan.blocks.length > MAX_BLOCKS || modes * plan.cardIds.length > MAX_ANSWERS)
      return err(
        refusal(422, 'too-much-work', 'That is more than is worked out at once. Ask for fewer blocks or cards.'),
      );
    const answer = plannedDay({
      kit,
      plan,
      times: clock,
      now: null,
      policy: { take: asked.policy.take, headroom: margin.value },
    });
    return ok(dayView(answer, dayNames(kit, plan, clock)));
  },
});
