import { Checkbox } from '@mantine/core';
import { forgetDrills, progressFile, setDrillTimer } from '../../app/drill/drillActions.ts';
import type { DrillViewKit } from '../../app/drill/drillKit.ts';
import { type KindStanding, standingOf } from '../../app/drill/planRound.ts';
import { today } from '../../app/kit/today.ts';
import type { DrillKind } from '../../core/drill/topics.ts';
import { KIND_WORDS } from '../../text/drill/kinds.ts';
import { againText, dueText, standingText, timesText } from '../../text/drill/round.ts';
import { SLIP_TEXTS } from '../../text/drill/slips.ts';
import { capital } from '../../text/quantity.ts';
import { download } from '../../ui/download.ts';
import { Term } from '../../ui/Term.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './DrillView.module.css';

interface DrillStartProps {
  readonly kit: DrillViewKit;
  readonly onStart: (kind: DrillKind | null) => void;
}

/** How everything stands, and one press to begin. */
export function DrillStart({ kit, onStart }: DrillStartProps) {
  const change = useChange();
  const day = today();
  const { drills, settings } = kit;
  const standing = standingOf(drills, day);
  const { due, unmet, answered, right, slips, nextDay, kinds } = standing;
  return (
    <>
      <header className={css.head}>
        <h1>Practice</h1>
        <p className={css.due}>
          {due > 0
            ? dueText(due)
            : nextDay === null
              ? 'No questions answered yet. The first round shows what you know.'
              : `Nothing is due today. The next comes ${againText(nextDay, day)}.`}
          {due > 0 && unmet > 0 && <span className="soft"> · {unmet} not met yet</span>}
        </p>
        <button type="button" className="ink-button" data-strong onClick={() => onStart(null)}>
          Start a round
        </button>
        <p className="soft">Eight questions, about two minutes. Every one is made anew.</p>
      </header>
      <section aria-labelledby="drill-kinds">
        <h2 id="drill-kinds" className={css.heading}>
          One kind at a time
        </h2>
        <ul className={css.kinds}>
          {kinds.map((one) => (
            <Kind key={one.kind} standing={one} kit={kit} onStart={onStart} />
          ))}
        </ul>
      </section>
      <section aria-labelledby="drill-slips" className={css.how}>
        <h2 id="drill-slips" className={css.heading}>
          How it goes
        </h2>
        {answered > 0 && (
          <p>
            {right} of {answered} answers right so far.
          </p>
        )}
        {slips.length > 0 && (
          <>
            <p className="soft">Your commonest slips:</p>
            <ul className={css.slips}>
              {slips.map(({ slip, times }) => (
                <li key={slip}>
                  <Term of={SLIP_TEXTS[slip].guide} alone>
                    {capital(SLIP_TEXTS[slip].name)}
                  </Term>
                  <span className="soft">{timesText(times)}</span>
                </li>
              ))}
            </ul>
          </>
        )}
        <Checkbox
          label="Time the rounds"
          description="After two minutes you finish the current question and the round ends."
          checked={settings.drillTimer ?? true}
          onChange={(event) => {
            const isOn = event.currentTarget.checked;
            void change(() => setDrillTimer(isOn));
          }}
        />
        {drills.length > 0 && (
          <p className={css.ways}>
            <button
              type="button"
              className="plain-button"
              onClick={() => void progressFile().then(({ name, text }) => download(name, text, 'text/csv'))}
            >
              Progress as CSV
            </button>
            <button type="button" className="plain-button" onClick={() => void change(() => forgetDrills(drills))}>
              Begin from nothing
            </button>
          </p>
        )}
      </section>
    </>
  );
}

/** What a kind needs of the kit before it can ask anything. */
const missing = (kind: DrillKind, { bodies, cards }: DrillViewKit): string | null => {
  if (kind !== 'own') return null;
  if (!bodies.some(({ modes }) => modes.length > 0)) return 'needs a camera with a mode';
  return cards.filter(({ retired }) => !retired).length < 3 ? 'needs three cards of yours' : null;
};

function Kind({
  standing,
  kit,
  onStart,
}: {
  readonly standing: KindStanding;
  readonly kit: DrillViewKit;
  readonly onStart: (kind: DrillKind | null) => void;
}) {
  const { kind, due, topics, steady, met } = standing;
  const needs = missing(kind, kit);
  const { title, about } = KIND_WORDS[kind];
  return (
    <li>
      <button type="button" className={css.kind} disabled={needs !== null} onClick={() => onStart(kind)}>
        <span className={css.kindName}>
          <b>{title}</b>
          <span className="soft">{about}</span>
        </span>
        <span className={css.kindState} data-due={due > 0 || undefined}>
          {needs ?? standingText(standing)}
          <span className={css.level} aria-hidden="true">
            {Array.from({ length: topics }, (_, at) => (
              <i key={at} data-met={at < met || undefined} data-steady={at < steady || undefined} />
            ))}
          </span>
        </span>
      </button>
    </li>
  );
}
