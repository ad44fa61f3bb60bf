import type { AirMovement, Body, BodyFigure, BodySize, LimitStatement, Mode } from '../../kit/model.ts';
import { ok, type Result } from '../../result.ts';
import { BODY_HEAT, type BodyHeatRow, FILM_SHARE } from '../../standards/heat.ts';
import {
  type BodyConstants,
  bodyConstants,
  type CalibrationInput,
  type CalibrationRefusal,
  type HeatingCard,
  resistanceInAir,
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
  if (row.outsideMm) return row.enclosedKPerW + boxResistance(row.outsideMm, air);
  return row.fanResistanceKPerW ?? Number.POSITIVE_INFINITY;
}

const LEAST_ABOVE_AIR_C = 8;

/**
 * What the shell of a body of a size stands while its sensor is at its limit: cooler by what lies between them. Never so
 * little that a statement of its maker would begin above it.
 */
function shellLimitC(size: BodySize, recordingW: number, statements: readonly LimitStatement[]): number {
  const { limitC, hotKPerW }: BodyHeatRow = BODY_HEAT[size];
  const warmest = Math.max(Number.NEGATIVE_INFINITY, ...statements.map(({ ambientC }) => ambientC));
  return Math.max(limitC - recordingW * hotKPerW, Math.min(limitC, warmest + LEAST_ABOVE_AIR_C));
}

/** Resistance in some air of a body whose resistance in still air is known, by the share that wind can thin. */
const inAirOf = (size: BodySize, air: AirMovement, film: number): number =>
  1 - film + (film * sizeResistance(size, air)) / sizeResistance(size, 'still');

const isStill = ({ air }: LimitStatement): boolean => air == null || air === 'still';

/** What heats a body beside itself, and the air that cools it. */
export interface BodyLoad {
  readonly air: AirMovement;
  /** Of cards that record beside the one in question. */
  readonly besideW: number;
  /** Null: the body is asked about without a card. */
  readonly card: HeatingCard | null;
  /** What it records; missing: the hardest of its kind. */
  readonly mode?: Picture | null;
}

type Picture = Pick<Mode, 'width' | 'height' | 'fps' | 'captureFps'>;

/**
 * What a mode draws of the watts that are assumed for a kind of body: half of them whatever is recorded, the rest by the
 * pictures that are read and coded, of which UHD at 60 frames a second is the whole. A mode without a size counts as that [A].
 */
export function drawOf(mode: Picture | null | undefined): number {
  if (!mode || mode.width === null || mode.height === null) return 1;
  const read = (mode.width * mode.height * (mode.captureFps ?? mode.fps)) / WHOLE_PIXELS;
  return IDLE_SHARE + (1 - IDLE_SHARE) * Math.min(MOST_READ, read);
}

const WHOLE_PIXELS = 3840 * 2160 * 60;
const IDLE_SHARE = 0.55;
const MOST_READ = 1.2;

const ALONE: BodyLoad = { air: 'still', besideW: 0, card: null };

/** What a body's limits come to in still air, and the share of its resistance that wind can thin. */
export type BodyLimits = BodyConstants & {
  readonly film: number;
  /** True where statements in unlike air tell that share; false where it is assumed. */
  readonly filmTold: boolean;
};

/**
 * Constants of a body from statements of its maker, in still air; its size fills in what they leave open. Statements in unlike air
 * tell apart what wind thins and what it does not reach.
 */
export function limitsOf(
  body: Body,
  statements: readonly LimitStatement[],
  { besideW, card }: BodyLoad = ALONE,
): Result<BodyLimits, CalibrationRefusal> {
  const { size } = sizeOf(body);
  const row: BodyHeatRow = BODY_HEAT[size];
  const own = body.heat?.figures ?? {};
  const recordingW = own.recordingW?.value ?? row.recordingW;
  const inputFor = (air: AirMovement): CalibrationInput => ({
    recordingW: recordingW + besideW,
    assumedTau: row.heatCapacityJPerK * sizeResistance(size, air),
    limitC: own.bodyLimitC?.value ?? shellLimitC(size, recordingW, statements),
    limitEntered: own.bodyLimitC != null,
    card,
  });
  const film: number = FILM_SHARE.low;
  const still = statements.filter(isStill);
  const moved = statements.find((one) => !isStill(one));
  const air = moved?.air ?? 'still';
  if (still.length === 0 && moved) {
    const found = bodyConstants([moved], inputFor(air));
    if (!found.ok) return found;
    const resistanceKPerW = found.value.resistanceKPerW / inAirOf(size, air, film);
    return ok({ ...found.value, resistanceKPerW, film, filmTold: false });
  }
  const found = bodyConstants(still, inputFor('still'));
  if (!found.ok) return found;
  const constants = found.value;
  const thinned = moved && resistanceInAir(moved, constants, inputFor(air));
  if (thinned == null) return ok({ ...constants, film, filmTold: false });
  const most = 1 - sizeResistance(size, air) / sizeResistance(size, 'still');
  const told = most > 0 ? (1 - thinned / constants.resistanceKPerW) / most : film;
  return ok({ ...constants, film: Math.min(1, Math.max(0, told)), filmTold: true });
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
  // How much of a stated resistance wind thins is assumed where no statement tells: the runs draw it as widely.
  const isThinned = load.air !== 'still' && limits?.filmTold === false;
  const shed = row.outsideMm
    ? ({ code: 'surface', size, guessed, air: load.air } as const)
    : ({ code: 'size', size, guessed } as const);
  // Makers state their limits in still air; wind thins the film outside alone.
  const inAir = limits ? inAirOf(size, load.air, limits.film) : 1;
  // Limits of a maker are stated for the hardest that a body does: beside them every mode counts as that.
  const drawn = row.recordingW * (limits ? 1 : drawOf(load.mode));
  const recordingW = own.recordingW?.value ?? drawn;
  const shellC = limits?.limitC ?? shellLimitC(size, recordingW, []);
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
    recordingW: ownFigure(own.recordingW) ?? assumed(drawn),
    bodyLimitC: ownFigure(own.bodyLimitC) ?? limitC ?? assumed(shellC),
    bodyResistanceKPerW:
      ownFigure(own.bodyResistanceKPerW) ??
      (limits
        ? known(limits.resistanceKPerW * inAir, isThinned ? 'assumed' : 'stated', source)
        : known(sizeResistance(size, load.air), 'assumed', shed)),
    bodyHeatCapacityJPerK: ownFigure(own.bodyHeatCapacityJPerK) ?? heatCapacity,
  };
}
