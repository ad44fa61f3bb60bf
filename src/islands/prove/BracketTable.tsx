import { useMemo } from 'react';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { acrossCards, cardBrackets, demandedMBps, fromGigabytes } from '../../app/prove/proveViews.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { paceText } from '../../text/heat/heatWords.ts';
import { inCommonText } from '../../text/prove/reconcile.ts';
import { capacityText, clockText } from '../../text/quantity.ts';
import { Term } from '../../ui/Term.tsx';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './BracketTable.module.css';

/** Between what the true pace of each card of a body lies, by its passes and drops, and what its drops have in common. */
export function BracketTable({ kit, bodyId }: { readonly kit: ProveKit; readonly bodyId: string }) {
  const all = useMemo(() => cardBrackets(kit).filter(({ body }) => body.id === bodyId), [kit, bodyId]);
  const across = useMemo(() => acrossCards(kit).find(({ body }) => body.id === bodyId) ?? null, [kit, bodyId]);
  return (
    <div className={css.brackets}>
      {all.map(({ card, bracket, passed, dropped, common, drops }) => (
        <section key={card.id} aria-label={card.label}>
          <h3>
            {card.label}, {capacityText(fromGigabytes(card.capacityGB))}
          </h3>
          <dl className={css.lines}>
            <div>
              <dt>
                <Term of="bracket" alone>
                  Keeps up
                </Term>
              </dt>
              <dd>
                {bracket.atLeastMBps === null || !passed
                  ? 'not shown yet'
                  : `${paceText(bracket.atLeastMBps)} for ${clockText((passed.test.seconds * (passed.test.takes ?? 1)) as Seconds)}`}
              </dd>
            </div>
            <div>
              <dt>Falls short of</dt>
              <dd className={bracket.belowMBps === null ? '' : 'tone-hot'}>
                {bracket.belowMBps === null || !dropped
                  ? 'nothing yet'
                  : `${paceText(demandedMBps(dropped) ?? bracket.belowMBps)} at ${clockText(dropped.test.seconds as Seconds)}`}
              </dd>
            </div>
            <div>
              <dt>Maker claims</dt>
              <dd>{card.sustainedMBps === null ? 'nothing' : paceText(card.sustainedMBps)}</dd>
            </div>
          </dl>
          {bracket.contradicts && (
            <p className="tone-hot">
              These results contradict each other: the card dropped frames at a rate it passed before. Heat, another
              slot or a typing error could explain it. Repeat the test from cold.
            </p>
          )}
          {drops > 0 && (
            <p className="tone-warm">
              <WithTerms text={inCommonText(common, drops)} />
            </p>
          )}
        </section>
      ))}
      {across && (
        <p className={css.across}>
          Over {across.cards.map(({ label }) => label).join(', ')}: {inCommonText(across.common, across.cards.length)}
        </p>
      )}
    </div>
  );
}
