import { bitsPerPixel, type Doubt, doubts } from '../../core/bodies/rate/plausibility.ts';
import { streamRate } from '../../core/bodies/rate/streamRate.ts';
import type { Body } from '../../core/kit/model.ts';

/** What looks wrong with the rate of one mode, beside the other modes of its body. */
export function modeDoubts(body: Body, at: number): readonly Doubt[] {
  const mode = body.modes[at];
  const rate = mode ? streamRate(mode) : null;
  if (!mode || !rate?.ok) return [];
  const fps = mode.captureFps ?? mode.fps;
  const neighbours = body.modes.flatMap((other) => {
    if (other.id === mode.id || other.codec !== mode.codec) return [];
    const its = streamRate(other);
    const { width, height } = other;
    const bits = its.ok
      ? bitsPerPixel({ rate: its.value.picture, width, height, fps: other.captureFps ?? other.fps })
      : null;
    return bits === null ? [] : [bits];
  });
  const { codec, width, height } = mode;
  return doubts({ rate: rate.value.picture, codec, width, height, fps, neighbours });
}
