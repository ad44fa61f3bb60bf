/** A network of one hidden layer, its numbers as they are kept: a signed byte each, with a scale a layer. */
export interface Network {
  readonly signs: string;
  readonly hidden: number;
  /** Rows of weights of each hidden unit, its constant last; then of each sign. */
  readonly first: Float32Array;
  readonly second: Float32Array;
}

/**
 * How likely each sign is, in the network's order; they sum to 1.
 *
 * @param middle - where what the hidden units come to is written: for whoever learns from it
 */
export function chances(
  { signs, hidden, first, second }: Network,
  ink: Float32Array,
  middle = new Float32Array(hidden),
): Float32Array {
  const inputs = ink.length;
  for (let unit = 0, at = 0; unit < hidden; unit += 1) {
    let sum = 0;
    for (let input = 0; input < inputs; input += 1, at += 1) sum += (first[at] ?? 0) * (ink[input] ?? 0);
    sum += first[at] ?? 0;
    at += 1;
    middle[unit] = Math.max(0, sum);
  }
  const out = new Float32Array(signs.length);
  let most = -Infinity;
  for (let sign = 0, at = 0; sign < signs.length; sign += 1) {
    let sum = 0;
    for (let unit = 0; unit < hidden; unit += 1, at += 1) sum += (second[at] ?? 0) * (middle[unit] ?? 0);
    sum += second[at] ?? 0;
    at += 1;
    out[sign] = sum;
    most = Math.max(most, sum);
  }
  let all = 0;
  for (let sign = 0; sign < out.length; sign += 1) {
    out[sign] = Math.exp((out[sign] ?? 0) - most);
    all += out[sign] ?? 0;
  }
  for (let sign = 0; sign < out.length; sign += 1) out[sign] = (out[sign] ?? 0) / all;
  return out;
}
