/**
 * The entry of a list at a place that is known to be filled: what a cast would claim, this checks. Inner loops (runs
 * of heat, boards, traces, tables of cards, whatever reads typed arrays) keep their casts: one function that reads every kind
 * of array doubles their time.
 *
 * @param place - 0 to the length of the list less one
 * @throws RangeError where nothing stands there: a fault of the program, never of what was given to it
 * @example entryAt([10, 20], 1) // => 20
 */
export function entryAt<T>(list: readonly T[], place: number): T {
  const found = list[place];
  if (found === undefined) throw new RangeError(`nothing at ${place} of ${list.length}`);
  return found;
}
