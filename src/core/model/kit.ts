import type { Bus } from '../standards/buses.ts';
import type { Family } from '../standards/families.ts';
import type { Form } from '../standards/forms.ts';

/**
 * The shapes the core reads, as the kit file writes them: units are in the key names. Null means unknown, never zero.
 * The rules for what may be in them stand in src/kit/schema.ts.
 */
export type Arrangement = 'single' | 'relay' | 'mirrored' | 'split';
export type Codec = 'long-gop' | 'intra' | 'raw';
export type WhenMissing = 'refuses' | 'warns' | 'advises';
export type RateKind = 'maximum' | 'average' | 'constant';

export type ModeRate =
  | { readonly kind: 'stated'; readonly Mbps: number; readonly is: RateKind }
  | { readonly kind: 'raw'; readonly bitsPerPixel: number; readonly ratio: number }
  | { readonly kind: 'frame'; readonly bytesPerFrame: number };

export interface Overhead {
  readonly fixedMbps: number;
  readonly perFrameKB: number;
}

export interface Sound {
  readonly channels: number;
  readonly sampleHz: number;
  readonly bits: number;
}

export interface Requirement {
  /** Marks (V90, VPG200) or words on the label (SDXC, II) of which one is enough. */
  readonly anyOf: readonly string[];
  readonly whenMissing: WhenMissing;
}

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
  /** Beside the picture; null: the defaults are assumed. */
  readonly overhead: Overhead | null;
  readonly sound?: Sound | null;
  readonly proxyMbps?: number | null;
  readonly requires: readonly Requirement[];
}

export interface Accepts {
  readonly form: Form;
  /** Null where only the maker knows (a module). */
  readonly bus: Bus | null;
}

export interface Slot {
  readonly id: string;
  readonly name: string;
  readonly accepts: readonly Accepts[];
  readonly family: Family | null;
  readonly promisedMaxGB: number | null;
}

export interface Body {
  readonly id: string;
  readonly name: string;
  readonly note?: string | null;
  readonly arrangement: Arrangement;
  readonly bufferMB: number | null;
  /** Ceiling inside the body, below its slot's bus; null where none is known. */
  readonly ceilingMBps: number | null;
  readonly slots: readonly Slot[];
  readonly modes: readonly Mode[];
}

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
  readonly cacheGB: number | null;
}

export type TestEnd = 'full' | 'stopped' | 'dropped';

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
}

export type Take = 'once' | 'repeatable';
