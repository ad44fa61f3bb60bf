import { useEffect, useState } from 'react';
import type { Draft } from '../../../app/kit/draft.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import type { Test } from '../../../core/kit/model.ts';
import { part } from '../../../ui/part.tsx';
import css from './measure.module.css';

const ClipPart = part(() => import('./ClipPart.tsx'));
const TracePart = part(() => import('./TracePart.tsx'));
const BenchPart = part(() => import('./BenchPart.tsx'));

const KINDS = [
  { key: 'clip', name: 'A clip' },
  { key: 'trace', name: 'A write trace' },
  { key: 'bench', name: 'A card, now' },
] as const;
type Kind = (typeof KINDS)[number]['key'];

interface MeasurePartProps {
  readonly kit: ProveKit;
  readonly onLog: (test: Partial<Draft<Test>>) => void;
}

/** What is measured on this machine: a clip’s rate, a card’s trace, a card itself. */
export default function MeasurePart({ kit, onLog }: MeasurePartProps) {
  const [kind, setKind] = useState<Kind>(
    () => KINDS.find(({ key }) => key === new URLSearchParams(window.location.search).get('what'))?.key ?? 'clip',
  );
  useEffect(() => {
    const query = new URLSearchParams(window.location.search);
    query.set('what', kind);
    window.history.replaceState(null, '', `${window.location.pathname}?${query}`);
  }, [kind]);
  return (
    <div className={css.measure}>
      <nav className={css.kinds} aria-label="What to measure">
        {KINDS.map(({ key, name }) => (
          <button
            key={key}
            type="button"
            className="ink-button"
            aria-current={key === kind ? 'page' : undefined}
            onClick={() => setKind(key)}
          >
            {name}
          </button>
        ))}
      </nav>
      {kind === 'clip' && <ClipPart kit={kit} onLog={onLog} />}
      {kind === 'trace' && <TracePart kit={kit} />}
      {kind === 'bench' && <BenchPart kit={kit} />}
    </div>
  );
}
