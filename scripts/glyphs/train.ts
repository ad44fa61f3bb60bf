import type { Random } from '../../src/core/heat/writepath/random.ts';
import { chances, type Network } from '../../src/core/photo/glyphs/network.ts';

interface Example {
  readonly ink: Float32Array;
  readonly is: number;
}

/** Likelihood that is asked of the right sign: certainty is never learnt. */
const RIGHT = 0.98;
const [FASTEST, SLOWEST] = [0.02, 0.0005] as const;

const anew = (random: Random, rows: number, inputs: number): Float32Array =>
  new Float32Array(rows * (inputs + 1)).map(() => (random() * 2 - 1) * Math.sqrt(3 / inputs));

function shuffle(random: Random, all: Example[]): void {
  for (let at = all.length - 1; at > 0; at -= 1) {
    const other = Math.floor(random() * (at + 1));
    [all[at], all[other]] = [all[other] as Example, all[at] as Example];
  }
}

/** How a network does on examples that it did not learn from. */
export function tried(network: Network, examples: readonly Example[]): string {
  let [right, sure, wrong] = [0, 0, 0];
  for (const { ink, is } of examples) {
    const all = chances(network, ink);
    const most = Math.max(...all);
    if (all[is] === most) right += 1;
    if (most <= 0.9) continue;
    sure += 1;
    if (all[is] !== most) wrong += 1;
  }
  return `${((100 * right) / examples.length).toFixed(2)} % of ${examples.length} right; sure of ${sure}, of them ${wrong} wrong`;
}

/**
 * Learns by descent along the gradient, an example at a time, each step smaller than the last.
 *
 * @param onRound - told the network after each round over all examples
 */
export function trained(
  examples: readonly Example[],
  { signs, hidden, rounds, random }: { signs: string; hidden: number; rounds: number; random: Random },
  onRound: (network: Network, round: number) => void,
): Network {
  const inputs = examples[0]?.ink.length ?? 0;
  const [first, second] = [anew(random, hidden, inputs), anew(random, signs.length, hidden)];
  const network: Network = { signs, hidden, first, second };
  const own = [...examples];
  const middle = new Float32Array(hidden);
  const back = new Float32Array(hidden);
  const learn = ({ ink, is }: Example, rate: number): void => {
    const out = chances(network, ink, middle);
    back.fill(0);
    for (let sign = 0; sign < signs.length; sign += 1) {
      const error = (out[sign] ?? 0) - (sign === is ? RIGHT : (1 - RIGHT) / (signs.length - 1));
      const row = sign * (hidden + 1);
      for (let unit = 0; unit < hidden; unit += 1) {
        const weight = second[row + unit] ?? 0;
        back[unit] = (back[unit] ?? 0) + error * weight;
        second[row + unit] = weight - rate * error * (middle[unit] ?? 0);
      }
      second[row + hidden] = (second[row + hidden] ?? 0) - rate * error;
    }
    for (let unit = 0; unit < hidden; unit += 1) {
      if ((middle[unit] ?? 0) <= 0) continue;
      const step = rate * (back[unit] ?? 0);
      const row = unit * (inputs + 1);
      for (let at = 0; at < inputs; at += 1) first[row + at] = (first[row + at] ?? 0) - step * (ink[at] ?? 0);
      first[row + inputs] = (first[row + inputs] ?? 0) - step;
    }
  };
  for (let round = 1; round <= rounds; round += 1) {
    shuffle(random, own);
    const rate = FASTEST * (1 - (round - 1) / rounds) + SLOWEST;
    for (const example of own) learn(example, rate);
    onRound(network, round);
  }
  return network;
}
