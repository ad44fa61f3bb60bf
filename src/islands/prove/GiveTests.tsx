import { Checkbox, TextInput } from '@mantine/core';
import { useState } from 'react';
import { givenFile, ofPrint } from '../../app/prove/files.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { cardSummary } from '../../text/match/cell.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { download } from '../../ui/download.ts';
import css from '../../ui/paste.module.css';

interface GiveTestsProps {
  readonly kit: ProveKit;
  readonly onClose: () => void;
}

/** Tests of one body as a small file for a colleague, with no more in it than is wanted. */
export default function GiveTests({ kit, onClose }: GiveTestsProps) {
  const tested = kit.bodies.filter(({ id }) => kit.tests.some(({ bodyId }) => bodyId === id));
  const [bodyId, setBodyId] = useState(tested[0]?.id ?? '');
  const [cardId, setCardId] = useState('');
  const [from, setFrom] = useState('');
  const [dates, setDates] = useState(false);
  const [labels, setLabels] = useState(false);
  const body = tested.find(({ id }) => id === bodyId);
  const used = kit.cards.filter(({ id }) => kit.tests.some((test) => test.bodyId === bodyId && test.cardId === id));
  const card = used.find(({ id }) => id === cardId);
  const file = body
    ? givenFile(body, card ? ofPrint(card, kit.cards) : kit.cards, kit.tests, { from, dates, labels })
    : null;
  return (
    <Dialog opened onClose={onClose} size="lg" title="Give tests away">
      <div className={css.paste}>
        {tested.length === 0 ? (
          <p>No test is logged yet: there is nothing to give.</p>
        ) : (
          <>
            <Chips
              legend="Tests of"
              value={bodyId}
              choices={tested.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(id) => {
                setBodyId(id);
                setCardId('');
              }}
            />
            {used.length > 1 && (
              <Chips
                legend="On"
                value={cardId}
                choices={[
                  { value: '', label: 'all cards' },
                  ...used.map((one) => ({ value: one.id, label: one.label, note: cardSummary(one) })),
                ]}
                onChange={setCardId}
              />
            )}
            <p className="soft">
              The file names the camera, its modes, what is printed on the cards, and how each take went. It never holds
              your notes. To a colleague it is a report, below their own tests.
            </p>
            <TextInput
              label="Who gives it"
              placeholder="nobody named"
              maxLength={120}
              value={from}
              onChange={(event) => setFrom(event.currentTarget.value)}
            />
            <Checkbox
              label="With the dates"
              checked={dates}
              onChange={(event) => setDates(event.currentTarget.checked)}
            />
            <Checkbox
              label="With the labels of my cards"
              checked={labels}
              onChange={(event) => setLabels(event.currentTarget.checked)}
            />
            {body && !file && (
              <p className="tone-warm">None of its tests can be told: their mode, card or rate is not in the kit.</p>
            )}
            <div className={css.foot}>
              <button
                type="button"
                className="ink-button"
                data-strong
                disabled={!file}
                onClick={() => {
                  if (!file) return;
                  download(file.name, file.text, 'application/json');
                  onClose();
                }}
              >
                {file ? `Save the file with ${file.count} ${file.count === 1 ? 'test' : 'tests'}` : 'Save the file'}
              </button>
            </div>
          </>
        )}
      </div>
    </Dialog>
  );
}
