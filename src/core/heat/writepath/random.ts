/** A seeded source of numbers in [0, 1): the same seed gives the same numbers in browser, worker and server. */
export type Random = () => number;

/** Mulberry32: 32 bits of state, integer arithmetic only, so no engine rounds it otherwise. */
export function seeded(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A factor around 1 whose logarithm is normal (Box–Muller) with this spread; never zero or negative. */
export function factor(random: Random, spread: number): number {
  const radius = Math.sqrt(-2 * Math.log(1 - random()));
  return Math.exp(spread * radius * Math.cos(2 * Math.PI * random()));
}
