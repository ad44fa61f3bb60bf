import { bitsPerPixel, type Doubt, doubts, middleWithout } from '../../core/bodies/rate/plausibility.ts';
import { streamRate } from '../../core/bodies/rate/streamRate.ts';
import type { Body, Codec, Mode } from '../../core/kit/model.ts';
import type { BytesPerSecond } from '../../core/units/brand.ts';
import { fromMegabits } from '../../core/units/convert.ts';

/** A mode as its row in the form shows it. */
export interface ModeRow {
  readonly mode: Mode;
  /** What its maker states; null where the rate comes from elsewhere. */
  readonly stated: BytesPerSecond | null;
  /** What it writes at its peak; null where no rate comes of it. */
  readonly peak: BytesPerSecond | null;
  /** What looks wrong with its rate, beside the other modes of its body. */
  readonly doubts: readonly Doubt[];
}

/** Every mode of a body as a row, each rate worked out once. */
export function modeRows(body: Pick<Body, 'modes' | 'statedHolds'>): readonly ModeRow[] {
  const rated = body.modes.map((mode) => {
    const rate = streamRate(mode, body);
    const { width, height } = mode;
    const fps = mode.captureFps ?? mode.fps;
    const bits = rate.ok ? bitsPerPixel({ rate: rate.value.picture, width, height, fps }) : null;
    return { mode, rate, fps, bits };
  });
  const byCodec = new Map<Codec, number[]>();
  for (const { mode, bits } of rated)
    if (bits !== null) byCodec.set(mode.codec, [...(byCodec.get(mode.codec) ?? []), bits]);
  for (const bits of byCodec.values()) bits.sort((a, b) => a - b);
  return rated.map(({ mode, rate, fps, bits }) => {
    const { stated } = ratesOf(mode, body);
    if (!rate.ok) return { mode, stated: null, peak: null, doubts: [] };
    const { codec, width, height } = mode;
    const neighbour = middleWithout(byCodec.get(codec) ?? [], bits);
    return {
      mode,
      stated,
      peak: rate.value.peak,
      doubts: doubts({
        rate: rate.value.picture,
        ...{ codec, width, height, fps, neighbour },
        isComputed: mode.rate.kind !== 'stated',
      }),
    };
  });
}

/** What a mode states and what it then writes at its peak; null where it states, or writes, nothing. */
export function ratesOf(
  mode: Mode,
  body: Pick<Body, 'statedHolds'> | null,
): { readonly stated: BytesPerSecond | null; readonly peak: BytesPerSecond | null } {
  const rate = streamRate(mode, body);
  return {
    stated: mode.rate.kind === 'stated' ? fromMegabits(mode.rate.Mbps) : null,
    peak: rate.ok ? rate.value.peak : null,
  };
}
