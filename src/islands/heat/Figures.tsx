import { useState } from 'react';
import { changeFigure, resetFigures, setBodySize } from '../../app/heat/heatActions.ts';
import { BODY_FIGURES, BODY_SIZES, CARD_FIGURES, figureLimit, sizeOf } from '../../app/heat/heatViews.ts';
import type { Known } from '../../core/heat/run/known.ts';
import type { Lane } from '../../core/heat/run/lane.ts';
import type { Body, BodyFigure, BodySize, CardFigure } from '../../core/kit/model.ts';
import { FIGURE_WORDS, figureSourceText, SPREAD_TEXT } from '../../text/heat/heatFigures.ts';
import { SIZE_WORDS } from '../../text/heat/heatWords.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { plain } from '../../text/quantity.ts';
import { ChoiceLine, NumberLine } from '../../ui/LineField.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './HeatView.module.css';
import { LimitFields } from './LimitFields.tsx';

const isOwn = ({ source }: Known): boolean =>
  source.code === 'own' || source.code === 'fitted' || source.code === 'traced';

function sourceText(known: Known, digits: number): string {
  const range =
    known.low !== null && known.high !== null ? `, ${plain(known.low, digits)} to ${plain(known.high, digits)}` : '';
  return `${figureSourceText(known.source)}${range}`;
}

/** Every figure of the run in one place: what it is, where it comes from, and a way back to what is assumed. */
export function Figures({ body, lanes }: { readonly body: Body; readonly lanes: readonly Lane[] }) {
  const make = useChange();
  const [chosen, setChosen] = useState<string | null>(null);
  const all = lanes.flatMap(({ cards, figures, cardFigures }) =>
    cards.map((card, at) => ({ card, figures: { ...figures, ...cardFigures[at] } })),
  );
  // The same card may have been chosen for both slots.
  const entries = all.filter(({ card }, at) => all.findIndex((one) => one.card.id === card.id) === at);
  const entry = entries.find((one) => one.card.id === chosen) ?? entries[0];
  if (!entry) return null;
  const { card, figures } = entry;
  const change = (key: BodyFigure | CardFigure, value: number | null): void =>
    void make(() => {
      const figure = value === null ? null : ({ value, basis: 'stated' } as const);
      const { name, unit } = FIGURE_WORDS[key];
      const what = value === null ? CHANGE_TEXT.figureReset(name) : CHANGE_TEXT.figureSet(name, plain(value, 3), unit);
      return changeFigure({ body, card }, key, figure, what);
    });
  const line = (key: BodyFigure | CardFigure) => {
    const known = figures[key];
    const { name, unit, digits } = FIGURE_WORDS[key];
    const { min, max } = figureLimit(key);
    const stalls = key === 'stallEveryGB' || key === 'stallSeconds';
    return (
      <NumberLine
        key={key}
        label={name}
        value={known?.value ?? null}
        unit={unit}
        digits={digits}
        min={min}
        max={max}
        empty={stalls ? 'never' : undefined}
        note={known ? sourceText(known, digits) : 'none known'}
        reset={known && isOwn(known) ? () => change(key, null) : undefined}
        onLeave
        onChange={(value) => change(key, value)}
      />
    );
  };
  const own = [...BODY_FIGURES, ...CARD_FIGURES].some((key) => {
    const known = figures[key];
    return known !== undefined && isOwn(known);
  });
  const { size, guessed } = sizeOf(body);
  return (
    <section aria-labelledby="assumed-heading" className={css.figures}>
      <div className={css.headingRow}>
        <h2 id="assumed-heading" className={css.heading}>
          Assumed
        </h2>
        {own && (
          <button type="button" className={css.tiny} onClick={() => void make(() => resetFigures({ body, card }))}>
            reset all
          </button>
        )}
      </div>
      {entries.length === 1 ? (
        <h3 className={css.group}>{card.label}</h3>
      ) : (
        <ChoiceLine
          label="Figures of"
          value={card.id}
          choices={entries.map((one) => ({ value: one.card.id, label: one.card.label }))}
          onChange={setChosen}
        />
      )}
      {CARD_FIGURES.map(line)}
      <h3 className={css.group}>{body.name}</h3>
      <ChoiceLine
        label={guessed ? 'Taken for' : 'Is like'}
        value={size}
        choices={BODY_SIZES.map((value) => ({ value, label: SIZE_WORDS[value] }))}
        onChange={(value) =>
          void make(() =>
            setBodySize(body, value as BodySize, CHANGE_TEXT.bodyLike(body.name, SIZE_WORDS[value as BodySize])),
          )
        }
      />
      {BODY_FIGURES.map(line)}
      <LimitFields body={body} />
      <p className={css.small}>{SPREAD_TEXT}</p>
    </section>
  );
}
