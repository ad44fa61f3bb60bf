import { isContradiction, isHarmless, type LabelProblem, labelProblems } from '../../core/cards/labelProblems.ts';
import { type PrintedLabel, readLabel } from '../../core/cards/readLabel.ts';
import { slotBuses } from '../../core/cards/slotKinds.ts';
import type { Card } from '../../core/kit/model.ts';
import { floorInForce } from '../../core/match/rules/guarantee.ts';
import { bus } from '../../core/standards/buses.ts';
import { type Form, form as formRow, isSd } from '../../core/standards/forms.ts';
import { marksIn, marksOf } from '../../core/standards/marks.ts';
import type { BytesPerSecond } from '../../core/units/brand.ts';
import { cardOfLabel } from '../../reading/cards/labelCard.ts';

export { toggleMark } from '../../reading/cards/labelCard.ts';

/** What a label promises in one kind of slot. */
interface InSlot {
  readonly slotName: string;
  /** `apart`: they share no bus; `doubted`: the label contradicts itself; `nothing`: no mark counts there. */
  readonly promise: 'apart' | 'doubted' | 'nothing' | { readonly mark: string | null; readonly floor: BytesPerSecond };
}

/** A typed label with everything the label reader shows of it. */
export interface LabelReading {
  readonly label: PrintedLabel;
  readonly problems: readonly { readonly problem: LabelProblem; readonly isHarmless: boolean }[];
  readonly doubted: boolean;
  /** The card it makes; null until form and capacity are told. */
  readonly card: Card | null;
  /** The form it has, or is taken to have. */
  readonly form: Form;
  readonly formName: string;
  /** The bus and how it is known; null where there is none to name. */
  readonly bus: { readonly name: string; readonly from: 'printed' | 'marks' } | null;
  readonly slots: readonly InSlot[];
}

function inSlots(label: PrintedLabel, form: Form, doubted: boolean): readonly InSlot[] {
  return slotBuses(form, label.bus).map(({ slot, inForce }): InSlot => {
    const { mark, floor } = floorInForce({ form, marks: label.words }, inForce);
    const promise =
      inForce === null ? 'apart' : doubted ? 'doubted' : floor === null ? 'nothing' : ({ mark, floor } as const);
    return { slotName: bus(slot).name, promise };
  });
}

function busRead({ bus: own, busPrinted }: PrintedLabel, form: Form): LabelReading['bus'] {
  if (own === null) return null;
  if (busPrinted) return { name: bus(own).name, from: 'printed' };
  return isSd(form) && own !== 'uhs-i' ? { name: bus(own).name, from: 'marks' } : null;
}

/** Reads a typed label: what each mark promises, where, and what contradicts. */
export function labelReading(text: string): LabelReading {
  const label = readLabel(text);
  const problems = labelProblems(label);
  const doubted = problems.some(isContradiction);
  const form = label.form ?? 'sd';
  return {
    label,
    problems: problems.map((problem) => ({ problem, isHarmless: isHarmless(problem) })),
    doubted,
    card: cardOfLabel(label),
    form,
    formName: formRow(form).name,
    bus: busRead(label, form),
    slots: inSlots(label, form, doubted),
  };
}

const SD_ROWS: readonly (readonly [string, readonly string[]])[] = [
  ['Family', ['SDHC', 'SDXC', 'SDUC']],
  ['Bus', ['I', 'II', 'III', 'EX']],
  // Of the classes the highest only: the others are hardly printed any more.
  ['Class and grade', [...marksIn('C').slice(-1), ...marksIn('U')]],
  ['Video class', marksIn('V')],
  ['Express class', marksIn('E')],
  ['For apps', ['A1', 'A2']],
];

/** What may be printed on the face of a card, row by row with its name. */
export const faceRows = (form: Form): readonly (readonly [string, readonly string[]])[] =>
  isSd(form) ? SD_ROWS : [['Performance guarantee', marksOf(form)]];

/** Labels that are looked at side by side. */
export const MOST_BESIDE = 3;

/** Several labels in one text, a line each; blank ones left out. */
export const severalLabels = (text: string): readonly string[] =>
  text
    .split(/\r?\n|;|\bvs\.?\b/i)
    .map((line) => line.trim())
    .filter(Boolean)
    .slice(0, MOST_BESIDE);

/** What a label comes to, in a word: the best it promises in any slot it enters. */
export interface Overall {
  readonly code: 'promises' | 'nothing' | 'doubted' | 'empty';
  /** Null where nothing is promised. */
  readonly floor: BytesPerSecond | null;
  readonly tone: 'cool' | 'warm' | 'hot' | 'mute';
}

export function overallOf({ label, doubted, slots }: LabelReading): Overall {
  if (label.words.length === 0 && label.capacity === null) return { code: 'empty', floor: null, tone: 'mute' };
  if (doubted) return { code: 'doubted', floor: null, tone: 'hot' };
  const floors = slots.flatMap(({ promise }) => (typeof promise === 'string' ? [] : [promise.floor]));
  if (floors.length === 0) return { code: 'nothing', floor: null, tone: 'warm' };
  return { code: 'promises', floor: Math.max(...floors) as BytesPerSecond, tone: 'cool' };
}
