import { useMemo } from 'react';
import { cellHeat } from '../../app/heat/heatViews.ts';
import { cellTone } from '../../app/match/answers.ts';
import type { WhySubject } from '../../app/match/subject.ts';
import type { PlannedTake } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Policy } from '../../core/match/policy.ts';
import { heatMarkText, NOT_CALIBRATED } from '../../text/heat/heat.ts';
import { reasonText } from '../../text/heat/heatAdvice.ts';
import { HEAT_WORDS } from '../../text/heat/heatWords.ts';
import { HeatGlyph } from '../../ui/glyphs/HeatGlyph.tsx';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './WhyHeat.module.css';
import { WhyHeatMoves } from './WhyHeatMoves.tsx';

interface WhyHeatProps {
  readonly subject: WhySubject;
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly plan: PlannedTake;
  /** A trial is not stored, so the heat run does not know it. */
  readonly trying: boolean;
}

const TONES = { cool: 'cool', warm: 'warm', hot: 'hot' } as const;
const REASONS = 3;

/** Why a cell that holds by rate has its heat mark: the planned take, what raises it, and the way to its run. */
export default function WhyHeat({ subject, kit, policy, plan, trying }: WhyHeatProps) {
  const { cell, body, mode, card } = subject;
  const { tests, cards } = kit;
  const found = useMemo(
    () => cellHeat({ body, cell, card, tests, plan, cards }),
    [body, cell, card, tests, plan, cards],
  );
  if (!found) return null;
  const { mark, calibrated, reasons } = found;
  const query = new URLSearchParams({ body: body.id, mode: mode.id, card: card.id });
  return (
    <section className={css.heat} aria-label="Heat">
      <p className={`${css.word} tone-${TONES[mark.level]}`}>
        <HeatGlyph level={mark.level} size={17} />
        {HEAT_WORDS[mark.level]}
      </p>
      <p>
        <WithTerms text={heatMarkText(mark, plan)} />
      </p>
      {mark.level !== 'cool' && (
        <ul className={css.reasons}>
          {reasons.slice(0, REASONS).map((reason) => (
            <li key={reason.code}>
              <WithTerms text={reasonText(reason)} />
            </li>
          ))}
        </ul>
      )}
      <p className={css.more}>
        {!calibrated && `${NOT_CALIBRATED} `}
        {!trying && <a href={`/heat?${query}`}>{mark.outlasted ? 'Fit the figures in Heat' : 'Open it in Heat'}</a>}
      </p>
      {/* Where the rate holds this stands under the verdict already. */}
      {mark.level !== 'cool' && !mark.outlasted && !trying && cellTone(cell, policy.take) !== 'cool' && (
        <WhyHeatMoves cell={cell} kit={kit} policy={policy} plan={plan} />
      )}
    </section>
  );
}
