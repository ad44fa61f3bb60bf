import { useMemo } from 'react';
import type { HeatKit } from '../../app/heat/heatKit.ts';
import { cardCount, type Picked, takeCards } from '../../app/heat/heatPick.ts';
import { RANGES, sunDegrees } from '../../app/heat/heatViews.ts';
import type { HeatPick } from '../../core/kit/model.ts';
import { cardChoiceText, degreesText, paceText } from '../../text/heat/heatWords.ts';
import { modeTitle } from '../../text/match/cell.ts';
import { minutesText, plain } from '../../text/quantity.ts';
import { ARRANGEMENT_CHOICES } from '../../ui/choices.ts';
import { CheckLine, ChoiceLine, Line, NumberLine } from '../../ui/LineField.tsx';
import { PlanFields } from '../../ui/PlanFields.tsx';
import css from './HeatView.module.css';
import { TraceField } from './TraceField.tsx';

interface TakeFormProps {
  readonly kit: HeatKit;
  readonly pick: HeatPick;
  readonly picked: Picked;
  /** What the mode writes, MB/s; null where it has no rate. */
  readonly demandMBps: number | null;
  /** Minutes after which the card is full; null where that is not known. */
  readonly fullAfter: number | null;
  /** True where the address speaks of a clip whose rates are gone. */
  readonly clipLost: boolean;
  readonly onPick: (change: Partial<HeatPick>) => void;
  /** Another body, with a mode and card that can meet. */
  readonly onBody: (id: string) => void;
}

/** How much above the air a warm start begins, until it is entered [A]. */
const WARMER_C = 10;

/** What is recorded, on what, for how long and in which air. */
export function TakeForm({ kit, pick, picked, fullAfter, clipLost, demandMBps, onPick, onBody }: TakeFormProps) {
  const { body, mode, cards } = picked;
  const { plan } = pick;
  const cardChoices = useMemo(
    () => takeCards(kit.cards, body, pick.cardIds).map((one) => ({ ...one, label: cardChoiceText(one.card) })),
    [kit.cards, body, pick.cardIds],
  );
  const slots = Array.from({ length: cardCount(pick.arrangement, body) }, (_, at) => at);
  const changeCard = (at: number, id: string): void => {
    const ids = slots.map((slot) => (slot === at ? id : (pick.cardIds[slot] ?? pick.cardIds[0] ?? '')));
    onPick({ cardIds: ids.filter(Boolean) });
  };
  const changeArrangement = (arrangement: string): void => {
    const chosen = arrangement as HeatPick['arrangement'];
    const count = cardCount(chosen, body);
    const spare = kit.cards.filter(({ id, form }) => form === cards[0]?.form && !pick.cardIds.includes(id));
    const ids = [...pick.cardIds, ...spare.map(({ id }) => id)].slice(0, count);
    onPick({ arrangement: chosen, cardIds: ids });
  };
  const warm = pick.startBodyC !== null;
  const airC = plan.ambientC + sunDegrees(body, plan);
  return (
    <section aria-labelledby="take-heading">
      <h2 id="take-heading" className={css.heading}>
        The take
      </h2>
      <ChoiceLine
        label="Camera"
        value={body.id}
        choices={kit.bodies.filter(({ modes }) => modes.length > 0).map(({ id, name }) => ({ value: id, label: name }))}
        onChange={onBody}
      />
      <ChoiceLine
        label="Mode"
        value={pick.modeId}
        choices={body.modes.map((one) => ({ value: one.id, label: modeTitle(one) }))}
        onChange={(modeId) => onPick({ modeId, ratio: null })}
      />
      {pick.ratio !== null && (
        <Line label="Ratio tried" htmlFor="ratio-tried">
          <button id="ratio-tried" type="button" className="plain-button" onClick={() => onPick({ ratio: null })}>
            {plain(pick.ratio)}:1, back
          </button>
        </Line>
      )}
      {body.slots.length > 1 && (
        <ChoiceLine
          label="How two cards are used"
          value={pick.arrangement}
          choices={ARRANGEMENT_CHOICES.map(({ value, label }) => ({ value, label: label.split(':')[0] ?? label }))}
          onChange={changeArrangement}
        />
      )}
      {slots.map((at) => (
        <ChoiceLine
          key={at}
          label={slots.length === 1 ? 'Card' : `Card ${at + 1}`}
          value={pick.cardIds[at] ?? ''}
          choices={pick.cardIds[at] ? cardChoices : [{ value: '', label: 'choose' }, ...cardChoices]}
          onChange={(id) => changeCard(at, id)}
        />
      ))}
      <TraceField
        label={demandMBps === null ? 'no rate' : paceText(demandMBps)}
        mode={modeTitle(mode)}
        trace={pick.demandTraceMBps ?? null}
        lost={clipLost}
        onTrace={(demandTraceMBps) => onPick({ demandTraceMBps })}
      />
      <PlanFields plan={plan} onChange={(change) => onPick({ plan: { ...plan, ...change } })} />
      {fullAfter !== null && fullAfter < plan.minutes && (
        <p className={css.full} role="status">
          The card is full after {minutesText(Math.floor(fullAfter))}: a take of {minutesText(Math.floor(plan.minutes))}{' '}
          needs a change of cards.
        </p>
      )}
      <CheckLine
        id="starts-warm"
        label="Starts warm"
        checked={warm}
        onChange={(starts) => {
          const start = starts ? Math.round(airC + WARMER_C) : null;
          onPick({ startBodyC: start, startCardC: start });
        }}
      />
      {warm && (
        <>
          <NumberLine
            label="Camera at start"
            value={pick.startBodyC}
            unit="°C"
            {...RANGES.startC}
            onChange={(startBodyC) => onPick({ startBodyC: startBodyC ?? plan.ambientC })}
          />
          <NumberLine
            label="Card at start"
            value={pick.startCardC}
            unit="°C"
            {...RANGES.startC}
            onChange={(startCardC) => onPick({ startCardC: startCardC ?? plan.ambientC })}
          />
        </>
      )}
      <p className={css.small}>
        Air and sun together: {degreesText(airC)} around the camera. The rate shown is the peak of everything the camera
        writes.
      </p>
    </section>
  );
}
