// A shoot day planned: how it grows, how near it comes to the optimum of an exact integer programme (HiGHS), and how much
// sooner, in one run.

import { DEFAULT_POLICY } from '../src/core/match/policy.ts';
import { planDay } from '../src/core/rotation/planDay.ts';
import { plannedDay } from '../src/core/rotation/plannedDay.ts';
import type { DayBlock, DayProblem } from '../src/core/rotation/problem.ts';
import demo from '../src/kit/demo.coolreel.json' with { type: 'json' };
import { parseKit } from '../src/kit/importKit.ts';
import { dayClock } from '../src/reading/day/dayClock.ts';
import { smallDay, UNIT } from '../tests/support/dayDraws.ts';
import { leastMissing } from '../tests/support/dayProgramme.ts';
import { highs } from '../tests/support/highs.ts';
import { few } from './few.mjs';

const median = (times: number[]): number => times.sort((a, b) => a - b)[times.length >> 1] as number;
const timed = (task: () => unknown): number => {
  const start = performance.now();
  task();
  return performance.now() - start;
};

/** A large day: 12 bodies, 120 cards of six sizes, 8 readers, two disks; blocks one after another in each body. */
function largeDay(count: number): DayProblem {
  const bodies = Array.from({ length: 12 }, (_, at) => {
    const relays = at % 3 === 0;
    return { id: `b${at}`, housing: relays ? ('relay' as const) : ('one' as const), slots: relays ? 2 : 1, width: 1 };
  });
  const rooms = [20, 35, 50, 65, 90, 130];
  const blocks: DayBlock[] = Array.from({ length: count }, (_, at) => {
    const body = at % 12;
    const from = Math.floor(at / 12) * 5400 + body * 300;
    return {
      id: `k${at}`,
      body,
      from,
      to: from + 3600 + (at % 5) * 300,
      rolling: at % 4 === 0 ? 0.5 : 1,
      gapFree: at % 7 === 0,
      rate: 60e6,
      width: 1,
      fits: Array.from({ length: 120 }, (_, card) =>
        Array.from({ length: bodies[body]?.slots ?? 1 }, () =>
          card % 4 === body % 4
            ? { seconds: (rooms[card % 6] as number) * 60, verdict: 'guaranteed' as const, tone: 'cool' as const }
            : null,
        ),
      ),
    };
  });
  return {
    now: 0,
    bodies,
    blocks: blocks.sort((a, b) => a.from - b.from),
    cards: Array.from({ length: 120 }, (_, at) => ({
      id: `c${at}`,
      read: 250e6,
      readers: [at % 8, (at + 3) % 8],
      kind: `${at % 6} ${at % 4}`,
      start: { kind: 'free' as const, at: 0 },
    })),
    readers: Array.from({ length: 8 }, (_, at) => ({ id: `r${at}`, pace: 170e6 + at * 20e6, slots: 1 + (at % 2) })),
    destinations: [
      { name: 'Disk 1', write: 600e6, read: 600e6, free: 1e15 },
      { name: 'Disk 2', write: 500e6, read: 500e6, free: 1e15 },
    ],
    copies: { count: 2, verify: true, from: 'card' },
    rules: { swap: 30, most: null, changeAt: 1 },
  };
}

console.log('a day of 12 bodies, 120 cards, 8 readers');
let before = 0;
for (const count of few([10, 30, 100, 300, 1000], [10])) {
  const problem = largeDay(count);
  planDay(problem);
  const time = median(Array.from({ length: 3 }, () => timed(() => planDay(problem))));
  const { missing } = planDay(problem);
  const grown = before > 0 ? `, ${(time / before).toFixed(1)} times the one before` : '';
  console.log(`  ${count} blocks: ${time.toFixed(0)} ms, ${(missing / 60).toFixed(0)} min missing${grown}`);
  before = time;
}

const read = await parseKit(JSON.stringify(demo));
if (!read.ok) throw new Error('demo');
const { kit } = read.value;
const [plan] = kit.plans;
const clock = plan && dayClock(plan);
if (!plan || !clock) throw new Error('demo plan');
const press = (now: number) => () => plannedDay({ kit, plan, policy: DEFAULT_POLICY, times: clock, now });
for (const now of [0, 3600, 3600 * 3]) press(now)();
const presses = Array.from({ length: 9 }, (_, at) => timed(press(3600 * (0.5 + at * 0.6))));
console.log(`the demo day planned again after a press: ${median(presses).toFixed(0)} ms (aim 100)`);

const over: number[] = [];
const [own, exact]: [number[], number[]] = [[], []];
for (let seed = 1; seed <= few(300, 3); seed += 1) {
  const day = smallDay(seed);
  let missing = 0;
  let least = 0;
  own.push(timed(() => (missing = planDay(day.problem).missing / UNIT)));
  exact.push(timed(() => (least = leastMissing(day, highs))));
  over.push(Math.round(missing - least));
}
const sum = (times: readonly number[]): number => times.reduce((all, one) => all + one, 0);
const spread = [...new Set(over)].sort((a, b) => a - b);
console.log('300 small days beside the optimum (HiGHS), 10 minutes a unit');
for (const units of spread) console.log(`  ${units} over: ${over.filter((one) => one === units).length} days`);
console.log(`  ${(sum(exact) / sum(own)).toFixed(1)} times as long for the optimum as for the plan`);
