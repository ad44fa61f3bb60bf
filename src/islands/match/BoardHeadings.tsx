import { useState } from 'react';
import { isSdBusOpen } from '../../app/bodies/busesAsked.ts';
import { cardLine } from '../../app/cards/cardLine.ts';
import { statedRate } from '../../app/match/answers.ts';
import { isAtHand } from '../../app/match/entries.ts';
import type { Body, Card } from '../../core/kit/model.ts';
import type { Outside } from '../../core/match/entering.ts';
import type { Row } from '../../core/match/evaluate.ts';
import { STATE_WORDS } from '../../text/cards/state.ts';
import { cardPromise, modeSpeed } from '../../text/match/cell.ts';
import { outsideText } from '../../text/match/outside.ts';
import { capacityText, MBpsFigure, MbpsText } from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import { FormSilhouette } from '../../ui/glyphs/FormSilhouette.tsx';
import { part } from '../../ui/part.tsx';
import css from './BoardHeadings.module.css';

const OutsideCards = part(() => import('./OutsideCards.tsx'));
const BusDialog = part(() => import('./BusDialog.tsx'));

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
        <span className={css.promise}>
          {capacityText(capacity)} · {cardPromise(card)}
        </span>
        {!isAtHand(card) && card.state && <span className={css.state}>{STATE_WORDS[card.state]}</span>}
        <span className="unseen">{formName}</span>
      </span>
    </div>
  );
}

interface BodyHeadingProps {
  readonly body: Body;
  readonly outside: readonly Outside[];
  readonly width: number;
  /** Whether no other body is shown. */
  readonly alone: boolean;
  readonly onAlone: () => void;
}

/** A body at the head of its rows: alone with one press, and which cards do not enter it behind a line that says so. */
export function BodyHeading({ body, outside, width, alone, onAlone }: BodyHeadingProps) {
  const [listed, setListed] = useState(false);
  const [asked, setAsked] = useState(false);
  const isOpen = isSdBusOpen(body.slots);
  return (
    <div className={css.body} style={{ width }} role="columnheader" aria-colindex={1}>
      <span className={css.bodyName}>
        {body.name}
        {body.note && <span className={css.bodyNote}> · {body.note}</span>}
      </span>
      <span className={css.bodyWays}>
        {!alone && (
          <button type="button" className={css.way} onClick={onAlone} aria-label={`show only this: ${body.name}`}>
            show only this
          </button>
        )}
        {outside.length > 0 && (
          <button
            type="button"
            className={css.way}
            title={outsideText(outside)}
            onClick={() => setListed(true)}
            aria-label={`${outside.length} ${outside.length === 1 ? 'card doesn’t fit' : 'cards don’t fit'} ${body.name}: show which and why`}
          >
            {outside.length} {outside.length === 1 ? 'card doesn’t fit' : 'cards don’t fit'}
          </button>
        )}
        {isOpen && (
          <button
            type="button"
            className={`${css.way} tone-warm`}
            onClick={() => setAsked(true)}
            aria-label={`bus not entered: tell which bus the slots of ${body.name} have`}
          >
            bus not entered
          </button>
        )}
      </span>
      {/* Told, nothing of it is open any more, and the dialogue is gone with the question. */}
      {asked && isOpen && <BusDialog body={body} onClose={() => setAsked(false)} />}
      {listed && <OutsideCards body={body} outside={outside} onClose={() => setListed(false)} />}
    </div>
  );
}

export function ModeHeading({
  row,
  width,
  picked,
  tried,
}: {
  readonly row: Row;
  readonly width: number;
  readonly picked: boolean;
  /** What is tried of it; empty where nothing is. */
  readonly tried: string;
}) {
  const { mode, rate } = row;
  const stated = statedRate(mode);
  return (
    <div className={css.mode} style={{ width }} role="rowheader" aria-colindex={1}>
      <span className={css.modeName} data-picked={picked || undefined} title={mode.name}>
        <span className={css.modeTitle}>
          <b>{mode.name}</b> <span className="soft">{modeSpeed(mode)}</span>
        </span>
        {tried && <b className="tone-warm">{tried}</b>}
      </span>
      <span className={css.rate}>
        {stated !== null && <span className={css.stated}>{MbpsText(stated)}</span>}
        {rate.ok ? <Amount {...MBpsFigure(rate.value.peak)} /> : <span className="tone-hot">no rate</span>}
      </span>
    </div>
  );
}
