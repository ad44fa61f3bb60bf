import type { AirMovement, Body, BodyFigure, BodySize, LimitStatement } from '../../kit/model.ts';
import type { Result } from '../../result.ts';
import { BODY_HEAT, type BodyHeatRow } from '../../standards/heat.ts';
import {
  type BodyConstants,
  bodyConstants,
  type CalibrationRefusal,
  type HeatingCard,
} from '../writepath/calibration.ts';
import { boxResistance } from '../writepath/convection.ts';
import { type Known, known, ownFigure } from './known.ts';

/** Which assumed body this one is like: as chosen, else small where it takes microSD alone, else a hybrid [A]. */
export function sizeOf(body: Body): { readonly size: BodySize; readonly guessed: boolean } {
  const chosen = body.heat?.size;
  if (chosen) return { size: chosen, guessed: false };
  const forms = body.slots.flatMap(({ accepts }) => accepts.map(({ form }) => form));
  const small = forms.length > 0 && forms.every((form) => form === 'microsd');
  return { size: small ? 'action' : 'hybrid', guessed: true };
}

/** Resistance of the assumed body of a size in moving or still air, K/W. A fan sheds the same in either. */
export function sizeResistance(size: BodySize, air: AirMovement): number {
  const row: BodyHeatRow = BODY_HEAT[size];
  if (row.outsideMm) return boxResistance(row.outsideMm, air);
  return row.fanResistanceKPerW ?? Number.POSITIVE_INFINITY;
}

/** What heats a body beside itself, and the air that cools it. */
export interface BodyLoad {
  readonly air: AirMovement;
  /** Of cards that record beside the one in question. */
  readonly besideW: number;
  /** Null: the body is asked about without a card. */
  readonly card: HeatingCard | null;
}

const ALONE: BodyLoad = { air: 'still', besideW: 0, card: null };

/** Constants of a body from statements of its maker, in still air; its size fills in what they leave open. */
export function limitsOf(
  body: Body,
  statements: readonly LimitStatement[],
  { besideW, card }: BodyLoad = ALONE,
): Result<BodyConstants, CalibrationRefusal> {
  const { size } = sizeOf(body);
  const row: BodyHeatRow = BODY_HEAT[size];
  const own = body.heat?.figures ?? {};
  return bodyConstants(statements, {
    recordingW: (own.recordingW?.value ?? row.recordingW) + besideW,
    assumedTau: row.heatCapacityJPerK * sizeResistance(size, 'still'),
    limitC: own.bodyLimitC?.value ?? row.limitC,
    limitEntered: own.bodyLimitC != null,
    card,
  });
}

type BodyFigures = Readonly<Record<BodyFigure, Known>>;

/**
 * Figures of a body: its own first, then what its maker's limits give with the card it records on, then those of its size
 * in the air around it. A figure of its own is taken as it is in any air.
 *
 * @see standards/heat.ts for the assumed bodies; writepath/calibration.ts for the limits
 */
export function bodyFigures(body: Body, load: BodyLoad = ALONE): BodyFigures {
  const { size, guessed } = sizeOf(body);
  const row: BodyHeatRow = BODY_HEAT[size];
  const own = body.heat?.figures ?? {};
  const assumed = (value: number): Known => known(value, 'assumed', { code: 'size', size, guessed });
  const statements = body.heat?.limits ?? [];
  const found = limitsOf(body, statements, load);
  const limits = found.ok ? found.value : null;
  const source = {
    code: 'limits',
    statements: statements.length,
    shorter: limits?.fixed === 'shorter',
  } as const;
  const stated = (value: number): Known => known(value, 'stated', source);
  const shed = row.outsideMm
    ? ({ code: 'surface', size, guessed, air: load.air } as const)
    : ({ code: 'size', size, guessed } as const);
  // Makers state their limits in still air; wind helps as much as it helps the assumed body.
  const inAir = sizeResistance(size, load.air) / sizeResistance(size, 'still');
  const heatCapacity = limits
    ? known(limits.heatCapacityJPerK, limits.fixed === 'tau' ? 'stated' : 'assumed', source)
    : assumed(row.heatCapacityJPerK);
  const limitC = limits && (limits.fixed === 'limit' || limits.fixed === 'tau') ? stated(limits.limitC) : null;
  return {
    bufferMB:
      ownFigure(own.bufferMB) ??
      (body.bufferMB === null
        ? known(0, 'assumed', { code: 'none-known' })
        : known(body.bufferMB, 'stated', { code: 'on-body' })),
    recordingW: ownFigure(own.recordingW) ?? assumed(row.recordingW),
    bodyLimitC: ownFigure(own.bodyLimitC) ?? limitC ?? assumed(row.limitC),
    bodyResistanceKPerW:
      ownFigure(own.bodyResistanceKPerW) ??
      (limits ? stated(limits.resistanceKPerW * inAir) : known(sizeResistance(size, load.air), 'assumed', shed)),
    bodyHeatCapacityJPerK: ownFigure(own.bodyHeatCapacityJPerK) ?? heatCapacity,
  };
}
