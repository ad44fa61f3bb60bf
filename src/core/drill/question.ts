import type { Arrangement, Body, Card, Mode } from '../kit/model.ts';
import type { Cell } from '../match/cell.ts';
import type { Policy } from '../match/policy.ts';
import type { Bus } from '../standards/buses.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import type { Face } from './face.ts';
import type { Slip } from './slips.ts';
import type { Topic } from './topics.ts';

/** How hard the numbers are: 1 round ones, 2 as they are met, 3 unround ones, typed where they can be. */
export type Level = 1 | 2 | 3;

/** Why a take ended, as a person may answer it. */
export type StopReason = 'bus' | 'cache' | 'heat' | 'bytes';
/** Every such reason, in the order in which they are shown. */
export const STOP_REASONS: readonly StopReason[] = ['bytes', 'bus', 'cache', 'heat'];

/** What an answer is, as a value; words are made of it in src/text. */
export type AnswerValue =
  /** MB/s or Mb/s. */
  | { readonly kind: 'rate'; readonly bytesPerSecond: number; readonly unit: 'MB/s' | 'Mb/s' }
  | { readonly kind: 'per-minute'; readonly GB: number }
  | { readonly kind: 'room'; readonly GB: number }
  /** Nothing is promised. */
  | { readonly kind: 'nothing' }
  | { readonly kind: 'minutes'; readonly minutes: number }
  | { readonly kind: 'seconds'; readonly seconds: number }
  | { readonly kind: 'count'; readonly count: number }
  | { readonly kind: 'face'; readonly face: Face; readonly price: number | null }
  | { readonly kind: 'mode'; readonly Mbps: number; readonly minutes: number | null }
  | { readonly kind: 'reason'; readonly reason: StopReason }
  /** One’s own card, with what the board says of it. */
  | { readonly kind: 'card'; readonly card: Card; readonly cell: Cell };

/** An answer that is offered. */
export interface Choice {
  readonly value: AnswerValue;
  /** Null: it is the right one. */
  readonly slip: Slip | null;
}

/** What an answer that is typed is compared with. */
export interface Typed {
  readonly unit: 'MB/s' | 'Mb/s' | 'GB' | 'min';
  /** In the unit. */
  readonly right: number;
  /** How far an answer may be off, as a share of what is right. */
  readonly tolerance: number;
  /** What each slip comes to, in the unit. */
  readonly slips: readonly { readonly slip: Slip; readonly value: number }[];
}

/** What a question tells, in numbers. */
export type Facts =
  | { readonly kind: 'bits'; readonly ask: 'to-bytes' | 'to-bits'; readonly bytesPerSecond: number }
  | { readonly kind: 'bits'; readonly ask: 'per-minute'; readonly bytesPerSecond: number }
  | { readonly kind: 'bits'; readonly ask: 'computer'; readonly GB: number; readonly GiB: number }
  | { readonly kind: 'label'; readonly face: Face; readonly slot: Bus }
  | { readonly kind: 'contradict' }
  | {
      readonly kind: 'cheapest';
      readonly mode: Mode;
      readonly slot: Bus;
      readonly need: BytesPerSecond;
      readonly body: Body;
      readonly policy: Policy;
    }
  | { readonly kind: 'minutes'; readonly mode: Mode; readonly capacityGB: number }
  | { readonly kind: 'slow-motion'; readonly ask: 'rate'; readonly mode: Mode }
  | {
      readonly kind: 'slow-motion';
      readonly ask: 'plays';
      readonly takeSeconds: number;
      readonly captured: number;
      readonly playback: number;
    }
  | { readonly kind: 'counter'; readonly ask: 'rate'; readonly capacityGB: number; readonly minutes: number }
  | { readonly kind: 'counter'; readonly ask: 'telling'; readonly capacityGB: number }
  | { readonly kind: 'stopped'; readonly take: StoppedTake }
  | {
      readonly kind: 'afternoon';
      readonly mode: Mode;
      readonly capacityGB: number;
      readonly arrangement: Arrangement;
      readonly minutes: number;
      /** Share that is recorded. */
      readonly rolling: number;
    }
  | { readonly kind: 'own'; readonly body: Body; readonly mode: Mode; readonly policy: Policy };

/** A simulated take as a person would have noted it. */
export interface StoppedTake {
  /** As the menu has it. */
  readonly menuMbps: number;
  readonly busMBps: number;
  readonly burstMBps: number;
  readonly cacheGB: number;
  readonly sustainedMBps: number;
  readonly bufferMB: number;
  readonly ambientC: number;
  /** From the clip: what was written a second. */
  readonly clipMBps: number;
  readonly seconds: number;
  readonly writtenGB: number;
  /** When and how hot the card was when it began to slow; null where it did not. */
  readonly slowedAtSeconds: number | null;
  readonly cardC: number;
  readonly throttleAtC: number;
}

/** One question with everything that its answers and their explanation need. */
export interface Question {
  readonly topic: Topic;
  readonly level: Level;
  readonly facts: Facts;
  /** In the order in which they are shown; exactly one of them without a slip. Empty where the answer is typed. */
  readonly choices: readonly Choice[];
  /** Null where it is chosen. */
  readonly typed: Typed | null;
}

/** The slips that a question offers, each once. */
export const slipsOf = ({ choices, typed }: Pick<Question, 'choices' | 'typed'>): readonly Slip[] => [
  ...new Set([...choices.flatMap(({ slip }) => slip ?? []), ...(typed?.slips ?? []).map(({ slip }) => slip)]),
];
