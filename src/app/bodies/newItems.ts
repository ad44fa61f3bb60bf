import type { Body, Mode, Slot } from '../../core/kit/model.ts';
import { newId } from '../../kit/newId.ts';
import type { Draft } from '../kit/draft.ts';

/** What an added thing starts as: nothing claimed that was not entered, so a slot has no bus before it is told. */
export const newSlot = (count: number): Slot => ({
  id: newId(),
  name: `Slot ${count + 1}`,
  accepts: [{ form: 'sd', bus: null }],
  family: null,
  promisedMaxGB: null,
});

export const newMode = (): Draft<Mode> => ({
  id: newId(),
  name: '',
  codec: 'long-gop',
  width: null,
  height: null,
  fps: '',
  captureFps: null,
  rate: { kind: 'stated', Mbps: '', is: 'maximum' },
  overhead: null,
  requires: [],
});

export const newBody = (): Draft<Body> => ({
  id: newId(),
  name: '',
  note: '',
  arrangement: 'single',
  bufferMB: null,
  ceilingMBps: null,
  slots: [newSlot(0)],
  modes: [],
});
