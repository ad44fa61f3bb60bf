import type { Fit } from '../../core/heat/run/fit.ts';
import type {
  Body,
  BodyFigure,
  Card,
  CardFigure,
  HeatPick,
  KeptTake,
  LimitStatement,
  MadeWith,
  OwnFigure,
} from '../../core/kit/model.ts';
import { BODY_FIGURES, CARD_FIGURES, MAX_KEPT_TAKES } from '../../core/kit/model.ts';
import { newId } from '../../kit/newId.ts';
import { change, put, remove } from '../../store/edit.ts';
import { readItem } from '../../store/read.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { database } from '../kit/database.ts';
import { type Written, write } from '../kit/write.ts';

const isBodyFigure = (key: string): key is BodyFigure => (BODY_FIGURES as readonly string[]).includes(key);
const isCardFigure = (key: string): key is CardFigure => (CARD_FIGURES as readonly string[]).includes(key);

/** A body with a figure of its own, or without it again. */
const withBodyFigure = (body: Body, key: BodyFigure, figure: OwnFigure | null): Body => ({
  ...body,
  heat: { ...body.heat, figures: { ...body.heat?.figures, [key]: figure } },
});

const withCardFigure = (card: Card, key: CardFigure, figure: OwnFigure | null): Card => ({
  ...card,
  heat: { ...card.heat, figures: { ...card.heat?.figures, [key]: figure } },
});

interface Pair {
  readonly body: Body;
  readonly card: Card;
}

/** Keeps a figure of a body or card, or takes it back to what is known without it. */
export const changeFigure = (
  { body, card }: Pair,
  key: BodyFigure | CardFigure,
  figure: OwnFigure | null,
  what: string,
): Promise<Written> =>
  write(what, [
    isBodyFigure(key)
      ? change('bodies', body.id, (one) => withBodyFigure(one, key, figure))
      : change('cards', card.id, (one) => withCardFigure(one, key, figure)),
  ]);

/** Every own figure of both taken back. */
export const resetFigures = ({ body, card }: Pair): Promise<Written> =>
  write(CHANGE_TEXT.figuresReset, [
    change('bodies', body.id, (one) => ({ ...one, heat: { ...one.heat, figures: {} } })),
    change('cards', card.id, (one) => ({ ...one, heat: { ...one.heat, figures: {} } })),
  ]);

/** Keeps what a fit narrowed; what it left as it was stays assumed. */
export function keepFit({ body, card }: Pair, { figures }: Fit): Promise<Written> {
  const informed = figures.filter((one) => one.informed);
  const inBody = (all: Body): Body =>
    informed.reduce((one, { figure, after }) => (isBodyFigure(figure) ? withBodyFigure(one, figure, after) : one), all);
  const inCard = (all: Card): Card =>
    informed.reduce((one, { figure, after }) => (isCardFigure(figure) ? withCardFigure(one, figure, after) : one), all);
  return write(CHANGE_TEXT.figuresFitted, [change('bodies', body.id, inBody), change('cards', card.id, inCard)]);
}

/** Which of the assumed bodies it is like. */
export const setBodySize = ({ id }: Body, size: NonNullable<Body['heat']>['size'], what: string): Promise<Written> =>
  write(what, [change('bodies', id, (one) => ({ ...one, heat: { ...one.heat, size } }))]);

/** What the maker's manual says of its recording limit. */
export const setLimits = ({ id }: Body, limits: readonly LimitStatement[], what: string): Promise<Written> =>
  write(what, [change('bodies', id, (one) => ({ ...one, heat: { ...one.heat, limits } }))]);

/**
 * Keeps a take for comparing, a clip's own rate as a series beside it. Where as many are kept as stand side by side, the
 * oldest makes room, and that is said.
 */
export function keepTake(
  kept: readonly KeptTake[],
  { demandTraceMBps, ...pick }: HeatPick,
  name: string,
  made: MadeWith | null = null,
): Promise<Written> {
  const rateSeriesId = demandTraceMBps ? newId() : null;
  const surplus = kept.slice(0, Math.max(0, kept.length - MAX_KEPT_TAKES + 1));
  const [oldest] = surplus;
  const what = oldest ? CHANGE_TEXT.takeKeptInPlace(name, oldest.name) : CHANGE_TEXT.takeKept(name);
  return write(what, [
    ...surplus.flatMap(forgetting),
    ...(rateSeriesId && demandTraceMBps
      ? [put('series', { id: rateSeriesId, kind: 'rate' as const, MBps: demandTraceMBps })]
      : []),
    put('keptTakes', { ...pick, id: newId(), name, rateSeriesId, made }),
  ]);
}

const forgetting = ({ id, rateSeriesId }: KeptTake) => [
  remove('keptTakes', id),
  ...(rateSeriesId === null ? [] : [remove('series', rateSeriesId)]),
];

export const forgetTake = (take: KeptTake): Promise<Written> =>
  write(CHANGE_TEXT.takeForgotten(take.name), forgetting(take));

/** A kept take as it is run, with its clip's own rate where it has one. */
export async function openTake({ id: _, name: __, made: ___, rateSeriesId, ...pick }: KeptTake): Promise<HeatPick> {
  if (rateSeriesId === null) return pick;
  const series = await readItem(database, 'series', rateSeriesId);
  return { ...pick, demandTraceMBps: series?.MBps ?? null };
}
