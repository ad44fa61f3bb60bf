import Joi from 'joi';
import type { Need, Offer } from '../../core/kit/shop.ts';
import { err, ok } from '../../core/result.ts';
import { currenciesOf, doubtfulOffers } from '../../core/shop/offers.ts';
import { cardsForShop } from '../../core/shop/options.ts';
import { AIMS } from '../../core/shop/problem.ts';
import { type ShopAnswer, shopSteps } from '../../core/shop/sets.ts';
import { finish } from '../../core/steps.ts';
import { headroom } from '../../core/units/amount.ts';
import { readKit } from '../../kit/importKit.ts';
import { problemsOf } from '../../kit/problems.ts';
import { kitSchema } from '../../kit/schema.ts';
import { needSchema } from '../../kit/schemas/need.ts';
import { offerSchema } from '../../kit/schemas/price.ts';
import { problemText } from '../../text/kit/problem.ts';
import { impossibleText } from '../../text/shop/shop.ts';
import { call, MAX_BODY } from '../call.ts';
import { wholeSolver } from '../heavy/solver.ts';
import { kitRefused } from '../kitRefused.ts';
import { type PolicyAsked, policyAsked } from '../policyAsked.ts';
import { type Refusal, refusal } from '../refusal.ts';
import { list, number, object, oneOf, text } from '../shapes.ts';

const MAX_NEEDS = 20;
const MAX_OFFERS = 10_000;
/** Most answers of Match asked for: needs × cards of the kit and offers. */
const MAX_ANSWERS = 60_000;
/** Time for one question to the solver: a handful are asked. */
const SECONDS = 1.5;

/** What nobody notes on the way to a shop may be missing. */
const offered = Joi.array().items(
  offerSchema
    .fork(['currency', 'seller'], (key) => key.optional().default(''))
    .fork(['name'], (key) => key.optional().default('An offer')),
);
const needed = Joi.array().items(needSchema.fork(['sparePercent'], (key) => key.optional().default(0)));

interface Asked {
  readonly kit: unknown;
  readonly needs: unknown;
  readonly offers: unknown;
  readonly useOwned: boolean;
  readonly countDoubtful: boolean;
  readonly policy: PolicyAsked;
}

const invalid = (details: Refusal['details']): Refusal => ({
  status: 400,
  code: 'invalid',
  message: 'The needs or the offers are not valid.',
  details,
});

/** A list as its schema has it, or what is wrong where. */
function listOf<T extends { readonly id: string }>(
  name: string,
  schema: Joi.ArraySchema,
  asked: unknown,
): readonly T[] | Refusal {
  const { value, error } = schema.validate(asked, { abortEarly: false, convert: false });
  if (error)
    return invalid(
      problemsOf(error).map((problem) => ({ path: `${name}${problem.path}`, message: problemText(problem) })),
    );
  const items = value as readonly T[];
  const seen = new Set<string>();
  for (const [at, { id }] of items.entries()) {
    if (seen.has(id)) return invalid([{ path: `${name}[${at}].id`, message: `The id “${id}” is there twice.` }]);
    seen.add(id);
  }
  return items;
}

const shopView = ({ sets, impossible }: ShopAnswer, left: ReadonlySet<string>) => ({
  sets: sets.map((set) => ({
    aim: set.aim,
    items: set.items.map(({ offerId, needId, count }) => ({ offerId, needId, count })),
    owned: set.owned.map(({ cardId, needId }) => ({ cardId, needId })),
    price: set.price,
    cards: set.cards,
    mostMinutesOnOneCard: set.mostMinutesOnOneCard,
    optimal: set.optimal,
    bound: set.bound,
  })),
  impossible: impossible.map(({ needId, why }) => ({ needId, text: impossibleText(why) })),
  leftOut: [...left].map((offerId) => ({ offerId })),
});

/** Sets of cards for needs that are met at the same time. */
export const shop = call({
  path: '/api/shop',
  method: 'POST',
  summary: 'Which cards to buy: the cheapest set, the fewest cards, the least at risk',
  heavy: true,
  maxBody: MAX_BODY,
  asked: Joi.object<Asked>({
    kit: Joi.object().unknown(true).required(),
    needs: Joi.array().min(1).max(MAX_NEEDS).required(),
    offers: Joi.array().max(MAX_OFFERS).allow(null).required(),
    useOwned: Joi.boolean().required(),
    countDoubtful: Joi.boolean().default(false),
    policy: policyAsked,
  }),
  described: async () =>
    Joi.object({
      kit: (await kitSchema()).required(),
      needs: needed.min(1).max(MAX_NEEDS).required(),
      offers: offered.max(MAX_OFFERS).allow(null).required(),
      useOwned: Joi.boolean().required(),
      countDoubtful: Joi.boolean().default(false),
      policy: policyAsked,
    }),
  answer: object({
    sets: list(
      Joi.object({
        aim: oneOf(AIMS),
        items: list(Joi.object({ offerId: text, needId: text, count: number })),
        owned: list(Joi.object({ cardId: text, needId: text })),
        price: number,
        cards: number,
        mostMinutesOnOneCard: number,
        optimal: Joi.boolean().required(),
        bound: number,
      }),
    ),
    impossible: list(Joi.object({ needId: text, text })),
    leftOut: list(Joi.object({ offerId: text })),
  }),
  answerText:
    'A set by each aim; needs that nothing meets, and offers far under the rest of their print, which are in no set',
  refusals: {
    400: 'The kit, needs, offers or policy are not valid, or there is more than one currency; places in details',
    422: `Over ${MAX_ANSWERS.toLocaleString('en')} needs × cards, or no set found in the time given`,
  },
  async run(asked) {
    const read = await readKit(asked.kit);
    if (!read.ok) return err(kitRefused(read.error));
    const margin = headroom(asked.policy.headroom);
    if (!margin.ok) return err(refusal(400, 'invalid', 'Headroom is 0 to 1.'));
    const { kit } = read.value;
    const needs = listOf<Need>('needs', needed, asked.needs);
    if ('status' in needs) return err(needs);
    const all = asked.offers === null ? kit.prices : listOf<Offer>('offers', offered, asked.offers);
    if ('status' in all) return err(all);
    const currencies = currenciesOf(all);
    if (currencies.length > 1)
      return err(
        invalid([
          {
            path: asked.offers === null ? 'kit.prices' : 'offers',
            message: `Prices are in ${currencies.map((one) => one || 'no currency').join(', ')}. Nothing is converted: send those of one.`,
          },
        ]),
      );
    if (needs.length * (all.length + (asked.useOwned ? kit.cards.length : 0)) > MAX_ANSWERS)
      return err(
        refusal(422, 'too-much-work', 'That is more than is worked out at once. Ask for fewer needs or offers.'),
      );
    const left = asked.countDoubtful ? new Set<string>() : doubtfulOffers(all);
    const steps = shopSteps(
      {
        kit: { ...kit, cards: cardsForShop(kit.cards, kit.standing) },
        needs,
        useOwned: asked.useOwned,
        offers: all.filter(({ id }) => !left.has(id)),
        policy: { take: asked.policy.take, headroom: margin.value },
      },
      await wholeSolver(),
      SECONDS,
    );
    const found = finish(steps);
    return found.isOpen
      ? err(
          refusal(
            422,
            'too-much-work',
            'No set was found in the time given, and none is ruled out. Ask for fewer needs.',
          ),
        )
      : ok(shopView(found, left));
  },
});
