import { useEffect, useMemo, useState } from 'react';
import { useShown } from '../../app/kit/shown.ts';
import { asksFirst } from '../../app/match/firstQuestion.ts';
import type { OwnAnswer } from '../../app/match/ownAnswer.ts';
import { policyOf } from '../../app/match/policy.ts';
import { useAside, useQuickCheck } from '../../app/match/useQuickCheck.ts';
import type { TakeKind } from '../../core/kit/model.ts';
import { part } from '../../ui/part.tsx';
import { useMounted } from '../../ui/useMounted.ts';
import { Frame } from '../shell/Frame.tsx';
import { Opening } from '../shell/Opening.tsx';
import css from './MatchView.module.css';
import { QuickCheck } from './QuickCheck.tsx';
import type { Selected } from './selected.ts';
import { useQueryText } from './useQueryText.ts';

// Only a first visit has it.
const FirstQuestion = part(() => import('./FirstQuestion.tsx'));
// The board, and all that needs the kit: on its way while the quick check answers already.
const MatchBoard = part(() => import('./MatchBoard.tsx'), Opening);

/** Which card holds which mode: the quick check at once, the board as soon as it is there. */
export default function MatchView() {
  const { settings } = useShown();
  const [triedTake, setTriedTake] = useState<TakeKind | null>(null);
  const take = triedTake ?? settings.take;
  const policy = useMemo(() => policyOf({ take, headroom: settings.headroom }), [take, settings.headroom]);
  const [text, setText] = useQueryText();
  const aside = useAside(settings);
  const answer = useQuickCheck(text, policy, aside);
  const [selected, setSelected] = useState<Selected>(null);
  const [names, setNames] = useState<readonly string[]>([]);
  const [first, setFirst] = useState(false);
  useEffect(() => setFirst(asksFirst()), []);
  const [own, setOwn] = useState<OwnAnswer | null>(null);
  return (
    <Frame frame="match">
      <div className={css.match}>
        <h1 className="unseen">Which card for which mode</h1>
        {first && <FirstQuestion text={text} answer={answer} selected={selected} onLeave={() => setFirst(false)} />}
        <QuickCheck
          text={text}
          onText={setText}
          answer={answer}
          policy={policy}
          settings={settings}
          onWhy={() => setSelected('quick')}
          own={own?.text === text ? own : null}
          onPick={setSelected}
          names={names}
        />
        {useMounted() ? (
          <MatchBoard
            text={text}
            onOwn={setOwn}
            onNames={setNames}
            answer={answer}
            selected={selected}
            first={first}
            onSelect={setSelected}
            onTryTake={setTriedTake}
          />
        ) : (
          <Opening />
        )}
      </div>
    </Frame>
  );
}
