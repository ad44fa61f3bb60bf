/**
 * The entry of a list at a place that is known to be filled: what a cast would claim, this checks.
 *
 * @param place - 0 to the length of the list less one
 * @throws RangeError where nothing stands there: a fault of the program, never of what was given to it
 * @example at([10, 20], 1) // => 20
 */
export function at<T>(list: ArrayLike<T>, place: number): T {
  const found = list[place];
  if (found === undefined) throw new RangeError(`nothing at ${place} of ${list.length}`);
  return found;
}
