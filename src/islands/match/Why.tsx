import { cellTone } from '../../app/match/answers.ts';
import type { WhySubject } from '../../app/match/subject.ts';
import type { PlannedTake } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Finding, RuleOutcome } from '../../core/match/finding.ts';
import type { Move } from '../../core/match/move.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { Verdict } from '../../core/match/verdict.ts';
import { verdictId } from '../../text/guide/glossary.ts';
import { ruleId } from '../../text/guide/rules.ts';
import {
  byTheBoxText,
  cellFigure,
  cellPlace,
  filledOtherwise,
  modeTitle,
  provenOnlyText,
  seatTexts,
} from '../../text/match/cell.ts';
import { findingLine } from '../../text/match/finding.ts';
import { stripSections } from '../../text/match/stripSections.ts';
import { threeLines } from '../../text/match/threeLines.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import { Amount } from '../../ui/Amount.tsx';
import { BottleneckStrip } from '../../ui/BottleneckStrip.tsx';
import { OutcomeGlyph } from '../../ui/glyphs/OutcomeGlyph.tsx';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import { part } from '../../ui/part.tsx';
import { Term } from '../../ui/Term.tsx';
import { WithTerms } from '../../ui/WithTerms.tsx';
import { LockAsked } from './LockAsked.tsx';
import { MinimumAsked } from './MinimumAsked.tsx';
import { WhatToDo } from './WhatToDo.tsx';
import css from './Why.module.css';
import { WhyArrange } from './WhyArrange.tsx';
import { WhyMoves } from './WhyMoves.tsx';
import { WhySlowMotion } from './WhySlowMotion.tsx';
import { WhySums } from './WhySums.tsx';
import { WhyTest } from './WhyTest.tsx';

// The simulator comes with it, and it is asked only once a cell is selected.
const WhyHeat = part(() => import('./WhyHeat.tsx'));
const WhyEvidence = part(() => import('./WhyEvidence.tsx'));

const OUTCOME_TONES: Readonly<Record<RuleOutcome, string>> = {
  pass: 'tone-cool',
  note: 'tone-warm',
  short: 'tone-hot',
  block: 'tone-mute',
  unknown: 'tone-none',
};

interface WhyProps {
  readonly subject: WhySubject;
  readonly kit: BoardKit;
  readonly policy: Policy;
  /** The take that heat is worked out for. */
  readonly plan: PlannedTake;
  /** True while the board shows a trial: nothing of it may be stored from here. */
  readonly trying: boolean;
  readonly onMove: (move: Move) => void;
}

/** Everything behind one answer: the three lines, the write path, the rules, the arithmetic, and what would help. */
export default function Why({ subject, kit, policy, plan, trying, onMove }: WhyProps) {
  const { take } = policy;
  const { cell, body, mode, card, rate, quick } = subject;
  // What is being typed or tried belongs to one cell and does not follow to the next.
  const place = `${body.id} ${mode.id} ${card.id}`;
  const tone = cellTone(cell, take);
  const filled = filledOtherwise(cell);
  return (
    <div className={css.why}>
      <header>
        <h2 className={css.title}>{quick ? 'The quick check' : `${modeTitle(mode)} on ${card.label}`}</h2>
        <p className="soft">{quick ? mode.name : cellPlace(cell, body, card)}</p>
      </header>
      <p className={`${css.verdict} tone-${tone}`}>
        <VerdictGlyph verdict={cell.verdict} size={20} />
        <Term of={verdictId(cell.verdict)} alone>
          {VERDICT_WORDS[cell.verdict]}
        </Term>
        <span className={css.figure}>{figureOf(cell.verdict) && <Amount {...cellFigure(cell)} />}</span>
      </p>
      {byTheBoxText(cell) && <p className={css.proven}>{byTheBoxText(cell)}</p>}
      {provenOnlyText(cell) && (
        <p className={css.proven}>
          {provenOnlyText(cell)}
          {filled && !quick && (
            <>
              {'. '}
              <a href={`/prove?open=${encodeURIComponent(filled.testId)}`}>What explains it</a>
            </>
          )}
        </p>
      )}
      {!quick && !trying && <LockAsked subject={subject} />}
      {!quick && <WhatToDo subject={subject} kit={kit} policy={policy} plan={plan} trying={trying} onMove={onMove} />}
      {cell.seats && (
        <ul className={css.seats} aria-label="Card in each slot">
          {seatTexts(cell).map(({ id, text, answer }) => (
            <li key={id} className={`tone-${answer ? cellTone(answer, take) : 'hot'}`}>
              <VerdictGlyph verdict={answer?.verdict ?? 'uncovered'} size={14} />
              <span>{text}</span>
              <b>{answer ? VERDICT_WORDS[answer.verdict] : 'No card of yours covers this slot'}</b>
            </li>
          ))}
        </ul>
      )}
      {cell.need !== null && (
        <>
          <dl className={css.three}>
            {threeLines(cell, take).map(({ title, word, detail, tone: lineTone }) => (
              <div key={title}>
                <dt className={css.threeTitle}>
                  <WithTerms text={title} />
                </dt>
                <dd className={css.threeWord}>
                  <b className={`tone-${lineTone}`}>{word}</b>
                  <span>
                    <WithTerms text={detail} />
                  </span>
                </dd>
              </div>
            ))}
          </dl>
          <BottleneckStrip need={cell.need} sections={stripSections(cell, body, card)} />
        </>
      )}
      {!quick && <WhyHeat subject={subject} kit={kit} policy={policy} plan={plan} trying={trying} />}
      <section aria-label="Rule by rule">
        <ol className={css.ladder}>
          {cell.findings.map((finding, at) => (
            <Rung key={at} finding={finding} />
          ))}
        </ol>
      </section>
      {!quick && !trying && <WhyEvidence subject={subject} kit={kit} />}
      {!quick && !trying && <MinimumAsked key={`minimum ${place}`} subject={subject} />}
      {!quick && !trying && <WhyTest key={`test ${place}`} subject={subject} />}
      {rate && cell.need !== null && <WhySums rate={rate} body={body} card={card} cell={cell} kit={kit} />}
      {rate && <WhySlowMotion subject={subject} policy={policy} />}
      {!quick && <WhyMoves subject={subject} kit={kit} policy={policy} plan={plan} onMove={onMove} />}
      {!quick && !trying && cell.need !== null && (
        <WhyArrange key={`arrange ${place}`} subject={subject} kit={kit} policy={policy} />
      )}
      <p className={css.caution}>
        One pass is not a guarantee, and the maker’s manual stands above this. Format in the camera, after two{' '}
        <Term of="verified">verified</Term> copies.
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
        <Term of={ruleId(finding.rule)} alone>
          {text}
        </Term>
        {more && (
          <span className={css.more}>
            <WithTerms text={more} />
          </span>
        )}
      </span>
      <span className={css.rungFigure}>{figure}</span>
    </li>
  );
}
