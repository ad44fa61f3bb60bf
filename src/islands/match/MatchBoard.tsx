import { useMediaQuery } from '@mantine/hooks';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { plannedTake } from '../../app/heat/plannedTake.ts';
import { useHeatMarks } from '../../app/heat/useHeatMarks.ts';
import type { ViewKit } from '../../app/kit/useKit.ts';
import { takeHandedTrial } from '../../app/match/handedTrial.ts';
import { type OwnAnswer, ownAnswer, ownNames } from '../../app/match/ownAnswer.ts';
import { policyOf } from '../../app/match/policy.ts';
import type { CellPick, WhySubject } from '../../app/match/subject.ts';
import { keepTrial, type TrialChanges, toBuy, tryMove, UNCHANGED, withTrial } from '../../app/match/trialActions.ts';
import { useBoard } from '../../app/match/useBoard.ts';
import { useAside, type useQuickCheck } from '../../app/match/useQuickCheck.ts';
import type { TakeKind } from '../../core/kit/model.ts';
import type { Board as BoardData, BoardKit } from '../../core/match/board.ts';
import type { Move } from '../../core/match/move.ts';
import { moveLine, triedText } from '../../text/match/move.ts';
import { useChange } from '../../ui/useChange.ts';
import { useSame } from '../../ui/useSame.ts';
import { KitRoom } from '../shell/KitRoom.tsx';
import { Board } from './Board.tsx';
import { BoardBar } from './BoardBar.tsx';
import { BoardEmpty } from './BoardEmpty.tsx';
import css from './MatchView.module.css';
import { SidePanel } from './SidePanel.tsx';
import type { Selected } from './selected.ts';
import { TrialBar } from './TrialBar.tsx';

const MATCH_LISTS = ['bodies', 'cards', 'tests', 'reports', 'plans'] as const;

/** Moves being tried, one upon another. Nothing of them is stored before they are kept. */
interface Trying {
  readonly text: string;
  /** The kit as it would be; null while only another kind of take is tried. */
  readonly kit: BoardKit | null;
  readonly changes: TrialChanges;
  /** What of the rows is tried, by body and mode. */
  readonly rows: ReadonlyMap<string, string>;
  /** Where to go back to when they are dropped. */
  readonly from: CellPick | null;
}

const NOTHING_TRIED: ReadonlyMap<string, string> = new Map();

/** Cards that another view puts on the board, at its end. */
function handedOver(kit: ViewKit): Trying | null {
  const handed = takeHandedTrial();
  if (!handed) return null;
  const { text, cards } = handed;
  return {
    text,
    kit: { ...kit, cards: [...kit.cards, ...cards] },
    changes: { ...UNCHANGED, cards },
    rows: NOTHING_TRIED,
    from: null,
  };
}

/** What a selection stands for on the board as it is now; null when its mode or card is gone. */
function subjectOf(board: BoardData, pick: CellPick): WhySubject | null {
  const cardAt = board.cards.findIndex(({ id }) => id === pick.cardId);
  const rowAt = board.rows.findIndex(({ body, mode }) => body.id === pick.bodyId && mode.id === pick.modeId);
  const row = board.rows[rowAt];
  const card = board.cards[cardAt];
  const cell = board.cellAt(cardAt, rowAt);
  if (!row || !card || !cell) return null;
  return { cell, body: row.body, mode: row.mode, card, rate: row.rate.ok ? row.rate.value : null };
}

interface MatchBoardProps {
  readonly text: string;
  /** Told what the line says of one's own kit. */
  readonly onOwn: (own: OwnAnswer | null) => void;
  /** Told what bodies, modes and cards are called. */
  readonly onNames: (names: readonly string[]) => void;
  readonly answer: ReturnType<typeof useQuickCheck>;
  readonly selected: Selected;
  /** Whether a first question is being guided: it needs no kit. */
  readonly first: boolean;
  readonly onSelect: (selected: Selected) => void;
  /** Told the kind of take that is being tried; null when none is. */
  readonly onTryTake: (take: TakeKind | null) => void;
}

export default function MatchBoard(props: MatchBoardProps) {
  return (
    <KitRoom lists={MATCH_LISTS} early={props.first || props.selected === 'quick'}>
      {(kit) => <Match kit={kit} {...props} />}
    </KitRoom>
  );
}

function Match({
  kit,
  text,
  onOwn,
  onNames,
  answer,
  selected,
  onSelect,
  onTryTake,
}: MatchBoardProps & { readonly kit: ViewKit<(typeof MATCH_LISTS)[number]> }) {
  const { settings } = kit;
  const change = useChange();
  const [trying, setTrying] = useState<Trying | null>(() => handedOver(kit));
  const take = trying?.changes.take ?? settings.take;
  const policy = useMemo(() => policyOf({ take, headroom: settings.headroom }), [take, settings.headroom]);
  const shownKit = trying?.kit ?? kit;
  const board = useBoard(shownKit, policy);
  const aside = useAside(settings);
  const readers = useMemo(() => kit.plans.flatMap((plan) => plan.readers), [kit.plans]);
  const rateWas = answer.ok && answer.value.kind === 'rate-was' ? answer.value.rateWas : null;
  const own = useMemo(
    () => ownAnswer(text, board, { take: policy.take, aside, readers, rateWas }),
    [text, board, policy.take, aside, readers, rateWas],
  );
  useEffect(() => onOwn(own), [onOwn, own]);
  useEffect(() => onNames(ownNames(kit)), [onNames, kit]);
  const plan = useSame(plannedTake(settings));
  const heat = useHeatMarks(shownKit, plan);
  const tried = trying?.changes.take ?? null;
  useEffect(() => onTryTake(tried), [onTryTake, tried]);
  const narrow = useMediaQuery('(max-width: 760px)') ?? false;
  // Over the board there is no room beside it: a trial shows the board, not the panel, until a cell is pressed.
  const over = useMediaQuery('(max-width: 980px)') ?? false;
  const [shut, setShut] = useState(false);
  const [legend, setLegend] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const bodies = useMemo(() => [...new Set(board.rows.map(({ body }) => body))], [board.rows]);
  const pickedBody = selected !== null && selected !== 'quick' ? selected.bodyId : null;
  const known = bodies.some(({ id }) => id === chosen) ? chosen : null;
  const only = narrow ? (known ?? pickedBody ?? bodies[0]?.id ?? null) : known;
  const onPick = useCallback(
    (pick: CellPick) => {
      setShut(false);
      setLegend(false);
      onSelect(pick);
    },
    [onSelect],
  );
  const subject = useMemo((): WhySubject | null => {
    if (selected === null) return null;
    if (selected !== 'quick') return subjectOf(board, selected);
    if (!answer.ok || answer.value.kind !== 'card') return null;
    const { cell, body, ask, card, rate } = answer.value.answer;
    if (!cell || !card || !answer.value.answer.sized) return null;
    return { cell, body, mode: ask.mode, card, rate, quick: true };
  }, [selected, board, answer]);
  const startTrial = (move: Move): void => {
    if (!subject) return;
    const { body, mode, card } = subject;
    const from = { bodyId: body.id, modeId: mode.id, cardId: card.id };
    const trial = tryMove(move, { kit: shownKit, body, mode, card }, toBuy);
    if (move.code === 'test-it') {
      document.getElementById('note-test')?.click();
      return;
    }
    // A look at the thing itself: the form in which it is entered is the next step.
    if (move.code === 'tell-bus' || move.code === 'verify') {
      window.location.assign(move.code === 'verify' ? '/cards' : '/bodies');
      return;
    }
    if (trial) onSelect({ bodyId: trial.bodyId, modeId: trial.modeId, cardId: trial.cardId });
    if (trial && over) setShut(true);
    document.getElementById('why')?.scrollTo({ top: 0 });
    // A move that only looks at another cell changes nothing that would have to be kept.
    if (trial && !trial.changedBody && !trial.addedCard) return;
    const line = moveLine(move, { cards: board.cards, body, mode });
    const newTake = move.code === 'other-school' ? move.take : null;
    setTrying({
      text: trying ? `${trying.text} · ${line.text}` : line.text,
      kit: trial?.kit ?? trying?.kit ?? null,
      changes: withTrial(trying?.changes ?? UNCHANGED, trial, newTake, body),
      rows: new Map([...(trying?.rows ?? NOTHING_TRIED), [`${body.id} ${mode.id}`, triedText(move)]]),
      from: trying?.from ?? from,
    });
  };
  const dropTrial = (): void => {
    if (trying) onSelect(trying.from);
    setTrying(null);
  };
  const keep = (): void =>
    void (
      trying &&
      change(() => keepTrial(trying.changes, trying.text)).then((made) => (made ? setTrying(null) : undefined))
    );
  return (
    <>
      {trying && <TrialBar text={trying.text} onKeep={keep} onDrop={dropTrial} />}
      <div className={css.work}>
        {board.rows.length === 0 || board.cards.length === 0 ? (
          <BoardEmpty rows={board.rows.length} cards={board.cards.length} />
        ) : (
          <div className={css.boardSide}>
            <BoardBar
              bodies={bodies}
              only={only}
              narrow={narrow}
              plan={plan}
              onOnly={setChosen}
              onLegend={() => {
                onSelect(null);
                setLegend(true);
              }}
            />
            <Board
              board={board}
              take={policy.take}
              picked={selected === 'quick' ? null : selected}
              heat={heat}
              tried={trying?.rows ?? NOTHING_TRIED}
              only={only}
              onOnly={setChosen}
              onPick={onPick}
            />
          </div>
        )}
        <SidePanel
          subject={subject}
          kit={shownKit}
          policy={policy}
          plan={plan}
          trying={trying !== null}
          over={over}
          shut={shut}
          legend={legend}
          onMove={startTrial}
          onClose={() => {
            setLegend(false);
            onSelect(null);
          }}
        />
      </div>
    </>
  );
}
