import type { Form } from '../standards/forms.ts';
import type { CardState, Finish } from './model.ts';

/** The shapes of a shoot day, as the kit file writes them: units are in the key names. Null means not told. */

/** Of a clock time that comes twice, one. */
export const TURNS = ['first', 'second'] as const;
/** Of a clock time that comes twice, one. */
export type Turn = (typeof TURNS)[number];

/** A stretch of the day in which one body records in one mode. */
export interface PlanBlock {
  readonly id: string;
  readonly name?: string | null;
  readonly bodyId: string;
  readonly modeId: string;
  /** Clock time, HH:MM; before the plan's start it is the next day. */
  readonly from: string;
  /** Days after the plan's date, where a clock time alone does not tell. */
  readonly day?: number | null;
  /** Which one of a clock time that comes twice in the night the clocks go back; null: not told. */
  readonly turn?: Turn | null;
  readonly minutes: number;
  /** Share of it that is recorded, above 0 to 1. */
  readonly rolling: number;
  /** No change of card may fall into it on a slot without another to relay to. */
  readonly gapFree: boolean;
  /** Air without sun; null: from the profile of the day. */
  readonly ambientC?: number | null;
  /** Degrees that sun on the body adds, as somebody measured them. */
  readonly sunC?: number | null;
  /** How the body that stands in the sun is finished: what that adds stands before `sunC`; null or missing: not told. */
  readonly sun?: Finish | null;
}

/** A reader of cards. Its pace is shared by the cards in it. */
export interface PlanReader {
  readonly id: string;
  readonly name: string;
  readonly forms: readonly Form[];
  readonly MBps: number;
  /** Cards in it at once. */
  readonly slots: number;
}

/** A disk that copies go to. */
export interface PlanDestination {
  readonly name: string;
  readonly writeMBps: number;
  readonly readMBps: number;
  readonly freeGB: number;
}

/** Where copies are read from: the card for all at once, or the card for the first and that copy for the others. */
export const COPY_SOURCES = ['card', 'first-copy'] as const;
/** Where copies are read from. */
export type CopySource = (typeof COPY_SOURCES)[number];

/** What has to be there before a card is free again. */
export interface PlanCopies {
  readonly count: number;
  readonly destinations: readonly PlanDestination[];
  readonly verify: boolean;
  readonly from: CopySource;
}

/** Which cards beyond those that the policy calls cool a person allows: thin ones, or those that do not hold, too. */
export const ALSO_USED = ['warm', 'hot'] as const;
/** Which cards beyond those of the policy a person allows. */
export type AlsoUsed = (typeof ALSO_USED)[number];

/** How the person of this day works. */
export interface PlanRules {
  /** From a full card out to the next one recording. */
  readonly swapSeconds: number;
  /** Most recorded minutes that may be lost with one card; null: as many as it holds. */
  readonly mostMinutesOnOneCard: number | null;
  /** A card is changed when it is this full, above 0 to 100. */
  readonly changeAtPercent: number;
  /** Only cards that roll this long without a change; null: any. */
  readonly gapFreeMinutes?: number | null;
  readonly alsoUse?: AlsoUsed | null;
}

/** Letters of what a press is called: enough to tell all presses of a day apart, and short in a code. */
export const PRESS_KEY = 6;

/** One press on the day: a card went into a state. */
export interface PlanPress {
  /** What it is called on every device, six letters or digits; those noted by older versions have none. */
  readonly id?: string | null;
  /** ISO date and time with its offset, by the clock of the device that it was pressed on. */
  readonly at: string;
  /** How far that clock was ahead of the one of this device, seconds; negative: behind. */
  readonly aheadSeconds?: number | null;
  readonly cardId: string;
  readonly to: CardState;
  readonly who: string;
  /** Where it went into, for `in-body`. */
  readonly bodyId?: string | null;
  readonly slotId?: string | null;
  /** What was at stake, as it was said, where a rule was overridden. */
  readonly override?: string | null;
  /** Why the copies are believed: lists compared, or a person's word. */
  readonly proof?: 'lists' | 'word' | null;
}

/** Air at a clock time; between two of them it is on the line. */
export interface PlanAir {
  readonly at: string;
  readonly airC: number;
}

/** One day of a shoot. */
export interface Plan {
  readonly id: string;
  readonly name: string;
  /** ISO date. */
  readonly date: string;
  /** Clock time from which seconds are counted, HH:MM. */
  readonly start: string;
  /** Name of its time zone; null: clock times as they stand, no change of clocks. */
  readonly timeZone?: string | null;
  readonly blocks: readonly PlanBlock[];
  readonly cardIds: readonly string[];
  readonly readers: readonly PlanReader[];
  readonly copies: PlanCopies;
  readonly rules: PlanRules;
  /** True until somebody has looked at the speeds of readers and disks that a new plan begins with. */
  readonly speedsAssumed?: boolean | null;
  /** A pattern that days begin from; it is no day itself. */
  readonly isTemplate?: boolean | null;
  readonly airProfile?: readonly PlanAir[];
  /** What was pressed, in its order: a press counts by its place, whatever its clock said. */
  readonly log?: readonly PlanPress[];
  /** What was pressed while the day was rehearsed: it never counts. */
  readonly rehearsal?: readonly PlanPress[];
}
