import type { ReactNode } from 'react';
import type { Body } from '../core/kit/model.ts';
import { modeTitle } from '../text/match/cell.ts';
import { Chips } from './Chips.tsx';

interface BodyModeChipsProps {
  readonly bodies: readonly Body[];
  readonly bodyId: string;
  readonly modeId: string;
  /** What is wrong with either. */
  readonly error: (key: 'bodyId' | 'modeId') => ReactNode;
  readonly onPick: (picked: { readonly bodyId: string; readonly modeId: string }) => void;
}

/** A body and one of its modes, by two presses; by one where it has one mode. */
export function BodyModeChips({ bodies, bodyId, modeId, error, onPick }: BodyModeChipsProps) {
  const body = bodies.find(({ id }) => id === bodyId);
  return (
    <>
      <Chips
        legend="Camera"
        value={bodyId}
        choices={bodies.map(({ id, name }) => ({ value: id, label: name }))}
        error={error('bodyId')}
        onChange={(id) => {
          const [only, ...others] = bodies.find((one) => one.id === id)?.modes ?? [];
          onPick({ bodyId: id, modeId: only && others.length === 0 ? only.id : '' });
        }}
      />
      {body && (
        <Chips
          legend="Mode"
          value={modeId}
          choices={body.modes.map((mode) => ({ value: mode.id, label: modeTitle(mode) }))}
          error={error('modeId')}
          onChange={(id) => onPick({ bodyId, modeId: id })}
        />
      )}
    </>
  );
}
