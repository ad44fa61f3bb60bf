import { entryAt } from '../entryAt.ts';
import { blockOf, needOf, wantedOf } from './bodyState.ts';
import type { Subject } from './bodySteps.ts';
import { type Candidate, candidatesFor, type Seated, seatedSet } from './pick.ts';

/** To leave what is free for somebody else, until another card is. */
const PASS = -1;

/** Recorded seconds that a body wants of the card it asks for. */
function wanted({ run, state }: Subject, place: number, time: number): number {
  const block = entryAt(run.problem.blocks, place);
  const { recording, unit, wish } = state;
  if (recording.kind === 'between') return wantedOf(block);
  if (recording.kind !== 'rolling' || wish?.what !== 'next' || unit === null) return needOf(state);
  // What it rolls on now holds the rest of itself.
  const rolled = (time - recording.from) * recording.pace;
  return recording.need - rolled - (run.places.left(unit, block) - rolled);
}

/**
 * The cards that a body takes of those that are free: the best by the tactics, or what was chosen for it; null where it takes
 * none. For the block that runs, else for its next.
 */
export function takeCard(subject: Subject, time: number): readonly Seated[] | null {
  const { run, body, state } = subject;
  const { problem, tactics, places, chosen, tell } = run;
  const place = blockOf(state) ?? state.blocks[state.place];
  if (place === undefined) return null;
  const block = entryAt(problem.blocks, place);
  const { housing } = entryAt(problem.bodies, body);
  const open = places.open(body);
  const need = wanted(subject, place, time);
  const { freeSince } = places;
  const all = candidatesFor({ block, need, by: tactics.pick, freeSince, open, rules: problem.rules });
  const found = all.filter(({ card }) => !run.unused[card] && !state.passed.has(card));
  if (housing === 'set' && block.width > 1) return seatedSet({ found, open, width: block.width, block });
  if (found.length === 0) return null;
  const key = `card:${block.id}:${state.picks}`;
  const kinds = new Map<string, number>();
  for (const { card } of found) {
    const { kind } = entryAt(problem.cards, card);
    if (!kinds.has(kind)) kinds.set(kind, card);
  }
  const wished = chosen.get(key);
  if (wished === PASS) {
    tell({ key, at: time, options: [...kinds.values(), PASS], chosen: PASS });
    state.picks += 1;
    if (state.wish) state.wish = { ...state.wish, passedAt: places.freed() };
    for (const { card } of found) state.passed.add(card);
    return null;
  }
  const taken: Candidate = found.find(({ card }) => card === wished) ?? entryAt(found, 0);
  tell({ key, at: time, options: [...kinds.values(), PASS], chosen: taken.card });
  return [{ card: taken.card, slot: taken.slot }];
}
