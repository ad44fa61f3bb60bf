import Joi from 'joi';
import { entryAt } from '../../core/entryAt.ts';
import { CARD_STATES, type CardState } from '../../core/kit/model.ts';
import type { Plan, PlanPress } from '../../core/kit/plan.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { lastPresses, mergedLog } from '../../core/rotation/states.ts';

/** What a code says: a card, or where the cards of a day stand. */
export type CodeRead =
  | { readonly kind: 'card'; readonly cardId: string }
  | { readonly kind: 'states'; readonly planId: string; readonly presses: readonly PlanPress[] };

/** Why a code is none of ours. */
export type CodeRefusal = 'not-ours' | 'damaged';

const CARD = 'coolreel-card:';
const STATES = 'coolreel-day:';

export const cardCode = (cardId: string): string => CARD + cardId;

/** Minutes since 2020 in the code: shorter than a date, and exact enough to say which press is newer is not; so seconds. */
const EPOCH = Date.UTC(2020, 0, 1);

type Packed = readonly [cardId: string, state: number, at: number, who: string, bodyId?: string, slotId?: string];

const timeOf = ({ at }: PlanPress): number => Date.parse(at);

/** The last press of every card of a day, as one text for a code. */
export function statesCode(plan: Plan): string {
  const last = lastPresses(plan.log ?? [], timeOf);
  const packed: Packed[] = [...last.values()].map((press) => {
    const base = [
      press.cardId,
      CARD_STATES.indexOf(press.to),
      Math.round((timeOf(press) - EPOCH) / 1000),
      press.who.slice(0, 12),
    ] as const;
    return press.bodyId ? [...base, press.bodyId, press.slotId ?? ''] : base;
  });
  return STATES + JSON.stringify([plan.id, packed]);
}

const packedSchema = Joi.array()
  .ordered(
    Joi.string().max(64).required(),
    Joi.array()
      .max(1000)
      .items(
        Joi.array().ordered(
          Joi.string().max(64).required(),
          Joi.number()
            .integer()
            .min(0)
            .max(CARD_STATES.length - 1)
            .required(),
          Joi.number().integer().min(0).max(4e9).required(),
          Joi.string().allow('').max(80).required(),
          Joi.string().max(64),
          Joi.string().allow('').max(64),
        ),
      )
      .required(),
  )
  .required();

/** Reads what a code says. */
export function readCode(text: string): Result<CodeRead, CodeRefusal> {
  if (text.startsWith(CARD)) {
    const cardId = text.slice(CARD.length);
    return cardId.length > 0 && cardId.length <= 64 ? ok({ kind: 'card', cardId }) : err('damaged');
  }
  if (!text.startsWith(STATES)) return err('not-ours');
  let raw: unknown;
  try {
    raw = JSON.parse(text.slice(STATES.length));
  } catch {
    return err('damaged');
  }
  if (packedSchema.validate(raw, { convert: false }).error) return err('damaged');
  // As the schema has just checked it.
  const [planId, packed] = raw as [string, readonly Packed[]];
  const presses = packed.map(
    ([cardId, state, at, who, bodyId, slotId]): PlanPress => ({
      at: new Date(EPOCH + at * 1000).toISOString(),
      cardId,
      to: entryAt(CARD_STATES, state),
      who,
      ...(bodyId ? { bodyId, slotId: slotId || null } : {}),
    }),
  );
  return ok({ kind: 'states', planId, presses });
}

/** What taking over another device's presses would change: one line a card whose newest press is theirs. */
export interface HandOver {
  readonly log: readonly PlanPress[];
  readonly changes: readonly {
    readonly cardId: string;
    readonly from: CardState | null;
    readonly to: CardState;
    readonly who: string;
  }[];
  /** Cards where the press here is the newer one: it stays. */
  readonly kept: readonly string[];
}

export function handOver(plan: Plan, theirs: readonly PlanPress[]): HandOver {
  const own = plan.log ?? [];
  const before = lastPresses(own, timeOf);
  const inPlan = theirs.filter(({ cardId }) => plan.cardIds.includes(cardId));
  // A code knows whole seconds: a press that is here already, to the second, is no other.
  const known = inPlan.filter((press) => {
    const mine = before.get(press.cardId);
    return !(mine && mine.to === press.to && Math.abs(timeOf(mine) - timeOf(press)) < 1000);
  });
  const log = mergedLog(own, known, timeOf);
  const after = lastPresses(log, timeOf);
  const changes = known.flatMap(({ cardId }) => {
    const [was, is] = [before.get(cardId), after.get(cardId)];
    return is && is !== was && (was?.to !== is.to || was === undefined)
      ? [{ cardId, from: was?.to ?? null, to: is.to, who: is.who }]
      : [];
  });
  const kept = known.filter(({ cardId }) => after.get(cardId) === before.get(cardId)).map(({ cardId }) => cardId);
  return { log, changes, kept };
}
