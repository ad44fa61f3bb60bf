import type { Lane, SetupRefusal } from '../../core/heat/run/lane.ts';
import type { HeatMark } from '../../core/heat/run/mark.ts';
import type { PaceKnown } from '../../core/heat/run/pace.ts';
import type { Share } from '../../core/heat/writepath/risk.ts';
import type { Cause, EventName, Moment, SimResult, Simulation } from '../../core/heat/writepath/simulation.ts';
import type { BodyFigure, MadeWith, PlannedTake, Test } from '../../core/kit/model.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { findingText } from '../match/finding.ts';
import { clockText, joined, minutesText, plain } from '../quantity.ts';
import { FIGURE_WORDS } from './heatFigures.ts';
import { degreesText, paceText, plannedText } from './heatWords.ts';
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

/** A share of runs: whole per cent, finer below ten, never `0 %` or `100 %` unless it is so. */
export function shareText(share: number): string {
  if (share > 0 && share < 0.001) return `under${NBSP}0.1${NBSP}%`;
  if (share > 0.99 && share < 1) return `over${NBSP}99${NBSP}%`;
  return `${plain(share * 100, share < 0.1 ? 1 : 0)}${NBSP}%`;
}

/** Between which shares it lies by the number of runs alone: none of a thousand is up to 0.4 %. */
export function intervalText({ low, high }: Share): string {
  const [from, to] = [low, high].map((end) => plain(end * 100, end < 0.1 || end > 0.9 ? 1 : 0));
  if (low === 0) return `under ${to}${NBSP}%`;
  return high === 1 ? `over ${from}${NBSP}%` : `${from} to ${to}${NBSP}%`;
}

/** The rule about figures nobody has measured yet. */
export const NOT_CALIBRATED = 'Estimate only: use it to compare takes. The times are not reliable.';
export const CALIBRATED =
  'Fitted to your own takes or the maker’s limits. Where the manual says otherwise, follow the manual.';

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
  'throttle-on': 'card slows down from heat',
  'throttle-off': 'card at full speed again',
  'card-full': 'card full',
  'card-change': 'next card takes over',
  'body-limit': 'camera shuts down',
  dropped: 'first dropped frame',
  filled: 'card full',
  complete: 'last frame',
};

/** How a simulated take ended. */
function endText({ outcome, atSeconds }: SimResult): string {
  switch (outcome) {
    case 'dropped':
      return `frames drop at about ${timeText(atSeconds)}`;
    case 'body-cutoff':
      return `the camera shuts down at about ${timeText(atSeconds)}`;
    case 'filled':
      return `it runs until the card is full at about ${timeText(atSeconds)}`;
    case 'complete':
      return `it runs to the end, ${timeText(atSeconds)}`;
  }
}

/** The same in a few words for the head of the view: an estimate, however large it stands. */
export const outcomeText = (result: SimResult): string => `Estimate: ${endText(result)}`;

/** The same beside an own take, which says otherwise. */
export const byFiguresText = (result: SimResult): string => `The figures say that ${endText(result)}`;

/** Odds as people speak of them: `4 in 10`, `1 in 15`. */
export function oddsText(share: number): string {
  if (share >= 0.95) return 'nearly all';
  if (share >= 0.15) return `${Math.round(share * 10)} in 10`;
  return share > 0.005 ? `1 in ${Math.round(1 / share)}` : 'very few';
}

/** How it ends where more of its runs fail than is accepted: never said to hold. */
export const riskyText = (failing: number): string => `Risky: about ${oddsText(failing)} simulated takes end early`;

/** What stands under it. */
export const riskyCauseText = (failing: number, { outcome, atSeconds }: SimResult): string =>
  `When the assumed figures are varied a little, ${shareText(failing)} of the simulated takes end early.${outcome === 'filled' ? ` Without a stop the card is full at ${timeText(atSeconds)}.` : ''}`;

/** How a take ran when it was kept: `22:10 dropped, 35 % failed`. */
export const keptText = ({ outcome, atSeconds, failing }: MadeWith): string =>
  `${KEPT_WORDS[outcome]} ${timeText(atSeconds)}${failing === null ? '' : `, ${shareText(failing)} failed`}`;

const KEPT_WORDS: Readonly<Record<MadeWith['outcome'], string>> = {
  dropped: 'dropped at',
  'body-cutoff': 'camera shut down at',
  filled: 'card full at',
  complete: 'ran to',
};

/** An own take that stopped early under the conditions asked about, as a headline. */
export const ownEndText = ({ end, seconds }: Test): string =>
  `Your own take ${end === 'dropped' ? 'dropped frames' : 'shut the camera down'} at ${timeText(seconds)} under these conditions`;

/** How a run ended of whose card nothing is known: only heat was asked, and that is no yes. */
export const heatAloneText = (result: SimResult): string =>
  result.outcome === 'dropped' || result.outcome === 'body-cutoff'
    ? `${outcomeText(result)}, for heat alone`
    : `No heat stop expected within ${timeText(result.atSeconds)}; the card’s write speed is not known`;

/** How a run ended that was made with a promise: a floor, and not the card's speed. */
export const promiseAloneText = (result: SimResult): string =>
  `If the card writes only its guaranteed minimum: ${endText(result)}`;

/** How warm both get, where nothing else can be said of a run. */
export const temperaturesText = ({ peakCardC, peakBodyC }: SimResult): string =>
  `The card reaches ${degreesText(peakCardC)}, the camera ${degreesText(peakBodyC)}.`;

/** What is said of a pace that nobody has measured: which one it takes for the take to hold. */
export function runPaceText(pace: PaceKnown, breakEven: number | null, { cards, sim }: Lane): string {
  if (pace === 'known') return '';
  const names = cards.map(({ label }) => label).join(' and ');
  const holds =
    breakEven === null ? 'A faster card would not help here.' : `It lasts if the card sustains ${paceText(breakEven)}.`;
  return pace === 'unknown'
    ? `Nothing is known of how fast ${names} writes. ${holds}`
    : `${paceText(sim.card.sustainedMBps)} is the guaranteed minimum; the card may be faster. ${holds}`;
}

/** What hides a shortfall once the card takes less than comes: the stages in the order in which they fill. */
function hiddenBy({ timeline }: SimResult, since: number, { bufferMB }: Simulation): string {
  const full = timeline.find(({ event, seconds }) => event === 'cache-full' && seconds >= since);
  if (full) return `the fast cache takes up the difference until ${timeText(full.seconds)}, then the camera buffer`;
  return bufferMB > 0
    ? 'the camera buffer takes up the difference until it is full'
    : 'nothing takes up the difference';
}

/** Why a run ended as it did: one or two sentences with its times. */
export function causeText(sim: Simulation, result: SimResult, cause: Cause | null): string {
  const { outcome, timeline, firstThrottleAtSeconds: throttle } = result;
  const last = timeline.at(-1);
  if (outcome === 'body-cutoff')
    return `Cause: heat. The camera reaches ${degreesText(sim.heat.bodyLimitC)} and shuts itself down.`;
  if (outcome !== 'dropped' || cause === null || !last) {
    return throttle === null
      ? `No frames drop; the card reaches ${degreesText(result.peakCardC)}, the camera ${degreesText(result.peakBodyC)}.`
      : `The card slows down from heat (throttles) at ${timeText(throttle)} and still keeps up.`;
  }
  const short = `The card then takes only ${paceText(last.acceptedMBps)} of the ${paceText(last.demandMBps)} the camera writes`;
  if (cause === 'heat' && throttle !== null)
    return `Cause: heat. The card slows down from heat (throttles) at ${timeText(throttle)}; ${hiddenBy(result, throttle, sim)}. ${short}.`;
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
    recording ? `camera writes ${paceText(demandMBps)}` : 'rests: nothing is written',
    `card takes ${paceText(acceptedMBps)}${throttled ? ' (slowed by heat)' : ''}`,
    `card ${degreesText(cardC)}, camera ${degreesText(bodyC)}`,
    ...(left === null ? [] : [holdsText(left)]),
  ];
}

/** Fields of a run that are no figures of a body or card. */
const CONDITION_WORDS: Readonly<Record<string, { readonly name: string }>> = {
  takeSeconds: { name: 'Take, seconds' },
  restSeconds: { name: 'Rests between, seconds' },
  takes: { name: 'Takes' },
  ambientC: { name: 'Air' },
  startBodyC: { name: 'Camera at start' },
  startCardC: { name: 'Card at start' },
  usableGB: { name: 'Usable capacity' },
  busMBps: { name: 'Bus' },
};

/** Why a setup cannot be run. */
export function setupRefusalText(refusal: SetupRefusal): string {
  switch (refusal.code) {
    case 'no-card':
      return 'Choose a card to run this mode on.';
    case 'no-seat':
      return `${refusal.cards} cards need as many slots; this camera has ${refusal.slots}.`;
    case 'cannot-meet': {
      const why = refusal.cell?.findings.find(({ outcome }) => outcome === 'block' || outcome === 'unknown');
      return `${refusal.card.label} cannot be used for this mode in this slot. ${why ? `Reason: ${findingText(why)} Choose another card.` : 'Choose another card.'}`.trim();
    }
    case 'figure': {
      const key = refusal.refusal.field.split('.').at(-1) ?? '';
      if (key === 'takes' && refusal.refusal.code === 'contradiction')
        return `These takes and rests together last longer than 14 days. At most ${refusal.refusal.max} of them are run.`;
      const words = FIGURE_WORDS[key as BodyFigure] ?? CONDITION_WORDS[key];
      const text = simRefusalText(refusal.refusal);
      return words ? `${words.name}: ${text.replace(refusal.refusal.field, 'it')}` : `${text}`;
    }
  }
}

/** A take of one's own that lasted longer than the figures say it could: the figures are what is doubted. */
export function outlastedText({ seconds, ambientWithSunC: ambientC, takes }: Test): string {
  const air = ambientC == null ? '' : ` at ${degreesText(ambientC)}`;
  const many = takes != null && takes > 1 ? `${takes} takes of ` : '';
  return `your own take of ${many}${timeText(seconds)}${air} ran longer than the assumed figures allow. Press “Fit the figures” to use your takes instead.`;
}

/** Battery and lens in the cold: no number is known, so none is given. */
const COLD_TEXT =
  'Below freezing batteries give out early, and a cold camera brought into warm air gathers water: keep a spare warm, and let it warm up in a closed bag.';

/** A heat mark in one sentence for Why. */
export function heatMarkText({ level, result, worse, outlasted, ended }: HeatMark, planned: PlannedTake): string {
  const plan = `${plannedText(planned)} (estimate)`;
  if (ended) return `${plan}: ${ownEndText(ended).toLowerCase()}.`;
  if (outlasted) return `${plan}: ${outlastedText(outlasted)}`;
  switch (level) {
    case 'hot':
      return `${plan}: ${result.outcome === 'body-cutoff' ? 'the camera shuts down' : 'heat slows the card and frames drop'} at about ${timeText(result.atSeconds)}.`;
    case 'warm':
      return result.firstThrottleAtSeconds !== null
        ? `${plan}: the card slows down from heat (throttles) at about ${timeText(result.firstThrottleAtSeconds)} and still keeps up.`
        : `${plan}: ${worse.outcome === 'body-cutoff' ? 'the camera would shut down' : 'frames would drop'} if the figures were only a little worse.`;
    case 'cool':
      return `${plan}: no heat stop, even if every heat figure is a little worse.`;
  }
}

/** Cautions a run calls for [domain.md §10]. ISO 13732-1, from memory: bare metal burns at about 51 °C in a minute. */
const BURN_C = 48;

/** From when on bare metal burns. */
export const BURN_TEXT = `Bare metal can burn at about ${joined({ figure: '51', unit: '°C' })} in a minute, at ${joined({ figure: '48', unit: '°C' })} in ten (ISO 13732-1, from memory).`;

export function cautionTexts(
  { peakCardC, peakBodyC }: Pick<SimResult, 'peakCardC' | 'peakBodyC'>,
  airC: number,
): readonly string[] {
  const hot = [...(peakCardC >= BURN_C ? ['card'] : []), ...(peakBodyC >= BURN_C ? ['camera'] : [])];
  return [
    ...(airC < 0 ? [COLD_TEXT] : []),
    ...(hot.length > 0 ? [`Hot ${hot.join(' and ')}: let it cool before you take the card out. ${BURN_TEXT}`] : []),
    'Do not cover vents. This is an estimate, not a safety limit. Follow the camera maker’s manual.',
  ];
}
