/** A round step for about so many lines. */
export function stepFor(most: number, lines: number): number {
  const rough = most / lines;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 2.5, 5, 10].find((one) => one * power >= rough) ?? 10) * power;
}
