import { expect, test } from 'vitest';
import { framesOf } from './frames.ts';
import { handRate } from './measureActions.ts';

const file = (name: string, size: number) => ({ name, size, webkitRelativePath: `Take 4/${name}` });

test('frames are the files of the commonest kind and a like size', () => {
  const frames = Array.from({ length: 48 }, (_, at) => file(`frame_${at}.DNG`, 12_000_000 + at * 1000));
  const others = [
    file('.DS_Store', 6000),
    file('sound.wav', 9_000_000),
    file('frame_48.dng', 0),
    file('thumb.dng', 40_000),
  ];
  expect(framesOf([...others, ...frames])).toEqual({
    folder: 'Take 4',
    count: 48,
    bytes: 48 * 12_000_000 + (1000 * 48 * 47) / 2,
    odd: 4,
  });
  expect(framesOf([file('.hidden', 4), file('noending', 4)])).toBeNull();
  expect(framesOf([])).toBeNull();
});

test.each([
  [12.8, 600, 170.67],
  [1, 8000, 1],
] as const)('%f GB in %f s is %f Mb/s', (gigabytes, seconds, Mbps) => {
  expect(handRate(gigabytes, seconds)).toMatchObject({ kind: 'stated', is: 'average', source: 'measured', Mbps });
});

test.each([
  ['', 600],
  [12, ''],
  ['1,200', 3],
  [-1, 5],
  [0, 5],
  [Number.NaN, 5],
  [5, Number.POSITIVE_INFINITY],
  // Faster than any bus: a slip of units.
  [5000, 0.01],
])('%j GB in %j s is no rate yet', (gigabytes, seconds) => {
  expect(handRate(gigabytes, seconds)).toBeNull();
});
