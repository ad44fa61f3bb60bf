import { TextInput } from '@mantine/core';
import { useState } from 'react';
import type { NewPress } from '../../app/day/dayActions.ts';
import type { DayViewKit } from '../../app/day/dayKit.ts';
import { doubtOf } from '../../app/day/live.ts';
import type { AskedPress } from '../../app/day/liveModel.ts';
import type { Plan } from '../../core/kit/plan.ts';
import { doubtText, PRESS_WORDS } from '../../text/day/live.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import css from './LivePart.module.css';

interface AskPressProps {
  readonly asked: AskedPress;
  readonly kit: DayViewKit;
  readonly plan: Plan;
  /** What of it would be lost; empty where nothing is known to be. */
  readonly atStake: string;
  readonly onClose: () => void;
  readonly onPress: (press: Omit<NewPress, 'who'>) => void;
}

/** A press that something stands against, or that does not say where: asked, and kept with its reason. */
export function AskPress({ asked, kit, plan, atStake, onClose, onPress }: AskPressProps) {
  const { live, to } = asked;
  const doubt = doubtOf(live.state, to, plan);
  const planned = new Set(plan.blocks.map(({ bodyId }) => bodyId));
  const bodies = kit.bodies.filter(({ id }) => planned.has(id));
  const [why, setWhy] = useState('');
  const [place, setPlace] = useState<{ readonly bodyId: string; readonly slotId: string } | null>(null);
  const said = doubt ? doubtText(doubt, live.card.label, to) : '';
  const isBlocked = (doubt?.code === 'not-safe' && why.trim().length < 3) || (to === 'in-body' && place === null);
  return (
    <Dialog
      opened
      title={
        doubt?.code === 'not-safe'
          ? `${live.card.label} is not safe to wipe`
          : `${live.card.label}: ${PRESS_WORDS[to].toLowerCase()}`
      }
      onClose={onClose}
    >
      <div className={css.ask}>
        {doubt && <p className="tone-hot">{said}</p>}
        {doubt?.code === 'not-safe' && atStake && (
          <p>
            At stake: <b>{atStake}</b>.
          </p>
        )}
        {to === 'in-body' && (
          <fieldset className={css.places}>
            <legend>Into which slot</legend>
            {bodies.flatMap((body) =>
              body.slots.map((slot) => (
                <button
                  key={`${body.id} ${slot.id}`}
                  type="button"
                  className="ink-button"
                  aria-pressed={place?.bodyId === body.id && place.slotId === slot.id}
                  data-strong={(place?.bodyId === body.id && place.slotId === slot.id) || undefined}
                  onClick={() => setPlace({ bodyId: body.id, slotId: slot.id })}
                >
                  {body.name}
                  {body.slots.length > 1 ? `, ${slot.name.toLowerCase()}` : ''}
                </button>
              )),
            )}
          </fieldset>
        )}
        {doubt?.code === 'not-safe' && (
          <TextInput
            label="Reason (kept in the log of the day)"
            placeholder="it is kept in the log"
            value={why}
            onChange={({ currentTarget: { value } }) => setWhy(value.slice(0, 300))}
          />
        )}
        <div className={css.buttons}>
          <button
            type="button"
            className="ink-button"
            disabled={isBlocked}
            onClick={() =>
              onPress({
                cardId: live.card.id,
                to,
                bodyId: place?.bodyId ?? null,
                slotId: place?.slotId ?? null,
                ...(to === 'verified' ? { proof: 'word' as const } : {}),
                override: doubt
                  ? `${said}${atStake ? ` At stake: ${atStake}.` : ''} ${why.trim()}`.trim().slice(0, 500)
                  : null,
              })
            }
          >
            {doubt?.code === 'no-copy' ? 'They are made and checked' : doubt ? 'Mark it anyway' : PRESS_WORDS[to]}
          </button>
          <button type="button" className="ink-button" data-strong onClick={onClose}>
            Leave it as it is
          </button>
        </div>
      </div>
    </Dialog>
  );
}
