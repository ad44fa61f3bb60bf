import type { Body, Mode } from '../../kit/model.ts';
import type { Bus } from '../../standards/buses.ts';
import { bus } from '../../standards/buses.ts';
import { FORM_KEYS, form } from '../../standards/forms.ts';

/** A mode of a made-up body, stated at its most. */
export const aMode = (Mbps: number, change: Partial<Mode> = {}): Mode => ({
  id: 'mode',
  name: '4K intra',
  codec: 'intra',
  width: 3840,
  height: 2160,
  fps: 25,
  captureFps: null,
  rate: { kind: 'stated', Mbps, is: 'maximum' },
  overhead: null,
  requires: [],
  ...change,
});

/** A body with one slot of a bus, which takes the first form that has it. */
export const aBodyWith = (mode: Mode, slot: Bus): Body => ({
  id: 'body',
  name: form(FORM_KEYS.find((key) => bus(slot).forms.includes(key)) ?? 'sd').name,
  arrangement: 'single',
  bufferMB: null,
  ceilingMBps: null,
  slots: [
    {
      id: 'slot',
      name: 'Slot',
      accepts: [{ form: FORM_KEYS.find((key) => bus(slot).forms.includes(key)) ?? 'sd', bus: slot }],
      family: 'sdxc',
      promisedMaxGB: null,
    },
  ],
  modes: [mode],
});
