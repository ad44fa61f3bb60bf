import { describe, expect, it } from 'vitest';
import { aSetup, cine, lanes } from '../../../../tests/support/aSetup.ts';
import type { AirMovement, BodySize, Finish } from '../../kit/model.ts';
import { aMode } from '../../testing.ts';
import { drawOf } from './bodyFigures.ts';
import { deciding } from './lane.ts';
import { DEFAULT_PLAN } from './plan.ts';
import { airSpread, sunDegrees } from './sun.ts';

/** A slow stream, so that the card adds next to nothing and the body alone is asked about. */
const quiet = aMode({ fps: 60, rate: { kind: 'stated', Mbps: 8, is: 'maximum' } });

interface Situation {
  readonly minutes: number;
  readonly ambientC: number;
  readonly air: AirMovement;
  readonly sun: Finish | null;
}

const bodyOf = (size: BodySize) => ({ ...cine, modes: [quiet], heat: { size } });

const planOf = ({ minutes, ambientC, air, sun }: Situation) => ({
  ...DEFAULT_PLAN,
  ...{ minutes, ambientC, air, sun, sunC: sun === null ? 0 : 14 },
});

const endOf = (size: BodySize, situation: Situation) =>
  deciding(lanes(aSetup({ body: bodyOf(size), mode: quiet, plan: planOf(situation) }))).result;

// What somebody who films would call before running it: common practice, no source. Bodies are the assumed ones.
describe('thirty plain situations', () => {
  it.each([
    ['hybrid', 0, 'still', null, 120, 'holds'],
    ['hybrid', 20, 'still', null, 60, 'holds'],
    ['hybrid', 25, 'still', null, 30, 'holds'],
    ['hybrid', 30, 'still', null, 30, 'holds'],
    ['hybrid', 35, 'still', null, 10, 'holds'],
    ['hybrid', 35, 'still', null, 60, 'stops'],
    ['hybrid', 35, 'moving', null, 60, 'holds'],
    ['hybrid', 40, 'still', null, 30, 'stops'],
    ['hybrid', 40, 'still', null, 5, 'holds'],
    ['hybrid', 45, 'still', null, 10, 'stops'],
    ['hybrid', 25, 'still', 'light', 30, 'holds'],
    ['hybrid', 30, 'still', 'black', 60, 'stops'],
    ['hybrid', 25, 'strong', 'black', 60, 'holds'],
    ['action', 5, 'still', null, 60, 'holds'],
    ['action', 25, 'still', null, 10, 'holds'],
    ['action', 25, 'still', null, 60, 'stops'],
    ['action', 25, 'moving', null, 60, 'holds'],
    ['action', 35, 'still', null, 30, 'stops'],
    ['action', 35, 'strong', null, 60, 'holds'],
    ['action', 30, 'still', 'black', 20, 'stops'],
    ['housed', 5, 'moving', null, 60, 'holds'],
    ['housed', 25, 'still', null, 5, 'holds'],
    ['housed', 25, 'still', null, 60, 'stops'],
    ['housed', 25, 'moving', null, 90, 'stops'],
    ['cine', 0, 'strong', null, 120, 'holds'],
    ['cine', 25, 'still', null, 120, 'holds'],
    ['cine', 40, 'still', null, 60, 'holds'],
    ['cine', 48, 'still', 'black', 120, 'stops'],
    ['outdoor', 40, 'still', 'black', 240, 'holds'],
    ['outdoor', 60, 'still', null, 240, 'holds'],
    ['outdoor', 60, 'still', 'black', 240, 'stops'],
  ] as const)('%s at %i °C in %s air, sun on %s, %i min: %s', (size, ambientC, air, sun, minutes, expected) => {
    const { outcome } = endOf(size, { minutes, ambientC, air, sun });
    expect(outcome === 'body-cutoff' ? 'stops' : 'holds').toBe(expected);
  });
});

describe('what a mode draws', () => {
  const at = (width: number, height: number, fps: number) => drawOf({ width, height, fps, captureFps: null });

  it('is half whatever is recorded, and the rest by the pictures read', () => {
    expect(at(3840, 2160, 60)).toBeCloseTo(1, 9);
    expect(at(1920, 1080, 25)).toBeCloseTo(0.597, 3);
    expect(at(7680, 4320, 60), 'no more than a fifth over').toBeCloseTo(1.09, 9);
    expect(drawOf({ width: 1920, height: 1080, fps: 25, captureFps: 100 })).toBeCloseTo(0.738, 3);
    expect([drawOf(null), drawOf({ width: null, height: null, fps: 25, captureFps: null })]).toEqual([1, 1]);
  });

  // A small hybrid in warm air: HD and UHD at 25 go on, 8K raw stops (common practice).
  it.each([
    [1920, 1080, 25, 'holds'],
    [3840, 2160, 25, 'holds'],
    [8192, 4320, 25, 'stops'],
  ] as const)('%i × %i at %i in still air of 35 °C for an hour: %s', (width, height, fps, expected) => {
    const mode = { ...quiet, width, height, fps };
    const body = { ...bodyOf('hybrid'), modes: [mode] };
    const plan = planOf({ minutes: 60, ambientC: 35, air: 'still', sun: null });
    const { outcome } = deciding(lanes(aSetup({ body, mode, plan }))).result;
    expect(outcome === 'body-cutoff' ? 'stops' : 'holds').toBe(expected);
  });
});

describe('sun on a body', () => {
  const adds = (size: BodySize, sun: Finish, air: AirMovement): number =>
    sunDegrees(bodyOf(size), { sunC: 14, sun, air });

  // A box in the sun: what a black one takes up in still air, a light one, and a black one in strong wind: common practice.
  it('adds 13 to 15 °C to a black box in still air, 6 to 7 to a light one, about 5 to a black one in strong wind', () => {
    expect(adds('hybrid', 'black', 'still')).toBeGreaterThan(13);
    expect(adds('hybrid', 'black', 'still')).toBeLessThan(15);
    expect(adds('hybrid', 'light', 'still')).toBeGreaterThan(6);
    expect(adds('hybrid', 'light', 'still')).toBeLessThan(7);
    expect(adds('hybrid', 'black', 'strong')).toBeGreaterThan(4);
    expect(adds('hybrid', 'black', 'strong')).toBeLessThan(6);
    expect(adds('action', 'black', 'still')).toBeGreaterThan(12);
  });

  it('is what is entered where no finish is told, and none in shade', () => {
    expect(sunDegrees(bodyOf('hybrid'), { sunC: 7 })).toBe(7);
    expect(sunDegrees(bodyOf('hybrid'), { sunC: 0, sun: 'black' })).toBe(0);
    const plan = { ...DEFAULT_PLAN, sunC: 14, sun: 'black' as const };
    expect(airSpread(bodyOf('hybrid'), plan)).toBeGreaterThan(2 * airSpread(bodyOf('hybrid'), DEFAULT_PLAN));
  });

  // In the steady state what falls on a body leaves it through the film of air: absorbed watts × resistance.
  it('is the light kept × the film outside', () => {
    const [still, moving] = [adds('hybrid', 'grey', 'still'), adds('hybrid', 'grey', 'moving')];
    const film = still / (0.65 * 870 * 0.0132);
    expect(film).toBeCloseTo(1.39, 1);
    expect(moving).toBeLessThan(still);
  });
});
