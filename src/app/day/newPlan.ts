import type { Body, Card } from '../../core/kit/model.ts';
import type { Plan, PlanBlock, PlanReader } from '../../core/kit/plan.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import type { Form } from '../../core/standards/forms.ts';
import { newId } from '../../kit/newId.ts';
import { today } from '../kit/today.ts';

/** Forms that one reader commonly takes together [P]. */
const TOGETHER: readonly (readonly Form[])[] = [
  ['sd', 'microsd'],
  ['cfexpress-a', 'cfexpress-b', 'cfexpress-c', 'xqd'],
  ['cfast', 'cf'],
  ['usb-ssd', 'module'],
];

/** A reader for each group of forms in the wallet; its speed is assumed, and shown as such until it is entered [A]. */
function readersFor(cards: readonly Card[]): readonly PlanReader[] {
  return TOGETHER.flatMap((forms): PlanReader[] => {
    const own = forms.filter((form) => cards.some((card) => card.form === form));
    if (own.length === 0) return [];
    const isSd = forms.includes('sd');
    return [{ id: newId(), name: isSd ? 'SD reader' : 'Reader', forms: own, MBps: isSd ? 90 : 300, slots: 1 }];
  });
}

/** Where the clock of this device stands. */
const ownZone = (): string | null => {
  try {
    return Intl.DateTimeFormat().resolvedOptions().timeZone || null;
  } catch {
    return null;
  }
};

/** A day to begin with: today, every card in use, two copies on two disks, verified. */
export function newPlan(cards: readonly Card[]): Plan {
  const inUse = cards.filter(({ retired }) => !retired);
  return {
    id: newId(),
    name: 'Shoot day',
    date: today(),
    start: '08:00',
    timeZone: ownZone(),
    blocks: [],
    cardIds: inUse.slice(0, 200).map(({ id }) => id),
    readers: readersFor(inUse),
    copies: {
      count: 2,
      verify: true,
      from: 'card',
      destinations: [
        { name: 'Disk 1', writeMBps: 120, readMBps: 120, freeGB: 2000 },
        { name: 'Disk 2', writeMBps: 120, readMBps: 120, freeGB: 2000 },
      ],
    },
    rules: { swapSeconds: 30, mostMinutesOnOneCard: null, changeAtPercent: 100, gapFreeMinutes: null, alsoUse: null },
    speedsAssumed: true,
    airProfile: [],
    log: [],
  };
}

const two = (value: number): string => String(value).padStart(2, '0');
/** HH:MM of minutes since midnight. */
const clockTimeOf = (minutes: number): string => {
  const rest = ((Math.round(minutes) % 1440) + 1440) % 1440;
  return `${two(Math.floor(rest / 60))}:${two(rest % 60)}`;
};
const minutesOf = (time: string): number => {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return hours * 60 + minutes;
};

/** A block behind the last one of the plan, or at its start. */
export function newBlock(plan: Plan, bodies: readonly Body[]): PlanBlock {
  const ends = plan.blocks.map(({ from, minutes }) => minutesOf(from) + minutes);
  const last = plan.blocks.at(-1);
  const body = bodies.length === 1 ? bodies[0] : undefined;
  const from = ends.length > 0 && last ? clockTimeOf(minutesOf(last.from)) : plan.start;
  return {
    id: newId(),
    name: '',
    bodyId: body?.id ?? '',
    modeId: body?.modes.length === 1 ? (body.modes[0]?.id ?? '') : '',
    from,
    day: null,
    minutes: 60,
    rolling: 1,
    gapFree: false,
    ambientC: null,
    sunC: 0,
    sun: null,
  };
}

/** The mode of a block; undefined where it or its body is gone. */
export const modeOf = (bodies: readonly Body[], { bodyId, modeId }: Pick<PlanBlock, 'bodyId' | 'modeId'>) =>
  bodies.find(({ id }) => id === bodyId)?.modes.find(({ id }) => id === modeId);

/** Which day a clock time falls on where nothing else is told: before the plan's start it is the next. */
const impliedDay = (from: string, start: string): number => (from < start ? 1 : 0);

/** A block moved and made longer by so many minutes; over midnight it changes its day, never to one before the first. */
export function shiftedBlock(
  block: PlanBlock,
  { start: begin }: Pick<Plan, 'start'>,
  start: number,
  longer: number,
): PlanBlock {
  const minutes = Math.min(RANGES.blockMinutes.max, Math.max(5, block.minutes + longer));
  if (start === 0) return { ...block, minutes };
  const at = minutesOf(block.from) + start;
  const day = (block.day ?? impliedDay(block.from, begin)) + Math.floor(at / 1440);
  if (day < 0 || day > RANGES.planDay.max) return { ...block, minutes };
  const from = clockTimeOf(at);
  return { ...block, minutes, from, day: day === impliedDay(from, begin) ? null : day, turn: null };
}
