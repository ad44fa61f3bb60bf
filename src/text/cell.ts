import type { Cell } from '../core/match/evaluate.ts';
import type { Body, Card, Mode } from '../core/model/kit.ts';
import { bus } from '../core/standards/buses.ts';
import { form } from '../core/standards/forms.ts';
import { fromGB } from '../core/units/convert.ts';
import { findingText } from './finding.ts';
import { capacityText, clockText, type Figure, minutesFigure, plain } from './quantity.ts';

/** The number of a cell: minutes where something stands behind them, seconds where it drops, a dash otherwise. */
export function cellFigure(cell: Cell): Figure {
  switch (cell.verdict) {
    case 'guaranteed':
    case 'tight':
    case 'proven':
    case 'claimed':
      return cell.planned === null ? { figure: '—', unit: '' } : minutesFigure(cell.planned);
    case 'drops':
      return { figure: cell.dropSeconds === null ? '—' : clockText(cell.dropSeconds), unit: '' };
    default:
      return { figure: '—', unit: '' };
  }
}

/** `50p`, and `100p` for a mode captured at 100. */
export const modeSpeed = (mode: Mode): string => `${plain(mode.captureFps ?? mode.fps, 2)}p`;

export const modeTitle = (mode: Mode): string => `${mode.name} ${modeSpeed(mode)}`;

/** The strongest thing printed on a card, or that nothing is. */
export function cardPromise(card: Card): string {
  const marks = card.marks.filter((text) => /^(VPG|V|E|U|C)-?\d/i.test(text));
  const order = ['VPG', 'E', 'V', 'U', 'C'];
  const best = [...marks].sort((a, b) => order.indexOf(series(a)) - order.indexOf(series(b)))[0];
  return best ?? 'no mark';
}

const series = (text: string): string => (/^[A-Z]+/i.exec(text)?.[0] ?? '').toUpperCase();

export const cardSummary = (card: Card): string =>
  `${form(card.form).name} ${capacityText(fromGB(card.capacityGB))}, ${cardPromise(card)}`;

/** Where a cell plays: body, slot, card, bus in force. */
export function cellPlace(cell: Cell, body: Body, card: Card): string {
  const slot = body.slots.find(({ id }) => id === cell.slotId)?.name;
  const found = cell.findings.find((finding) => finding.rule === 'bus');
  const own = form(card.form).name;
  const inForce = found?.rule === 'bus' && found.inForce !== null ? bus(found.inForce).name : '';
  // “CFexpress 2.0” already begins with the form's name.
  const speaks = inForce.startsWith(own.split(' ')[0] ?? own) ? inForce.replace(/^\S+ /, '') : inForce;
  const size = capacityText(fromGB(card.capacityGB));
  return [body.name, slot, `${[own, speaks].filter(Boolean).join(' ')} ${size}, ${cardPromise(card)}`]
    .filter(Boolean)
    .join(' · ');
}

/** The finding that decided a verdict: what a screen reader hears as its reason. */
function deciding(cell: Cell) {
  switch (cell.verdict) {
    case 'unfit':
    case 'locked':
      return cell.findings.find((finding) => finding.outcome === 'block');
    case 'drops':
      return cell.findings.find((finding) => finding.outcome === 'short' && finding.rule !== 'guarantee');
    case 'uncovered':
      return cell.findings.find(({ rule }) => rule === 'guarantee' || rule === 'rate');
    case 'guaranteed':
    case 'tight':
      return cell.findings.find(({ rule }) => rule === 'headroom');
    case 'proven':
      return cell.findings.find(({ rule }) => rule === 'own-tests');
    case 'claimed':
      return cell.findings.find(({ rule }) => rule === 'makers-figure');
  }
}

/** A cell as it is read aloud: what stands before and after its visible number and word. */
export interface SpokenCell {
  readonly before: string;
  readonly after: string;
}

/** Body, mode and card before the number and the verdict; the reason after them. Together they are one sentence. */
export function spokenCell(cell: Cell, body: Body, mode: Mode, card: Card): SpokenCell {
  const reason = deciding(cell);
  return {
    before: `${body.name} ${modeTitle(mode)} on ${card.label}: `,
    after: reason ? `. ${findingText(reason)}` : '.',
  };
}
