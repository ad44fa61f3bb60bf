import { useCallback, useMemo, useState } from 'react';
import { plannedTake } from '../../app/heat/plannedTake.ts';
import { useHeatMarks } from '../../app/heat/useHeatMarks.ts';
import type { ViewKit } from '../../app/kit/useKit.ts';
import { policyOf } from '../../app/match/policy.ts';
import type { CellPick, WhySubject } from '../../app/match/subject.ts';
import { keepTrial, type TrialChanges, toBuy, tryMove, UNCHANGED, withTrial } from '../../app/match/trialActions.ts';
import { useBoard } from '../../app/match/useBoard.ts';
import { useQuickCheck } from '../../app/match/useQuickCheck.ts';
import type { Board as BoardData, BoardKit } from '../../core/match/board.ts';
import type { Move } from '../../core/match/move.ts';
import { moveLine } from '../../text/match/move.ts';
import { useChange } from '../../ui/useChange.ts';
import { useSame } from '../../ui/useSame.ts';
import { Shell } from '../shell/Shell.tsx';
import { Board } from './Board.tsx';
import { BoardEmpty } from './BoardEmpty.tsx';
import css from './MatchView.module.css';
import { PlanCorner } from './PlanCorner.tsx';
import { QuickCheck } from './QuickCheck.tsx';
import { SidePanel } from './SidePanel.tsx';
import { TrialBar } from './TrialBar.tsx';
import { useQueryText } from './useQueryText.ts';

export default function MatchView({ demo }: { readonly demo: boolean }) {
  return (
    <Shell frame="match" demo={demo} lists={MATCH_LISTS}>
      {(kit) => <Match kit={kit} />}
    </Shell>
  );
}

const MATCH_LISTS = ['bodies', 'cards', 'tests'] as const;

type Selected = 'quick' | CellPick | null;

/** Moves being tried, one upon another. Nothing of them is stored before they are kept. */
interface Trying {
  readonly text: string;
  /** The kit as it would be; null while only another kind of take is tried. */
  readonly kit: BoardKit | null;
  readonly changes: TrialChanges;
  /** Where to go back to when they are dropped. */
  readonly from: CellPick;
}

/** What a selection stands for on the board as it is now; null when its mode or card is gone. */
function subjectOf(board: BoardData, pick: CellPick): WhySubject | null {
  const cardAt = board.cards.findIndex(({ id }) => id === pick.cardId);
  const rowAt = board.rows.findIndex(({ body, mode }) => body.id === pick.bodyId && mode.id === pick.modeId);
  const row = board.rows[rowAt];
  const card = board.cards[cardAt];
  const cell = board.columnAt(cardAt)[rowAt];
  if (!row || !card || !cell) return null;
  return { cell, body: row.body, mode: row.mode, card, rate: row.rate.ok ? row.rate.value : null };
}

function Match({ kit }: { readonly kit: ViewKit }) {
  const { settings } = kit;
  const change = useChange();
  const [trying, setTrying] = useState<Trying | null>(null);
  const take = trying?.changes.take ?? settings.take;
  const policy = useMemo(() => policyOf({ take, headroom: settings.headroom }), [take, settings.headroom]);
  const shownKit = trying?.kit ?? kit;
  const board = useBoard(shownKit, policy);
  const plan = useSame(plannedTake(settings));
  const heat = useHeatMarks(shownKit, plan);
  const [text, setText] = useQueryText();
  const answer = useQuickCheck(text, policy);
  const [selected, setSelected] = useState<Selected>(null);
  const onPick = useCallback((pick: CellPick) => setSelected(pick), []);
  const subject = useMemo((): WhySubject | null => {
    if (selected === null) return null;
    if (selected !== 'quick') return subjectOf(board, selected);
    if (!answer.ok || answer.value.kind !== 'card') return null;
    const { cell, body, ask, card, rate } = answer.value.answer;
    if (!cell || !card) return null;
    return { cell, body, mode: ask.mode, card, rate, quick: true };
  }, [selected, board, answer]);
  const startTrial = (move: Move): void => {
    if (!subject) return;
    const { body, mode, card } = subject;
    const from = { bodyId: body.id, modeId: mode.id, cardId: card.id };
    const trial = tryMove(move, { kit: shownKit, body, mode, card }, toBuy);
    // A look at the thing itself: the form in which it is entered is the next step.
    if (move.code === 'tell-bus' || move.code === 'verify') {
      window.location.assign(move.code === 'verify' ? '/cards' : '/bodies');
      return;
    }
    if (trial) setSelected({ bodyId: trial.bodyId, modeId: trial.modeId, cardId: trial.cardId });
    // A move that only looks at another cell changes nothing that would have to be kept.
    if (trial && !trial.changedBody && !trial.addedCard) return;
    const line = moveLine(move, { cards: board.cards, body, mode });
    const newTake = move.code === 'other-school' ? move.take : null;
    setTrying({
      text: trying ? `${trying.text} · ${line.text}` : line.text,
      kit: trial?.kit ?? trying?.kit ?? null,
      changes: withTrial(trying?.changes ?? UNCHANGED, trial, newTake, body),
      from: trying?.from ?? from,
    });
  };
  const dropTrial = (): void => {
    if (trying) setSelected(trying.from);
    setTrying(null);
  };
  const keep = (): void =>
    void (
      trying &&
      change(() => keepTrial(trying.changes, trying.text)).then((made) => (made ? setTrying(null) : undefined))
    );
  return (
    <div className={css.match}>
      <h1 className="unseen">Match: which card holds which mode</h1>
      <QuickCheck text={text} onText={setText} answer={answer} policy={policy} onWhy={() => setSelected('quick')} />
      {trying && <TrialBar text={trying.text} onKeep={keep} onDrop={dropTrial} />}
      <div className={css.work}>
        {board.rows.length === 0 || board.cards.length === 0 ? (
          <BoardEmpty rows={board.rows.length} cards={board.cards.length} />
        ) : (
          <Board
            board={board}
            take={policy.take}
            picked={selected === 'quick' ? null : selected}
            heat={heat}
            corner={<PlanCorner plan={plan} />}
            onPick={onPick}
          />
        )}
        <SidePanel
          subject={subject}
          kit={shownKit}
          policy={policy}
          plan={plan}
          trying={trying !== null}
          onMove={startTrial}
          onClose={() => setSelected(null)}
        />
      </div>
    </div>
  );
}
