import type { Body, Mode } from '../kit/model.ts';
import type { Need } from '../kit/shop.ts';
import { withRatio } from '../match/moves.ts';
import { RAW_RATIOS } from '../standards/assumptions.ts';
import type { Steps } from '../steps.ts';
import { best } from './choose.ts';
import { type Curve, curveSteps } from './curve.ts';
import { type ShopInput, shopOptions } from './options.ts';
import type { IntegerSolver } from './programme.ts';

/** Another wish, and what the cheapest set for it costs. */
export interface WhatIf {
  readonly kind:
    | { readonly code: 'without'; readonly needId: string }
    | { readonly code: 'ratio'; readonly needId: string; readonly ratio: number; readonly from: number }
    | { readonly code: 'more-hours'; readonly percent: number };
  /** Null where nothing meets it. */
  readonly price: number | null;
  /** Against the needs as they are: below 0 it saves. */
  readonly difference: number | null;
  readonly bought: number | null;
  readonly proven: boolean;
}

/** How many more hours are looked at. */
const MORE_HOURS_PERCENT = 10;

/** What lies around the sets. */
export interface Around {
  readonly curve: Curve;
  readonly ifs: readonly WhatIf[];
}

/** The next compression that cameras offer for a raw mode; null for every other mode. */
function nextRatio({ rate }: Mode): { readonly from: number; readonly to: number } | null {
  if (rate.kind !== 'raw') return null;
  const to = RAW_RATIOS.find((one) => one > rate.ratio);
  return to === undefined ? null : { from: rate.ratio, to };
}

/** The needs with one mode at another compression; the kit is changed, not the wish. */
function atRatio(input: ShopInput, need: Need, ratio: number): ShopInput {
  const changed = (body: Body): Body =>
    body.id === need.bodyId
      ? { ...body, modes: body.modes.map((mode) => (mode.id === need.modeId ? withRatio(mode, ratio) : mode)) }
      : body;
  return { ...input, kit: { ...input.kit, bodies: input.kit.bodies.map(changed) } };
}

/** The wishes beside the one that was made. */
function wishes(input: ShopInput): readonly { readonly kind: WhatIf['kind']; readonly input: ShopInput }[] {
  const { needs } = input;
  const each = needs.flatMap((need) => {
    const mode = input.kit.bodies.find(({ id }) => id === need.bodyId)?.modes.find(({ id }) => id === need.modeId);
    const ratio = mode ? nextRatio(mode) : null;
    const without =
      needs.length > 1
        ? [
            {
              kind: { code: 'without' as const, needId: need.id },
              input: { ...input, needs: needs.filter((one) => one !== need) },
            },
          ]
        : [];
    return ratio
      ? [
          ...without,
          {
            kind: { code: 'ratio' as const, needId: need.id, ratio: ratio.to, from: ratio.from },
            input: atRatio(input, need, ratio.to),
          },
        ]
      : without;
  });
  const more = needs.map((need) => ({ ...need, hours: need.hours * (1 + MORE_HOURS_PERCENT / 100) }));
  return [...each, { kind: { code: 'more-hours', percent: MORE_HOURS_PERCENT }, input: { ...input, needs: more } }];
}

/**
 * What lies around the sets: the curve between them, and what other wishes would cost.
 *
 * @param input - needs that can be met
 */
export function* aroundSteps(input: ShopInput, solve: IntegerSolver, seconds: number): Steps<Around> {
  const { problem } = shopOptions(input);
  const cheapest = best(problem, ['cents', 'cards'], Number.POSITIVE_INFINITY, { solve, seconds, stages: 1 });
  yield 0.1;
  const asked = wishes(input);
  const ifs: WhatIf[] = [];
  for (const [at, wish] of asked.entries()) {
    yield 0.1 + (0.5 * at) / asked.length;
    const options = shopOptions(wish.input);
    const found =
      options.impossible.length > 0
        ? { choice: null, proven: true }
        : best(options.problem, ['cents', 'cards'], Number.POSITIVE_INFINITY, { solve, seconds, stages: 1 });
    const { choice } = found;
    const cards =
      choice?.taken.reduce((sum, { option, times }) => {
        const parts = options.problem.options[option]?.parts ?? [];
        return sum + times * parts.reduce((own, { source, count }) => own + (source.kind === 'offer' ? count : 0), 0);
      }, 0) ?? null;
    ifs.push({
      kind: wish.kind,
      price: choice && choice.cents / 100,
      difference: choice && cheapest.choice && (choice.cents - cheapest.choice.cents) / 100,
      bought: cards,
      proven: found.proven && cheapest.proven && !options.isCut,
    });
  }
  yield 0.6;
  const curve = yield* curveSteps(problem, solve, seconds);
  return { curve, ifs };
}
