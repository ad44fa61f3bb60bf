import { HEAT_LEVELS, toneOf, VERDICTS } from '../../app/match/answers.ts';
import type { TakeKind } from '../../core/kit/model.ts';
import { verdictId } from '../../text/guide/glossary.ts';
import { HEAT_MEANINGS, HEAT_WORDS } from '../../text/heat/heatWords.ts';
import { BESIDE_MEANINGS } from '../../text/match/beside.ts';
import { VERDICT_MEANINGS, VERDICT_WORDS } from '../../text/match/verdict.ts';
import { HeatGlyph } from '../../ui/glyphs/HeatGlyph.tsx';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import { Term } from '../../ui/Term.tsx';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './Legend.module.css';

/** The eight verdicts, in the tone they have for this kind of take. */
export function Legend({ take }: { readonly take: TakeKind }) {
  return (
    <div className={css.legend}>
      <h2>What the answers mean</h2>
      <p className="soft">
        {take === 'once'
          ? 'Once-only take. Blue: guaranteed with headroom. Yellow: guaranteed without headroom (Tight), or passed your own test. Red: do not rely on it.'
          : 'Repeatable take. Blue: guaranteed, tight, or passed your own test. Yellow: maker’s claim only. Red: do not rely on it.'}
      </p>
      <dl className={css.list}>
        {VERDICTS.map((verdict) => (
          <div key={verdict} className={css.row}>
            <dt className={`${css.word} tone-${toneOf(verdict, take)}`}>
              <VerdictGlyph verdict={verdict} size={15} />
              <Term of={verdictId(verdict)} alone>
                {VERDICT_WORDS[verdict]}
              </Term>
            </dt>
            <dd className={css.meaning}>
              <WithTerms text={VERDICT_MEANINGS[verdict]} />
            </dd>
          </div>
        ))}
      </dl>
      <h3>Heat mark, for the take set above (estimate)</h3>
      <dl className={css.list}>
        {HEAT_LEVELS.map((level) => (
          <div key={level} className={css.row}>
            <dt className={css.word}>
              <HeatGlyph level={level} size={16} />
              {HEAT_WORDS[level].replace('Heat: ', '')}
            </dt>
            <dd className={css.meaning}>
              <WithTerms text={HEAT_MEANINGS[level]} />
            </dd>
          </div>
        ))}
      </dl>
      <h3>Words that can stand under an answer</h3>
      <dl className={css.list}>
        {BESIDE_MEANINGS.map(({ word, meaning }) => (
          <div key={word} className={css.row}>
            <dt className={css.word}>{word}</dt>
            <dd className={css.meaning}>{meaning}</dd>
          </div>
        ))}
      </dl>
      <p className="soft">
        Choose an answer to see why. Where the camera maker’s manual says otherwise, follow the manual.{' '}
        <a href="/guide#how-it-decides">How this app decides</a>
      </p>
    </div>
  );
}
