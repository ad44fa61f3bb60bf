import type { TakeKind } from '../../core/kit/model.ts';
import type { Cell } from '../../core/match/cell.ts';
import type { Finding } from '../../core/match/finding.ts';
import { type Tone, toneOf, type Verdict } from '../../core/match/verdict.ts';
import { toMegabytes } from '../../core/units/convert.ts';
import { either, plain } from '../quantity.ts';

/** One of the three lines that disagree in real life. */
export interface ThreeLine {
  readonly title: 'Arithmetic' | 'Camera asks for' | 'Camera refuses?';
  readonly word: string;
  readonly detail: string;
  readonly tone: Tone;
}

const find = <R extends Finding['rule']>(cell: Cell, rule: R) =>
  cell.findings.find((finding): finding is Extract<Finding, { rule: R }> => finding.rule === rule);

function arithmetic(cell: Cell, take: TakeKind): ThreeLine {
  const title = 'Arithmetic';
  const { need, floor, ceiling } = cell;
  if (need === null) return { title, word: '—', detail: 'no rate to compare', tone: 'none' };
  const n = plain(toMegabytes(need));
  const bus = find(cell, 'bus');
  if (bus && !bus.slotTold && ceiling !== null && ceiling < need && cell.verdict === 'uncovered')
    return { title, word: 'Unknown', detail: `slot’s bus not entered, ${n} MB/s needed`, tone: 'hot' };
  const elsewhere = find(cell, 'seats')?.seats.find(({ verdict }) => verdict === null || !COVERS.has(verdict));
  if (elsewhere && (floor ?? 0) >= need) return { title, word: 'Too low', detail: `in ${elsewhere.slot}`, tone: 'hot' };
  if (ceiling !== null && ceiling < need && bus?.slotTold) {
    return {
      title,
      word: 'Too slow',
      detail: `${find(cell, 'body-ceiling')?.outcome === 'short' ? 'camera' : 'slot'} ${plain(toMegabytes(ceiling))}, needed ${n} MB/s`,
      tone: 'hot',
    };
  }
  const approved = find(cell, 'approved');
  if (approved?.outcome === 'pass')
    return { title, word: 'Covered', detail: 'approved in writing', tone: toneOf(cell.verdict, take) };
  if (approved?.outcome === 'note')
    return { title, word: 'Tight', detail: 'approved, no headroom', tone: toneOf('tight', take) };
  if (cell.doubted && floor === null)
    return { title, word: 'Unknown', detail: 'label contradicts itself', tone: 'hot' };
  if (floor === null) return { title, word: 'Unknown', detail: `no promise for ${n} MB/s`, tone: 'hot' };
  const f = plain(toMegabytes(floor));
  const headroom = find(cell, 'headroom');
  if (headroom?.outcome === 'pass' && ceiling !== null && ceiling < headroom.wanted && ceiling >= need)
    return {
      title,
      word: 'Tight',
      detail: `carries ${plain(toMegabytes(ceiling))}, needed ${n} MB/s`,
      tone: toneOf('tight', take),
    };
  if (headroom?.outcome === 'pass') {
    return {
      title,
      word: 'Covered',
      detail: `guaranteed ${f}, needed ${plain(toMegabytes(headroom.wanted))} MB/s with headroom`,
      tone: 'cool',
    };
  }
  return floor >= need
    ? { title, word: 'Tight', detail: `guaranteed ${f}, needed ${n} MB/s`, tone: toneOf('tight', take) }
    : { title, word: 'Too low', detail: `guaranteed ${f}, needed ${n} MB/s`, tone: 'hot' };
}

const COVERS: ReadonlySet<Verdict> = new Set(['guaranteed', 'tight', 'proven', 'claimed']);

type Requirement = Extract<Finding, { rule: 'requirement'; anyOf: readonly string[] }>;

const requirements = (cell: Cell): readonly Requirement[] =>
  cell.findings.filter((finding): finding is Requirement => finding.rule === 'requirement' && finding.anyOf !== null);

function maker(cell: Cell): ThreeLine {
  const title = 'Camera asks for';
  const asked = requirements(cell);
  const worst = asked.find(({ metBy }) => metBy === null) ?? asked[0];
  if (!worst) return { title, word: 'Not entered', detail: 'no required mark: check the manual', tone: 'none' };
  const word = either(worst.anyOf);
  if (worst.metBy !== null) return { title, word, detail: `has ${worst.metBy}`, tone: 'cool' };
  if (worst.elsewhere && worst.elsewhere.does !== 'refused')
    return {
      title,
      word,
      detail: worst.elsewhere.does ? 'of other card types' : 'of this card type: not entered',
      tone: 'none',
    };
  const detail = { refuses: 'missing', warns: 'missing: it warns', advises: 'missing: advice only' }[worst.whenMissing];
  return { title, word, detail, tone: worst.whenMissing === 'refuses' ? 'mute' : 'warm' };
}

function lock(cell: Cell): ThreeLine {
  const title = 'Camera refuses?';
  const shut = requirements(cell).find(({ outcome }) => outcome === 'block');
  if (shut) return { title, word: 'Yes', detail: 'this mode, with this card', tone: 'mute' };
  const asked = requirements(cell);
  if (asked.length === 0) return { title, word: 'Not entered', detail: 'none known', tone: 'none' };
  if (asked.some(({ elsewhere }) => elsewhere?.does === null))
    return { title, word: 'Not entered', detail: 'for cards of this type', tone: 'none' };
  return { title, word: 'No', detail: 'by what is entered', tone: 'cool' };
}

/** Is it fast enough, what does the manual ask, what does the firmware refuse: always all three. */
export const threeLines = (cell: Cell, take: TakeKind): readonly ThreeLine[] => [
  arithmetic(cell, take),
  maker(cell),
  lock(cell),
];
