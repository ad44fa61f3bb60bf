import { playbackLength } from '../../bodies/rate/playback.ts';
import { streamRate } from '../../bodies/rate/streamRate.ts';
import type { Seconds } from '../../units/brand.ts';
import { choicesOf, type Wrong } from '../choose.ts';
import { pick } from '../draw.ts';
import type { Level } from '../question.ts';
import type { Slip } from '../slips.ts';
import type { Draft, Making } from './making.ts';
import { aMode } from './subjects.ts';

const PAIRS: Readonly<Record<Level, readonly (readonly [number, number])[]>> = {
  1: [
    [25, 50],
    [25, 100],
    [24, 120],
    [30, 60],
  ],
  2: [
    [25, 100],
    [24, 120],
    [30, 120],
    [25, 200],
    [24, 96],
    [50, 100],
  ],
  3: [
    [24, 60],
    [25, 60],
    [24, 240],
    [25, 120],
    [30, 180],
    [24, 72],
  ],
};
const MBPS: Readonly<Record<Level, readonly number[]>> = {
  1: [100, 200, 240],
  2: [89, 100, 140, 150, 240, 280],
  3: [89, 137, 178, 218, 263],
};
const TAKES: Readonly<Record<Level, readonly number[]>> = {
  1: [60, 120, 300],
  2: [60, 90, 150, 240, 600],
  3: [50, 105, 230, 345, 1500],
};

/** What a slow-motion mode writes of its picture alone. */
function rateQuestion({ random, level, slip }: Making): Draft | null {
  const Mbps = pick(random, MBPS[level]);
  const [fps, captureFps] = pick(random, PAIRS[level]);
  const mode = aMode(Mbps, { fps, captureFps });
  const rate = streamRate(mode, null);
  if (!rate.ok) return null;
  const right = rate.value.picture / 125_000;
  const off: readonly (readonly [Slip, number])[] = [
    ['not-scaled', Mbps],
    ['wrong-way', (Mbps * fps) / captureFps],
    ['factor-eight', right * 8],
    ['factor-eight', right / 8],
    ['off', (Mbps * captureFps) / 10],
  ];
  const facts = { kind: 'slow-motion', ask: 'rate', mode } as const;
  if (level === 3)
    return {
      facts,
      choices: [],
      typed: { unit: 'Mb/s', right, tolerance: 0.04, slips: off.map(([code, value]) => ({ slip: code, value })) },
    };
  const value = (mbps: number) => ({ kind: 'rate', bytesPerSecond: mbps * 125_000, unit: 'Mb/s' }) as const;
  const wrongs = off.map(([code, mbps]): Wrong => ({ slip: code, value: value(mbps) }));
  const choices = choicesOf(random, value(right), wrongs, { slip, level });
  return choices && { facts, choices, typed: null };
}

/** How long a take plays. */
function playsQuestion({ random, level, slip }: Making): Draft | null {
  const [playback, captured] = pick(random, PAIRS[level]);
  const takeSeconds = pick(random, TAKES[level]);
  const right = playbackLength(takeSeconds as Seconds, captured, playback);
  const off: readonly (readonly [Slip, number])[] = [
    ['not-scaled', takeSeconds],
    ['wrong-way', (takeSeconds * playback) / captured],
    ['minute', right / 60],
    ['off', right * 2],
  ];
  const wrongs = off.map(([code, seconds]): Wrong => ({ slip: code, value: { kind: 'seconds', seconds } }));
  const choices = choicesOf(random, { kind: 'seconds', seconds: right }, wrongs, { slip, level });
  return (
    choices && { facts: { kind: 'slow-motion', ask: 'plays', takeSeconds, captured, playback }, choices, typed: null }
  );
}

/** Slow motion: what it writes, and how long it plays. */
export const makeSlowMotion = (making: Making): Draft | null =>
  making.random() < 0.6 ? rateQuestion(making) : playsQuestion(making);
