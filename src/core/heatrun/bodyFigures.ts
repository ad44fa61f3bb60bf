import type { Body, BodyFigure, BodySize, LimitStatement } from '../model/kit.ts';
import type { Result } from '../result.ts';
import { BODY_HEAT } from '../standards/heat.ts';
import { type BodyConstants, bodyConstants, type CalibrationRefusal } from '../writepath/calibration.ts';
import { type Known, known, ownFigure } from './known.ts';

/** Which assumed body this one is like: as chosen, else small where it takes microSD alone, else a hybrid [A]. */
export function sizeOf(body: Body): { readonly size: BodySize; readonly guessed: boolean } {
  const chosen = body.heat?.size;
  if (chosen) return { size: chosen, guessed: false };
  const forms = body.slots.flatMap(({ accepts }) => accepts.map(({ form }) => form));
  const small = forms.length > 0 && forms.every((form) => form === 'microsd');
  return { size: small ? 'action' : 'hybrid', guessed: true };
}

/** Constants of a body from statements of its maker; its size fills in what they leave open. */
export function limitsOf(body: Body, statements: readonly LimitStatement[]): Result<BodyConstants, CalibrationRefusal> {
  const row = BODY_HEAT[sizeOf(body).size];
  const limitC = body.heat?.figures?.bodyLimitC?.value ?? row.limitC;
  return bodyConstants(statements, limitC, row.heatCapacityJPerK * row.resistanceKPerW);
}

type BodyFigures = Readonly<Record<BodyFigure, Known>>;

/**
 * Figures of a body: its own first, then what its maker's limits give, then those of its size.
 *
 * @see standards/heat.ts for the assumed bodies; writepath/calibration.ts for the limits
 */
export function bodyFigures(body: Body): BodyFigures {
  const { size, guessed } = sizeOf(body);
  const row = BODY_HEAT[size];
  const own = body.heat?.figures ?? {};
  const assumed = (value: number): Known => known(value, 'assumed', { code: 'size', size, guessed });
  const recordingW = ownFigure(own.recordingW) ?? assumed(row.recordingW);
  const bodyLimitC = ownFigure(own.bodyLimitC) ?? assumed(row.limitC);
  const statements = body.heat?.limits ?? [];
  const constants = limitsOf(body, statements);
  const source = { code: 'limits', statements: statements.length } as const;
  const resistance =
    constants.ok && recordingW.value > 0
      ? known(constants.value.riseC / recordingW.value, 'stated', source)
      : assumed(row.resistanceKPerW);
  const capacity = constants.ok
    ? known(
        constants.value.tauSeconds / resistance.value,
        constants.value.tau === 'stated' ? 'stated' : 'assumed',
        source,
      )
    : assumed(row.heatCapacityJPerK);
  return {
    bufferMB:
      ownFigure(own.bufferMB) ??
      (body.bufferMB === null
        ? known(0, 'assumed', { code: 'none-known' })
        : known(body.bufferMB, 'stated', { code: 'on-body' })),
    recordingW,
    bodyLimitC,
    bodyResistanceKPerW: ownFigure(own.bodyResistanceKPerW) ?? resistance,
    bodyHeatCapacityJPerK: ownFigure(own.bodyHeatCapacityJPerK) ?? capacity,
  };
}
