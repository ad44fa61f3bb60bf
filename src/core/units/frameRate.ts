import type { FramesPerSecond } from './brand.ts';

/**
 * The exact frame rate behind a printed one: 23.976 (or 23.98), 29.97, 59.94, 119.88 and their like are
 * n × 1000 ÷ 1001 [S: SMPTE ST 274, value from memory]; every other value stands as it is.
 *
 * @param printed - frames per second; > 0
 * @example exactFrameRate(29.97) // => 30000 / 1001
 */
export function exactFrameRate(printed: number): FramesPerSecond {
  const whole = Math.round((printed * 1001) / 1000);
  const drop = (whole * 1000) / 1001;
  const isPrintedForm = Math.abs(printed - drop) < 0.005 && !Number.isInteger(printed);
  return (isPrintedForm ? drop : printed) as FramesPerSecond;
}
