import { useIntersection } from '@mantine/hooks';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { plannedTake } from '../../../app/heat/plannedTake.ts';
import { type HeatMarks, useHeatMarks } from '../../../app/heat/useHeatMarks.ts';
import type { ViewKit } from '../../../app/kit/useKit.ts';
import { policyOf } from '../../../app/match/policy.ts';
import type { Body, PlannedTake } from '../../../core/kit/model.ts';
import type { BoardKit } from '../../../core/match/board.ts';
import type { Cell } from '../../../core/match/cell.ts';
import type { Policy } from '../../../core/match/policy.ts';
import { notBuiltText } from '../../../text/match/crew.ts';
import { perMilleText } from '../../../text/quantity.ts';
import { useSame } from '../../../ui/useSame.ts';
import { Shell } from '../../shell/Shell.tsx';
import { CrewPage } from './CrewPage.tsx';
import css from './CrewView.module.css';

/** Cells whose heat is worked out for paper: a wallet of thousands is printed without rather than after a long wait. */
const MOST_MARKED = 5000;
/** Bodies times cards of a kit whose pages are all built at once. */
const SMALL = 2000;
/** Pages built between two looks at the progress. */
const AT_ONCE = 4;
/** Pages that a browser's own print command builds before it: it cannot be kept waiting, nor shown how far it is. */
const MOST_UNASKED = 20;

const CREW_LISTS = ['bodies', 'cards', 'tests', 'reports'] as const;

export default function CrewView() {
  return (
    <Shell frame="match" lists={CREW_LISTS}>
      {(kit) => <Crew kit={kit} />}
    </Shell>
  );
}

const nextFrame = (): Promise<void> => new Promise((go) => requestAnimationFrame(() => setTimeout(go)));

/** One page a body for the person beside it: which card for which mode, how long, and what to mind. */
function Crew({ kit }: { readonly kit: ViewKit }) {
  const policy = useMemo(() => policyOf(kit.settings), [kit.settings]);
  const { bodies, cards, tests, reports } = kit;
  const board = useMemo<BoardKit>(() => ({ bodies, cards, tests, reports }), [bodies, cards, tests, reports]);
  const plan = useSame(plannedTake(kit.settings));
  const heat = useHeatMarks(board, plan);
  const built = useRef(new Map<string, readonly Cell[]>());
  const onBuilt = useCallback(
    (bodyId: string, cells: readonly Cell[]) => {
      built.current.set(bodyId, cells);
      heat.want([...built.current.values()].flat().slice(0, MOST_MARKED));
    },
    [heat],
  );
  const [upTo, setUpTo] = useState(bodies.length * cards.length <= SMALL ? Number.POSITIVE_INFINITY : 0);
  const [isPrinting, setPrinting] = useState(false);
  useEffect(() => {
    const before = (): void => flushSync(() => setUpTo((now) => Math.max(now, MOST_UNASKED)));
    window.addEventListener('beforeprint', before);
    return () => window.removeEventListener('beforeprint', before);
  }, []);
  const print = async (): Promise<void> => {
    setPrinting(true);
    for (let pages = upTo; pages < bodies.length; ) {
      pages += AT_ONCE;
      setUpTo(pages);
      await nextFrame();
    }
    setPrinting(false);
    await nextFrame();
    window.print();
  };
  const pages = Math.min(upTo, bodies.length);
  return (
    <div className={css.crew}>
      <div className={css.screenOnly}>
        <h1>Crew cards</h1>
        <p>One page a camera, black on white. Print them, or save them as a PDF.</p>
        <button type="button" className="ink-button" data-strong disabled={isPrinting} onClick={() => void print()}>
          Print
        </button>
        {isPrinting && (
          <p role="status">
            Page {pages} of {bodies.length}{' '}
            <progress value={pages} max={bodies.length} aria-label="Pages that are ready to print" />
          </p>
        )}
      </div>
      {bodies.length === 0 && <p>No camera yet. Add one under Cameras.</p>}
      {bodies.map((body, at) => (
        <CrewSlot
          key={body.id}
          body={body}
          isWanted={at < upTo}
          kit={board}
          policy={policy}
          plan={plan}
          heat={heat}
          onBuilt={onBuilt}
        />
      ))}
      {upTo < bodies.length && <p className={css.paperOnly}>{notBuiltText(bodies.length)}</p>}
    </div>
  );
}

interface CrewSlotProps {
  readonly body: Body;
  /** Whether its page is built though nobody looks at it. */
  readonly isWanted: boolean;
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly plan: PlannedTake;
  readonly heat: HeatMarks;
  readonly onBuilt: (bodyId: string, cells: readonly Cell[]) => void;
}

const waiting: (() => void)[] = [];

/** Does one piece of work a frame, in order; answers how it is called off. */
function inTurn(work: () => void): () => void {
  const next = async (): Promise<void> => {
    await nextFrame();
    waiting[0]?.();
    waiting.shift();
    if (waiting.length > 0) void next();
  };
  waiting.push(work);
  if (waiting.length === 1) void next();
  return () => {
    const at = waiting.indexOf(work);
    // The first may be on its turn: it comes to nothing then.
    if (at >= 0) waiting[at] = () => {};
  };
}

/** A page that is built once it is nearly in view, and stays. */
function CrewSlot({ body, isWanted, kit, policy, plan, heat, onBuilt }: CrewSlotProps) {
  const { ref, entry } = useIntersection({ rootMargin: '600px' });
  const [isSeen, setSeen] = useState(false);
  const isNear = entry?.isIntersecting === true;
  // Those that come into view together are built one after the other, with room for a press between them.
  useEffect(() => {
    if (isNear && !isSeen) return inTurn(() => setSeen(true));
  }, [isNear, isSeen]);
  if (isWanted || isSeen)
    return (
      <CrewPage
        body={body}
        kit={kit}
        policy={policy}
        headroom={perMilleText(policy.headroom)}
        plan={plan}
        heat={heat}
        onBuilt={onBuilt}
      />
    );
  return (
    <section ref={ref} className={css.waiting} aria-label={`Crew card of ${body.name}`}>
      <h2 className={css.name}>{body.name}</h2>
    </section>
  );
}
