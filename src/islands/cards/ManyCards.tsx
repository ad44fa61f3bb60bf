import { Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import { changeCards, deleteCards, duplicateMany } from '../../app/cards/cardActions.ts';
import type { Card, CardState } from '../../core/kit/model.ts';
import { STATE_WORDS } from '../../text/cards/state.ts';
import { STATE_CHOICES } from '../../ui/choices.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './ManyCards.module.css';

interface ManyCardsProps {
  readonly chosen: readonly Card[];
  readonly all: readonly Card[];
  readonly onDone: () => void;
}

const plural = (count: number): string => (count === 1 ? '1 card' : `${count} cards`);

/** What can be done to several cards at once; each with one undo for all. */
export function ManyCards({ chosen, all, onDone }: ManyCardsProps) {
  const make = useChange();
  const [copies, setCopies] = useState('1');
  const count = Number(copies);
  const valid = Number.isInteger(count) && count >= 1 && count <= 100;
  const change = (what: Partial<Card>, words: string): void => void make(() => changeCards(chosen, what, words));
  return (
    <fieldset className={css.many}>
      <legend className="unseen">{plural(chosen.length)} chosen</legend>
      <b>{plural(chosen.length)}</b>
      <Select
        aria-label="State of the chosen cards"
        placeholder="Set state"
        className={css.state}
        data={[...STATE_CHOICES]}
        value={null}
        onChange={(state) =>
          state && change({ state: state as CardState }, `set to ${STATE_WORDS[state as CardState]}`)
        }
      />
      <button type="button" className="plain-button" onClick={() => change({ retired: true }, 'retired')}>
        Retire
      </button>
      <button type="button" className="plain-button" onClick={() => change({ retired: false }, 'back in use')}>
        Back in use
      </button>
      <span className={css.copies}>
        <button
          type="button"
          className="plain-button"
          disabled={!valid}
          onClick={() => void make(() => duplicateMany(chosen, all, count))}
        >
          Duplicate
        </button>
        <TextInput
          aria-label="Copies of each"
          className={css.number}
          value={copies}
          error={!valid}
          onChange={(event) => setCopies(event.currentTarget.value)}
        />
        times
      </span>
      <button
        type="button"
        className="plain-button"
        onClick={() => void make(() => deleteCards(chosen)).then((made) => made && onDone())}
      >
        Delete
      </button>
    </fieldset>
  );
}
