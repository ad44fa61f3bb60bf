import type { Advice } from '../core/heatrun/advice.ts';
import type { FigureSource } from '../core/heatrun/known.ts';
import type { SetupRefusal } from '../core/heatrun/lane.ts';
import type { HeatMark } from '../core/heatrun/mark.ts';
import type { RankedReason } from '../core/heatrun/reasons.ts';
import type { Body, BodyFigure, Card, CardFigure, Mode, PlannedTake } from '../core/model/kit.ts';
import { assertNever } from '../core/result.ts';
import { form } from '../core/standards/forms.ts';
import type { Seconds } from '../core/units/brand.ts';
import type { Uncertain } from '../core/writepath/draws.ts';
import type { Cause, EventName, Moment, SimResult, Simulation } from '../core/writepath/simulation.ts';
import { modeTitle } from './cell.ts';
import { findingText } from './finding.ts';
import { degreesText, plannedText, planText, SIZE_WORDS } from './heatWords.ts';
import { clockText, joined, minutesText, plain } from './quantity.ts';
import { CAUSE_WORDS, simRefusalText } from './simulation.ts';

const NBSP = '\u00a0';

/** A time of a run: `15:26`, past a hundred minutes `2h05`. */
export const timeText = (seconds: number): string =>
  seconds < 6000 ? clockText(seconds as Seconds) : minutesText(Math.floor(seconds / 60));

/** A mark of the time axis: clock for short runs, then minutes, then hours. */
export function axisText(minutes: number, step: number): string {
  if (step < 1) return clockText(Math.round(minutes * 60) as Seconds);
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole}${NBSP}min`;
  const rest = whole % 60;
  return `${Math.floor(whole / 60)}h${rest === 0 ? '' : String(rest).padStart(2, '0')}`;
}

export const paceText = (MBps: number): string => `${plain(MBps, MBps < 100 ? 1 : 0)}${NBSP}MB/s`;

/** A share of runs: whole per cent, finer below ten, never `0 %` or `100 %` unless it is so. */
export function shareText(share: number): string {
  if (share > 0 && share < 0.001) return `under${NBSP}0.1${NBSP}%`;
  if (share > 0.99 && share < 1) return `over${NBSP}99${NBSP}%`;
  return `${plain(share * 100, share < 0.1 ? 1 : 0)}${NBSP}%`;
}

/** The rule about figures nobody has measured yet. */
export const NOT_CALIBRATED = 'Not calibrated: rank by it, do not time by it.';
export const CALIBRATED = 'Calibrated by own or maker’s figures. The maker’s manual still stands above it.';

export const EVENT_WORDS: Readonly<Record<EventName, string>> = {
  start: 'first frame',
  'take-end': 'take ends, rest begins',
  'take-start': 'next take',
  demand: 'demand changes',
  'buffer-empty': 'camera buffer empty again',
  'cache-full': 'fast cache full',
  'cache-empty': 'fast cache empty again',
  stall: 'card stalls',
  'stall-end': 'card goes on',
  'throttle-on': 'card throttles',
  'throttle-off': 'card at full pace again',
  'card-full': 'card full',
  'card-change': 'next card takes over',
  'body-limit': 'body shuts down',
  dropped: 'first dropped frame',
  filled: 'card full',
  complete: 'last frame',
};

/** How a run ended, in a few words for the head of the view. */
export function outcomeText({ outcome, atSeconds }: SimResult): string {
  switch (outcome) {
    case 'dropped':
      return `Drops at ${timeText(atSeconds)}`;
    case 'body-cutoff':
      return `Body shuts down at ${timeText(atSeconds)}`;
    case 'filled':
      return `Holds until the card is full at ${timeText(atSeconds)}`;
    case 'complete':
      return `Holds to the end, ${timeText(atSeconds)}`;
  }
}

/** What hides a shortfall once the card takes less than comes: the stages in the order in which they fill. */
function hiddenBy({ timeline }: SimResult, since: number, { bufferMB }: Simulation): string {
  const full = timeline.find(({ event, seconds }) => event === 'cache-full' && seconds >= since);
  if (full) return `the fast cache hides it until ${timeText(full.seconds)}, then the camera buffer`;
  return bufferMB > 0 ? 'the camera buffer hides it until it overflows' : 'nothing hides it';
}

/** Why a run ended as it did: one or two sentences with its times. */
export function causeText(sim: Simulation, result: SimResult, cause: Cause | null): string {
  const { outcome, timeline, firstThrottleAtSeconds: throttle } = result;
  const last = timeline.at(-1);
  if (outcome === 'body-cutoff')
    return `Cause: heat. The body reaches ${degreesText(sim.heat.bodyLimitC)} and shuts itself down.`;
  if (outcome !== 'dropped' || cause === null || !last) {
    return throttle === null
      ? `Neither bucket overflows; the card reaches ${degreesText(result.peakCardC)}, the body ${degreesText(result.peakBodyC)}.`
      : `The card throttles at ${timeText(throttle)} and still keeps up.`;
  }
  const short = `It takes ${paceText(last.acceptedMBps)} of ${paceText(last.demandMBps)}`;
  if (cause === 'heat' && throttle !== null)
    return `Cause: heat. The card throttles at ${timeText(throttle)}; ${hiddenBy(result, throttle, sim)}. ${short}.`;
  const cacheFull = timeline.find(({ event }) => event === 'cache-full');
  const when = cacheFull && cause !== 'bus' ? ` The fast cache is full at ${timeText(cacheFull.seconds)}.` : '';
  return `Cause: ${CAUSE_WORDS[cause]}.${when} ${short}.`;
}

const holdsText = (seconds: number): string =>
  seconds < 0.5
    ? 'the camera buffer is full'
    : `the camera holds ${seconds < 600 ? `${plain(seconds, 0)} more seconds` : 'for more than ten minutes'}`;

/** What holds at one moment: arrives, leaves, temperatures, and how long the camera can still wait. */
export function momentLines(moment: Moment, sim: Simulation): readonly string[] {
  const { demandMBps, acceptedMBps, bufferMB, throttled, recording, cardC, bodyC } = moment;
  const short = demandMBps - acceptedMBps;
  const room = sim.bufferMB - bufferMB;
  const left = short > 1e-9 ? room / short : null;
  return [
    recording ? `arrives ${paceText(demandMBps)}` : 'rests: nothing arrives',
    `leaves ${paceText(acceptedMBps)}${throttled ? ' (throttled)' : ''}`,
    `card ${degreesText(cardC)}, body ${degreesText(bodyC)}`,
    ...(left === null ? [] : [holdsText(left)]),
  ];
}

export function reasonText(reason: RankedReason): string {
  switch (reason.code) {
    case 'rate':
      return reason.share > 1
        ? `Rate is ${plain(reason.share, 2)} times the pace the flash keeps up`
        : `Rate is ${plain(reason.share * 100, 0)} % of the pace the flash keeps up`;
    case 'minutes':
      return `${minutesText(Math.round(reason.minutes))} ${reason.rests ? 'a take' : 'without a rest'}`;
    case 'form':
      return 'A small card sheds its heat slowly';
    case 'body':
      return 'How badly the body sheds its own heat';
    case 'ambient':
      return `Air at ${degreesText(reason.ambientC)}`;
    case 'sun':
      return `Sun on the body, +${degreesText(reason.sunC)}`;
    case 'warm-start':
      return `Starts warm, body at ${degreesText(reason.bodyC)}`;
    case 'fast-cache':
      return `Rides on a fast cache of ${plain(reason.cacheGB)} GB`;
    case 'untested':
      return 'No own test of this pair yet';
  }
}

/** How much a reason counts, in words: read before any temperature. */
export const weightWord = (weight: number): string =>
  weight >= 0.15 ? 'most' : weight >= 0.06 ? 'much' : weight > 0 ? 'some' : '';

export const UNCERTAIN_WORDS: Readonly<Record<Uncertain, string>> = {
  sustained: 'the pace its flash really keeps up',
  burst: 'the pace its fast cache really takes',
  cache: 'the real size of its fast cache',
  'card-heat-path': 'the heat path of the card',
  'card-energy': 'how much heat the card makes of each byte',
  'body-heat-path': 'the heat path of the body',
  ambient: 'the air',
};

interface AdviceNames {
  readonly body: Body;
  readonly cards: readonly Card[];
  readonly plan: PlannedTake;
}

/** A move and what it leads to, without its risk. */
export function adviceText(advice: Advice, { body, cards, plan }: AdviceNames): string {
  switch (advice.code) {
    case 'longest-take':
      return `Stop after ${plain(advice.minutes)}${NBSP}min`;
    case 'rests':
      return planText(advice);
    case 'shade':
      return `Shade the body (−${degreesText(advice.sunC)})`;
    case 'cooler-air':
      return `Wait for ${degreesText(advice.ambientC)}${plan.sunC > 0 ? ', sun as now' : ''}`;
    case 'cool-start':
      return 'Let body and card cool first';
    case 'ratio':
      return `${plain(advice.ratio)}:1 instead of ${plain(advice.from)}:1`;
    case 'mode': {
      const mode: Mode | undefined = body.modes.find(({ id }) => id === advice.modeId);
      return `Record ${mode ? modeTitle(mode) : 'another mode'}`;
    }
    case 'card':
      return `Use ${cards.find(({ id }) => id === advice.cardId)?.label ?? 'another card'}`;
    default:
      return assertNever(advice);
  }
}

interface FigureWords {
  readonly name: string;
  readonly unit: string;
  readonly digits: number;
}

/** What a figure is called, and its unit. */
export const FIGURE_WORDS: Readonly<Record<BodyFigure | CardFigure, FigureWords>> = {
  bufferMB: { name: 'Camera buffer', unit: 'MB', digits: 0 },
  bodyResistanceKPerW: { name: 'Body heat path', unit: 'K/W', digits: 2 },
  bodyHeatCapacityJPerK: { name: 'Body heat mass', unit: 'J/K', digits: 0 },
  recordingW: { name: 'Body makes', unit: 'W', digits: 1 },
  bodyLimitC: { name: 'Body shuts down at', unit: '°C', digits: 0 },
  sustainedMBps: { name: 'Flash keeps up', unit: 'MB/s', digits: 0 },
  burstMBps: { name: 'Fast cache takes', unit: 'MB/s', digits: 0 },
  cacheGB: { name: 'Fast cache', unit: 'GB', digits: 1 },
  stallEveryGB: { name: 'Stalls every', unit: 'GB', digits: 1 },
  stallSeconds: { name: 'Stalls for', unit: 's', digits: 2 },
  cardResistanceKPerW: { name: 'Card heat path', unit: 'K/W', digits: 2 },
  cardHeatCapacityJPerK: { name: 'Card heat mass', unit: 'J/K', digits: 1 },
  idleW: { name: 'Card makes, idle', unit: 'W', digits: 2 },
  energyNJPerByte: { name: 'Card makes, writing', unit: 'nJ/B', digits: 2 },
  throttleAtC: { name: 'Throttles at', unit: '°C', digits: 0 },
  resumeAtC: { name: 'Resumes at', unit: '°C', digits: 0 },
  throttleFactor: { name: 'Pace while hot', unit: '×', digits: 2 },
};

/** Where a figure comes from, short enough to stand under it. */
export function figureSourceText(source: FigureSource): string {
  switch (source.code) {
    case 'own':
      return 'entered by you';
    case 'fitted':
      return 'fitted to logged takes';
    case 'size':
      return `assumed${source.guessed ? ', taken' : ''} for ${SIZE_WORDS[source.size].startsWith('a') ? 'an' : 'a'} ${SIZE_WORDS[source.size]}`;
    case 'limits':
      return source.statements > 1 ? 'from the maker’s two limits' : 'from the maker’s limit';
    case 'form':
      return source.borrowedFrom
        ? `assumed, borrowed from ${form(source.borrowedFrom).name}`
        : `assumed for ${form(source.form).name}`;
    case 'on-card':
      return 'as the card claims';
    case 'on-body':
      return 'from Bodies';
    case 'derated':
      return `claims ${plain(source.stated, 0)}, less 20${NBSP}%`;
    case 'mark':
      return `promised by ${source.mark}`;
    case 'own-test':
      return `filled at ${plain(source.MBps, 0)}, and 15${NBSP}% over`;
    case 'as-sustained':
      return 'none known, as the flash';
    case 'none-known':
      return 'none known, taken as none';
    case 'keeps-up':
      return 'none known, taken to keep up';
  }
}

/** Why a setup cannot be run. */
export function setupRefusalText(refusal: SetupRefusal): string {
  switch (refusal.code) {
    case 'no-card':
      return 'Choose a card to run this mode on.';
    case 'cannot-meet': {
      const why = refusal.cell?.findings.find(({ outcome }) => outcome === 'block' || outcome === 'unknown');
      return `${refusal.card.label} cannot take this mode in this slot. ${why ? findingText(why) : ''}`.trim();
    }
    case 'figure': {
      const key = refusal.refusal.field.split('.').at(-1) ?? '';
      const words = FIGURE_WORDS[key as BodyFigure];
      const text = simRefusalText(refusal.refusal);
      return words ? `${words.name}: ${text.replace(refusal.refusal.field, 'it')}` : `${text}`;
    }
  }
}

/** A heat mark in one sentence for Why. */
export function heatMarkText({ level, result, worse }: HeatMark, planned: PlannedTake): string {
  const plan = plannedText(planned);
  switch (level) {
    case 'hot':
      return `${plan}: ${result.outcome === 'body-cutoff' ? 'the body shuts down' : 'heat drops the take'} at about ${timeText(result.atSeconds)}.`;
    case 'warm':
      return result.firstThrottleAtSeconds !== null
        ? `${plan}: the card throttles at about ${timeText(result.firstThrottleAtSeconds)} and still keeps up.`
        : `${plan}: holds, but ${worse.outcome === 'body-cutoff' ? 'the body would shut down' : 'the take would drop'} if the figures were a little worse.`;
    case 'cool':
      return `${plan}: holds, though every heat figure were a little worse.`;
  }
}

/** Cautions a run calls for [handbook §10]. ISO 13732-1, from memory: bare metal burns at about 51 °C in a minute. */
export const BURN_C = 48;

export function cautionTexts({ peakCardC, peakBodyC }: Pick<SimResult, 'peakCardC' | 'peakBodyC'>): readonly string[] {
  const hot = [...(peakCardC >= BURN_C ? ['card'] : []), ...(peakBodyC >= BURN_C ? ['body'] : [])];
  return [
    ...(hot.length > 0
      ? [
          `Hot ${hot.join(' and ')}: let it cool before you take the card out. Bare metal can burn at about ${joined({ figure: '51', unit: '°C' })} in a minute, at ${joined({ figure: '48', unit: '°C' })} in ten (ISO 13732-1, from memory).`,
        ]
      : []),
    'Do not cover vents. This is no safety limit: the maker’s manual stands above this estimate.',
  ];
}
