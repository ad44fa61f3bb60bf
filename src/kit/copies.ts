import type { Body, Card, OwnFigure } from '../core/kit/model.ts';

type Figures = Readonly<Record<string, OwnFigure | null | undefined>>;

/** Figures that were fitted or measured belong to the one thing they were found on. */
const unfitted = (figures: Figures | undefined): Figures =>
  Object.fromEntries(Object.entries(figures ?? {}).filter(([, figure]) => figure?.basis === 'stated'));

/**
 * Another card of the same print: what is printed and what its maker says goes over. What happened to the first does not:
 * incidents, what was written to it, its state, its dates, its verification, its warranty, fitted and measured figures. Its tests stay
 * its own, since the copy has an id of its own.
 */
export function copyOfCard(card: Card, id: string, label: string): Card {
  const { incidents, writtenGB, writtenOn, state, verified, boughtOn, warranty, retired, heat, ...print } = card;
  const figures = unfitted(heat?.figures);
  const kept = heat && Object.keys(figures).length > 0 ? { heat: { ...heat, figures } } : {};
  return { ...print, ...kept, id, label };
}

/** Another body of the same model; fitted and measured figures stay with the first. */
export function copyOfBody(body: Body, id: string, name: string): Body {
  const heat = body.heat ? { ...body.heat, figures: unfitted(body.heat.figures) } : body.heat;
  return { ...body, ...(heat === undefined ? {} : { heat }), id, name };
}
