import { useMemo, useState } from 'react';
import { fileText } from '../../app/prove/files.ts';
import { addOffers, knownOffers } from '../../app/shop/shopActions.ts';
import { computation } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { Offer } from '../../core/kit/shop.ts';
import { cardSummary } from '../../text/match/cell.ts';
import { priceListText, priceProblemText } from '../../text/shop/pasted.ts';
import { moneyText } from '../../text/shop/shop.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { DropZone } from '../../ui/DropZone.tsx';
import css from '../../ui/paste.module.css';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { useChange } from '../../ui/useChange.ts';
import own from './PastePrices.module.css';

interface PastePricesProps {
  readonly offers: readonly Offer[];
  readonly currency: string;
  readonly onClose: () => void;
}

/** Lines told one by one; the rest are counted. */
const TOLD = 60;

/** A price list, dropped, chosen or pasted; nothing is added before its reading has been seen. */
export default function PastePrices({ offers, currency: usual, onClose }: PastePricesProps) {
  const [text, setText] = useState('');
  const [currency, setCurrency] = useState(usual);
  const [unread, setUnread] = useState(false);
  const change = useChange();
  const request = useMemo(
    () => (text.trim() === '' ? null : { text, currency: currency.trim().slice(0, 12) }),
    [text, currency],
  );
  const [state, again] = useTask(computation, 'prices', request);
  const list = state.phase === 'done' ? state.answer : null;
  const read = list?.code === 'read' ? list.offers : [];
  const problems = list?.code === 'read' ? list.problems : [];
  const known = useMemo(() => knownOffers(read, offers), [read, offers]);
  const take = (file: File | undefined): void => {
    if (!file) return;
    void fileText(file).then((found) => {
      setUnread(!found.ok);
      if (found.ok) setText(found.value);
    });
  };
  return (
    <Dialog opened onClose={onClose} size="xl" title="A price list">
      <div className={css.paste}>
        <p>
          Lines pasted below, or a CSV file. With headings (name, price, currency, seller, date, form, capacityGB, marks
          …), or a line a card with its price.
        </p>
        <DropZone
          label="or let a price list fall here"
          choose="Choose a file"
          accept=".csv,.tsv,.txt,text/csv"
          onFiles={([file]) => take(file)}
        />
        <textarea
          className={css.text}
          rows={7}
          aria-label="Lines of the price list"
          value={text}
          placeholder={'SD 256GB SDXC II U3 V90 300MB/s 189,90 EUR\nCFexpress B 1TB VPG400 310 EUR'}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <label className={own.currency}>
          Currency, where a line names none
          <input
            value={currency}
            maxLength={12}
            placeholder="EUR"
            onChange={(event) => setCurrency(event.currentTarget.value)}
          />
        </label>
        {unread && (
          <p role="alert" className="tone-hot">
            The file could not be read. Choose it again, or paste its lines.
          </p>
        )}
        <TaskNote state={state} what="the offers of these lines" onAgain={again} />
        {list && (
          <p role="status" className={list.code === 'read' && problems.length === 0 ? '' : 'tone-hot'}>
            {priceListText(list)}
            {known > 0 && ` ${known} ${known === 1 ? 'is' : 'are'} there already: the price is replaced.`}
          </p>
        )}
        {(read.length > 0 || problems.length > 0) && (
          <ul className={css.preview} aria-label="What comes of it">
            {problems.slice(0, TOLD).map((problem) => (
              <li key={JSON.stringify(problem)} className={`${css.row} tone-hot`}>
                {priceProblemText(problem)}
              </li>
            ))}
            {read.slice(0, TOLD).map((offer, at) => (
              <li key={at} className={css.row}>
                <b>
                  {moneyText(offer.price)} {offer.currency}
                </b>
                <span>
                  {offer.name}
                  <span className="soft">
                    {' '}
                    · {cardSummary({ ...offer, id: '', label: '', usableGB: null, cacheGB: null })}
                    {offer.seller && ` · ${offer.seller}`}
                    {offer.date && ` · ${offer.date}`}
                  </span>
                </span>
              </li>
            ))}
            {read.length + problems.length > 2 * TOLD && <li className={css.row}>and more, read alike</li>}
          </ul>
        )}
        <div className={css.foot}>
          <button
            type="button"
            className="ink-button"
            data-strong
            disabled={read.length === 0}
            onClick={() => void change(() => addOffers(read, offers)).then((made) => made && onClose())}
          >
            {read.length === 0 ? 'Add' : `Add ${read.length.toLocaleString('en')}`}
          </button>
        </div>
      </div>
    </Dialog>
  );
}
