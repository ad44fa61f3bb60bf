import { useState } from 'react';
import type { HeatKit } from '../../app/heat/heatKit.ts';
import type { Run } from '../../app/heat/useRun.ts';
import type { HeatPick } from '../../core/kit/model.ts';
import { fitText } from '../../text/heat/heatFit.ts';
import { FitResult } from './FitResult.tsx';
import { LogForm } from './LogForm.tsx';
import css from './LoggedTakes.module.css';
import { SurvivalMap } from './SurvivalMap.tsx';

interface LoggedTakesProps {
  readonly kit: HeatKit;
  readonly run: Run;
  readonly pick: HeatPick;
}

/** Takes of this body drawn by rate and minutes with how they ended; a new one is logged here, and the figures fitted. */
export function LoggedTakes({ kit, run, pick }: LoggedTakesProps) {
  const { body } = run.setup;
  const card = run.lane.cards[0];
  const tests = kit.tests.filter(({ bodyId }) => bodyId === body.id);
  const [logging, setLogging] = useState(false);
  const [fitting, setFitting] = useState(false);
  if (!card) return null;
  const owned = new Set(kit.cards.map(({ id }) => id));
  const usable = tests.filter(
    ({ cardId, ambientWithSunC: ambientC, modeId }) => owned.has(cardId) && ambientC != null && modeId !== null,
  );
  const ofPair = usable.filter(({ cardId }) => cardId === card.id).length;
  return (
    <section aria-labelledby="logged-heading" className={css.logged}>
      <h2 id="logged-heading">Logged takes of {body.name}</h2>
      {tests.length === 0 ? (
        <p className="soft">
          No takes logged yet. Log a real take with its length, air temperature and how it ended: it tells more than the
          figures assumed here.
        </p>
      ) : (
        <SurvivalMap tests={tests} cards={kit.cards} own={card.id} run={run} />
      )}
      <p className={css.actions}>
        {!logging && (
          <button type="button" className="plain-button" onClick={() => setLogging(true)}>
            Log a take of this card in this camera
          </button>
        )}
        {usable.length > 0 && !fitting && (
          <button type="button" className="plain-button" onClick={() => setFitting(true)}>
            {fitText(ofPair, usable.length - ofPair)}
          </button>
        )}
      </p>
      {logging && <LogForm run={run} pick={pick} card={card} onDone={() => setLogging(false)} />}
      {fitting && <FitResult kit={kit} run={run} card={card} onDone={() => setFitting(false)} />}
    </section>
  );
}
