import { useState } from 'react';
import { useKit } from '../../app/kit/useKit.ts';
import {
  busesToAsk,
  KEPT_SPEEDS,
  type KeptThing,
  keepAsked,
  keepCamera,
  keepCards,
} from '../../app/match/keepAsked.ts';
import type { Ask } from '../../core/match/ask/ask.ts';
import type { Bus } from '../../core/standards/buses.ts';
import type { Form } from '../../core/standards/forms.ts';
import { KEEP_BUS, KEEP_NAME } from '../../text/match/keep.ts';
import { busName, HOW_TO_TELL } from '../../text/match/slotAsked.ts';
import { FORM_CHOICES } from '../../ui/choices.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './QuickKeep.module.css';

const LISTS = ['bodies', 'cards'] as const;

interface QuickKeepProps {
  readonly thing: KeptThing;
  readonly ask: Ask;
  readonly onClose: () => void;
}

/** A name, and what the line leaves open: then the camera or the card of an answer is one's own. */
export default function QuickKeep({ thing, ask, onClose }: QuickKeepProps) {
  const state = useKit(LISTS);
  const change = useChange();
  const kit = 'kit' in state ? state.kit : null;
  const asked = kit && keepAsked(thing, ask, kit);
  const [typed, setTyped] = useState<string | null>(null);
  const [picked, setPicked] = useState<Form | null>(null);
  const [fps, setFps] = useState<number | null>(null);
  if (!kit || !asked) return state.phase === 'loading' ? null : <p className={css.keep}>{KEEP_NAME.noStore}</p>;
  const name = (typed ?? asked.name).trim();
  const form = asked.form ?? picked;
  const buses = busesToAsk(thing, asked, form);
  const keep = async (bus: Bus | null): Promise<void> => {
    if (name === '' || form === null) return;
    const as = { name, form, bus, fps };
    if (await change(() => (thing === 'camera' ? keepCamera(ask, as) : keepCards(ask, as, kit.cards)))) onClose();
  };
  const canKeep = name !== '' && form !== null;
  return (
    <form
      className={css.keep}
      aria-label={KEEP_NAME[thing]}
      onSubmit={(event) => {
        event.preventDefault();
        if (buses.length === 0) void keep(asked.slotBus);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
      }}
    >
      <label className={css.field}>
        <span>{KEEP_NAME[thing]}</span>
        <input
          value={typed ?? asked.name}
          maxLength={asked.longest}
          aria-invalid={name === '' || undefined}
          // biome-ignore lint/a11y/noAutofocus: it was pressed to be named
          autoFocus
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => setTyped(event.currentTarget.value)}
        />
      </label>
      {asked.form === null && (
        <label className={css.field}>
          <span>{KEEP_NAME.form[thing]}</span>
          <select
            value={picked ?? ''}
            onChange={({ currentTarget: { value } }) =>
              setPicked(FORM_CHOICES.find((one) => one.value === value)?.value ?? null)
            }
          >
            <option value="">choose</option>
            {FORM_CHOICES.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </label>
      )}
      {thing === 'camera' && asked.assumedFps !== null && (
        <label className={css.field}>
          <span>{KEEP_NAME.fps}</span>
          <select value={fps ?? asked.assumedFps} onChange={({ currentTarget: { value } }) => setFps(Number(value))}>
            {KEPT_SPEEDS.map((speed) => (
              <option key={speed} value={speed}>
                {speed}
              </option>
            ))}
          </select>
        </label>
      )}
      {name === '' && (
        <p className="tone-hot" role="alert">
          {KEEP_NAME.empty}
        </p>
      )}
      {buses.length > 0 && form !== null ? (
        <fieldset className={css.asked}>
          <legend>{KEEP_BUS.question}</legend>
          <p className="soft">{HOW_TO_TELL({ accepts: [{ form, bus: null }] })}</p>
          <div className={css.ways}>
            {buses.map((bus) => (
              <button key={bus} type="button" className="ink-button" disabled={!canKeep} onClick={() => void keep(bus)}>
                {busName(bus)}
              </button>
            ))}
            <button type="button" className="ink-button" disabled={!canKeep} onClick={() => void keep(null)}>
              {KEEP_BUS.unsure}
            </button>
            <button type="button" className="plain-button" onClick={onClose}>
              Cancel
            </button>
          </div>
        </fieldset>
      ) : (
        <div className={css.ways}>
          <button type="submit" className="ink-button" data-strong disabled={!canKeep}>
            Keep
          </button>
          <button type="button" className="plain-button" onClick={onClose}>
            Cancel
          </button>
        </div>
      )}
    </form>
  );
}
