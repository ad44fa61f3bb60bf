import type { Fit } from '../../core/heat/run/fit.ts';
import type { Body, BodyFigure, BodyHeat, Card, CardFigure, KeptTake, OwnFigure } from '../../core/kit/model.ts';
import { BODY_FIGURES, CARD_FIGURES, MAX_KEPT_TAKES } from '../../core/kit/model.ts';
import type { Settings } from '../../kit/kit.ts';
import type { Undo } from '../../store/kitStore.ts';
import { changeSettings, newId, saveBody, saveCard } from '../kit/kitActions.ts';

const isBodyFigure = (key: string): key is BodyFigure => (BODY_FIGURES as readonly string[]).includes(key);
const isCardFigure = (key: string): key is CardFigure => (CARD_FIGURES as readonly string[]).includes(key);

/** A body with a figure of its own, or without it again. */
export const withBodyFigure = (body: Body, key: BodyFigure, figure: OwnFigure | null): Body => ({
  ...body,
  heat: { ...body.heat, figures: { ...body.heat?.figures, [key]: figure } },
});

export const withCardFigure = (card: Card, key: CardFigure, figure: OwnFigure | null): Card => ({
  ...card,
  heat: { ...card.heat, figures: { ...card.heat?.figures, [key]: figure } },
});

/** Keeps a figure of a body or card, or takes it back to what is known without it. */
export function changeFigure(
  { body, card }: { readonly body: Body; readonly card: Card },
  key: BodyFigure | CardFigure,
  figure: OwnFigure | null,
): Promise<Undo> {
  return isBodyFigure(key)
    ? saveBody(withBodyFigure(body, key, figure))
    : saveCard(withCardFigure(card, key as CardFigure, figure));
}

/** Every own figure of both taken back. */
export async function resetFigures(body: Body, card: Card): Promise<Undo> {
  const undoBody = await saveBody({ ...body, heat: { ...body.heat, figures: {} } });
  const undoCard = await saveCard({ ...card, heat: { ...card.heat, figures: {} } });
  return async () => {
    await undoBody();
    await undoCard();
  };
}

/** Keeps what a fit narrowed; what it left as it was stays assumed. */
export async function keepFit(body: Body, card: Card, { figures }: Fit): Promise<Undo> {
  const informed = figures.filter((one) => one.informed);
  const newBody = informed.reduce<Body>(
    (all, { figure, after }) => (isBodyFigure(figure) ? withBodyFigure(all, figure, after) : all),
    body,
  );
  const newCard = informed.reduce<Card>(
    (all, { figure, after }) => (isCardFigure(figure) ? withCardFigure(all, figure, after) : all),
    card,
  );
  const undoBody = await saveBody(newBody);
  const undoCard = await saveCard(newCard);
  return async () => {
    await undoBody();
    await undoCard();
  };
}

export const changeBodyHeat = (body: Body, change: Partial<BodyHeat>): Promise<Undo> =>
  saveBody({ ...body, heat: { ...body.heat, ...change } });

export const keepTake = ({ keptTakes = [] }: Settings, take: Omit<KeptTake, 'id'>): Promise<void> =>
  changeSettings({ keptTakes: [...keptTakes, { ...take, id: newId() }].slice(-MAX_KEPT_TAKES) });

export const forgetTake = ({ keptTakes = [] }: Settings, id: string): Promise<void> =>
  changeSettings({ keptTakes: keptTakes.filter((one) => one.id !== id) });
