import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { FIRST_NAMES, withNames } from '../../app/cards/pastedNames.ts';
import { computation } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { Card } from '../../core/kit/model.ts';
import { keptAsNoteText, pastedProblemText, tooManyCardsText } from '../../text/cards/pasted.ts';
import { cardSummary } from '../../text/match/cell.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import css from '../../ui/paste.module.css';
import { TaskNote } from '../../ui/TaskNote.tsx';

interface PasteCardsProps {
  /** Labels of the wallet. */
  readonly taken: readonly string[];
  readonly onAdd: (cards: readonly Card[]) => void;
  readonly onClose: () => void;
}

/** Many cards at once, a line each; nothing is added before its reading has been seen. */
export default function PasteCards({ taken, onAdd, onClose }: PasteCardsProps) {
  const [text, setText] = useState('');
  const [prefix, setPrefix] = useState(FIRST_NAMES);
  // Read beside the page, so that a long paste does not hold the next key.
  const [state, again] = useTask(computation, 'cards', text.trim() === '' ? null : text);
  const read = state.phase === 'done' ? state.answer : null;
  const found = read?.code === 'read' ? read.cards.flatMap((one) => (one.ok ? [one.card] : [])) : [];
  const isUnnamed = found.some(({ label }) => label === '');
  const cards = withNames(found, prefix, taken);
  const labels = new Map(cards.map(({ id, label }) => [id, label]));
  return (
    <Dialog opened onClose={onClose} size="xl" title="Several cards at once">
      <div className={css.paste}>
        <label className={css.label} htmlFor="paste-cards">
          A card a line: your own label, then what is printed. Or how many: 14 x 128GB SDXC II V60.
        </label>
        <textarea
          id="paste-cards"
          className={css.text}
          rows={6}
          value={text}
          placeholder={'C-01 256GB SDXC II U3 V90 300MB/s\nA-01 1TB CFexpress B VPG400'}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <TaskNote state={state} what="the cards of these lines" onAgain={again} />
        {read?.code === 'too-many' && (
          <p role="alert" className="tone-hot">
            {tooManyCardsText(read.lines, read.max)}
          </p>
        )}
        {isUnnamed && (
          <TextInput
            label="Names of those without one begin with"
            value={prefix}
            maxLength={40}
            onChange={(event) => setPrefix(event.currentTarget.value)}
          />
        )}
        {read?.code === 'read' && read.cards.length > 0 && (
          <ul className={css.preview} aria-label="What comes of it">
            {read.cards.map((one) =>
              one.ok ? (
                <li key={one.card.id} className={css.row}>
                  <b>{labels.get(one.card.id)}</b>
                  <span>
                    {cardSummary(one.card)}
                    {one.card.note && <span className="soft">; {keptAsNoteText(one.card.note)}</span>}
                  </span>
                </li>
              ) : (
                <li key={`line ${one.line}`} className={`${css.row} tone-hot`}>
                  {pastedProblemText(one)}
                </li>
              ),
            )}
          </ul>
        )}
        <div>
          <button
            type="button"
            className="ink-button"
            data-strong
            disabled={cards.length === 0}
            onClick={() => onAdd(cards)}
          >
            {cards.length === 0 ? 'Add' : `Add ${cards.length}`}
          </button>
        </div>
      </div>
    </Dialog>
  );
}
