import { Select } from '@mantine/core';
import { useMemo, useState } from 'react';
import { setArrangement } from '../../app/bodies/bodyActions.ts';
import { cellTone, showsMinutes } from '../../app/match/answers.ts';
import { arrange, arrangedCards } from '../../app/match/arrangedCards.ts';
import type { WhySubject } from '../../app/match/subject.ts';
import type { Arrangement } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Policy } from '../../core/match/policy.ts';
import { arrangedText, seatedText } from '../../text/match/arranged.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import { minutesFigure } from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import { ARRANGEMENT_CHOICES, ofMany } from '../../ui/choices.ts';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './WhyArrange.module.css';

interface WhyArrangeProps {
  readonly subject: WhySubject;
  readonly kit: BoardKit;
  readonly policy: Policy;
}

/** Several cards at once, tried on the spot: relay, mirrored, split, with any second card; kept for the body on demand. */
export function WhyArrange({ subject, kit, policy }: WhyArrangeProps) {
  const { body, mode, card, cell } = subject;
  const [way, setWay] = useState<Arrangement>(body.arrangement);
  // Where another card fills a seat that this one does not enter, that card is the one to begin with.
  const partner = cell.seats?.find(({ cardId }) => cardId !== null && cardId !== card.id)?.cardId;
  const [secondId, setSecondId] = useState(partner ?? card.id);
  const change = useChange();
  const second = kit.cards.find(({ id }) => id === secondId) ?? card;
  const cards = useMemo(
    () => arrangedCards({ body, way, card, second, cell, wallet: kit.cards }),
    [body, way, card, second, cell, kit.cards],
  );
  const result = useMemo(
    () => arrange({ body, mode, arrangement: way, cards, tests: kit.tests, policy }),
    [body, mode, way, cards, kit.tests, policy],
  );
  // A seat that no card of the wallet enters: the cell's own answer stands until a card is named for it.
  const missing =
    way === body.arrangement && second.id === card.id ? cell.seats?.find(({ answer }) => answer === null) : undefined;
  if (body.slots.length < 2) return null;
  const keep = (): void => void change(() => setArrangement(body, way));
  return (
    <section className={css.arrange} aria-labelledby="arrange-heading">
      <h3 id="arrange-heading">How two cards are used</h3>
      <div className={css.fields}>
        <Select
          label="Record"
          data={[...ARRANGEMENT_CHOICES]}
          value={way}
          allowDeselect={false}
          onChange={(next) => next && setWay(next as Arrangement)}
        />
        <Select
          label="Second card"
          data={kit.cards.map(({ id, label }) => ({ value: id, label: id === card.id ? `another ${label}` : label }))}
          {...ofMany(kit.cards.length)}
          value={secondId}
          disabled={way === 'single'}
          allowDeselect={false}
          onChange={(next) => next && setSecondId(next)}
        />
      </div>
      {missing ? (
        <>
          <p className={`${css.result} tone-${cellTone(cell, policy.take)}`} role="status">
            <VerdictGlyph verdict={cell.verdict} size={16} />
            {VERDICT_WORDS[cell.verdict]}
          </p>
          <p className={css.note}>None of your cards fits {missing.slotName}. Choose or add a second card.</p>
        </>
      ) : result === null ? (
        <p role="status">This camera has too few slots for that.</p>
      ) : (
        <>
          <p className={`${css.result} tone-${cellTone(result, policy.take)}`} role="status">
            <VerdictGlyph verdict={result.verdict} size={16} />
            {VERDICT_WORDS[result.verdict]}
            {result.minutes !== null && showsMinutes(result.verdict) && (
              <span className={css.minutes}>
                <Amount {...minutesFigure(result.minutes)} />
              </span>
            )}
          </p>
          {way !== 'single' && <p className={css.note}>{seatedText(result, body, cards)}</p>}
          <p className={css.note}>{arrangedText(result)}</p>
        </>
      )}
      {way !== body.arrangement && (
        <button type="button" className="plain-button" onClick={keep}>
          Keep this for {body.name}
        </button>
      )}
    </section>
  );
}
