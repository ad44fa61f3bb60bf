import type { Advice, Body, LimitStatement, Mode } from '../../core/kit/model.ts';
import { SIZE_WORDS } from '../heat/heatWords.ts';
import { plain } from '../quantity.ts';
import { SOURCE_WORDS } from './rateLines.ts';

const count = (all: readonly unknown[] | undefined, one: string, many = `${one}s`): string => {
  const number = all?.length ?? 0;
  return number === 1 ? `1 ${one}` : `${number} ${many}`;
};

const listed = (parts: readonly (string | number | false | null | undefined)[], none: string): string =>
  parts.filter(Boolean).join(' · ') || none;

// A form adds its rows empty; those say nothing yet.
const isToldOf = ({ anyOf, overGB }: Advice): boolean => anyOf.length > 0 || Number.isFinite(overGB);
const isEntered = ({ minutes, ambientC }: LimitStatement): boolean =>
  Number.isFinite(minutes) && Number.isFinite(ambientC);

/** What stands in each folded part of a body's form, in a line. The numbers may still be in the making. */
export const FOLDED = {
  limits: ({ bufferMB, ceilingMBps }: Body): string =>
    listed(
      [bufferMB && `buffer ${plain(bufferMB)} MB`, ceilingMBps && `writes ${plain(ceilingMBps)} MB/s at the most`],
      'buffer and own write limit not known',
    ),
  groups: ({ groupRequires, advisesAgainst }: Body): string =>
    listed(
      [
        ...(groupRequires ?? []).map(
          ({ group, anyOf }) => `${group || 'every mode'}: ${anyOf.join(' or ') || 'nothing yet'}`,
        ),
        advisesAgainst?.some(isToldOf) && `advises against ${count(advisesAgainst.filter(isToldOf), 'thing')}`,
      ],
      'no required mark entered',
    ),
  counter: ({ counters }: Body): string => (counters?.length ? count(counters, 'reading') : 'no reading noted'),
  approved: ({ approved }: Body): string => (approved?.length ? count(approved, 'entry', 'entries') : 'none entered'),
  heat: ({ heat }: Body): string =>
    listed(
      [
        heat?.size ? `like: ${SIZE_WORDS[heat.size]}` : 'read from its slots',
        ...(heat?.limits ?? [])
          .filter(isEntered)
          .map(({ minutes, ambientC }) => `${plain(minutes)} min at ${plain(ambientC)} °C`),
      ],
      '',
    ),
} as const;

/** What stands in the folded part of a mode. */
export const modeMore = ({ rate, group, proxyMbps, otherRates, overhead, sound, requires, slotIds }: Mode): string =>
  listed(
    [
      rate.source ? SOURCE_WORDS[rate.source] : null,
      rate.sourceNote,
      group && `group ${group}`,
      proxyMbps && `proxy ${plain(proxyMbps)} Mb/s`,
      otherRates?.length ? count(otherRates, 'other source') : null,
      slotIds && (slotIds.length === 1 ? 'goes to one slot' : `goes to ${slotIds.length} slots`),
      overhead && 'own figures beside the picture',
      sound && `sound ${plain(sound.channels)} channels`,
      ...requires
        .map(({ anyOf }) => anyOf.length > 0 && `asks for ${anyOf.join(' or ')}`)
        .filter((text) => text !== false),
    ],
    'source, sound, proxy, required mark',
  );
