import { useId } from 'react';
import { AIR_MOVEMENTS, type AirMovement, type Finish, type PlannedTake } from '../core/kit/model.ts';
import { RANGES } from '../core/kit/ranges.ts';
import { ASSUMED } from '../core/standards/assumptions.ts';
import { AIR_MEANINGS } from '../text/heat/heatWords.ts';
import { FINISH_CHOICES } from './choices.ts';
import { CheckLine, ChoiceLine, NumberLine } from './LineField.tsx';

/** Degrees of sun that somebody measured stand before those of a finish. */
const ENTERED = 'entered';
const SUN_CHOICES = [...FINISH_CHOICES, { value: ENTERED, label: 'as I enter it' }];

interface PlanFieldsProps {
  readonly plan: PlannedTake;
  readonly onChange: (change: Partial<PlannedTake>) => void;
}

/** How long is recorded, with which rests, and in which air. */
export function PlanFields({ plan, onChange }: PlanFieldsProps) {
  const sunId = useId();
  return (
    <>
      <NumberLine
        label="Take"
        value={plan.minutes}
        unit="min"
        {...RANGES.takeMinutes}
        onChange={(minutes) => onChange({ minutes: minutes ?? plan.minutes })}
      />
      <NumberLine
        label="Takes"
        value={plan.takes}
        unit="×"
        {...RANGES.takes}
        whole
        onChange={(takes) => onChange({ takes: takes ?? 1 })}
      />
      {plan.takes > 1 && (
        <NumberLine
          label="Rests between"
          value={plan.restMinutes}
          unit="min"
          {...RANGES.restMinutes}
          onChange={(restMinutes) => onChange({ restMinutes: restMinutes ?? 0 })}
        />
      )}
      <NumberLine
        label="Air"
        value={plan.ambientC}
        unit="°C"
        {...RANGES.airC}
        onChange={(ambientC) => onChange({ ambientC: ambientC ?? plan.ambientC })}
      />
      <ChoiceLine
        label="Wind on it"
        value={plan.air ?? 'still'}
        choices={AIR_MOVEMENTS.map((value) => ({ value, label: AIR_MEANINGS[value] }))}
        onChange={(air) => onChange({ air: air as AirMovement })}
      />
      <NumberLine
        label="Coldest that day"
        value={plan.dayLowC ?? null}
        unit="°C"
        {...RANGES.airC}
        empty={String(Math.round(plan.ambientC - ASSUMED.dayRangeC.value))}
        note={plan.dayLowC == null ? 'assumed' : 'entered by you'}
        onChange={(dayLowC) => onChange({ dayLowC })}
      />
      <CheckLine
        id={sunId}
        label="Sun on the camera"
        checked={plan.sunC > 0}
        onChange={(sun) => onChange(sun ? { sunC: ASSUMED.sunC.value, sun: 'black' } : { sunC: 0, sun: null })}
      />
      {plan.sunC > 0 && (
        <ChoiceLine
          label="The camera is"
          value={plan.sun ?? ENTERED}
          choices={SUN_CHOICES}
          onChange={(sun) => onChange({ sun: sun === ENTERED ? null : (sun as Finish) })}
        />
      )}
      {plan.sunC > 0 && plan.sun == null && (
        <NumberLine
          label="Sun adds"
          value={plan.sunC}
          unit="°C"
          {...RANGES.sunC}
          note="entered by you"
          reset={() => onChange({ sunC: ASSUMED.sunC.value, sun: 'black' })}
          onChange={(sunC) => onChange({ sunC: sunC ?? 0 })}
        />
      )}
    </>
  );
}
