import type { CounterAnswer, CounterRate, Extent } from '../../core/bodies/counter/counter.ts';
import { type Body, COUNTER_ROUNDINGS, type CounterRounding } from '../../core/kit/model.ts';
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
  if (capped.length > 0)
    lines.push(`Not used, because the counter shows its largest value: ${capped.map(nameOf).join(', ')}.`);
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
    roundsText(answer),
    `Usable ${between(usable, 100, 1, '%')} of the label.`,
    `Fixed beside the picture ${between(fixed, 8 / 1e6, 1, 'Mb/s')}.`,
    `With every frame ${between(perFrame, 1 / 1e3, 0, 'kB')}.`,
  ];
}

const ROUNDS_WORDS: Readonly<Record<CounterRounding, string>> = {
  down: 'rounds down',
  nearest: 'rounds to the nearest',
  up: 'rounds up',
};

/** How a counter is taken to round, and why. */
export function roundsText({ rounds, roundsBy }: Pick<CounterAnswer, 'rounds' | 'roundsBy'>): string {
  const does = ROUNDS_WORDS[rounds];
  if (roundsBy === 'told') return `It ${does}, as you told.`;
  if (roundsBy === 'found') return `Only a counter that ${does} shows these minutes together.`;
  return `Taken for granted: it ${does}, as most do.`;
}

const rateBetween = ({ lowMbps, highMbps }: { readonly lowMbps: number; readonly highMbps: number }): string =>
  `${plain(lowMbps, 0)} to ${plain(highMbps, 0)}\u00a0Mb/s`;

/** What readings say of a rate, with what is taken for granted in it. */
export const counterRateText = (rate: CounterRate): string =>
  `Its readings say ${rateBetween(rate)}${rate.roundsBy === 'told' ? '' : ` if the counter ${ROUNDS_WORDS[rate.rounds]}${rate.roundsBy === 'found' ? ', as only such a one shows them all' : ', as most do'}`}.`;

/** What they would say in each way of rounding, in the order of the ways. */
export const roundingTexts = ({ by }: CounterRate): readonly (readonly [CounterRounding, string])[] =>
  COUNTER_ROUNDINGS.map((rounds) => {
    const rate = by[rounds];
    return [rounds, `${ROUNDS_WORDS[rounds]}: ${rate ? rateBetween(rate) : 'these minutes tell no rate'}`];
  });

/** Said where a counter shows its end. */
export const COUNTER_END_TEXT = 'The end of the counter: it tells no rate.';
