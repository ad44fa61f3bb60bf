import type { Bus } from '../standards/buses.ts';
import type { Family } from '../standards/families.ts';
import type { Form } from '../standards/forms.ts';

/**
 * The shapes the core reads, as the kit file writes them: units are in the key names. Null means unknown, never zero.
 * The rules for what may be in them stand in src/kit/schema.ts.
 */
/** Longest name of anything, a card's own label included. */
export const MAX_NAME = 80;

/** How a body may record over its slots. */
export const ARRANGEMENTS = ['single', 'relay', 'mirrored', 'split'] as const;
/** How a body records over its slots: on one, one after another, on all alike, or a share on each. */
export type Arrangement = (typeof ARRANGEMENTS)[number];
/** Families of codecs by what their rate hangs on. */
export type Codec = 'long-gop' | 'intra' | 'raw';
/** What a body does with a card that lacks a mark it asks for. */
export type WhenMissing = 'refuses' | 'warns' | 'advises';
/** Whether a stated rate is the most, the average, or always the same. */
export type RateKind = 'maximum' | 'average' | 'constant';

/** What the stated rates of a body hold: all that is written, or the picture alone, with sound and metadata on top. */
export const STATED_HOLDS = ['everything', 'picture'] as const;
/** What the stated rates of a body hold: all that is written, or the picture alone, with sound and metadata on top. */
export type StatedHolds = (typeof STATED_HOLDS)[number];

/** What a body that asks for marks of one form does with a card of another: that it takes any, or refuses it as well. */
export const OTHER_FORMS = ['allowed', 'refused'] as const;
/** What a body that asks for marks of one form does with a card of another. */
export type OtherForms = (typeof OTHER_FORMS)[number];

/** Where a rate comes from, best first: own clips, the maker's table, arithmetic, a sister body. */
export const RATE_SOURCES = ['measured', 'maker', 'computed', 'borrowed'] as const;
/** Where a rate comes from. */
export type RateSource = (typeof RATE_SOURCES)[number];

interface Provenance {
  /** Where it comes from; a stated rate without one is the maker's, a computed one is computed. */
  readonly source?: RateSource | null;
  /** Page, clip or body it was taken from. */
  readonly sourceNote?: string | null;
}

/**
 * The rate of a mode as it is known: stated, from the geometry of raw, from the bytes of a frame, or from the counter
 * alone.
 */
export type ModeRate = Provenance &
  (
    | {
        readonly kind: 'stated';
        readonly Mbps: number;
        readonly is: RateKind;
        /** Stated for the recorded speed, or already for the captured one; recorded where missing. */
        readonly at?: 'recorded' | 'captured';
      }
    | { readonly kind: 'raw'; readonly bitsPerPixel: number; readonly ratio: number }
    | { readonly kind: 'frame'; readonly bytesPerFrame: number }
    /** Known only from what the body's counter shows: between these, everything written together. */
    | { readonly kind: 'counter'; readonly lowMbps: number; readonly highMbps: number }
  );

/** What is written beside the picture: a fixed rate, and data with every frame. */
export interface Overhead {
  readonly fixedMbps: number;
  readonly perFrameKB: number;
}

/** Uncompressed sound: channels × samples a second × bits. */
export interface Sound {
  readonly channels: number;
  readonly sampleHz: number;
  readonly bits: number;
}

/** Marks of which a body asks for one, and what it does without. */
export interface Requirement {
  /** Marks (V90, VPG200) or words on the label (SDXC, II) of which one is enough. */
  readonly anyOf: readonly string[];
  readonly whenMissing: WhenMissing;
}

/** A requirement of a body for all modes of a group; group null: for every mode. */
export interface GroupRequirement extends Requirement {
  readonly group: string | null;
}

/** How a counter shows minutes that are no whole ones. */
export const COUNTER_ROUNDINGS = ['down', 'nearest', 'up'] as const;
/** Which of them it does. */
export type CounterRounding = (typeof COUNTER_ROUNDINGS)[number];

/** What a body's counter shows for an empty card: whole minutes. */
export interface CounterReading {
  readonly modeId: string;
  /** Capacity printed on the card. */
  readonly capacityGB: number;
  readonly minutes: number;
}

/** One way a body records. */
export interface Mode {
  readonly id: string;
  readonly name: string;
  readonly codec: Codec;
  readonly width: number | null;
  readonly height: number | null;
  /** Frames a second recorded in the file. */
  readonly fps: number;
  /** Frames a second captured, where it differs from what is recorded; null otherwise. */
  readonly captureFps: number | null;
  readonly rate: ModeRate;
  /** The same rate from other sources; the best source is used. */
  readonly otherRates?: readonly ModeRate[];
  /** Modes of one group share the requirements that the body names for it. */
  readonly group?: string | null;
  /** Beside the picture; null: the defaults are assumed. */
  readonly overhead: Overhead | null;
  readonly sound?: Sound | null;
  readonly proxyMbps?: number | null;
  readonly requires: readonly Requirement[];
  /** The slots it is recorded to, where it cannot go to each; null or missing: to any. */
  readonly slotIds?: readonly string[] | null;
}

/** A form that a slot takes, and the bus it speaks to it. */
export interface Accepts {
  readonly form: Form;
  /** Null where only the maker knows (a module). */
  readonly bus: Bus | null;
}

/** One slot of a body. */
export interface Slot {
  readonly id: string;
  readonly name: string;
  readonly accepts: readonly Accepts[];
  readonly family: Family | null;
  readonly promisedMaxGB: number | null;
  /** True where the body wants a card here though the recording goes elsewhere. */
  readonly demandsCard?: boolean | null;
}

/** Where a figure of a write path that replaces an assumed one comes from. */
export const FIGURE_BASES = ['stated', 'fitted', 'measured'] as const;

/** A figure entered by hand, fitted from logged takes with its middle nine tenths, or read off a write trace. */
export interface OwnFigure {
  readonly value: number;
  readonly basis: (typeof FIGURE_BASES)[number];
  readonly low?: number | null;
  readonly high?: number | null;
}

/** Figures of a run that belong to a body; names as in the server's call. */
export const BODY_FIGURES = [
  'bufferMB',
  'bodyHeatCapacityJPerK',
  'bodyResistanceKPerW',
  'recordingW',
  'bodyLimitC',
] as const;
/** A figure of a run that belongs to a body. */
export type BodyFigure = (typeof BODY_FIGURES)[number];

/** Figures of a run that belong to a card. */
export const CARD_FIGURES = [
  'sustainedMBps',
  'burstMBps',
  'cacheGB',
  'stallEveryGB',
  'stallSeconds',
  'cardResistanceKPerW',
  'energyNJPerByte',
  'cardHeatCapacityJPerK',
  'idleW',
  'throttleAtC',
  'resumeAtC',
  'throttleFactor',
] as const;
/** A figure of a run that belongs to a card. */
export type CardFigure = (typeof CARD_FIGURES)[number];

type Figures<K extends string> = { readonly [key in K]?: OwnFigure | null };

/** `housed`: an action body in a closed housing; `outdoor`: made to sit in the sun, as dashboard and surveillance cameras are. */
export const BODY_SIZES = ['action', 'housed', 'hybrid', 'cine', 'outdoor'] as const;
/** Which of the assumed bodies one is like. */
export type BodySize = (typeof BODY_SIZES)[number];

/** A maker's statement: so many minutes of recording at this ambient before the body shuts down. */
export interface LimitStatement {
  readonly minutes: number;
  readonly ambientC: number;
  /** How the air moved; null or missing: still, as makers state it. */
  readonly air?: AirMovement | null;
}

/** What is known of the heat of a body; whatever is missing is assumed by its size. */
export interface BodyHeat {
  /** Which of the assumed bodies it is like; null: read from what its slots take. */
  readonly size?: BodySize | null;
  readonly limits?: readonly LimitStatement[];
  readonly figures?: Figures<BodyFigure>;
}

/** Own figures of the heat of a card. */
export interface CardHeatFigures {
  readonly figures?: Figures<CardFigure>;
}

/** Media that the body's maker approves in writing, for named modes or up to a rate. */
export interface Approval {
  /** The cards of the wallet that are this medium. */
  readonly cardIds: readonly string[];
  /** Null: for every mode, within the rate. */
  readonly modeIds: readonly string[] | null;
  /** Highest picture rate it is approved for; null: whatever the named modes write. */
  readonly upToMbps: number | null;
  /** Where it is written. */
  readonly source: string | null;
}

/** What the body's maker advises against, short of refusing it: words on a label, or cards above a size. */
export interface Advice {
  readonly anyOf: readonly string[];
  /** Null: of any size. */
  readonly overGB: number | null;
  /** Where it is written. */
  readonly source: string | null;
}

/** A camera: its slots, its modes, and what its maker says of media and heat. */
export interface Body {
  readonly id: string;
  readonly name: string;
  readonly note?: string | null;
  /** As the body shows it now. */
  readonly firmware?: string | null;
  readonly arrangement: Arrangement;
  /** Over how many slots a split recording runs, as the maker says; missing: the largest group of slots of one form. */
  readonly splitOver?: number | null;
  /** Null or missing: not told, and the worse of both counts. */
  readonly statedHolds?: StatedHolds | null;
  /** What it does with cards of a form that the marks it asks for do not exist on; null or missing: not told. */
  readonly otherForms?: OtherForms | null;
  readonly bufferMB: number | null;
  /** Ceiling inside the body, below its slot's bus; null where none is known. */
  readonly ceilingMBps: number | null;
  readonly slots: readonly Slot[];
  readonly modes: readonly Mode[];
  readonly groupRequires?: readonly GroupRequirement[];
  readonly advisesAgainst?: readonly Advice[];
  readonly counters?: readonly CounterReading[];
  /** How its counter rounds; null or missing: not told. */
  readonly counterRounds?: CounterRounding | null;
  readonly approved?: readonly Approval[];
  readonly heat?: BodyHeat | null;
}

/** That a card was checked in full: filled and read back, or its write measured. */
export interface Verification {
  /** ISO date. */
  readonly date: string;
  readonly how: string;
}

/**
 * One physical card: what is printed, what its maker says, and what happened to it. `label` is the owner's own name
 * for it.
 */
export interface Card {
  readonly id: string;
  readonly label: string;
  readonly form: Form;
  readonly capacityGB: number;
  /** As the body or a computer shows it after formatting; null until entered. */
  readonly usableGB: number | null;
  readonly marks: readonly string[];
  /** Null: read from the marks. */
  readonly bus: Bus | null;
  readonly readMBps: number | null;
  readonly writeMBps: number | null;
  readonly sustainedMBps: number | null;
  /** Minimum sustained write that its maker states in writing, without a mark. */
  readonly minimumMBps?: number | null;
  /** Where that minimum is written. */
  readonly minimumSource?: string | null;
  /** A label that contradicts itself promises nothing before this. */
  readonly verified?: Verification | null;
  /** True where the adapter of a microSD card carries both rows of contacts; ordinary ones carry one. */
  readonly adapterTwoRows?: boolean | null;
  readonly cacheGB: number | null;
  readonly note?: string | null;
  readonly price?: number | null;
  readonly boughtFrom?: string | null;
  /** ISO date. */
  readonly boughtOn?: string | null;
  readonly firmware?: string | null;
  readonly warranty?: string | null;
  readonly state?: CardState | null;
  /** Hours of recording, and TB of writing, that its maker rates it for. */
  readonly ratedHours?: number | null;
  readonly enduranceTB?: number | null;
  readonly writtenGB?: number | null;
  /** ISO date up to which that is counted; what is logged later comes on top. */
  readonly writtenOn?: string | null;
  readonly incidents?: readonly Incident[];
  /** A retired card stays in the wallet and leaves the board. */
  readonly retired?: boolean | null;
  readonly heat?: CardHeatFigures | null;
}

/** Where a card is in the rotation. */
export const CARD_STATES = ['free', 'in-body', 'full', 'copying', 'copied-once', 'verified'] as const;
/** Where a card is in the rotation. */
export type CardState = (typeof CARD_STATES)[number];

/** What may happen to a card. */
export const INCIDENTS = ['warning', 'dropped', 'corruption', 'damage'] as const;

/** Something that happened to a card. */
export interface Incident {
  /** ISO date. */
  readonly date: string;
  readonly kind: (typeof INCIDENTS)[number];
  readonly text: string;
  /** ISO date on which it was looked into and the card found fit for use; null while it stands. */
  readonly resolved?: string | null;
}

/** How a take ended; `cut-off`: the body shut itself down for heat. */
export const TEST_ENDS = ['full', 'stopped', 'dropped', 'cut-off'] as const;
/** How a take ended. */
export type TestEnd = (typeof TEST_ENDS)[number];

/** A take as it went, with the numbers it was logged with; whether they can be true is asked of testReading.ts. */
export interface Test {
  readonly id: string;
  readonly bodyId: string;
  readonly modeId: string | null;
  readonly cardId: string;
  readonly slotId: string | null;
  readonly end: TestEnd;
  readonly seconds: number;
  readonly clipGB?: number | null;
  readonly writtenMBps: number | null;
  /** ISO date; null when not noted. */
  readonly date: string | null;
  readonly note?: string | null;
  /** Air around the body, sun included; null when not noted. */
  readonly ambientWithSunC?: number | null;
  /** Takes of this length made one after another before it ended, this one included, and the rest between them. */
  readonly takes?: number | null;
  readonly restSeconds?: number | null;
  /** The body's firmware when it was made. */
  readonly firmware?: string | null;
  /** Whether the mode writes a constant rate or one that follows the picture; null when not noted. */
  readonly rateIs?: Constancy | null;
  readonly air?: AirMovement | null;
  /** `warm`: body or card had not cooled from what came before. */
  readonly start?: TestStart | null;
  /** Its place in a series of takes made to be compared, from 1. */
  readonly order?: number | null;
  /** Whether the card was formatted before it. */
  readonly formatted?: boolean | null;
  /** What the body said, word for word. */
  readonly warning?: string | null;
  /** ISO date on which a failed take was looked at; until then it stays on top of the log. */
  readonly looked?: string | null;
}

/** Whether a rate is held, or follows the picture. */
export const CONSTANCIES = ['constant', 'quality'] as const;
/** Whether a rate is held, or follows the picture. */
export type Constancy = (typeof CONSTANCIES)[number];

/** How a take began. */
export const TEST_STARTS = ['cold', 'warm'] as const;
/** How a take began. */
export type TestStart = (typeof TEST_STARTS)[number];

/** A burst of stills, and how long the camera took to write it away. */
export interface Clearing {
  readonly id: string;
  readonly bodyId: string;
  readonly cardId: string;
  readonly slotId: string | null;
  /** ISO date; null when not noted. */
  readonly date: string | null;
  /** Average size of a picture, MB; null when not noted: its time tells a ratio alone. */
  readonly fileMB: number | null;
  /** Pictures until the camera slowed; null where it never did. */
  readonly framesUntilSlow: number | null;
  /** Pictures taken in all; null when not noted. */
  readonly frames: number | null;
  /** Rate of the burst as set, pictures a second; null when not noted. */
  readonly burstFps: number | null;
  /** Shutter time, seconds; null when not noted. */
  readonly shutterSeconds: number | null;
  /** From the last picture until the lamp went out. */
  readonly clearSeconds: number;
  readonly note?: string | null;
}

/** What kind of program read or wrote a card outside the camera. */
export const BENCH_PROGRAMS = ['sequential', 'random', 'file-copy', 'fill-and-verify'] as const;
/** What kind of program read or wrote a card outside the camera. */
export type BenchProgram = (typeof BENCH_PROGRAMS)[number];

/** A card measured outside the camera. */
export interface BenchResult {
  readonly id: string;
  readonly cardId: string;
  /** ISO date; null when not noted. */
  readonly date: string | null;
  readonly reader: string | null;
  /** The socket of the computer. */
  readonly port: string | null;
  readonly program: BenchProgram;
  readonly readMBps: number | null;
  readonly writeMBps: number | null;
  /** The lowest it fell to while writing; null when not noted. */
  readonly lowestWriteMBps: number | null;
  readonly note?: string | null;
  /** Written in it, GB, and how long that took, seconds. */
  readonly writtenGB?: number | null;
  readonly writeSeconds?: number | null;
  /** What its trace showed; missing where there was none. */
  readonly trace?: TraceFigures | null;
  /** The series with its rate by the second; null where it was not kept. */
  readonly seriesId?: string | null;
  /** Bytes read back and found as they were written, GB. */
  readonly verifiedGB?: number | null;
  /** What reading back found, in words; null where all was right or nothing was read back. */
  readonly fault?: string | null;
}

/** What a write trace showed of a card. */
export interface TraceFigures {
  readonly burstMBps: number | null;
  /** What a cache must hold to end where the burst did. */
  readonly cacheGB: number | null;
  readonly sustainedMBps: number;
  /** The lowest mean of ten seconds. */
  readonly floorMBps: number;
  readonly stalls: number;
  readonly stallEveryGB: number | null;
  readonly stallSeconds: number | null;
  /** What was left while it was throttled, 0 to 1; null where it never was. */
  readonly throttleFactor: number | null;
  readonly throttleOnsetSeconds: number | null;
  /** Temperatures at which it fell and came back, where they were noted. */
  readonly throttleOnC: number | null;
  readonly throttleOffC: number | null;
}

/** What is printed on a card: two cards that agree in it are of one print. */
export type Print = Pick<Card, 'form' | 'capacityGB' | 'marks' | 'bus' | 'readMBps' | 'writeMBps'>;

/** A colleague's test of a body and a print that are also here. It proves nothing: it is read beside one's own. */
export interface Report {
  readonly id: string;
  /** Who gave it; null where they did not say. */
  readonly from: string | null;
  /** ISO date it was read in. */
  readonly received: string;
  /** ISO date the take was made; null where it was not given. */
  readonly date: string | null;
  readonly bodyId: string;
  readonly modeId: string;
  readonly print: Print;
  readonly end: TestEnd;
  readonly seconds: number;
  /** What the card was written, MB/s. */
  readonly writtenMBps: number;
  readonly clipGB?: number | null;
  readonly ambientWithSunC?: number | null;
  readonly firmware?: string | null;
  readonly start?: TestStart | null;
}

/** When evidence is to be made anew. */
export interface Retest {
  /** Months after which a pass is old; 0: never. */
  readonly months: number;
  /** After the firmware of a body changed. */
  readonly afterFirmware: boolean;
  /** After an incident of a card. */
  readonly afterIncident: boolean;
}

/** Air around a body: still in a room, moving in a breeze or on a walk, strong in flight or at a car window. */
export const AIR_MOVEMENTS = ['still', 'moving', 'strong'] as const;
/** How the air moves around a body. */
export type AirMovement = (typeof AIR_MOVEMENTS)[number];

/** How a body is finished, by how much of the sun it keeps. */
export const FINISH_KEYS = ['light', 'grey', 'black'] as const;
/** How a body is finished. */
export type Finish = (typeof FINISH_KEYS)[number];

/** The take a person plans: what the heat marks of the board are worked out for. */
export interface PlannedTake {
  readonly minutes: number;
  readonly takes: number;
  readonly restMinutes: number;
  readonly ambientC: number;
  /** Degrees that sun on the body adds to the air; 0 in shade. With a finish they are those of the body and the air at hand. */
  readonly sunC: number;
  /** How the body that stands in the sun is finished; null or missing: `sunC` is taken as it is. */
  readonly sun?: Finish | null;
  /** How the air moves around the body; missing: still. */
  readonly air?: AirMovement | null;
  /** The coldest air of that day: no advice asks for less. Missing: some degrees below the air planned for. */
  readonly dayLowC?: number | null;
}

/** A take to simulate: what is recorded on what, and under which conditions. */
export interface HeatPick {
  readonly bodyId: string;
  readonly modeId: string;
  readonly arrangement: Arrangement;
  /** First slot first. */
  readonly cardIds: readonly string[];
  /** Compression tried in place of the mode's own; null: as the mode says. */
  readonly ratio: number | null;
  readonly plan: PlannedTake;
  /** Where a start is already warm; null: at the air's temperature. */
  readonly startBodyC: number | null;
  readonly startCardC: number | null;
  /** A clip's own rate, second by second, in place of the mode's. */
  readonly demandTraceMBps?: readonly number[] | null;
}

/** Seconds such a trace may hold: six hours. */
export const MAX_TRACE_SECONDS = 21_600;

/** Most takes kept for comparing: more do not fit side by side. */
export const MAX_KEPT_TAKES = 3;

/** How a take ran when it was kept. */
export interface MadeWith {
  /** ISO date. */
  readonly date: string;
  readonly outcome: 'complete' | 'filled' | 'dropped' | 'body-cutoff';
  readonly atSeconds: number;
  /** Share of its runs that failed; null where it was not known yet. */
  readonly failing: number | null;
  /** The figures of its body and of the card that decided. */
  readonly figures: Readonly<Partial<Record<BodyFigure | CardFigure, number>>>;
}

/** A take kept for comparing; it is simulated again whenever it is shown. */
export interface KeptTake extends Omit<HeatPick, 'demandTraceMBps'> {
  readonly id: string;
  /** How it ran when it was kept, and with which figures; missing: kept before that was noted. */
  readonly made?: MadeWith | null;
  readonly name: string;
  /** The series with a clip's own rate; null where the mode's rate is taken. */
  readonly rateSeriesId: string | null;
}

export const SERIES_KINDS = ['rate', 'write'] as const;

/** A long series, kept apart so that nothing else has to carry it. */
export interface Series {
  readonly id: string;
  /** `rate`: what a clip writes; `write`: what a card took. */
  readonly kind: (typeof SERIES_KINDS)[number];
  /** One value a second, MB/s. */
  readonly MBps: readonly number[];
}

/** Whether a take can be made again: how strictly its answers read. */
export type TakeKind = 'once' | 'repeatable';
