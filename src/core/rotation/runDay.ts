import { createAgenda, type DayEvent, type EventKind } from './agenda.ts';
import { type Choices, type CopyOrder, createEmptying, EITHER, type Tell } from './emptying.ts';
import type { DayRun, Fork, Shortage, ShortReason } from './outcome.ts';
import { type Candidate, candidatesFor, type PickBy, type Seated, seatedSet } from './pick.ts';
import { createPlaces, DUST, type Places } from './places.ts';
import type { DayBlock, DayProblem } from './problem.ts';

/** How decisions fall where nothing else was chosen. */
export interface Tactics {
  readonly pick: PickBy;
  readonly order: CopyOrder;
  /** Whether a card that is partly used stays in its body for the next block. */
  readonly keep: 'where-it-holds' | 'never';
}

/** A card stays in for a block it cannot hold whole where at least this share of it is left [A]. */
const KEPT_SHARE = 0.5;

/** To leave what is free for somebody else, until another card is. */
const PASS = -1;

/** A card that is free from a moment ahead; the next one stands last. */
interface Later {
  readonly card: number;
  readonly at: number;
}

/** What one body is doing. */
interface BodyState {
  readonly blocks: readonly number[];
  at: number;
  /** The block that is running. */
  block: number | null;
  /** Recorded seconds it still wants. */
  need: number;
  picks: number;
  unit: readonly Seated[] | null;
  /** Of a relay: seated, and ready from `readyAt`. */
  next: readonly Seated[] | null;
  readyAt: number;
  rolling: boolean;
  rollFrom: number;
  pace: number;
  /** Since when it waits for a card in a block; null where it does not. */
  gapFrom: number | null;
  wants: 'unit' | 'next' | null;
  wantsSince: number;
  /** How many cards had come free when it left one to another; null where it did not. */
  passedAt: number | null;
  /** Cards it left to others: it does not take them in this block any more. */
  readonly passed: Set<number>;
  token: number;
}

/**
 * Runs a day from event to event. Nothing looks ahead: a card is taken from those that are free at that moment, a copy begins
 * when its reader and its disks have the pace for it. What could have fallen otherwise is told as forks.
 *
 * @param chosen - decisions by the key of their fork; the others fall by the tactics
 */
export function runDay(problem: DayProblem, tactics: Tactics, chosen: Choices): DayRun {
  const { bodies, blocks, cards, rules } = problem;
  const frees: { card: number; at: number }[] = [];
  const shortages: Shortage[] = [];
  const forks: Fork[] = [];
  const told = new Set<string>();
  const tell: Tell = (key, at, options, taken, leaves = false) => {
    if (told.has(key)) return;
    told.add(key);
    forks.push({ key, at, options, chosen: taken, aside: leaves });
  };
  let inChanges = 0;

  const agenda = createAgenda();
  const later: Later[] = cards
    .flatMap(({ start }, card) => (start.kind === 'free' && start.at > problem.now ? [{ card, at: start.at }] : []))
    .sort((a, b) => b.at - a.at);
  // More to choose from is not always better for a day that does not look ahead: a card or a reader may be left aside.
  const aside = (what: string, id: string): boolean => {
    const key = `${what}:${id}`;
    const left = chosen.get(key) === 1;
    tell(key, problem.now, EITHER, left ? 1 : 0, true);
    return left;
  };
  const unusedCard = cards.map(({ id }) => aside('without', id));
  const closed = problem.readers.map(({ id }) => problem.readers.length > 1 && aside('closed', id));
  const places: Places = createPlaces(problem, (arrival) => emptying.arrive(arrival));
  const emptying = createEmptying(problem, tactics.order, chosen, tell, places.seated, closed);

  const states: BodyState[] = bodies.map((_, body) => ({
    blocks: blocks.flatMap((block, at) => (block.body === body ? [at] : [])),
    ...{
      at: 0,
      block: null,
      need: 0,
      picks: 0,
      unit: null,
      next: null,
      readyAt: 0,
      rolling: false,
      rollFrom: 0,
      pace: 0,
    },
    ...{ gapFrom: null, wants: null, wantsSince: 0, passedAt: null, passed: new Set<number>(), token: 0 },
  }));
  const stateOf = (body: number): BodyState => states[body] as BodyState;
  const blockAt = (at: number): DayBlock => blocks[at] as DayBlock;

  const post = (at: number, kind: EventKind, body: number): void =>
    agenda.post({ at, kind, body, token: stateOf(body).token });

  function short(block: number, from: number, to: number, seconds: number, reason: ShortReason): void {
    if (seconds <= DUST) return;
    const { rate, body } = blockAt(block);
    const width = bodies[body]?.width ?? 1;
    shortages.push({ at: from, to, block, seconds, bytes: seconds * rate * width, reason });
  }

  const usableIn = (block: DayBlock): boolean => block.fits.some((slots) => slots.some((fit) => fit !== null));

  /** Closes a gap at `to`: what would have rolled in it is missing. */
  function closeGap(state: BodyState, to: number, next: number | null): void {
    if (state.gapFrom === null || state.block === null) return;
    const block = blockAt(state.block);
    const from = state.gapFrom;
    state.gapFrom = null;
    const pace = Math.min(1, state.need / Math.max(DUST, block.to - from));
    const missed = Math.min(state.need, (to - from) * pace);
    state.need -= missed;
    const reason: ShortReason = usableIn(block)
      ? { code: 'none-free', card: next, next: next === null ? null : to }
      : { code: 'none-holds' };
    short(state.block, from, to, missed, reason);
  }

  function roll(body: number, time: number): void {
    const state = stateOf(body);
    const block = blockAt(state.block as number);
    const unit = state.unit as readonly Seated[];
    const rest = block.to - time;
    state.pace = rest <= DUST ? 1 : Math.min(1, Math.max(state.need / rest, 0));
    state.rolling = true;
    state.rollFrom = time;
    state.token += 1;
    const left = places.left(unit, block);
    const fills = state.pace > 0 ? time + left / state.pace : block.to;
    const until = Math.min(block.to, fills);
    post(until, 'end', body);
    if (bodies[body]?.housing === 'relay' && fills < block.to - DUST && state.next === null)
      post(Math.max(time, fills - rules.swap), 'relay', body);
  }

  /** Notes what was recorded since the roll began. */
  function account(body: number, time: number): void {
    const state = stateOf(body);
    const at = state.block as number;
    const rolled = Math.min(state.need, (time - state.rollFrom) * state.pace);
    state.rolling = false;
    state.need = Math.max(0, state.need - rolled);
    if (rolled <= DUST) return;
    places.record(state.unit as readonly Seated[], at, state.rollFrom, time, rolled);
  }

  function want(body: number, what: 'unit' | 'next', time: number): void {
    const state = stateOf(body);
    state.wants = what;
    state.wantsSince = time;
    state.passedAt = null;
  }

  /** Whether what is in the body stays for its next block. */
  function keeps(body: number, ended: number): boolean {
    const state = stateOf(body);
    const at = state.blocks[state.at];
    if (at === undefined || state.unit === null) return false;
    const block = blockAt(at);
    const left = places.left(state.unit, block);
    const wanted = (block.to - block.from) * block.rolling;
    if (left <= DUST) return false;
    const relays = bodies[body]?.housing === 'relay';
    const breaks = block.gapFree && !relays && left < wanted - DUST;
    const whole = Math.min(
      ...state.unit.map(({ card, slot }) => (block.fits[card]?.[slot]?.seconds ?? 0) * rules.changeAt),
    );
    const usual = !breaks && tactics.keep === 'where-it-holds' && (left >= wanted - DUST || left >= KEPT_SHARE * whole);
    const key = `keep:${blockAt(ended).id}`;
    const decided = chosen.get(key) ?? Number(usual);
    tell(key, blockAt(ended).to, EITHER, decided);
    return decided === 1;
  }

  function endBlock(body: number, time: number): void {
    const state = stateOf(body);
    const ended = state.block as number;
    if (state.wants !== null || state.gapFrom !== null) {
      state.gapFrom ??= state.wants === 'unit' ? Math.max(state.wantsSince, blockAt(ended).from) : time;
      closeGap(state, time, null);
    }
    if (state.need > DUST) inChanges += state.need;
    state.block = null;
    state.need = 0;
    state.wants = null;
    state.picks = 0;
    state.passed.clear();
    state.at += 1;
    state.token += 1;
    if (state.next) {
      // Ready and not needed: it stays for what comes, else it is free as it was.
      if (state.unit) places.takeOut(body, state.unit, time);
      state.unit = state.next;
      state.next = null;
    }
    if (state.unit && !keeps(body, ended)) {
      places.takeOut(body, state.unit, time);
      state.unit = null;
    }
    announce(body, time);
  }

  /** Sets the clock for the next block of a body. */
  function announce(body: number, time: number): void {
    const state = stateOf(body);
    const at = state.blocks[state.at];
    if (at === undefined) return;
    const { from } = blockAt(at);
    if (state.unit === null) post(Math.max(time, from - rules.swap), 'prepare', body);
    post(from, 'block', body);
  }

  /** The rest of a gap-free block that broke off is not recorded. */
  function breakOff(body: number, time: number, reason: ShortReason): void {
    const state = stateOf(body);
    const at = state.block as number;
    short(at, time, blockAt(at).to, state.need, reason);
    state.need = 0;
    state.wants = null;
    state.gapFrom = null;
    state.token += 1;
    post(blockAt(at).to, 'end', body);
  }

  function unitEnds(body: number, time: number): void {
    const state = stateOf(body);
    if (state.rolling) account(body, time);
    const block = blockAt(state.block as number);
    if (time >= block.to - DUST) {
      const full = state.unit !== null && places.left(state.unit, block) <= DUST;
      if (full) {
        places.takeOut(body, state.unit as readonly Seated[], time);
        state.unit = null;
      }
      endBlock(body, time);
      return;
    }
    const out = state.unit as readonly Seated[];
    places.takeOut(body, out, time);
    state.unit = null;
    const relays = bodies[body]?.housing === 'relay';
    if (relays && state.next) {
      state.unit = state.next;
      state.next = null;
      if (state.readyAt <= time + DUST) {
        roll(body, time);
        return;
      }
      state.gapFrom = time;
      if (block.gapFree) {
        breakOff(body, time, { code: 'none-free', card: state.unit[0]?.card ?? null, next: state.readyAt });
        return;
      }
      state.token += 1;
      post(state.readyAt, 'block', body);
      return;
    }
    if (block.gapFree) {
      const first = out[0] as Seated;
      const reason: ShortReason = relays
        ? { code: 'none-free', card: null, next: null }
        : { code: 'too-long', seconds: block.fits[first.card]?.[first.slot]?.seconds ?? 0, card: first.card };
      breakOff(body, time, reason);
      return;
    }
    want(body, 'unit', time);
    state.token += 1;
    post(block.to, 'end', body);
  }

  function blockBegins(body: number, time: number): void {
    const state = stateOf(body);
    if (state.block === null) {
      const at = state.blocks[state.at] as number;
      const block = blockAt(at);
      state.block = at;
      state.need = (block.to - block.from) * block.rolling;
    }
    const block = blockAt(state.block);
    if (state.unit && state.readyAt <= time + DUST) {
      closeGap(state, time, state.unit[0]?.card ?? null);
      roll(body, time);
      return;
    }
    if (state.gapFrom === null && time <= block.from + DUST) state.gapFrom = time;
    state.token += 1;
    if (state.unit) post(Math.min(state.readyAt, block.to), state.readyAt < block.to ? 'block' : 'end', body);
    else {
      if (state.wants === null) want(body, 'unit', time);
      post(block.to, 'end', body);
    }
  }

  function handle({ kind, body, at }: DayEvent): void {
    const state = stateOf(body);
    if (kind === 'prepare') want(body, 'unit', at);
    else if (kind === 'relay') want(body, 'next', at);
    else if (kind === 'block') blockBegins(body, at);
    else if (state.unit !== null && state.rolling) unitEnds(body, at);
    else if (state.block !== null) endBlock(body, at);
  }

  /** The block a body wants a card for: the one that runs, else its next. */
  const wantedBlock = (state: BodyState): number | undefined => state.block ?? state.blocks[state.at];

  function chosenUnit(body: number, time: number): readonly Seated[] | null {
    const state = stateOf(body);
    const at = wantedBlock(state);
    if (at === undefined) return null;
    const block = blockAt(at);
    const running = state.wants === 'next' && state.unit !== null;
    const rolledSoFar = running ? (time - state.rollFrom) * state.pace : 0;
    const unitRest = running ? places.left(state.unit as readonly Seated[], block) - rolledSoFar : 0;
    const need = state.block === null ? (block.to - block.from) * block.rolling : state.need - rolledSoFar - unitRest;
    const open = places.open(body);
    const all = candidatesFor({ block, need, by: tactics.pick, freeSince: places.freeSince, open, rules });
    const found = all.filter(({ card }) => !unusedCard[card] && !state.passed.has(card));
    if (bodies[body]?.housing === 'set') return seatedSet(found, open, bodies[body]?.width ?? 1, block);
    if (found.length === 0) return null;
    const key = `card:${block.id}:${state.picks}`;
    const kinds = new Map<string, number>();
    for (const { card } of found) {
      const { kind } = cards[card] as (typeof cards)[number];
      if (!kinds.has(kind)) kinds.set(kind, card);
    }
    const wished = chosen.get(key);
    if (wished === PASS) {
      tell(key, time, [...kinds.values(), PASS], PASS);
      state.picks += 1;
      state.passedAt = places.freed();
      for (const { card } of found) state.passed.add(card);
      return null;
    }
    const taken = found.find(({ card }) => card === wished) ?? (found[0] as Candidate);
    tell(key, time, [...kinds.values(), PASS], taken.card);
    return [{ card: taken.card, slot: taken.slot }];
  }

  function serve(time: number): void {
    const wanting: number[] = [];
    for (const [body, { wants, passedAt }] of states.entries())
      if (wants !== null && passedAt !== places.freed()) wanting.push(body);
    if (wanting.length > 1) wanting.sort((a, b) => stateOf(a).wantsSince - stateOf(b).wantsSince || a - b);
    for (const body of wanting) {
      const state = stateOf(body);
      const unit = chosenUnit(body, time);
      if (!unit) continue;
      state.picks += 1;
      places.putIn(body, unit, time);
      const what = state.wants;
      state.wants = null;
      if (what === 'next' && state.unit !== null) {
        state.next = unit;
        state.readyAt = time + rules.swap;
        continue;
      }
      state.unit = unit;
      const block = state.block === null ? null : blockAt(state.block);
      state.readyAt = time + rules.swap;
      if (!block) continue;
      // Waiting is missing; the change itself is not, where changes may fall into the block.
      // A block that follows another at once begins with a change of cards, too.
      if (!block.gapFree && state.gapFrom !== null && time - state.gapFrom < DUST) state.gapFrom = null;
      const began = state.gapFrom !== null;
      if (!began && time > state.wantsSince + DUST) state.gapFrom = state.wantsSince;
      if (!began) closeGap(state, time, unit[0]?.card ?? null);
      state.token += 1;
      if (state.readyAt >= block.to) post(block.to, 'end', body);
      else post(Math.max(state.readyAt, time), 'block', body);
    }
  }

  for (const [card, { start }] of cards.entries()) {
    if (start.kind === 'waiting') {
      if (start.bytes <= 0) places.free(card, start.at);
      else emptying.arrive({ card, bytes: start.bytes, copies: start.copies, left: start.left, at: start.at });
    } else if (start.kind === 'in') {
      const state = stateOf(start.body);
      const one = { card, slot: start.slot };
      places.sit(card, start);
      if (state.unit === null || bodies[start.body]?.housing === 'set') state.unit = [...(state.unit ?? []), one];
      else if (state.next === null) state.next = [one];
      state.readyAt = problem.now;
    }
  }
  for (const [body, state] of states.entries()) {
    const width = bodies[body]?.width ?? 1;
    // A set that is not whole cannot record: its cards wait outside.
    if (state.unit && state.unit.length < width) {
      places.takeOut(body, state.unit, problem.now);
      state.unit = null;
    }
    const first = state.blocks[0];
    if (state.unit && (first === undefined || places.left(state.unit, blockAt(first)) <= DUST)) {
      places.takeOut(body, state.unit, problem.now);
      state.unit = state.next;
      state.next = null;
    }
    // Before a day begins there is time to put cards in.
    announce(body, problem.now === 0 ? -rules.swap : problem.now);
  }
  let now = problem.now;
  emptying.begin(now);
  for (;;) {
    const soonest = Math.min(agenda.next(), emptying.next(), later.at(-1)?.at ?? Number.POSITIVE_INFINITY);
    if (soonest === Number.POSITIVE_INFINITY) {
      emptying.noMore();
      emptying.begin(now);
      if (emptying.next() === Number.POSITIVE_INFINITY) break;
      continue;
    }
    now = soonest;
    while ((later.at(-1)?.at ?? Number.POSITIVE_INFINITY) <= soonest) {
      const { card, at } = later.pop() as Later;
      places.free(card, at);
    }
    for (const card of emptying.endBy(soonest)) {
      places.free(card, soonest);
      frees.push({ card, at: soonest });
    }
    for (let event = agenda.due(soonest); event; event = agenda.due(soonest))
      if (event.token === stateOf(event.body).token || event.kind === 'prepare') handle(event);
    serve(soonest);
    emptying.begin(soonest);
  }
  for (const { card, bytes, since, why } of emptying.stuck())
    shortages.push({ at: since, to: since, block: null, seconds: 0, bytes, reason: { code: why, card } });
  shortages.sort((a, b) => a.at - b.at);
  const { rolls, changes } = places;
  const sittings = [...places.sittings, ...places.stillIn()];
  return {
    ...{ rolls, sittings, changes, frees, shortages, inChanges, forks },
    stages: emptying.stages,
    missing: shortages.reduce((sum, { seconds }) => sum + seconds, 0),
    onDestination: emptying.filled,
    swaps: changes.filter(({ after }) => after !== null).length,
  };
}
