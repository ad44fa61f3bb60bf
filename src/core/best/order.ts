import { streamRate } from '../bodies/rate/streamRate.ts';
import type { Body, Codec, Mode } from '../kit/model.ts';

/** Codecs by how little they leave out. */
const CODECS: readonly Codec[] = ['raw', 'intra', 'long-gop'];

const pixels = ({ width, height }: Mode): number => (width ?? 0) * (height ?? 0);
const speed = ({ fps, captureFps }: Mode): number => captureFps ?? fps;

/**
 * The modes of a body, the best first: by picture, then by how little the codec leaves out, then by frames a second, then by
 * rate. Of equal ones the order of the body stays. It is an order to begin with [A]: what somebody wants is theirs to say.
 */
export function bestFirst(body: Pick<Body, 'modes'> & Body): readonly Mode[] {
  const rates = new Map(
    body.modes.map((mode) => {
      const rate = streamRate(mode, body);
      return [mode, rate.ok ? rate.value.average : 0];
    }),
  );
  return [...body.modes].sort(
    (a, b) =>
      pixels(b) - pixels(a) ||
      CODECS.indexOf(a.codec) - CODECS.indexOf(b.codec) ||
      speed(b) - speed(a) ||
      (rates.get(b) ?? 0) - (rates.get(a) ?? 0),
  );
}
