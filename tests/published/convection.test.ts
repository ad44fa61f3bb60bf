import { describe, expect, it } from 'vitest';
import { sizeResistance } from '../../src/core/heat/run/bodyFigures.ts';
import {
  boxResistance,
  forcedConvection,
  naturalConvection,
  radiation,
} from '../../src/core/heat/writepath/convection.ts';

/**
 * Against textbook correlations of heat transfer in their general form [S: heat-transfer textbooks, from memory]:
 * Churchill and Chu for the vertical plate, which holds over the whole range, and air's properties by power laws. The
 * program uses the simplified laminar forms; they must agree within what textbooks give as their scatter.
 */
const air = (kelvin: number) => ({
  k: 0.0262 * (kelvin / 300) ** 0.85,
  nu: 1.589e-5 * (kelvin / 300) ** 1.75,
  alpha: 2.25e-5 * (kelvin / 300) ** 1.77,
});

function churchillChu(heightM: number, aboveK: number): number {
  const film = 300 + aboveK / 2;
  const { k, nu, alpha } = air(film);
  const rayleigh = (9.81 * (1 / film) * aboveK * heightM ** 3) / (nu * alpha);
  const prandtl = nu / alpha;
  const nusselt = 0.68 + (0.67 * rayleigh ** 0.25) / (1 + (0.492 / prandtl) ** (9 / 16)) ** (4 / 9);
  return (nusselt * k) / heightM;
}

describe('convection against textbook correlations', () => {
  it.each([
    [0.1, 20],
    [0.2, 20],
    [0.1, 40],
    [0.3, 30],
  ])('natural, %s m high and %s K above the air: within 12 %% of Churchill and Chu', (height, above) => {
    expect(Math.abs(naturalConvection(height, above) / churchillChu(height, above) - 1)).toBeLessThan(0.12);
  });

  it('natural, worked example: a plate 0.1 m high at 20 K gives 5.3 W/m²K', () => {
    expect(naturalConvection(0.1, 20)).toBeCloseTo(5.34, 2);
  });

  it('forced, worked example: a plate 1 m long in 5 m/s of air at 27 °C', () => {
    // Re = 3.145 × 10⁵, Nu = 0.664 × 560.8 × 0.8908 = 331.7, h = 8.72 W/m²K.
    expect(forcedConvection(1, 5)).toBeCloseTo(8.72, 1);
  });

  it('radiation at ε 0.9 near 300 K is 5.5 W/m²K', () => {
    expect(radiation()).toBeCloseTo(5.51, 2);
  });

  it('the small box comes out at about 6 K/W in still air and 2 K/W at 5 m/s', () => {
    expect(Math.abs(boxResistance([62, 45, 34], 'still') - 6.3)).toBeLessThan(0.4);
    expect(Math.abs(boxResistance([62, 45, 34], 'strong') - 2)).toBeLessThan(0.2);
  });

  it('moving air sheds more than still, strong more than moving; a fan the same in each', () => {
    for (const size of ['action', 'hybrid', 'outdoor'] as const) {
      const [still, moving, strong] = (['still', 'moving', 'strong'] as const).map((one) => sizeResistance(size, one));
      expect(moving).toBeLessThan(still ?? 0);
      expect(strong).toBeLessThan(moving ?? 0);
    }
    expect(sizeResistance('cine', 'strong')).toBe(sizeResistance('cine', 'still'));
  });

  it('no shape sheds more than a box twice its size in every direction', () => {
    expect(boxResistance([60, 60, 60], 'still')).toBeGreaterThan(boxResistance([120, 120, 120], 'still') * 3);
  });
});
