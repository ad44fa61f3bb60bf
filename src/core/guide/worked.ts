import { type StreamRate, streamRate } from '../bodies/rate/streamRate.ts';
import type { Body, Card, Mode } from '../kit/model.ts';
import { board } from '../match/board.ts';
import type { Cell } from '../match/cell.ts';
import { DEFAULT_POLICY } from '../match/policy.ts';

const MODE: Mode = {
  id: 'mode',
  name: '4K intra',
  codec: 'intra',
  width: 3840,
  height: 2160,
  fps: 50,
  captureFps: null,
  rate: { kind: 'stated', Mbps: 600, is: 'maximum' },
  overhead: null,
  requires: [],
};

const BODY: Body = {
  id: 'body',
  name: 'A body',
  arrangement: 'single',
  bufferMB: null,
  ceilingMBps: null,
  slots: [
    { id: 'slot', name: 'Slot 1', accepts: [{ form: 'sd', bus: 'uhs-ii' }], family: 'sdxc', promisedMaxGB: null },
  ],
  modes: [MODE],
};

const CARD: Card = {
  id: 'card',
  label: 'A card',
  form: 'sd',
  capacityGB: 256,
  usableGB: null,
  marks: ['SDXC', 'II', 'U3', 'V90'],
  bus: null,
  readMBps: 300,
  writeMBps: null,
  sustainedMBps: null,
  cacheGB: null,
};

/** One answer worked from end to end, for the guide: what was asked, and the cell that the rules give. */
export interface Worked {
  readonly body: Body;
  readonly mode: Mode;
  readonly card: Card;
  readonly rate: StreamRate;
  readonly cell: Cell;
}

/** 600 Mb/s at 50 frames a second on 256 GB V90 in a UHS-II slot, by the very rules that answer the board. */
export function workedAnswer(): Worked {
  const rate = streamRate(MODE, null);
  const cell = board({ bodies: [BODY], cards: [CARD], tests: [], reports: [] }, DEFAULT_POLICY).columnAt(0)[0];
  if (!rate.ok || !cell) throw new Error('the worked example has no answer');
  return { body: BODY, mode: MODE, card: CARD, rate: rate.value, cell };
}
