import type { CardFigure, TraceFigures } from '../../kit/model.ts';
import type { TraceReading } from './trace.ts';

/** To five figures: more than any reader is good for. */
const rounded = <T extends number | null>(value: T): T => (value === null ? null : Number(value.toPrecision(5))) as T;

/** What is kept of a trace with a card. */
export const figuresOf = (reading: TraceReading): TraceFigures => ({
  burstMBps: rounded(reading.burstMBps),
  cacheGB: rounded(reading.cacheGB),
  sustainedMBps: rounded(reading.sustainedMBps),
  floorMBps: rounded(reading.floorMBps),
  stalls: reading.stalls.length,
  stallEveryGB: rounded(reading.stallEveryGB),
  stallSeconds: rounded(reading.stallSeconds),
  throttleFactor: rounded(reading.throttle?.factor ?? null),
  throttleOnsetSeconds: rounded(reading.throttle?.onsetSeconds ?? null),
  throttleOnC: rounded(reading.throttle?.onC ?? null),
  throttleOffC: rounded(reading.throttle?.offC ?? null),
});

/** Figures that mean nothing one without the other. */
const PAIRS: readonly (readonly CardFigure[])[] = [
  ['stallEveryGB', 'stallSeconds'],
  ['throttleAtC', 'resumeAtC'],
];

/** A figure with those that are taken or left with it. */
export const withPair = (figure: CardFigure): readonly CardFigure[] =>
  PAIRS.find((pair) => pair.includes(figure)) ?? [figure];

/** A figure of a heat run that a trace shows. */
export interface OfferedFigure {
  readonly figure: CardFigure;
  readonly value: number;
}

/**
 * The figures of a heat run that a trace shows, and no others: where it never fell there is no burst to be told, and where no
 * temperature was noted no threshold.
 */
export function offeredFigures(trace: TraceFigures): readonly OfferedFigure[] {
  const isSawtooth =
    trace.throttleOnC !== null && trace.throttleOffC !== null && trace.throttleOffC < trace.throttleOnC;
  const offered: readonly (readonly [CardFigure, number | null])[] = [
    ['sustainedMBps', trace.sustainedMBps > 0 ? trace.sustainedMBps : null],
    ['burstMBps', trace.burstMBps],
    ['cacheGB', trace.cacheGB],
    // Both or neither.
    ['stallEveryGB', trace.stallSeconds === null ? null : trace.stallEveryGB],
    ['stallSeconds', trace.stallEveryGB === null ? null : trace.stallSeconds],
    ['throttleFactor', trace.throttleFactor],
    // Both or neither: one measured beside one assumed may stand the wrong way round.
    ['throttleAtC', isSawtooth ? trace.throttleOnC : null],
    ['resumeAtC', isSawtooth ? trace.throttleOffC : null],
  ];
  return offered.flatMap(([figure, value]) =>
    value === null ? [] : [{ figure, value: Number(value.toPrecision(4)) }],
  );
}
