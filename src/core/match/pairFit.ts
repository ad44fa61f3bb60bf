import type { Accepts, Card, Slot } from '../model/kit.ts';
import type { Finding } from './finding.ts';
import { type BusFacts, busFacts } from './rules/bus.ts';
import { familyRule } from './rules/family.ts';
import { type Floor, floorInForce } from './rules/guarantee.ts';
import { protocolRule } from './rules/protocol.ts';
import { shapeRule } from './rules/shape.ts';

/** What a slot and a card are to each other before any mode is named. */
export type PairFit =
  | { readonly fits: false; readonly findings: readonly Finding[] }
  | { readonly fits: true; readonly findings: readonly Finding[]; readonly bus: BusFacts; readonly floor: Floor };

/** Runs the rules that need no mode: shape, protocol, capacity family, bus in force, guarantee in force. */
export function pairFit(slot: Slot, card: Card): PairFit {
  const shape = shapeRule(slot, card);
  if (shape.enters.length === 0) return { fits: false, findings: [shape.finding] };
  const protocol = protocolRule(shape.enters, card);
  if (protocol.speaks.length === 0) return { fits: false, findings: [shape.finding, protocol.finding] };
  const family = familyRule(slot, card);
  const findings = [shape.finding, protocol.finding, ...family];
  if (family.some(({ outcome }) => outcome === 'block')) return { fits: false, findings };
  const bus = fastest(protocol.speaks, card);
  return { fits: true, findings, bus, floor: floorInForce(card, bus.inForce) };
}

function fastest(speaks: readonly Accepts[], card: Card): BusFacts {
  const [first, ...rest] = speaks.map((accepts) => busFacts(accepts, card));
  if (!first) throw new Error('fastest() needs at least one accepted form');
  return rest.reduce((best, one) => ((one.ceiling ?? 0) > (best.ceiling ?? 0) ? one : best), first);
}

/** Fits already worked out, by slot and by what a card prints: one object for all cards of one print. */
export type FitMemo = Map<string, PairFit>;

/** What of a card its fit depends on. */
export const cardKey = ({ form, bus, capacityGB, marks }: Card): string =>
  `${form} ${bus} ${capacityGB} ${marks.join()}`;

/**
 * @param slotKey - what makes the slot's answers differ from another's
 * @param key - the card's, by `cardKey`
 */
export function rememberedFit(memo: FitMemo, slotKey: string, slot: Slot, key: string, card: Card): PairFit {
  const place = `${slotKey} ${key}`;
  const known = memo.get(place);
  if (known) return known;
  const fit = pairFit(slot, card);
  memo.set(place, fit);
  return fit;
}
