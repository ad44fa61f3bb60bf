import { entryAt } from '../entryAt.ts';

/** What happens to a body at a moment; at one moment they come in this order. */
const KINDS = ['end', 'relay', 'prepare', 'block'] as const;
/** What happens to a body at a moment. */
export type EventKind = (typeof KINDS)[number];

/** Something that is to happen. */
export interface DayEvent {
  readonly at: number;
  readonly kind: EventKind;
  readonly body: number;
  /** Stands only while the body has not gone on since. */
  readonly token: number;
}

/** What is to happen, by its time. */
export interface Agenda {
  readonly post: (event: DayEvent) => void;
  /** When the next one is; Infinity where none is. */
  readonly next: () => number;
  /** The next one that is due by then; undefined where none is. */
  readonly due: (time: number) => DayEvent | undefined;
}

/** Begins with nothing to happen. */
export function createAgenda(): Agenda {
  // Few wait at any time: they stand in order, the next one last.
  const waiting: DayEvent[] = [];
  const next = (): number => waiting.at(-1)?.at ?? Number.POSITIVE_INFINITY;
  const isAfter = (a: DayEvent, b: DayEvent): boolean =>
    a.at > b.at || (a.at === b.at && KINDS.indexOf(a.kind) > KINDS.indexOf(b.kind));
  return {
    next,
    due: (time) => (next() <= time ? waiting.pop() : undefined),
    post(event) {
      let place = waiting.length;
      while (place > 0 && !isAfter(entryAt(waiting, place - 1), event)) place -= 1;
      waiting.splice(place, 0, event);
    },
  };
}
