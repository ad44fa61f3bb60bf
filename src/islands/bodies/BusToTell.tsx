import { tellBuses } from '../../app/bodies/bodyActions.ts';
import { busesAsked } from '../../app/bodies/busesAsked.ts';
import type { Body } from '../../core/kit/model.ts';
import { useChange } from '../../ui/useChange.ts';
import { BusChoice } from './BusChoice.tsx';

/** Cameras of which nobody entered what their slots carry, asked where it bites: told in one press, and everything follows. */
export function BusToTell({ bodies }: { readonly bodies: readonly Body[] }) {
  const change = useChange();
  const open = bodies.filter(({ slots }) => busesAsked(slots).length > 0);
  if (open.length === 0) return null;
  return (
    <section aria-label="Not entered yet">
      {open.map((body) => (
        <BusChoice
          key={body.id}
          slots={body.slots}
          of={body.name}
          onTell={(asked, bus) => void change(() => tellBuses(body, asked, bus))}
        />
      ))}
    </section>
  );
}
