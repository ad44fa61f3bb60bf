import type { Advice } from '../../core/heat/run/advice.ts';
import type { RankedReason } from '../../core/heat/run/reasons.ts';
import type { Uncertain } from '../../core/heat/writepath/draws.ts';
import type { Risk } from '../../core/heat/writepath/risk.ts';
import type { Body, Card, Mode, PlannedTake } from '../../core/kit/model.ts';
import { assertNever } from '../../core/result.ts';
import { modeTitle } from '../match/cell.ts';
import { minutesText, plain } from '../quantity.ts';
import { degreesText, paceText, planText } from './heatWords.ts';

const NBSP = '\u00a0';

/** A length of a take: tenths where a minute would be too coarse. */
const lengthText = (minutes: number): string =>
  minutes < 10 ? `${plain(minutes, 1)}${NBSP}min` : minutesText(Math.round(minutes));

export function reasonText(reason: RankedReason): string {
  switch (reason.code) {
    case 'rate':
      if (reason.share === null) return `Writes ${paceText(reason.MBps)}`;
      return reason.share > 1
        ? `The camera writes ${plain(reason.share, 2)} times the card’s sustained speed`
        : `The camera writes ${plain(reason.share * 100, 0)} % of the card’s sustained speed`;
    case 'minutes':
      return `${lengthText(reason.minutes)} ${reason.rests ? 'a take' : 'without a rest'}`;
    case 'form':
      return 'A small card cools slowly';
    case 'body':
      return 'The camera’s own heat, and how slowly it cools';
    case 'ambient':
      return `Air at ${degreesText(reason.ambientC)}`;
    case 'sun':
      return `Sun on the camera, +${degreesText(reason.sunC)}`;
    case 'warm-start':
      return `Starts warm, camera at ${degreesText(reason.bodyC)}`;
    case 'fast-cache':
      return `Depends on the card’s fast cache of ${plain(reason.cacheGB)} GB`;
    case 'untested':
      return 'You have not tested this card in this camera';
  }
}

/** How much a reason counts, in words: read before any temperature. */
export const weightWord = (weight: number): string =>
  weight >= 0.15 ? 'main' : weight >= 0.06 ? 'large' : weight > 0 ? 'small' : '';

const UNCERTAIN_WORDS: Readonly<Record<Uncertain, string>> = {
  sustained: 'its real sustained write speed',
  burst: 'the real write speed of its fast cache',
  cache: 'the real size of its fast cache',
  'card-heat-path': 'how fast the card cools',
  'card-energy': 'how much heat the card makes while writing',
  'body-heat-path': 'how fast the camera cools',
  ambient: 'the air',
};

/** A difference below this is the luck of the draws. */
const LUCK = 0.02;
const NAMED = 3;

/** What a risk hangs on, most first, in one sentence; empty where nothing stands out. */
export function hangsOnText(ranking: Risk['hangsOn']): string {
  const words = ranking
    .filter(({ difference }) => difference > LUCK)
    .slice(0, NAMED)
    .map(({ what }) => UNCERTAIN_WORDS[what]);
  const [most, ...rest] = words;
  if (!most) return '';
  return rest.length === 0 ? `Depends on ${most}.` : `Depends most on ${most}, then on ${rest.join(', then on ')}.`;
}

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
      return `Shade the camera (−${degreesText(advice.sunC)})`;
    case 'cooler-air':
      return `Wait for ${degreesText(advice.ambientC)}${plan.sunC > 0 ? ', sun as now' : ''}`;
    case 'moving-air':
      return advice.air === 'strong' ? 'Put it in strong moving air' : 'Keep air moving around it';
    case 'cool-start':
      return 'Let camera and card cool first';
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
