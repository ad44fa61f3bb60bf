import { useCallback, useEffect, useMemo, useState } from 'react';
import { clipRates, keepClipRates } from '../../app/heat/clipRates.ts';
import { openTake } from '../../app/heat/heatActions.ts';
import { HEAT_LISTS, type HeatKit } from '../../app/heat/heatKit.ts';
import { firstPick, pickedIn } from '../../app/heat/heatPick.ts';
import { pickQuery, queryPick } from '../../app/heat/heatQuery.ts';
import { policyOf } from '../../app/match/policy.ts';
import type { HeatPick } from '../../core/kit/model.ts';
import { useSame } from '../../ui/useSame.ts';
import { Shell } from '../shell/Shell.tsx';
import css from './HeatView.module.css';
import { Taken } from './Taken.tsx';

export default function HeatView() {
  return (
    <Shell frame="heat" lists={HEAT_LISTS}>
      {(kit) => <Heat kit={kit} />}
    </Shell>
  );
}

function Heat({ kit }: { readonly kit: HeatKit }) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: a policy is these two of the settings; others change nothing
  const policy = useMemo(() => policyOf(kit.settings), [kit.settings.take, kit.settings.headroom]);
  const [chosen, setChosen] = useState<HeatPick | null>(null);
  const [before, setBefore] = useState<{ readonly pick: HeatPick; readonly text: string } | null>(null);
  const [asked] = useState(() => queryPick(window.location.search));
  const [rates] = useState(() => (asked.hasClip ? clipRates() : null));
  const fresh = chosen ? null : firstPick(kit, policy, asked);
  const first = useSame(fresh && rates ? { ...fresh, demandTraceMBps: rates } : fresh);
  const pick = chosen ?? first;
  const { bodies, cards } = kit;
  const picked = useMemo(() => (pick ? pickedIn({ bodies, cards }, pick) : null), [bodies, cards, pick]);
  useEffect(() => {
    if (!chosen) return;
    window.history.replaceState(null, '', window.location.pathname + pickQuery(chosen));
    keepClipRates(chosen.demandTraceMBps ?? null);
  }, [chosen]);
  const change = useCallback(
    (part: Partial<HeatPick>) =>
      setChosen((now) => ((now ?? first) ? { ...(now ?? (first as HeatPick)), ...part } : now)),
    [first],
  );
  if (!pick || !picked) return <Nothing kit={kit} onAnew={chosen ? () => setChosen(null) : null} />;
  return (
    <Taken
      kit={kit}
      policy={policy}
      pick={pick}
      picked={picked}
      clipLost={chosen === null && asked.hasClip && !rates}
      before={before?.text ?? null}
      onPick={(part) => {
        setBefore(null);
        change(part);
      }}
      onBody={(body) => {
        const best = firstPick(kit, policy, { body });
        setBefore(null);
        if (best) setChosen({ ...best, plan: pick.plan });
      }}
      onOpen={(kept) => {
        setBefore(null);
        void openTake(kept).then(setChosen);
      }}
      onMove={(part, text) => {
        setBefore({ pick: before?.pick ?? pick, text: before ? `${before.text} · ${text}` : text });
        change(part);
      }}
      onBack={() => {
        if (before) setChosen(before.pick);
        setBefore(null);
      }}
    />
  );
}

function Nothing({ kit, onAnew }: { readonly kit: HeatKit; readonly onAnew: (() => void) | null }) {
  const missing = kit.bodies.length === 0 ? 'a camera' : kit.cards.length === 0 ? 'a card' : 'a mode';
  return (
    <div className={css.nothing}>
      <h1>Nothing to run yet</h1>
      {onAnew ? (
        <>
          <p>The camera or mode of this run is gone.</p>
          <p>
            <button type="button" className="ink-button" onClick={onAnew}>
              Begin with another
            </button>
          </p>
        </>
      ) : (
        <p>
          A run needs a camera with a mode and a card to write on. Add {missing} under{' '}
          <a href={kit.bodies.length > 0 && kit.cards.length === 0 ? '/cards' : '/bodies'}>
            {kit.bodies.length > 0 && kit.cards.length === 0 ? 'Cards' : 'Cameras'}
          </a>
          .
        </p>
      )}
    </div>
  );
}
