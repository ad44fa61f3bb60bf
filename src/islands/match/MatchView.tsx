import { useCallback, useMemo, useState } from 'react';
import { policyOf } from '../../app/policy.ts';
import { useBoard } from '../../app/useBoard.ts';
import { useQuickCheck } from '../../app/useQuickCheck.ts';
import type { Board as BoardData } from '../../core/match/board.ts';
import type { Kit } from '../../kit/kit.ts';
import { Shell } from '../../ui/Shell.tsx';
import { Board } from './Board.tsx';
import { BoardEmpty } from './BoardEmpty.tsx';
import css from './MatchView.module.css';
import { QuickCheck } from './QuickCheck.tsx';
import { SidePanel } from './SidePanel.tsx';
import type { CellPick, WhySubject } from './subject.ts';
import { useQueryText } from './useQueryText.ts';

export default function MatchView({ demo }: { readonly demo: boolean }) {
  return (
    <Shell frame="match" demo={demo}>
      {(kit) => <Match kit={kit} />}
    </Shell>
  );
}

type Selected = 'quick' | CellPick | null;

/** What a selection stands for on the board as it is now; null when its mode or card is gone. */
function subjectOf(board: BoardData, pick: CellPick): WhySubject | null {
  const cardAt = board.cards.findIndex(({ id }) => id === pick.cardId);
  const rowAt = board.rows.findIndex(({ body, mode }) => body.id === pick.bodyId && mode.id === pick.modeId);
  const row = board.rows[rowAt];
  const card = board.cards[cardAt];
  const cell = board.columns[cardAt]?.[rowAt];
  if (!row || !card || !cell || !row.rate.ok)
    return cell && row && card ? { cell, body: row.body, mode: row.mode, card, rate: null } : null;
  return { cell, body: row.body, mode: row.mode, card, rate: row.rate.value };
}

function Match({ kit }: { readonly kit: Kit }) {
  const { settings } = kit;
  const policy = useMemo(() => policyOf(settings), [settings.take, settings.headroom]);
  const board = useBoard(kit, policy);
  const [text, setText] = useQueryText();
  const answer = useQuickCheck(text, policy);
  const [selected, setSelected] = useState<Selected>(null);
  const onPick = useCallback((pick: CellPick) => setSelected(pick), []);
  const subject = useMemo((): WhySubject | null => {
    if (selected === null) return null;
    if (selected !== 'quick') return subjectOf(board, selected);
    if (!answer.ok || !answer.value.cell || !answer.value.card) return null;
    const { cell, body, ask, card, rate } = answer.value;
    return { cell, body, mode: ask.mode, card, rate, quick: true };
  }, [selected, board, answer]);
  return (
    <div className={css.match}>
      <h1 className="unseen">Match: which card holds which mode</h1>
      <QuickCheck text={text} onText={setText} answer={answer} policy={policy} onWhy={() => setSelected('quick')} />
      <div className={css.work}>
        {board.rows.length === 0 || board.cards.length === 0 ? (
          <BoardEmpty rows={board.rows.length} cards={board.cards.length} />
        ) : (
          <Board board={board} take={policy.take} picked={selected === 'quick' ? null : selected} onPick={onPick} />
        )}
        <SidePanel subject={subject} take={policy.take} onClose={() => setSelected(null)} />
      </div>
    </div>
  );
}
