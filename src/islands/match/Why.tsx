import type { Finding, Outcome } from '../../core/match/finding.ts';
import { toneOf, type Verdict } from '../../core/match/verdict.ts';
import type { Take } from '../../core/model/kit.ts';
import { cellFigure, cellPlace, modeTitle } from '../../text/cell.ts';
import { findingLine } from '../../text/finding.ts';
import { stripSections } from '../../text/stripSections.ts';
import { threeLines } from '../../text/threeLines.ts';
import { VERDICT_WORDS } from '../../text/verdict.ts';
import { Amount } from '../../ui/Amount.tsx';
import { BottleneckStrip } from '../../ui/BottleneckStrip.tsx';
import { OutcomeGlyph } from '../../ui/glyphs/OutcomeGlyph.tsx';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import type { WhySubject } from './subject.ts';
import css from './Why.module.css';
import { WhySums } from './WhySums.tsx';

const OUTCOME_TONES: Readonly<Record<Outcome, string>> = {
  pass: 'tone-cool',
  note: 'tone-warm',
  short: 'tone-hot',
  block: 'tone-mute',
  unknown: 'tone-none',
};

/** Everything behind one answer: the three lines, the write path, the rule ladder, the arithmetic. */
export function Why({ subject, take }: { readonly subject: WhySubject; readonly take: Take }) {
  const { cell, body, mode, card, rate, quick } = subject;
  const tone = toneOf(cell.verdict, take);
  return (
    <div className={css.why}>
      <header>
        <h2 className={css.title}>{quick ? 'The quick check' : `${modeTitle(mode)} on ${card.label}`}</h2>
        <p className="soft">{quick ? mode.name : cellPlace(cell, body, card)}</p>
      </header>
      <p className={`${css.verdict} tone-${tone}`}>
        <VerdictGlyph verdict={cell.verdict} size={20} />
        <span>{VERDICT_WORDS[cell.verdict]}</span>
        <span className={css.figure}>{figureOf(cell.verdict) && <Amount {...cellFigure(cell)} />}</span>
      </p>
      {cell.need !== null && (
        <>
          <dl className={css.three}>
            {threeLines(cell, take).map(({ title, word, detail, tone: lineTone }) => (
              <div key={title}>
                <dt className={css.threeTitle}>{title}</dt>
                <dd className={css.threeWord}>
                  <b className={`tone-${lineTone}`}>{word}</b>
                  <span>{detail}</span>
                </dd>
              </div>
            ))}
          </dl>
          <BottleneckStrip need={cell.need} sections={stripSections(cell, body, card)} />
        </>
      )}
      <section aria-label="Rule by rule">
        <ol className={css.ladder}>
          {cell.findings.map((finding, at) => (
            <Rung key={at} finding={finding} />
          ))}
        </ol>
      </section>
      {rate && cell.need !== null && <WhySums rate={rate} body={body} card={card} cell={cell} />}
      <p className={css.caution}>
        One pass is not a guarantee, and the maker’s manual stands above this. Format in the body, after two verified
        copies.
      </p>
    </div>
  );
}

const figureOf = (verdict: Verdict): boolean => verdict !== 'unfit' && verdict !== 'locked' && verdict !== 'uncovered';

function Rung({ finding }: { readonly finding: Finding }) {
  const { text, figure, more } = findingLine(finding);
  return (
    <li className={css.rung}>
      <span className={OUTCOME_TONES[finding.outcome]}>
        <OutcomeGlyph outcome={finding.outcome} />
      </span>
      <span>
        {text}
        {more && <span className={css.more}>{more}</span>}
      </span>
      <span className={css.rungFigure}>{figure}</span>
    </li>
  );
}
