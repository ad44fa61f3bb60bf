import { printedBus } from '../../core/label/printedBus.ts';
import { floorInForce } from '../../core/match/rules/guarantee.ts';
import { labelRule } from '../../core/match/rules/label.ts';
import type { Card } from '../../core/model/kit.ts';
import { bus } from '../../core/standards/buses.ts';
import { form } from '../../core/standards/forms.ts';
import { fromGB } from '../../core/units/convert.ts';
import { capacityText, MBpsFigure } from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import { FormSilhouette } from '../../ui/glyphs/FormSilhouette.tsx';
import css from './CardTable.module.css';

interface CardTableProps {
  readonly cards: readonly Card[];
  readonly openId: string | null;
  readonly onOpen: (id: string) => void;
}

/** The wallet: each card with what its print promises on its own bus. */
export function CardTable({ cards, openId, onOpen }: CardTableProps) {
  return (
    <table className={css.table}>
      <thead>
        <tr>
          <th scope="col">Label</th>
          <th scope="col">Form</th>
          <th scope="col" className={css.number}>
            Capacity
          </th>
          <th scope="col" className={css.number}>
            Promises
          </th>
          <th scope="col">Printed</th>
        </tr>
      </thead>
      <tbody>
        {cards.map((card) => (
          <CardRow key={card.id} card={card} open={card.id === openId} onOpen={() => onOpen(card.id)} />
        ))}
      </tbody>
    </table>
  );
}

function CardRow({ card, open, onOpen }: { readonly card: Card; readonly open: boolean; readonly onOpen: () => void }) {
  const own = card.bus ?? printedBus(card.form, card.marks)?.bus ?? null;
  const { floor } = floorInForce(card, own);
  return (
    <tr className={css.row} data-open={open || undefined} onClick={onOpen}>
      <th scope="row" className={css.label}>
        <button type="button" className={css.open} aria-expanded={open}>
          {card.label}
        </button>
      </th>
      <td>
        <span className={css.form}>
          <FormSilhouette form={card.form} bus={own} />
          {form(card.form).name}
          {own && <span className="soft">{bus(own).name.replace(`${form(card.form).name} `, '')}</span>}
        </span>
      </td>
      <td className={css.number}>{capacityText(fromGB(card.capacityGB))}</td>
      <td className={css.number}>
        {floor === null ? (
          <span className="soft">nothing known</span>
        ) : (
          <b>
            <Amount {...MBpsFigure(floor)} />
          </b>
        )}
      </td>
      <td>
        {card.marks.length > 0 ? card.marks.join(' ') : <span className="soft">no mark</span>}
        {labelRule(card) && <span className={css.doubt}>contradicts itself</span>}
      </td>
    </tr>
  );
}
