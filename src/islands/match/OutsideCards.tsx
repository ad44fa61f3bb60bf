import type { Body } from '../../core/kit/model.ts';
import type { Outside } from '../../core/match/entering.ts';
import { cardSummary } from '../../text/match/cell.ts';
import { findingText } from '../../text/match/finding.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import css from './OutsideCards.module.css';

interface OutsideCardsProps {
  readonly body: Body;
  readonly outside: readonly Outside[];
  readonly onClose: () => void;
}

/** Cards named at once; the rest of a large wallet is counted. */
const SHOWN = 100;

/** The cards that enter no slot of a body, each with the rule that says so. */
export default function OutsideCards({ body, outside, onClose }: OutsideCardsProps) {
  return (
    <Dialog opened onClose={onClose} title={`Cards that don’t fit ${body.name}`} size="lg">
      <ul className={css.list}>
        {outside.slice(0, SHOWN).map(({ card, why }) => (
          <li key={card.id}>
            <b>{card.label}</b> <span className="soft">{cardSummary(card)}</span>
            <span className={css.why}>{findingText(why)}</span>
          </li>
        ))}
      </ul>
      {outside.length > SHOWN && <p className="soft">and {outside.length - SHOWN} more</p>}
    </Dialog>
  );
}
