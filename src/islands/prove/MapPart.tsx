import { useMemo, useState } from 'react';
import { plannedTake } from '../../app/heat/plannedTake.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { heldShares, mapLimits, mapOf } from '../../app/prove/proveViews.ts';
import type { Policy } from '../../core/match/policy.ts';
import { heldText } from '../../text/prove/reconcile.ts';
import { Term } from '../../ui/Term.tsx';
import { BracketTable } from './BracketTable.tsx';
import css from './MapPart.module.css';
import { SurvivalChart } from './SurvivalChart.tsx';

interface MapPartProps {
  readonly kit: ProveKit;
  readonly policy: Policy;
  readonly openId: string | null;
  readonly onOpen: (testId: string) => void;
}

const AIRS = [
  { value: '', label: 'any air', range: null },
  { value: 'cold', label: 'under 15 °C', range: [-60, 15] },
  { value: 'mild', label: '15 to 25 °C', range: [15, 25] },
  { value: 'warm', label: '25 °C and over', range: [25, 150] },
] as const;

/** Bars drawn at once: more lie on each other, and stand the page still. */
const MOST_DRAWN = 2000;

/** What the takes of a body bear out: rate against minutes, and between what each card's pace lies. */
export default function MapPart({ kit, policy, openId, onOpen }: MapPartProps) {
  const { bodies, cards, tests } = kit;
  const tested = useMemo(() => {
    const counts = new Map<string, number>();
    for (const { bodyId } of tests) counts.set(bodyId, (counts.get(bodyId) ?? 0) + 1);
    return bodies
      .filter(({ id }) => counts.has(id))
      .toSorted((a, b) => (counts.get(b.id) ?? 0) - (counts.get(a.id) ?? 0));
  }, [bodies, tests]);
  const [wantedBody, setBody] = useState('');
  const [wantedCard, setCard] = useState('');
  const [air, setAir] = useState<(typeof AIRS)[number]['value']>('');
  const body = tested.find(({ id }) => id === wantedBody) ?? tested[0];
  const own = useMemo(() => {
    const used = new Set(tests.filter(({ bodyId }) => bodyId === body?.id).map(({ cardId }) => cardId));
    return cards.filter(({ id }) => used.has(id));
  }, [body, cards, tests]);
  const card = own.find(({ id }) => id === wantedCard) ?? (own.length === 1 ? own[0] : undefined);
  const range = AIRS.find(({ value }) => value === air)?.range ?? null;
  const map = useMemo(
    () => (body ? mapOf(kit, { bodyId: body.id, cardId: card?.id ?? null, airC: range }) : null),
    [kit, body, card, range],
  );
  const drawn = useMemo(() => map?.bars.slice(-MOST_DRAWN) ?? [], [map]);
  const plan = plannedTake(kit.settings);
  const limits = useMemo(
    () => (body && card ? mapLimits(body, card, { tests, policy, plan }) : []),
    [body, card, tests, policy, plan],
  );
  if (!body || !map)
    return (
      <p className={css.empty}>
        No take is logged yet. Every take becomes a bar here: how fast, how long, and how it ended.
      </p>
    );
  return (
    <section className={css.map} aria-label="What the takes show">
      <h2>What {body.name}’s takes show</h2>
      <div className={css.filters}>
        <select aria-label="Camera on the map" value={body.id} onChange={(event) => setBody(event.currentTarget.value)}>
          {tested.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <select
          aria-label="Card on the map"
          value={card?.id ?? ''}
          onChange={(event) => setCard(event.currentTarget.value)}
        >
          {own.length > 1 && <option value="">all cards</option>}
          {own.map(({ id, label }) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </select>
        <select
          aria-label="Air on the map"
          value={air}
          onChange={(event) => setAir(event.currentTarget.value as typeof air)}
        >
          {AIRS.map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </select>
      </div>
      <p className="soft">
        Each mark is one take: write speed (MB/s) against minutes. Bar: card filled. Wedge: dropped frames or shut down.
        Ring: stopped by hand.{' '}
        {card ? 'Shaded: what its full-card takes support.' : 'Choose one card to see what its takes support.'}
        {map.bars.length > MOST_DRAWN &&
          ` The last ${MOST_DRAWN} of ${map.bars.length} takes are drawn; ground and brackets count all of them.`}
        {limits.length > 0 && ' Dashed line: where the heat estimate ends the take.'}
      </p>
      {map.bars.length === 0 ? (
        <p>No take in such air.</p>
      ) : (
        <SurvivalChart bars={drawn} ground={map.ground} limits={limits} openId={openId} onOpen={onOpen} />
      )}
      {map.bars.length > 0 && (
        <p>
          <Term of="survival">Survival map</Term>: {heldText(heldShares(map.bars))}
        </p>
      )}
      <BracketTable kit={kit} bodyId={body.id} />
    </section>
  );
}
