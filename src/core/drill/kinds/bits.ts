import { GiB } from '../../units/convert.ts';
import { choicesOf, type Wrong } from '../choose.ts';
import { pick } from '../draw.ts';
import type { AnswerValue, Facts, Typed } from '../question.ts';
import type { Slip } from '../slips.ts';
import type { Draft, Making } from './making.ts';

const ROUND_MBPS = [80, 160, 200, 240, 400, 480, 600, 800];
const MET_MBPS = [50, 75, 100, 140, 150, 170, 280, 360, 500, 720, 1200];
const UNROUND_MBPS = [89, 93, 137, 178, 218, 263, 311, 437, 553, 681, 890, 1137];
const CARDS_GB = [32, 64, 128, 256, 512, 1000, 2000];

const rate = (bytesPerSecond: number, unit: 'MB/s' | 'Mb/s'): AnswerValue => ({ kind: 'rate', bytesPerSecond, unit });

const typedOf = (unit: Typed['unit'], right: number, slips: Typed['slips']): Typed => ({
  unit,
  right,
  tolerance: 0.04,
  slips,
});

/** Converts a rate the one way or the other. */
function converted({ random, level, slip }: Making, Mbps: number): Draft | null {
  const toBytes = random() < 0.5;
  const bytesPerSecond = Mbps * 125_000;
  const unit = toBytes ? 'MB/s' : 'Mb/s';
  // In the unit that is asked for.
  const given = toBytes ? Mbps : Mbps / 8;
  const right = toBytes ? Mbps / 8 : Mbps;
  const off: readonly (readonly [Slip, number])[] = [
    ['factor-eight', given],
    ['factor-ten', toBytes ? given / 10 : given * 10],
    ['wrong-way', toBytes ? given * 8 : given / 8],
    ['off', toBytes ? given / 4 : given * 4],
  ];
  const inBytes = (value: number): number => (toBytes ? value * 1e6 : value * 125_000);
  const facts: Facts = { kind: 'bits', ask: toBytes ? 'to-bytes' : 'to-bits', bytesPerSecond };
  if (level === 3)
    return {
      facts,
      choices: [],
      typed: typedOf(
        unit,
        right,
        off.map(([code, value]) => ({ slip: code, value })),
      ),
    };
  const wrongs = off.map(([code, value]): Wrong => ({ slip: code, value: rate(inBytes(value), unit) }));
  const choices = choicesOf(random, rate(bytesPerSecond, unit), wrongs, { slip, level });
  return choices && { facts, choices, typed: null };
}

function perMinute({ random, level, slip }: Making, Mbps: number): Draft | null {
  const bytesPerSecond = Mbps * 125_000;
  const right = (Mbps / 8) * 0.06;
  const off: readonly (readonly [Slip, number])[] = [
    ['minute', Mbps / 8 / 1000],
    ['factor-eight', Mbps * 0.06],
    ['wrong-way', Mbps / 8 / 60],
    ['factor-ten', (Mbps / 10) * 0.06],
  ];
  const facts: Facts = { kind: 'bits', ask: 'per-minute', bytesPerSecond };
  if (level === 3)
    return {
      facts,
      choices: [],
      typed: typedOf(
        'GB',
        right,
        off.map(([code, value]) => ({ slip: code, value })),
      ),
    };
  const wrongs = off.map(([code, GB]): Wrong => ({ slip: code, value: { kind: 'per-minute', GB } }));
  const choices = choicesOf(random, { kind: 'per-minute', GB: right }, wrongs, { slip, level });
  return choices && { facts, choices, typed: null };
}

/** The same room in the count of a computer: nothing is lost. */
function computer({ random, level, slip }: Making): Draft | null {
  const GB = pick(random, CARDS_GB);
  const shown = Math.floor((GB * 1e9) / GiB);
  const wrongs: readonly Wrong[] = [
    { slip: 'binary', value: { kind: 'room', GB: shown } },
    { slip: 'binary', value: { kind: 'room', GB: Math.floor((shown * 1e9) / GiB) } },
    { slip: 'factor-eight', value: { kind: 'room', GB: GB / 8 } },
    { slip: 'factor-ten', value: { kind: 'room', GB: GB / 10 } },
    { slip: 'off', value: { kind: 'room', GB: GB * 1.25 } },
  ];
  const facts: Facts = { kind: 'bits', ask: 'computer', GB, GiB: shown };
  const choices = choicesOf(random, { kind: 'room', GB }, wrongs, { slip, level });
  return choices && { facts, choices, typed: null };
}

/** Bits and bytes: a rate from one into the other, gigabytes a minute, and the count of a computer. */
export function makeBits(making: Making): Draft | null {
  const { random, level, slip } = making;
  const Mbps = pick(random, level === 1 ? ROUND_MBPS : level === 2 ? [...ROUND_MBPS, ...MET_MBPS] : UNROUND_MBPS);
  if (slip === 'binary') return computer(making);
  return slip === 'minute' ? perMinute(making, Mbps) : converted(making, Mbps);
}
