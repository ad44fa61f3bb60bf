// Fifty of the dearest requests that the server takes at once, on this machine alone: how soon it still answers whether it
// is well, and what became of the fifty. The same question to an idle server is the measure.
import { execFile } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { ROOT, startServer } from '../scripts/lib.mjs';
import { few } from './few.mjs';

const demo = JSON.parse(readFileSync(join(ROOT, 'src', 'kit', 'demo.coolreel.json'), 'utf8'));
const AT_ONCE = 50;
const CROWD = few(3000, 200);
const CROWDS = few(3, 1);
/** Between two questions after its health, milliseconds. */
const PULSE = 20;
const policy = { take: 'once', headroom: 0.15 };

/** As many unlike cards as are still taken, on bodies that write to two slots at once. */
const match = () => {
  const cards = Array.from({ length: 370 }, (_, at) => ({
    ...demo.cards[at % demo.cards.length],
    ...{ id: `c${at}`, label: `C${at}`, readMBps: at + 1 },
  }));
  const [body] = demo.bodies.filter(({ slots }) => slots.length > 1);
  const modes = Array.from({ length: 8 }, (_, at) => ({
    ...body.modes[at % body.modes.length],
    id: `m${at}`,
    name: `Mode ${at}`,
  }));
  const { counters: _counters, ...rest } = body;
  return {
    kit: {
      ...demo,
      bodies: [{ ...rest, modes, arrangement: 'mirrored', approved: [] }],
      cards,
      tests: [],
      takes: [],
      plans: [],
    },
    policy,
  };
};

/** Thousands of runs of a take that throttles and stalls. */
const simulate = () => ({
  ...{ demandMBps: 500, takeSeconds: 3600, bufferMB: 2000 },
  card: {
    busMBps: 1700,
    burstMBps: 1400,
    cacheGB: 60,
    sustainedMBps: 520,
    usableGB: 4000,
    stallEveryGB: 200,
    stallSeconds: 0.5,
  },
  heat: {
    ...{ ambientC: 30, bodyHeatCapacityJPerK: 1200, bodyResistanceKPerW: 2.2, recordingW: 12, bodyLimitC: 90 },
    ...{
      cardHeatCapacityJPerK: 25,
      cardResistanceKPerW: 8,
      idleW: 0.5,
      energyNJPerByte: 6,
      throttleAtC: 75,
      resumeAtC: 70,
      throttleFactor: 0.6,
    },
  },
  risk: { runs: 12_000, seed: 7, spread: 0.05 },
});

// Written beforehand: this process measures, and must not be busy itself.
const MATCH = JSON.stringify(match());
const SIMULATE = JSON.stringify(simulate());

const server = await startServer({ demo: false });
const post = async (path, body) => {
  const start = performance.now();
  const response = await fetch(server.address + path, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'Accept-Encoding': 'gzip' },
    body,
  });
  const text = await response.text();
  return {
    status: response.status,
    code: response.ok ? 'ok' : JSON.parse(text).error.code,
    ms: performance.now() - start,
    again: response.headers.get('retry-after'),
  };
};
const health = async () => {
  const start = performance.now();
  await (await fetch(`${server.address}/api/health`)).text();
  return performance.now() - start;
};
const pulse = async (until) => {
  const times = [];
  while (!until()) {
    times.push(await health());
    await new Promise((resolve) => setTimeout(resolve, PULSE));
  }
  return times.sort((a, b) => a - b);
};
const ms = (value) => `${value?.toFixed(1)} ms`;

try {
  for (const [path, body] of [
    ['/api/match', MATCH],
    ['/api/simulate', SIMULATE],
  ]) {
    const alone = await post(path, body);
    console.log(`${path}, one alone: ${alone.status} ${alone.code} after ${ms(alone.ms)}`);
  }
  const end = performance.now() + 1500;
  const idle = await pulse(() => performance.now() > end);
  let done = false;
  const start = performance.now();
  const all = Promise.all(
    Array.from({ length: AT_ONCE }, (_, at) => (at % 2 ? post('/api/match', MATCH) : post('/api/simulate', SIMULATE))),
  );
  all.finally(() => {
    done = true;
  });
  const busy = await pulse(() => done);
  const answers = await all;
  const count = (status) => answers.filter((one) => one.status === status).length;
  const refused = answers.filter(({ status }) => status === 503);
  console.log(
    `${AT_ONCE} at once: ${count(200)} answered, ${refused.length} refused (503, Retry-After ${refused[0]?.again} s), ${AT_ONCE - count(200) - refused.length} otherwise; all done after ${ms(performance.now() - start)}`,
  );
  console.log(
    `health meanwhile: worst ${ms(busy.at(-1))} of ${busy.length} (aim under 100), median ${ms(busy[Math.floor(busy.length / 2)])}; idle: worst ${ms(idle.at(-1))}, median ${ms(idle[Math.floor(idle.length / 2)])}`,
  );
  let sent = false;
  const crowds = (async () => {
    for (let crowd = 0; crowd < CROWDS; crowd += 1) {
      const args = [join(ROOT, 'bench', 'crowd.mjs'), server.address, String(CROWD)];
      const { stdout } = await promisify(execFile)(process.execPath, args);
      console.log(`${CROWD} light calls at once: ${stdout.trim()}`);
    }
    sent = true;
  })();
  const crowded = await pulse(() => sent);
  await crowds;
  const at = (share) => crowded[Math.min(crowded.length - 1, Math.floor(crowded.length * share))];
  console.log(
    `health meanwhile: 99th percentile ${ms(at(0.99))} of ${crowded.length} (aim under 100), median ${ms(at(0.5))}, worst ${ms(at(1))}`,
  );
} finally {
  await server.stop();
}
