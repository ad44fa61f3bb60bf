import { useState } from 'react';
import { DRILL_LISTS, type DrillViewKit, ownKit } from '../../app/drill/drillKit.ts';
import { isKind, newSeed, type RoundQuestion, startRound } from '../../app/drill/rounds.ts';
import { today } from '../../app/kit/today.ts';
import type { DrillKind } from '../../core/drill/topics.ts';
import { Shell } from '../shell/Shell.tsx';
import { DrillRound } from './DrillRound.tsx';
import { DrillStart } from './DrillStart.tsx';
import css from './DrillView.module.css';

/** Short rounds that find out what one does not know yet, and bring it again when it would be forgotten. */
export default function DrillView() {
  return (
    <Shell frame="drill" lists={DRILL_LISTS}>
      {(kit) => <Drill kit={kit} />}
    </Shell>
  );
}

interface Running {
  readonly seed: number;
  readonly kind: DrillKind | null;
  readonly questions: readonly RoundQuestion[];
}

const begin = (kit: DrillViewKit, kind: DrillKind | null, seed: number = newSeed()): Running => ({
  seed,
  kind,
  questions: startRound({ drills: kit.drills, kit: ownKit(kit), kind, day: today(), seed }),
});

/** A round that the address names: of one kind, or with the seed that somebody passed on. */
function addressed(kit: DrillViewKit): Running | null {
  const query = new URLSearchParams(window.location.search);
  const [kind, seed] = [query.get('kind'), query.get('seed')];
  if (!isKind(kind) && seed === null) return null;
  const whole = Number(seed);
  return begin(kit, isKind(kind) ? kind : null, seed !== null && Number.isSafeInteger(whole) ? whole : newSeed());
}

function Drill({ kit }: { readonly kit: DrillViewKit }) {
  const [running, setRunning] = useState<Running | null>(() => addressed(kit));
  const start = (kind: DrillKind | null): void => setRunning(begin(kit, kind));
  return (
    <div className={css.drill}>
      {running ? (
        <DrillRound
          key={running.seed}
          kit={kit}
          kind={running.kind}
          questions={running.questions}
          onAgain={() => start(running.kind)}
          onLeave={() => setRunning(null)}
        />
      ) : (
        <DrillStart kit={kit} onStart={start} />
      )}
    </div>
  );
}
