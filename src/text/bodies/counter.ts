import type { CounterAnswer, Extent } from '../../core/bodies/counter/counter.ts';
import type { Body } from '../../core/kit/model.ts';
import { modeTitle } from '../match/cell.ts';
import { plain } from '../quantity.ts';

const between = ({ low, high }: Extent, scale: number, digits: number, unit: string): string => {
  const [a, b] = [plain(low * scale, digits), plain(high * scale, digits)];
  return `${a === b ? a : `${a} – ${b}`}\u00a0${unit}`;
};

/** What a counter gave away, line by line. */
export function counterLines(answer: CounterAnswer, body: Body): readonly string[] {
  const { capped, bucketed, result } = answer;
  const nameOf = (at: number): string => {
    const reading = body.counters?.[at];
    const mode = body.modes.find(({ id }) => id === reading?.modeId);
    return `${mode ? modeTitle(mode) : 'a removed mode'} (${reading?.minutes} min)`;
  };
  const lines: string[] = [];
  if (capped.length > 0) lines.push(`Set aside, the counter’s cap: ${capped.map(nameOf).join(', ')}.`);
  if (bucketed.length > 0) lines.push(`Set aside, one value for several modes: ${bucketed.map(nameOf).join(', ')}.`);
  switch (result.code) {
    case 'too-few':
      return [...lines, `Enter at least ${result.needed} readings of modes with a rate.`];
    case 'no-fit':
      return [...lines, 'No constants explain these readings together. Check them, or the rates of the modes.'];
    case 'odd-one':
      lines.push(`One reading does not fit the others: ${nameOf(result.odd)}. The rest say:`);
      break;
    case 'decoded':
  }
  const { usable, fixed, perFrame } = result.decoded;
  return [
    ...lines,
    `Usable ${between(usable, 100, 1, '%')} of the label.`,
    `Fixed beside the picture ${between(fixed, 8 / 1e6, 1, 'Mb/s')}.`,
    `With every frame ${between(perFrame, 1 / 1e3, 0, 'kB')}.`,
  ];
}

/** Said where a counter shows its end. */
export const COUNTER_END_TEXT = 'The end of the counter: it tells no rate.';
