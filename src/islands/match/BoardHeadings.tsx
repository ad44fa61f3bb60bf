import type { CSSProperties } from 'react';
import { cardLine } from '../../app/cards/cardLine.ts';
import type { Body, Card } from '../../core/kit/model.ts';
import type { Row } from '../../core/match/evaluate.ts';
import { cardPromise, modeSpeed } from '../../text/match/cell.ts';
import { capacityText, MBpsFigure } from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import { FormSilhouette } from '../../ui/glyphs/FormSilhouette.tsx';
import css from './BoardHeadings.module.css';

interface CardHeadingProps {
  readonly card: Card;
  readonly index: number;
  readonly left: number;
  readonly width: number;
  readonly picked: boolean;
}

export function CardHeading({ card, index, left, width, picked }: CardHeadingProps) {
  const { bus, formName, capacity } = cardLine(card);
  return (
    <div
      className={css.card}
      data-picked={picked || undefined}
      style={{ left, width }}
      role="columnheader"
      aria-colindex={index + 2}
      title={`${card.label} · ${formName}`}
    >
      <FormSilhouette form={card.form} bus={bus} />
      <span className={css.cardText}>
        <b className={css.label}>{card.label}</b>
        <span>{capacityText(capacity)}</span>
        <span className={css.promise}>{cardPromise(card)}</span>
        <span className="unseen">{formName}</span>
      </span>
    </div>
  );
}

export function BodyHeading({
  body,
  index,
  style,
}: {
  readonly body: Body;
  readonly index: number;
  readonly style: CSSProperties;
}) {
  return (
    <div className={css.body} data-first={index === 0 || undefined} style={style} role="row" aria-rowindex={index + 2}>
      <span className={css.bodyName} role="rowheader">
        {body.name}
        {body.note && <span className={css.bodyNote}> · {body.note}</span>}
      </span>
    </div>
  );
}

export function ModeHeading({
  row,
  width,
  picked,
}: {
  readonly row: Row;
  readonly width: number;
  readonly picked: boolean;
}) {
  const { mode, rate } = row;
  return (
    <div className={css.mode} style={{ width }} role="rowheader" aria-colindex={1}>
      <span className={css.modeName} data-picked={picked || undefined} title={mode.name}>
        <b>{mode.name}</b> <span className="soft">{modeSpeed(mode)}</span>
      </span>
      <span className={css.rate}>
        {rate.ok ? <Amount {...MBpsFigure(rate.value.peak)} /> : <span className="tone-hot">no rate</span>}
      </span>
    </div>
  );
}
