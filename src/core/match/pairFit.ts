import type { Accepts, Card, Slot } from '../kit/model.ts';
import { remembered } from '../remembered.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import type { Finding } from './finding.ts';
import { type BusFacts, busFacts } from './rules/bus.ts';
import { familyRule } from './rules/family.ts';
import { type Floor, floorInForce } from './rules/guarantee.ts';
import { labelRule } from './rules/label.ts';
import { minimumInForce } from './rules/makersMinimum.ts';
import { protocolRule } from './rules/protocol.ts';
import { shapeRule } from './rules/shape.ts';

/** What a slot and a card are to each other before any mode is named. */
export type PairFit =
  | { readonly fits: false; readonly findings: readonly Finding[] }
  | {
      readonly fits: true;
      readonly findings: readonly Finding[];
      readonly bus: BusFacts;
      readonly marks: Floor;
      /** True where the label contradicts itself and the card was not verified: it promises nothing. */
      readonly doubted: boolean;
      /** The best promise in writing that counts here; null where none does. */
      readonly floor: BytesPerSecond | null;
    };

/** Runs the rules that need no mode: shape, protocol, capacity family, bus in force, promises in force. */
export function pairFit(slot: Slot, card: Card): PairFit {
  const shape = shapeRule(slot, card);
  if (shape.enters.length === 0) return { fits: false, findings: [shape.finding] };
  const protocol = protocolRule(shape.enters, card);
  if (protocol.speaks.length === 0) return { fits: false, findings: [shape.finding, protocol.finding] };
  const family = familyRule(slot, card);
  const findings = [shape.finding, protocol.finding, ...family];
  if (family.some(({ outcome }) => outcome === 'block')) return { fits: false, findings };
  const bus = fastest(protocol.speaks, card);
  const marks = floorInForce(card, bus.inForce);
  const doubted = labelRule(card)?.outcome === 'short';
  const floor = doubted ? null : lower(higher(marks.floor, minimumInForce(card, bus)), bus.ceiling);
  return { fits: true, findings, bus, marks, doubted, floor };
}

const higher = (a: BytesPerSecond | null, b: BytesPerSecond | null): BytesPerSecond | null =>
  a === null ? b : b === null ? a : a > b ? a : b;

/** No promise is kept above the bus it is written over. */
const lower = (a: BytesPerSecond | null, b: BytesPerSecond | null): BytesPerSecond | null =>
  a === null || b === null || a < b ? a : b;

/** Of several forms a slot names that the card enters, the one with the fastest bus; of equal ones the first. */
function fastest(speaks: readonly Accepts[], card: Card): BusFacts {
  const [first, ...rest] = speaks.map((accepts) => busFacts(accepts, card));
  if (!first) throw new Error('fastest() needs at least one accepted form');
  return rest.reduce((best, one) => ((one.ceiling ?? 0) > (best.ceiling ?? 0) ? one : best), first);
}

/** Fits already worked out, by slot and by what a card prints: one object for all cards of one print. */
export type FitMemo = Map<string, PairFit>;

/** Two cards with one key fit the same way everywhere: it holds every field of a card that a fit depends on. */
export const cardKey = remembered((card: Card): string => {
  const { form, bus, capacityGB, marks, minimumMBps, minimumSource, verified, adapterTwoRows } = card;
  const speeds = `${card.readMBps} ${card.writeMBps} ${card.sustainedMBps}`;
  const minimum = minimumMBps == null ? '' : `${minimumMBps} ${minimumSource ?? ''}`;
  return `${form} ${bus} ${capacityGB} ${speeds} ${minimum} ${verified ? 1 : 0} ${adapterTwoRows ? 2 : 1} ${marks.join()}`;
});

/**
 * The fit of a card in a slot, worked out once for all cards of its print.
 *
 * @param key - what makes the slot's answers differ from another's
 * @param print - the card's `cardKey`, where it is at hand
 */
export function rememberedFit(
  memo: FitMemo,
  { slot, key }: { readonly slot: Slot; readonly key: string },
  card: Card,
  print = cardKey(card),
): PairFit {
  const place = `${key} ${print}`;
  const known = memo.get(place);
  if (known) return known;
  const fit = pairFit(slot, card);
  memo.set(place, fit);
  return fit;
}
