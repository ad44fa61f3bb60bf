import type { Body, Card } from '../../core/kit/model.ts';
import type { Plan, Turn } from '../../core/kit/plan.ts';
import type { DayNames } from './day.ts';

/** A clock of the day, as its sentences need it. */
interface WallClock {
  readonly onWall: (seconds: number) => { readonly time: string; readonly day: number; readonly turn: Turn | null };
}

/** What is said behind a clock time that comes twice that night. */
const TURN_WORDS: Readonly<Record<Turn, string>> = { first: '1st', second: '2nd' };

/** Which of two, before and after the clocks go back. */
export const TURN_LABELS: Readonly<Record<Turn, string>> = { first: 'the first', second: 'the second, an hour later' };

/** HH:MM, with the day where it is not the plan's own, and which of two where it comes twice. */
function clockOf(clock: WallClock, seconds: number): string {
  const { time, day, turn } = clock.onWall(seconds);
  const said = turn === null ? time : `${time} (${TURN_WORDS[turn]})`;
  return day === 0 ? said : `${said} ${day > 0 ? `+${day} d` : `−${-day} d`}`;
}

/** What the things of a day are called. */
export function dayNames(
  { bodies, cards }: { readonly bodies: readonly Body[]; readonly cards: readonly Card[] },
  plan: Plan,
  clock: WallClock,
): DayNames {
  const body = new Map(bodies.map((one) => [one.id, one]));
  const card = new Map(cards.map(({ id, label }) => [id, label]));
  const mode = (bodyId: string, modeId: string): string =>
    body.get(bodyId)?.modes.find(({ id }) => id === modeId)?.name ?? 'a mode that is gone';
  return {
    body: (id) => body.get(id)?.name ?? 'a camera that is gone',
    card: (id) => card.get(id) || 'the new card',
    reader: (id) => plan.readers.find((one) => one.id === id)?.name ?? 'a reader',
    mode,
    block(id) {
      const block = plan.blocks.find((one) => one.id === id);
      if (!block) return 'a block';
      return block.name || `${body.get(block.bodyId)?.name ?? 'Block'} ${block.from}`;
    },
    clock: (seconds) => clockOf(clock, seconds),
  };
}
