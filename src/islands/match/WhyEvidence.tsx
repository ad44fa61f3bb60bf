import { useMemo } from 'react';
import { useKit } from '../../app/kit/useKit.ts';
import type { WhySubject } from '../../app/match/subject.ts';
import { evidenceOf } from '../../app/prove/evidenceOf.ts';
import type { Card, Test } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { dayText } from '../../text/kit/when.ts';
import { benchLine } from '../../text/prove/benchLine.ts';
import { noBetterText } from '../../text/prove/clearing.ts';
import { END_WORD } from '../../text/prove/log.ts';
import { agoText, dueText } from '../../text/prove/nextTests.ts';
import { explanationText, PUZZLE_WORDS } from '../../text/prove/reconcile.ts';
import { clockText } from '../../text/quantity.ts';
import css from './WhyEvidence.module.css';

const LISTS = ['clearings', 'benches'] as const;

/** The tests that an answer stands on, each to be opened, how old they are, and what bursts say of the pair. */
export default function WhyEvidence({ subject, kit }: { readonly subject: WhySubject; readonly kit: BoardKit }) {
  const { cell, body, mode, card } = subject;
  const state = useKit(LISTS);
  const more = 'kit' in state ? state.kit : null;
  const found = useMemo(
    () =>
      more &&
      evidenceOf(cell, { body, card }, { ...kit, clearings: more.clearings, benches: more.benches }, more.settings),
    [cell, body, card, kit, more],
  );
  if (!found) return null;
  const query = new URLSearchParams({ body: body.id, mode: mode.id, card: card.id });
  const line = (test: Test) => {
    const own: Card | undefined = kit.cards.find(({ id }) => id === test.cardId);
    return (
      <li key={test.id}>
        <a href={`/prove?open=${encodeURIComponent(test.id)}`}>
          {test.date ? dayText(test.date) : 'no date'}: {END_WORD[test.end]} after {clockText(test.seconds as Seconds)}
          {own && own.id !== card.id && ` on ${own.label}`}
        </a>
      </li>
    );
  };
  return (
    <section className={css.evidence} aria-label="What it stands on">
      {found.own.length > 0 && (
        <>
          <h3>Tests behind this answer{found.months !== null && ` (newest ${agoText(found.months)})`}</h3>
          <ul>{found.own.map(line)}</ul>
        </>
      )}
      {found.likely.length > 0 && (
        <>
          <h3>Tests of cards with the same label</h3>
          <ul>{found.likely.map(line)}</ul>
        </>
      )}
      {found.odd.length > 0 && (
        <>
          <h3>Results that do not add up</h3>
          <ul>
            {found.odd.map(
              ({
                test,
                why,
                reconciled: {
                  explanations: [first],
                },
              }) => (
                <li key={test.id}>
                  <a href={`/prove?open=${encodeURIComponent(test.id)}`}>
                    {test.date ? dayText(test.date) : 'no date'}: {END_WORD[test.end]} after{' '}
                    {clockText(test.seconds as Seconds)}
                  </a>{' '}
                  <span className="soft">
                    {first && why === 'numbers' ? explanationText(first) : PUZZLE_WORDS[why]}
                  </span>
                </li>
              ),
            )}
          </ul>
        </>
      )}
      {found.benches.length > 0 && (
        <>
          <h3>On a computer</h3>
          <ul>
            {found.benches.map((bench) => (
              <li key={bench.id}>
                <a href={`/prove?open=${encodeURIComponent(bench.id)}`}>{benchLine(bench)}</a>
              </li>
            ))}
          </ul>
          <p className="soft">A computer is no camera: none of this proves a take, and a low rate here warns.</p>
        </>
      )}
      {found.due.map((one) => (
        <p key={one.code} className="tone-warm">
          Test again: {dueText(one)}
        </p>
      ))}
      {found.noBetter.map((one) => (
        <p key={one.slower.card.id} className="tone-warm">
          {noBetterText(one)}
        </p>
      ))}
      <p>
        <a href={`/prove?${query}`}>Log a take with all of it</a>
      </p>
    </section>
  );
}
