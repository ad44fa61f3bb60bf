import { LEARNT } from './learnt.ts';
import { chances, type Network } from './network.ts';

/** Numbers kept as bytes, two hexadecimal digits each, 128 for nought. */
const numbers = ({ scale, text }: { readonly scale: number; readonly text: string }): Float32Array =>
  Float32Array.from(
    { length: text.length / 2 },
    (_, at) => (Number.parseInt(text.slice(at * 2, at * 2 + 2), 16) - 128) * scale,
  );

let network: Network | null = null;

/** How likely a sign is each of those that marks are made of. */
export interface SignChances {
  readonly of: (sign: string) => number;
}

/** What a sign is likely to be, from what was learnt of many typefaces; made ready at the first use. */
export function signChances(ink: Float32Array): SignChances {
  network ??= {
    signs: LEARNT.signs,
    hidden: LEARNT.hidden,
    first: numbers(LEARNT.first),
    second: numbers(LEARNT.second),
  };
  const { signs } = network;
  const own = chances(network, ink);
  return { of: (sign) => own[signs.indexOf(sign)] ?? 0 };
}
