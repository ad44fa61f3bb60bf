import { entryAt } from '../entryAt.ts';
import { createAgenda, type DayEvent } from './agenda.ts';
import {
  type BodyState,
  blockOf,
  bodyAtRest,
  type Due,
  NOTHING_DUE,
  type Running,
  type Tactics,
  wishFor,
} from './bodyState.ts';
import { announce, blockBegins, cardComes, endBlock, type Subject, unitEnds } from './bodySteps.ts';
import type { CopyOrder } from './copyJob.ts';
import { type Choices, createEmptying, EITHER, type Emptying, type Tell } from './emptying.ts';
import type { DayRun, Fork } from './outcome.ts';
import { createPlaces, INSTANT } from './places.ts';
import type { DayProblem } from './problem.ts';
import { takeCard } from './takeCard.ts';

/** How a day is run where nothing else was chosen. */
export interface DayTactics extends Tactics {
  readonly order: CopyOrder;
}

/** A card that is free from a moment ahead; the next one stands last. */
interface Later {
  readonly card: number;
  readonly at: number;
}

/** Decisions as they fall, each once. */
function createForks(): { readonly forks: readonly Fork[]; readonly tell: Tell } {
  const forks: Fork[] = [];
  const told = new Set<string>();
  return {
    forks,
    tell({ key, at, options, chosen, aside = false }) {
      if (told.has(key)) return;
      told.add(key);
      forks.push({ key, at, options, chosen, aside });
    },
  };
}

/** A moment of a body that has come. */
function stepAt(subject: Subject, { kind, at: time }: DayEvent): readonly Due[] {
  const { state } = subject;
  switch (kind) {
    case 'prepare':
      state.wish = wishFor('unit', time);
      return NOTHING_DUE;
    case 'relay':
      state.wish = wishFor('next', time);
      return NOTHING_DUE;
    case 'block':
      return blockBegins(subject, time);
    case 'end': {
      if (state.unit !== null && state.recording.kind === 'rolling') return unitEnds(subject, time);
      const own = blockOf(state);
      return own === null ? NOTHING_DUE : endBlock(subject, own, time);
    }
  }
}

/** The cards where the day finds them: in readers and in bodies. */
function placeCards(run: Running, states: readonly BodyState[], emptying: Emptying): void {
  const { problem, places } = run;
  for (const [card, { start }] of problem.cards.entries()) {
    if (start.kind === 'waiting') {
      if (start.bytes <= 0) places.free(card, start.at);
      else emptying.arrive({ card, bytes: start.bytes, copies: start.copies, left: start.left, at: start.at });
    } else if (start.kind === 'in') {
      const state = entryAt(states, start.body);
      const one = { card, slot: start.slot };
      places.sit(card, start);
      if (state.unit === null || entryAt(problem.bodies, start.body).housing === 'set')
        state.unit = [...(state.unit ?? []), one];
      else if (state.next === null) state.next = [one];
      state.readyAt = problem.now;
    }
  }
}

/** A body before its first block: what cannot record in it comes out. */
function beginBody(subject: Subject): readonly Due[] {
  const { run, body, state } = subject;
  const { problem, places } = run;
  const { now } = problem;
  // A set that is not whole cannot record: its cards wait outside.
  if (state.unit && state.unit.length < entryAt(problem.bodies, body).width) {
    places.takeOut(body, state.unit, now);
    state.unit = null;
  }
  const first = state.blocks[0];
  if (state.unit && (first === undefined || places.left(state.unit, entryAt(problem.blocks, first)) <= INSTANT)) {
    places.takeOut(body, state.unit, now);
    state.unit = state.next;
    state.next = null;
  }
  // Before a day begins there is time to put cards in.
  return announce(subject, now === 0 ? -problem.rules.swap : now);
}

/**
 * Runs a day from event to event. Nothing looks ahead: a card is taken from those that are free at that moment, a copy begins
 * when its reader and its disks have the pace for it. What could have fallen otherwise is told as forks.
 *
 * @param chosen - decisions by the key of their fork; the others fall by the tactics
 */
export function runDay(problem: DayProblem, tactics: DayTactics, chosen: Choices): DayRun {
  const { bodies, blocks, cards, readers } = problem;
  const frees: { card: number; at: number }[] = [];
  const { forks, tell } = createForks();
  // More to choose from is not always better for a day that does not look ahead: a card or a reader may be left aside.
  const isAside = (what: string, id: string): boolean => {
    const key = `${what}:${id}`;
    const left = chosen.get(key) === 1;
    tell({ key, at: problem.now, options: EITHER, chosen: left ? 1 : 0, aside: true });
    return left;
  };
  const unused = cards.map(({ id }) => isAside('without', id));
  const closed = readers.map(({ id }) => readers.length > 1 && isAside('closed', id));
  const places = createPlaces(problem, (arrival) => emptying.arrive(arrival));
  const emptying = createEmptying({ problem, order: tactics.order, chosen, told: tell, seated: places.seated, closed });
  const run: Running = { problem, tactics, chosen, tell, places, shortages: [], unused, inChanges: 0 };
  const states = bodies.map((_, body) =>
    bodyAtRest(blocks.flatMap((block, place) => (block.body === body ? [place] : []))),
  );
  const subjectOf = (body: number): Subject => ({ run, body, state: entryAt(states, body) });
  const subjects = bodies.map((_, body) => subjectOf(body));

  const agenda = createAgenda();
  const post = ({ body, state }: Subject, due: readonly Due[]): void => {
    for (const one of due) agenda.post({ at: one.at, kind: one.kind, body, token: state.token });
  };
  /** Bodies that ask for cards get them, whoever asked first. */
  const serve = (time: number): void => {
    const asking: Subject[] = [];
    for (const subject of subjects) {
      const { wish } = subject.state;
      if (wish !== null && wish.passedAt !== places.freed()) asking.push(subject);
    }
    const since = ({ state }: Subject): number => state.wish?.since ?? 0;
    if (asking.length > 1) asking.sort((a, b) => since(a) - since(b) || a.body - b.body);
    for (const subject of asking) {
      const unit = takeCard(subject, time);
      if (!unit) continue;
      subject.state.picks += 1;
      places.putIn(subject.body, unit, time);
      post(subject, cardComes(subject, unit, time));
    }
  };

  const later: Later[] = cards
    .flatMap(({ start }, card) => (start.kind === 'free' && start.at > problem.now ? [{ card, at: start.at }] : []))
    .sort((a, b) => b.at - a.at);
  const nextLater = (): number => later.at(-1)?.at ?? Number.POSITIVE_INFINITY;
  placeCards(run, states, emptying);
  for (const subject of subjects) post(subject, beginBody(subject));
  let now = problem.now;
  emptying.begin(now);
  for (;;) {
    const soonest = Math.min(agenda.next(), emptying.next(), nextLater());
    if (soonest === Number.POSITIVE_INFINITY) {
      emptying.noMore();
      emptying.begin(now);
      if (emptying.next() === Number.POSITIVE_INFINITY) break;
      continue;
    }
    now = soonest;
    while (nextLater() <= soonest) {
      const come = later.pop();
      if (come) places.free(come.card, come.at);
    }
    for (const card of emptying.endBy(soonest)) {
      places.free(card, soonest);
      frees.push({ card, at: soonest });
    }
    for (let event = agenda.due(soonest); event; event = agenda.due(soonest)) {
      const subject = entryAt(subjects, event.body);
      if (event.token === subject.state.token || event.kind === 'prepare') post(subject, stepAt(subject, event));
    }
    serve(soonest);
    emptying.begin(soonest);
  }
  return result(run, { frees, forks, emptying });
}

/** What a day came to. */
function result(
  { places, shortages, inChanges }: Running,
  { frees, forks, emptying }: Pick<DayRun, 'frees' | 'forks'> & { readonly emptying: Emptying },
): DayRun {
  for (const { card, bytes, since, why } of emptying.stuck())
    shortages.push({ at: since, to: since, block: null, seconds: 0, bytes, reason: { code: why, card } });
  shortages.sort((a, b) => a.at - b.at);
  const { rolls, changes } = places;
  return {
    rolls,
    sittings: [...places.sittings, ...places.stillIn()],
    changes,
    frees,
    shortages,
    inChanges,
    forks,
    stages: emptying.stages,
    missing: shortages.reduce((sum, { seconds }) => sum + seconds, 0),
    onDestination: emptying.filled,
    swaps: changes.filter(({ after }) => after !== null).length,
  };
}
