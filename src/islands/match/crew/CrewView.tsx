import { useEffect, useMemo } from 'react';
import { plannedTake } from '../../../app/heat/plannedTake.ts';
import { useHeatMarks } from '../../../app/heat/useHeatMarks.ts';
import type { ViewKit } from '../../../app/kit/useKit.ts';
import { policyOf } from '../../../app/match/policy.ts';
import { useBoard } from '../../../app/match/useBoard.ts';
import { perMilleText } from '../../../text/quantity.ts';
import { useSame } from '../../../ui/useSame.ts';
import { Shell } from '../../shell/Shell.tsx';
import { CrewPage } from './CrewPage.tsx';
import css from './CrewView.module.css';

/** Cells whose heat is worked out for paper. */
const MOST_MARKED = 5000;

const CREW_LISTS = ['bodies', 'cards', 'tests', 'reports'] as const;

export default function CrewView() {
  return (
    <Shell frame="match" lists={CREW_LISTS}>
      {(kit) => <Crew kit={kit} />}
    </Shell>
  );
}

/** One page a body for the person beside it: which card for which mode, how long, and what to mind. */
function Crew({ kit }: { readonly kit: ViewKit }) {
  const policy = useMemo(() => policyOf(kit.settings), [kit.settings]);
  const made = useBoard(kit, policy);
  const plan = useSame(plannedTake(kit.settings));
  const heat = useHeatMarks(kit, plan);
  // A wallet of thousands is printed without heat rather than after a long wait.
  useEffect(() => heat.want(made.columns.flat().slice(0, MOST_MARKED)), [heat, made]);
  return (
    <div className={css.crew}>
      <div className={css.screenOnly}>
        <h1>Crew cards</h1>
        <p>One page a body, black on white. Print them, or save them as a PDF.</p>
        <button type="button" className="ink-button" data-strong onClick={() => window.print()}>
          Print
        </button>
      </div>
      {kit.bodies.length === 0 && <p>No body yet. Add one under Bodies.</p>}
      {kit.bodies.map((body) => (
        <CrewPage
          key={body.id}
          body={body}
          board={made}
          take={policy.take}
          headroom={perMilleText(policy.headroom)}
          plan={plan}
          heat={heat}
        />
      ))}
    </div>
  );
}
