import { pick } from '../../../src/core/drill/draw.ts';
import type { Random } from '../../../src/core/heat/writepath/random.ts';
import type { Form } from '../../../src/core/standards/forms.ts';

/** What is printed on a drawn label: the truth that a reading is held against. */
export interface LabelTruth {
  readonly form: Form;
  readonly capacityGB: number;
  readonly family: 'SDHC' | 'SDXC' | 'SDUC' | null;
  readonly bus: 'I' | 'II' | 'EX' | null;
  readonly video: string | null;
  readonly grade: 'U1' | 'U3' | null;
  readonly speedClass: 'C10' | 'C6' | 'C4' | null;
  readonly vpg: string | null;
  readonly app: 'A1' | 'A2' | null;
  readonly version: '2.0' | '4.0' | null;
  readonly readMBps: number | null;
  readonly writeMBps: number | null;
  readonly times: number | null;
}

const FORMS = ['sd', 'sd', 'sd', 'sd', 'microsd', 'microsd', 'cfexpress-b', 'cfexpress-a', 'cf', 'xqd'] as const;
/** Sizes that are printed on cards, by family. */
const SIZES: Readonly<Record<'SDHC' | 'SDXC' | 'OTHER', readonly number[]>> = {
  SDHC: [8, 16, 32],
  SDXC: [64, 128, 200, 256, 400, 512, 1000, 2000],
  OTHER: [64, 80, 120, 128, 160, 240, 256, 325, 480, 512, 650, 1000, 2000],
};

const maybe = <T>(random: Random, chance: number, value: T): T | null => (random() < chance ? value : null);

/** What a maker could print on a card of one form: families, buses and marks that belong together. */
export function aTruth(random: Random): LabelTruth {
  const form = pick(random, FORMS);
  const none = {
    family: null,
    bus: null,
    video: null,
    grade: null,
    speedClass: null,
    vpg: null,
    app: null,
    version: null,
    times: null,
  } as const;
  if (form === 'sd' || form === 'microsd') {
    const small = random() < 0.2;
    const bus = small ? 'I' : pick(random, ['I', 'I', 'II', 'II', 'II', 'EX'] as const);
    const video = small
      ? maybe(random, 0.5, pick(random, ['V10', 'V30']))
      : bus === 'I'
        ? maybe(random, 0.8, 'V30')
        : bus === 'II'
          ? maybe(random, 0.9, pick(random, ['V60', 'V90']))
          : maybe(random, 0.5, 'V30');
    const read =
      bus === 'I'
        ? pick(random, [90, 95, 100, 160, 170, 200])
        : bus === 'II'
          ? pick(random, [250, 270, 280, 300])
          : 800;
    return {
      ...none,
      form,
      family: small ? 'SDHC' : 'SDXC',
      capacityGB: pick(random, small ? SIZES.SDHC : SIZES.SDXC),
      bus,
      video,
      grade: video === 'V10' ? 'U1' : maybe(random, 0.85, 'U3' as const),
      speedClass: maybe(random, 0.6, pick(random, ['C10', 'C10', 'C10', 'C6', 'C4'] as const)),
      app: form === 'microsd' ? maybe(random, 0.7, pick(random, ['A1', 'A2'] as const)) : null,
      readMBps: maybe(random, 0.85, read),
      writeMBps: maybe(random, 0.4, Math.round(read * 0.8)),
      times: null,
    };
  }
  const capacityGB = pick(random, SIZES.OTHER);
  if (form === 'cf') {
    const times = maybe(random, 0.6, pick(random, [400, 800, 1000, 1066]));
    return {
      ...none,
      form,
      capacityGB: Math.min(capacityGB, 256),
      vpg: maybe(random, 0.5, pick(random, ['VPG20', 'VPG65'])),
      readMBps: times === null ? pick(random, [120, 155, 160]) : null,
      writeMBps: null,
      times,
    };
  }
  const fast = form === 'cfexpress-b';
  const read = fast ? pick(random, [1700, 1750, 1800, 3550, 3700]) : pick(random, [400, 700, 800, 900]);
  return {
    ...none,
    form,
    capacityGB,
    vpg:
      form === 'xqd'
        ? null
        : maybe(random, 0.7, pick(random, fast ? ['VPG200', 'VPG400', 'VPG800'] : ['VPG200', 'VPG400'])),
    version: form === 'xqd' ? null : maybe(random, 0.5, pick(random, ['2.0', '4.0'] as const)),
    readMBps: read,
    writeMBps: maybe(random, 0.6, Math.round((read * 0.85) / 10) * 10),
  };
}

/** A capacity as a label has it. */
export const capacityWord = (gigabytes: number): string =>
  gigabytes >= 1000 ? `${gigabytes / 1000}TB` : `${gigabytes}GB`;

/** What a reading should find, by kind; null where it is not printed. */
export const truthOf = (truth: LabelTruth): Readonly<Record<string, string | null>> => ({
  capacity: capacityWord(truth.capacityGB),
  family: truth.family && `${truth.form === 'microsd' ? 'micro' : ''}${truth.family}`,
  bus: truth.bus,
  video: truth.video,
  grade: truth.grade,
  class: truth.speedClass,
  express: null,
  vpg: truth.vpg,
  app: truth.app,
  version: truth.version,
});
