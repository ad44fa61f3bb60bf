import { isAtHand } from '../../core/cards/atHand.ts';
import type { HeatLevel } from '../../core/heat/run/level.ts';
import type { Body, Card, Mode } from '../../core/kit/model.ts';
import type { Cell } from '../../core/match/cell.ts';
import type { Filled } from '../../core/match/finding.ts';
import { ownPromise } from '../../core/match/ownPromise.ts';
import { knownFor } from '../../core/match/rollTime.ts';
import { bus } from '../../core/standards/buses.ts';
import { form } from '../../core/standards/forms.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { fromGigabytes } from '../../core/units/convert.ts';
import { STATE_WORDS } from '../cards/state.ts';
import { HEAT_ASIDE, HEAT_BESIDE, HEAT_WORDS } from '../heat/heatWords.ts';
import {
  capacityText,
  clockText,
  durationText,
  type Figure,
  joined,
  MBpsText,
  minutesFigure,
  minutesText,
  plain,
} from '../quantity.ts';
import { LIKE_DROPPED, LIKELY } from './beside.ts';
import { findingText } from './finding.ts';
import { CELL_WORDS } from './verdict.ts';

/** Whole minutes an answer is known for, where that is shorter than the card lasts; null otherwise. */
const knownMinutesOf = (cell: Cell): number | null => {
  const seconds = knownFor(cell);
  const until = seconds === null ? null : Math.floor(seconds / 60);
  return until !== null && cell.planned !== null && until < cell.planned ? until : null;
};

/** A take that filled the card in this mode at a rate that cannot be the one believed; null where there is none. */
export function filledOtherwise({ findings }: Pick<Cell, 'findings'>): Filled | null {
  const tests = findings.find((finding) => finding.rule === 'own-tests');
  return tests?.filled && tests.filled.misfit !== null ? tests.filled : null;
}

/** How long takes of this mode held, in a word: `10 min`, `0:45`. Null where more or nothing is known. */
const heldText = ({ heldSeconds }: Cell): string | null =>
  heldSeconds === null ? null : heldSeconds < 60 ? clockText(heldSeconds) : minutesText(Math.floor(heldSeconds / 60));

/** The number of a cell that is known for as long as a take was held. */
function heldFigure({ heldSeconds, planned }: Cell): Figure {
  if (heldSeconds === null) return { figure: '—', unit: '' };
  if (heldSeconds < 60) return { figure: clockText(heldSeconds), unit: '' };
  const minutes = Math.floor(heldSeconds / 60);
  return minutesFigure(planned === null ? minutes : Math.min(planned, minutes));
}

/**
 * The number of a cell: minutes where something stands behind them, seconds where it drops, a dash otherwise. Where only a
 * shorter take proves it, the minutes that are proven.
 */
export function cellFigure(cell: Cell): Figure {
  switch (cell.verdict) {
    case 'guaranteed':
    case 'tight':
    case 'proven':
    case 'claimed':
      return cell.planned === null ? { figure: '—', unit: '' } : minutesFigure(knownMinutesOf(cell) ?? cell.planned);
    case 'held':
      return heldFigure(cell);
    case 'drops':
      return { figure: cell.dropSeconds === null ? '—' : clockText(cell.dropSeconds), unit: '' };
    default:
      return { figure: '—', unit: '' };
  }
}

/** That more is asked for than is known; null where it is not. */
export function beyondText(cell: Cell, seconds: Seconds | null): string | null {
  const known = knownFor(cell);
  if (seconds === null || known === null || seconds <= known) return null;
  return `Asked for ${durationText(seconds)}: beyond ${clockText(known)} nothing is known.`;
}

/** What the same card lasts by the box, where minutes are shown and these are others: `57 min by the box`. Null otherwise. */
export function byTheBoxText({ verdict, planned, labelMinutes }: Cell): string | null {
  const shown = verdict === 'guaranteed' || verdict === 'tight' || verdict === 'proven' || verdict === 'claimed';
  if (!shown || planned === null || labelMinutes === null || Math.floor(labelMinutes) === planned) return null;
  return `${minutesText(Math.floor(labelMinutes))} by the box`;
}

/** That a cell is proven, or was held, for less than its card lasts; null where it is not. */
export function provenOnlyText(cell: Cell): string | null {
  const filled = filledOtherwise(cell);
  if (filled) return `your own take filled the card in ${clockText(filled.seconds)}: the rate believed cannot be`;
  const held = heldText(cell);
  const lasts = cell.planned === null ? '' : `; a full card lasts ${minutesText(cell.planned)}`;
  if (held !== null) return `part-tested, to ${held}${lasts}`;
  const until = knownMinutesOf(cell);
  return until === null ? null : `tested for ${minutesText(until)}${lasts}`;
}

/** `50p`, and `100p` for a mode captured at 100. */
export const modeSpeed = (mode: Mode): string => `${plain(mode.captureFps ?? mode.fps, 2)}p`;

export const modeTitle = (mode: Mode): string => `${mode.name} ${modeSpeed(mode)}`;

/** The best promise of a card in a word or two, as every heading and list has it. */
export function cardPromise(card: Card): string {
  const promise = ownPromise(card);
  switch (promise.by) {
    case 'mark':
      return promise.mark;
    case 'minimum':
      return `min. ${MBpsText(promise.floor)}`;
    case 'doubt':
      return 'label contradicts itself';
    case 'nothing':
      return 'no mark';
  }
}

export const cardSummary = (card: Card): string =>
  `${form(card.form).name} ${capacityText(fromGigabytes(card.capacityGB))}, ${cardPromise(card)}`;

/** Where its seats are unlike: each with its card and word, for the head of Why. Empty where they are alike. */
export const seatTexts = ({
  seats,
}: Cell): readonly { readonly id: string; readonly text: string; readonly answer: Cell | null }[] =>
  (seats ?? []).map(({ slotId, slotName, cardLabel, answer }) => ({
    id: slotId,
    answer,
    text: answer === null ? `${slotName}: none of your cards fits` : `${slotName}: ${cardLabel}`,
  }));

/** The other cards a cell hangs on: `with C-01 in Slot 2`. Null where it hangs on none. */
export function besideText({ seats, cardId }: Cell): string | null {
  const others = (seats ?? []).filter((seat) => seat.cardId !== cardId);
  if (others.length === 0) return null;
  return others
    .map(({ slotName, cardLabel, answer }) =>
      answer === null ? `none of your cards fits ${slotName}` : `with ${cardLabel} in ${slotName}`,
    )
    .join(', ');
}

/** Where a cell plays: body, slot, card, bus in force. */
export function cellPlace(cell: Cell, body: Body, card: Card): string {
  const slot = body.slots.find(({ id }) => id === cell.slotId)?.name;
  const found = cell.findings.find((finding) => finding.rule === 'bus');
  const own = form(card.form).name;
  const told = found?.rule === 'bus' && found.slotTold ? found.inForce : null;
  const inForce = told === null ? '' : bus(told).name;
  // “CFexpress 2.0” already begins with the form's name.
  const speaks = inForce.startsWith(own.split(' ')[0] ?? own) ? inForce.replace(/^\S+ /, '') : inForce;
  const size = capacityText(fromGigabytes(card.capacityGB));
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
      return cell.findings.find(
        (finding) =>
          finding.outcome === 'short' &&
          (finding.rule === 'bus' || finding.rule === 'body-ceiling' || finding.rule === 'own-tests'),
      );
    case 'uncovered':
      return (
        cell.findings.find(({ rule }) => rule === 'fault') ??
        cell.findings.find((finding) => finding.rule === 'family' && finding.isAsked) ??
        cell.findings.find(({ rule, outcome }) => rule === 'seats' && outcome === 'short') ??
        cell.findings.find(({ rule, outcome }) => rule === 'label' && outcome === 'short') ??
        cell.findings.find((finding) => finding.rule === 'bus' && finding.outcome === 'unknown' && !finding.slotTold) ??
        cell.findings.find(({ rule }) => rule === 'guarantee' || rule === 'rate')
      );
    case 'guaranteed':
    case 'tight':
      return (
        cell.findings.find((finding) => finding.rule === 'approved' && finding.outcome === 'pass') ??
        cell.findings.find((finding) => finding.rule === 'bus' && finding.thin) ??
        cell.findings.find((finding) => finding.rule === 'body-ceiling' && finding.outcome === 'note') ??
        cell.findings.find(({ rule }) => rule === 'headroom' || rule === 'approved')
      );
    case 'proven':
    case 'held':
      return cell.findings.find(({ rule }) => rule === 'own-tests');
    case 'claimed':
      return cell.findings.find(({ rule }) => rule === 'makers-figure');
  }
}

/** Where a card of the same print was tested and nothing better is known: in a word. */
function likelyWord({ verdict, findings }: Cell): string {
  if (verdict !== 'claimed' && verdict !== 'held' && verdict !== 'uncovered') return '';
  const twin = findings.find(({ rule }) => rule === 'twin-tests');
  return twin ? (twin.outcome === 'note' ? LIKELY : LIKE_DROPPED) : '';
}

/** How far a claim goes over what is needed: one of seven times is not one of a twentieth more. */
function claimsText({ findings, need }: Cell): string {
  const figure = findings.find((finding) => finding.rule === 'makers-figure');
  if (figure?.rule !== 'makers-figure' || figure.derated === null || need === null || figure.derated < need) return '';
  const times = figure.derated / need;
  return `claims ${plain(times, times < 3 ? 1 : 0)}×`;
}

/**
 * What stands beside a verdict: tests of its print, a card that waits for copies, heat. Empty where nothing does.
 *
 * @param isNarrow - whether there is room for one line alone, under the mark of heat: that it is estimated is left to the mark
 */
export function cellAside(cell: Cell, card: Card, heat: HeatLevel | null, isNarrow = false): string {
  const state = card.state && !isAtHand(card) && cell.verdict !== 'unfit' ? STATE_WORDS[card.state] : '';
  // Beside a claim, what was held by hand still stands. A cell has room for one of take and heat: what stops it comes first,
  // and a take that filled the card before figures that are only a little worse.
  const filled = heat === 'hot' ? null : filledOtherwise(cell);
  const held = filled
    ? `filled in ${clockText(filled.seconds)}`
    : cell.verdict === 'claimed'
      ? heldText(cell)
        ? `held ${heldText(cell)}`
        : heat === 'warm' || heat === 'hot'
          ? ''
          : claimsText(cell)
      : '';
  const words = [likelyWord(cell), held, state].filter(Boolean);
  const byHeat = heat === null || filled ? '' : (isNarrow && words.length > 0 ? HEAT_BESIDE : HEAT_ASIDE)[heat];
  return [...words, byHeat].filter(Boolean).join(', ');
}

/** A cell as it is read aloud, in one sentence: body, mode and card, number and verdict, the reason, and its heat. */
export function spokenCell(
  { cell, body, mode, card }: { readonly cell: Cell; readonly body: Body; readonly mode: Mode; readonly card: Card },
  heat: HeatLevel | null = null,
): string {
  const reason = deciding(cell);
  const beside = besideText(cell);
  const figure = cellFigure(cell);
  const number = figure.figure === '—' ? '' : `${joined(figure)} `;
  const aside = cellAside(cell, card, heat);
  // What is seen comes in one piece, so that a cell can be called by it.
  const said = `${number}${CELL_WORDS[cell.verdict]}${aside ? ` ${aside}` : ''}${beside ? `, ${beside}` : ''}`;
  const why = reason ? `. ${findingText(reason)}` : '.';
  return `${body.name} ${modeTitle(mode)} on ${card.label}: ${said}${why}${heat ? ` ${HEAT_WORDS[heat]}.` : ''}`;
}
