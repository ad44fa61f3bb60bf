// Writes the files that ship to be tried, and the traces of the demo kit. All are made here, by the write-path model and a
// drawn test picture; ffmpeg is needed once.
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { factor, seeded } from '../src/core/heat/writepath/random.ts';
import { simulate } from '../src/core/heat/writepath/simulate.ts';
import type { Simulation } from '../src/core/heat/writepath/simulation.ts';
import { createReader } from '../src/core/heat/writepath/stateAt.ts';
import { analyseTrace } from '../src/core/prove/trace/analyse.ts';
import { figuresOf } from '../src/core/prove/trace/offered.ts';

const HEAT = {
  ambientC: 24,
  bodyHeatCapacityJPerK: 400,
  bodyResistanceKPerW: 4,
  recordingW: 1,
  bodyLimitC: 200,
  cardHeatCapacityJPerK: 18,
  cardResistanceKPerW: 7,
  idleW: 0.4,
  energyNJPerByte: 9,
  throttleAtC: 140,
  resumeAtC: 130,
  throttleFactor: 0.5,
};
// A writer that never waits: what is accepted is what the card takes.
const endless = (card: Simulation['card'], heat: Simulation['heat'], takeSeconds: number): Simulation => ({
  demandMBps: card.busMBps,
  takeSeconds,
  bufferMB: 1e12,
  card,
  heat,
});

interface Row {
  readonly second: number;
  readonly MBps: number;
  readonly celsius: number;
}

/** A row a second, with the noise of a reader. */
function rows(sim: Simulation, seed: number): readonly Row[] {
  const random = seeded(seed);
  const result = simulate(sim);
  const { timeline } = result;
  const stateAt = createReader(sim, result);
  const accepted = (at: number): number => timeline.findLast(({ seconds }) => seconds <= at + 1e-9)?.acceptedMBps ?? 0;
  return Array.from({ length: sim.takeSeconds }, (_, second) => {
    const tenths = Array.from({ length: 10 }, (__, at) => accepted(second + at / 10));
    const mean = tenths.reduce((sum, one) => sum + one, 0) / 10;
    return {
      second,
      MBps: Math.round(mean * factor(random, 0.012) * 10) / 10,
      celsius: Math.round(stateAt(second).cardC * 10) / 10,
    };
  });
}

const cache = rows(
  endless({ busMBps: 312, burstMBps: 268, cacheGB: 5.2, sustainedMBps: 94, usableGB: 64 }, HEAT, 240),
  11,
);
const sun = rows(
  endless(
    { busMBps: 1800, burstMBps: 880, cacheGB: 0, sustainedMBps: 880, usableGB: 480 },
    {
      ...HEAT,
      ambientC: 34,
      energyNJPerByte: 9.6,
      cardHeatCapacityJPerK: 14,
      throttleAtC: 74,
      resumeAtC: 66,
      throttleFactor: 0.34,
    },
    420,
  ),
  12,
);
writeFileSync(
  'public/samples/card-with-cache.csv',
  `time (s),MB/s\n${cache.map(({ second, MBps }) => `${second},${MBps}`).join('\n')}\n`,
);
// As other programs write it: semicolons, milliseconds, decimal commas, the temperature in front.
const comma = (value: number): string => String(value).replace('.', ',');
writeFileSync(
  'public/samples/card-in-the-sun.csv',
  `temperature (°C);elapsed (ms);write (MB/s)\n${sun.map(({ second, MBps, celsius }) => `${comma(celsius)};${second * 1000};${comma(MBps)}`).join('\n')}\n`,
);
execFileSync('ffmpeg', [
  ...['-v', 'error', '-y', '-f', 'lavfi', '-i', 'testsrc2=s=640x360:r=25:d=12', '-f', 'lavfi', '-i', 'sine=f=220:d=12'],
  ...[
    '-c:v',
    'libx264',
    '-preset',
    'veryslow',
    '-g',
    '12',
    '-pix_fmt',
    'yuv420p',
    '-b:v',
    '400k',
    '-maxrate',
    '600k',
    '-bufsize',
    '600k',
  ],
  ...[
    '-c:a',
    'aac',
    '-b:a',
    '32k',
    '-fflags',
    '+bitexact',
    '-flags:v',
    '+bitexact',
    '-flags:a',
    '+bitexact',
    '-movflags',
    '+faststart',
  ],
  'public/samples/mooring-test.mp4',
]);

/** A bench of the demo kit with its series. */
function bench(id: string, cardId: string, all: readonly Row[], hasDegrees: boolean, more: object) {
  const MBps = all.map((row) => row.MBps);
  const reading = analyseTrace({
    seconds: Float64Array.from(MBps.keys()),
    MBps: Float64Array.from(MBps),
    celsius: hasDegrees ? Float64Array.from(all, ({ celsius }) => celsius) : null,
  });
  const round = (value: number): number => Number(value.toPrecision(5));
  const figures = Object.fromEntries(
    Object.entries(figuresOf(reading)).map(([key, value]) => [key, typeof value === 'number' ? round(value) : value]),
  );
  return {
    series: { id: `${id}-series`, kind: 'write', MBps },
    bench: {
      id,
      cardId,
      program: 'sequential',
      readMBps: null,
      writeMBps: round((reading.GB * 1000) / reading.seconds),
      lowestWriteMBps: round(reading.floorMBps),
      writtenGB: round(reading.GB),
      writeSeconds: reading.seconds,
      trace: figures,
      seriesId: `${id}-series`,
      ...more,
    },
  };
}
const path = 'src/kit/demo.coolreel.json';
const kit = JSON.parse(readFileSync(path, 'utf8'));
const [first, second] = process.argv.slice(2);
if (first && second) {
  const made = [
    bench('bench-cache', first, cache, false, {
      date: '2026-05-28',
      reader: 'desk reader',
      port: 'USB, 10 Gb/s',
      note: 'card-with-cache.csv',
    }),
    bench('bench-sun', second, sun, true, {
      date: '2026-05-30',
      reader: 'bus-powered reader',
      port: 'USB, 10 Gb/s',
      note: 'in the sun on deck, card-in-the-sun.csv',
    }),
  ];
  const others = (list: readonly { readonly id: string }[] | undefined) =>
    (list ?? []).filter(({ id }) => !id.startsWith('bench-'));
  kit.benches = [...others(kit.benches), ...made.map((one) => one.bench)];
  kit.series = [...others(kit.series), ...made.map((one) => one.series)];
  writeFileSync(path, `${JSON.stringify(kit, null, 2)}\n`);
}
