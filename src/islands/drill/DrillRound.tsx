import { useEffect, useMemo, useRef, useState } from 'react';
import { keepAnswer } from '../../app/drill/drillActions.ts';
import { type DrillViewKit, ownKit } from '../../app/drill/drillKit.ts';
import { standingOf } from '../../app/drill/planRound.ts';
import { judge, type Played, ROUND_SECONDS, type RoundQuestion, renewed } from '../../app/drill/rounds.ts';
import { today } from '../../app/kit/today.ts';
import type { Given } from '../../core/drill/judge.ts';
import type { DrillKind } from '../../core/drill/topics.ts';
import { KIND_WORDS } from '../../text/drill/kinds.ts';
import { dueText } from '../../text/drill/round.ts';
import { useChange } from '../../ui/useChange.ts';
import { Answers } from './Answers.tsx';
import css from './DrillView.module.css';
import { Explanation } from './Explanation.tsx';
import { Prompt } from './Prompt.tsx';
import { RoundEnd } from './RoundEnd.tsx';
import { TypedAnswer } from './TypedAnswer.tsx';

interface DrillRoundProps {
  readonly kit: DrillViewKit;
  readonly kind: DrillKind | null;
  readonly questions: readonly RoundQuestion[];
  readonly onAgain: () => void;
  readonly onLeave: () => void;
}

/** Seconds since the round began; stands still where it is not timed, and while an answer is explained. */
function useSeconds(isRunning: boolean): { readonly seconds: number; readonly lap: () => number } {
  const [seconds, setSeconds] = useState(0);
  const lapAt = useRef(0);
  useEffect(() => {
    if (!isRunning) return;
    const timer = setInterval(() => setSeconds((now) => now + 1), 1000);
    return () => clearInterval(timer);
  }, [isRunning]);
  const lap = (): number => {
    const took = seconds - lapAt.current;
    lapAt.current = seconds;
    return took;
  };
  return { seconds, lap };
}

/** A round: one question at a time, each explained before the next comes. */
export function DrillRound({ kit, kind, questions, onAgain, onLeave }: DrillRoundProps) {
  const change = useChange();
  const [list, setList] = useState(questions);
  const [played, setPlayed] = useState<readonly Played[]>([]);
  const [shown, setShown] = useState<Played | null>(null);
  const [note, setNote] = useState<string | null>(null);
  const [isOver, setIsOver] = useState(questions.length === 0);
  const head = useRef<HTMLHeadingElement>(null);
  const answeredAt = useRef(-1);
  const isTimed = kit.settings.drillTimer ?? true;
  const { seconds, lap } = useSeconds(isTimed && shown === null && !isOver);
  const at = shown ? played.length - 1 : played.length;
  const current = shown?.one ?? list[at];
  // A card of the question may have been deleted, in this tab by taking back or in another.
  const { bodies, cards, tests, reports, settings } = kit;
  // Once a change of the kit, not once a second.
  const own = useMemo(
    () => ownKit({ bodies, cards, tests, reports, settings }),
    [bodies, cards, tests, reports, settings],
  );
  const now = useMemo(
    () => (current && shown === null ? renewed(current, own) : (current ?? null)),
    [current, shown, own],
  );
  useEffect(() => {
    if (shown !== null || !current || now === current) return;
    setNote(
      now
        ? 'Your kit changed meanwhile: this is another question.'
        : 'Your kit changed meanwhile: a question fell away.',
    );
    setList((before) => (now ? before.with(at, now) : before.filter((_, place) => place !== at)));
  }, [shown, current, now, at]);
  useEffect(() => {
    if (shown === null && !current) setIsOver(true);
  }, [shown, current]);
  // The next question is where one reads on.
  useEffect(() => {
    if (at < 0 || shown !== null) return;
    document.getElementById('view')?.scrollTo({ top: 0 });
    window.scrollTo({ top: 0 });
    head.current?.focus({ preventScroll: true });
  }, [at, shown]);
  if (isOver) return <RoundEnd kit={kit} played={played} kind={kind} onAgain={onAgain} onLeave={onLeave} />;
  if (!current || !now) return null;
  const { question } = now;
  const answer = (given: Given): void => {
    // Two presses before the page is drawn again are one answer: the first.
    if (shown || answeredAt.current === at) return;
    answeredAt.current = at;
    const judged = judge(question, given);
    const one: Played = { one: now, given, judged };
    setPlayed([...played, one]);
    setShown(one);
    setNote(null);
    const answered = {
      ...judged,
      isUnknown: given.kind === 'unknown',
      seconds: isTimed ? lap() : null,
    };
    void change(() => keepAnswer(question.topic, answered, kit.drills), { quiet: true });
  };
  const isLast = played.length >= list.length || (isTimed && seconds >= ROUND_SECONDS);
  const next = (): void => {
    setShown(null);
    if (isLast) setIsOver(true);
  };
  const { due } = standingOf(kit.drills, today());
  const rights = played.filter(({ judged }) => judged.isRight).length;
  return (
    <section className={css.round} aria-label="A round of questions">
      <header className={css.bar}>
        <span>
          {KIND_WORDS[question.topic.kind].title} · {at + 1} of {list.length}
        </span>
        <span>
          {rights} right
          {due > 0 && ` · ${dueText(due)}`}
          {isTimed && <span className={css.clock}> · {Math.max(0, ROUND_SECONDS - seconds)} s</span>}
        </span>
      </header>
      <div
        className={css.progress}
        role="progressbar"
        aria-label="Questions answered"
        aria-valuemin={0}
        aria-valuemax={list.length}
        aria-valuenow={played.length}
      >
        <span style={{ width: `${(played.length / Math.max(1, list.length)) * 100}%` }} />
      </div>
      {note && (
        <p className="tone-warm" role="status">
          {note}
        </p>
      )}
      <Prompt headRef={head} question={question} />
      {question.typed ? (
        <TypedAnswer key={at} typed={question.typed} shown={shown} onAnswer={answer} />
      ) : (
        <Answers key={at} question={question} shown={shown} onAnswer={answer} />
      )}
      {shown ? (
        <Explanation played={shown} kit={kit} isLast={isLast} onNext={next} />
      ) : (
        <p className={css.ways}>
          <button type="button" className="plain-button" onClick={() => answer({ kind: 'unknown' })}>
            I do not know
          </button>
          <button type="button" className="plain-button" onClick={() => setIsOver(true)}>
            End the round
          </button>
        </p>
      )}
    </section>
  );
}
