import { describe, expect, it } from 'vitest';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import { DEFAULT_POLICY } from '../policy.ts';
import { smallestMarks } from './answerAsk.ts';
import type { Reading } from './ask.ts';
import { askLine } from './askLine.ts';

function answerOf(text: string) {
  const found = askLine(text, DEFAULT_POLICY);
  if (!found.ok) throw new Error(`${text}: ${found.error.code}`);
  if (found.value.kind !== 'card') throw new Error(`${text}: playback`);
  return found.value.answer;
}

const reading = <C extends Reading['code']>(text: string, code: C) =>
  answerOf(text).ask.readings.find((one): one is Extract<Reading, { code: C }> => one.code === code);

const Mbps = (rate: number): number => rate / 125_000;

describe('two frame rates', () => {
  it.each(['240 Mb/s 25p 100p', '240 Mb/s 100p 25p', '240 Mb/s at 100p in 25p', '100fps 25fps 240 Mb/s'])(
    '%s: the higher is captured',
    (text) => {
      expect(answerOf(text).ask.mode).toMatchObject({ fps: 25, captureFps: 100 });
      expect(reading(text, 'speeds')).toMatchObject({ captured: 100, recorded: 25 });
    },
  );

  it('unless said otherwise', () => {
    for (const text of ['240 Mb/s 25p captured 100p recorded', '240 Mb/s captured at 25p recorded at 100p']) {
      expect(answerOf(text).ask.mode, text).toMatchObject({ fps: 100, captureFps: 25 });
      expect(reading(text, 'speeds'), text).toBeUndefined();
    }
    expect(answerOf('240 Mb/s 100p captured 25p').ask.mode).toMatchObject({ fps: 25, captureFps: 100 });
    expect(answerOf('240 Mb/s 25p 25p').ask.mode.captureFps, 'the same twice is one').toBeNull();
  });

  it('the rate is taken where it writes more, and the other is one press away', () => {
    const text = '240 Mb/s 25p 100p on 256GB V90 II';
    expect(Mbps(answerOf(text).rate.picture)).toBe(960);
    const shown = reading(text, 'rate-at');
    expect(shown).toMatchObject({ at: 'recorded', said: false });
    expect([shown?.taken, shown?.other].map((one) => Mbps(one ?? 0))).toEqual([960, 240]);
    const other = shown?.change ?? '';
    expect(Mbps(answerOf(other).rate.picture)).toBe(240);
    const back = reading(other, 'rate-at');
    expect(back).toMatchObject({ at: 'captured', said: true });
    expect(Mbps(answerOf(back?.change ?? '').rate.picture)).toBe(960);
  });

  it('undercranked: captured slower than recorded is not taken for less than is stated', () => {
    const text = '240 Mb/s captured 12p recorded 24p';
    expect(Mbps(answerOf(text).rate.picture)).toBe(240);
    expect(reading(text, 'rate-at')).toMatchObject({ at: 'captured' });
  });

  it('one speed, or raw geometry, leaves nothing to ask', () => {
    expect(reading('240 Mb/s 25p', 'rate-at')).toBeUndefined();
    expect(reading('4096x2160 12bit 3:1 25p 100p', 'rate-at')).toBeUndefined();
    expect(reading('240 Mb/s', 'fps-assumed')?.change).toBe('240 Mb/s 25p');
  });
});

describe('what was assumed is one press from another reading', () => {
  it('the slot that is taken to match the card', () => {
    const text = '600 Mb/s 25p on 256GB V90 II';
    const shown = reading(text, 'slot-assumed');
    expect(shown).toMatchObject({ bus: 'uhs-ii', change: `${text} in UHS-I` });
    expect(answerOf(text).cell?.verdict).toBe('guaranteed');
    expect(answerOf(shown?.change ?? '').cell?.verdict).toBe('uncovered');
    expect(reading(shown?.change ?? '', 'slot-assumed'), 'told: nothing is assumed').toBeUndefined();
  });

  it('a version for the forms that have them; no other reading where no line can say it', () => {
    const cfx = reading('3 GB/s on 1TB CFexpress B 4.0 VPG400', 'slot-assumed');
    expect(cfx?.bus).toBe('cfexpress-4');
    expect(answerOf(cfx?.change ?? '').cell?.ceiling).toBe(1_970_000_000);
    expect(reading('100 Mb/s on 128GB V30 I', 'slot-assumed')).toBeUndefined();
    expect(reading('100 Mb/s on 128GB CFast VPG130', 'slot-assumed')).toEqual({ code: 'slot-assumed', bus: null });
    expect(reading('100 Mb/s on 1TB SSD', 'slot-assumed')?.change).toBeUndefined();
  });

  it('a card without a bus of its own is not held back by a slot nobody named', () => {
    expect(answerOf('1000 MB/s 25p on 1TB CFexpress A VPG1600').cell?.verdict).toBe('guaranteed');
  });

  it('V90 without a bus means UHS-II, read and said', () => {
    expect(reading('600 Mb/s 25p on 256GB V90', 'bus-by-mark')).toMatchObject({ text: 'V90', bus: 'uhs-ii' });
    expect(reading('600 Mb/s 25p on 256GB V90 II', 'bus-by-mark')).toBeUndefined();
    expect(answerOf('600 Mb/s 25p on 256GB V90').cell).toMatchObject({ verdict: 'guaranteed', doubted: false });
  });

  it('1:30 of a card is hours and minutes, the safer of the two; the other is one press away', () => {
    const shown = reading('400 Mb/s 25p on 128GB V60 for 1:30', 'time');
    expect(shown?.value).toBe(5400);
    expect(answerOf(shown?.change ?? '').ask.time).toBe(90);
    expect(answerOf('400 Mb/s 25p for 1:09:22').ask.time).toBe(4162);
    expect(answerOf('400 Mb/s 25p for 1h09').ask.time).toBe(4140);
  });
});

describe('the smallest mark that would do', () => {
  it('names only marks that exist for the form, and count in the slot', () => {
    expect(answerOf('400 Mb/s 25p on 256GB SDXC I U1').smallestMarks).toEqual(['V60', 'E150']);
    expect(answerOf('400 Mb/s 25p on 256GB microSDXC I U1').smallestMarks).toEqual(['V60', 'E150']);
    expect(answerOf('400 Mb/s 25p on 256GB CFexpress B').smallestMarks).toEqual(['VPG200']);
    expect(answerOf('400 Mb/s 25p on 256GB XQD').smallestMarks).toEqual([]);
    expect(answerOf('200 Mb/s 25p on 256GB SDXC I U1 in UHS-I').smallestMarks).toEqual(['U3', 'V30']);
    expect(smallestMarks(45_000_000 as BytesPerSecond, 150 as PerMille, { form: 'sd', slotBus: 'uhs-i' })).toEqual([]);
  });
});

describe('UHS-3 in a quick check', () => {
  it('is asked about on every card', () => {
    for (const text of [
      '100 Mb/s on 128GB V30 UHS-3',
      '100 Mb/s on 128GB microSDXC UHS-3',
      '100 Mb/s on 128GB SDXC UHS-3',
    ])
      expect(askLine(text, DEFAULT_POLICY), text).toMatchObject({
        ok: false,
        error: { code: 'not-understood', unread: [{ text: 'UHS-3', problem: { code: 'grade-or-bus' } }] },
      });
  });
});

describe('playback', () => {
  const playsOf = (text: string) => {
    const found = askLine(text, DEFAULT_POLICY);
    return found.ok && found.value.kind === 'playback' ? found.value.playback.plays : null;
  };

  // [P] common practice, no source: 3 min 50 s at 100 fps plays 15 min 20 s at 25; 25 min at 60 plays 62.5 min at 24.
  it.each([
    ['3:50 at 100p plays 15:20 at 25p', 920],
    ['3:50 100p 25p', 920],
    ['25p 3:50 captured at 100p', 920],
    ['25 min at 60p at 24p', 3750],
    ['1:09:22 at 50p plays at 25p', 8324],
  ])('%s', (text, seconds) => {
    expect(playsOf(text)).toBeCloseTo(seconds, 6);
  });

  it('takes the drop-frame family exactly', () => {
    expect(playsOf('60 s at 119.88p plays at 23.976p')).toBeCloseTo(300, 9);
  });

  it('asks for the second speed, and leaves lines with a rate or a card alone', () => {
    expect(askLine('3:50 at 100p', DEFAULT_POLICY)).toMatchObject({ error: { code: 'no-playback-speed', take: 230 } });
    expect(answerOf('240 Mb/s 25p 100p for 3 min').plays).toBe(720);
    expect(answerOf('240 Mb/s 25p for 3 min').plays).toBeNull();
    expect(playsOf('3:50 100p 25p 24p'), 'three speeds are no question').toBeNull();
  });
});

describe('what a card is rated to take in all', () => {
  it.each([
    '30 Mb/s on 1TB SDXC 600TBW V30',
    '30 Mb/s on 1TB endurance 600 TBW SDXC V30',
    '30 Mb/s on 1TB SDXC V30 endurance: 600 TB',
  ])('is neither a size of it nor a need: %s', (text) => {
    const { ask, minutes } = answerOf(text);
    expect(ask.card).toMatchObject({ capacity: 1e12, marks: ['V30'], enduranceTB: 600 });
    expect(minutes).toEqual(answerOf('30 Mb/s on 1TB SDXC V30').minutes);
  });

  it('a size that is said to be written is asked about', () => {
    expect(askLine('30 Mb/s 2 TB written on 1TB V30', DEFAULT_POLICY)).toMatchObject({
      ok: false,
      error: { code: 'not-understood', unread: [{ text: 'written' }] },
    });
  });
});
