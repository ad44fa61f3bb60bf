import type { Body, Card, Mode, Slot, Test } from './kit/model.ts';
import type { Need, Offer } from './kit/shop.ts';

/** Small things to test with; each says only what its test is about. */
export const aMode = (change: Partial<Mode> = {}): Mode => ({
  id: 'm',
  name: 'mode',
  codec: 'intra',
  width: 3840,
  height: 2160,
  fps: 50,
  captureFps: null,
  rate: { kind: 'stated', Mbps: 500, is: 'maximum' },
  overhead: { fixedMbps: 0, perFrameKB: 0 },
  requires: [],
  ...change,
});

export const aSlot = (change: Partial<Slot> = {}): Slot => ({
  id: 's',
  name: 'Slot',
  accepts: [{ form: 'sd', bus: 'uhs-ii' }],
  family: 'sdxc',
  promisedMaxGB: null,
  ...change,
});

export const aBody = (change: Partial<Body> = {}): Body => ({
  id: 'b',
  name: 'body',
  arrangement: 'single',
  bufferMB: null,
  ceilingMBps: null,
  slots: [aSlot()],
  modes: [aMode()],
  ...change,
});

export const aCard = (change: Partial<Card> = {}): Card => ({
  id: 'c',
  label: 'C-01',
  form: 'sd',
  capacityGB: 256,
  usableGB: null,
  marks: ['II', 'U3', 'V90'],
  bus: null,
  readMBps: null,
  writeMBps: null,
  sustainedMBps: null,
  cacheGB: null,
  ...change,
});

export const aTest = (change: Partial<Test> = {}): Test => ({
  id: 't',
  bodyId: 'b',
  modeId: 'm',
  cardId: 'c',
  slotId: 's',
  end: 'full',
  seconds: 3600,
  writtenMBps: 62.5,
  date: '2026-05-01',
  ...change,
});

export const anOffer = (change: Partial<Offer> = {}): Offer => ({
  id: 'o',
  name: 'SD 256 V90',
  form: 'sd',
  capacityGB: 256,
  marks: ['II', 'U3', 'V90'],
  bus: null,
  readMBps: null,
  writeMBps: null,
  sustainedMBps: null,
  price: 190,
  currency: 'EUR',
  seller: 'Quay',
  date: '2027-05-20',
  ...change,
});

export const aNeed = (change: Partial<Need> = {}): Need => ({
  id: 'n',
  bodyId: 'b',
  modeId: 'm',
  hours: 2,
  gapFreeMinutes: null,
  sparePercent: 0,
  ...change,
});
