import type { Card } from '../kit/model.ts';
import type { Offer } from '../kit/shop.ts';

/** The card an offer would be, new and untested: what Match is asked about, and what comes into the wallet once bought. */
export const cardOfOffer = (offer: Offer): Card => ({
  id: `offer ${offer.id}`,
  label: offer.name,
  form: offer.form,
  capacityGB: offer.capacityGB,
  usableGB: null,
  marks: offer.marks,
  bus: offer.bus,
  readMBps: offer.readMBps,
  writeMBps: offer.writeMBps,
  sustainedMBps: offer.sustainedMBps,
  minimumMBps: offer.minimumMBps ?? null,
  minimumSource: offer.minimumSource ?? null,
  cacheGB: null,
  price: offer.price,
});

/** Amounts are added up in hundredths, which a computer adds without rounding. */
export const centsOf = ({ price }: Pick<Offer, 'price'>): number => Math.round(price * 100);
