import type { Fix } from '../../core/best/fixes.ts';
import type { Why } from '../../core/best/stands.ts';
import type { Card } from '../../core/kit/model.ts';
import { assertNever } from '../../core/result.ts';
import { bus } from '../../core/standards/buses.ts';
import { fromGigabytes } from '../../core/units/convert.ts';
import { VERDICT_WORDS } from '../match/verdict.ts';
import { capacityText, minutesText, plain, together } from '../quantity.ts';

const labels = (cards: readonly Card[]): string => together(cards.map(({ label }) => label));

function heatText({ group: [card], heat }: Extract<Why, { code: 'heat' }>): string {
  switch (heat.by) {
    case 'figures':
      return `Heat ends it after ${minutesText(Math.floor(heat.atMinutes))} on ${card.label}.`;
    case 'runs':
      return `Heat: over ${plain(Math.floor(heat.risk * 100))} of 100 simulated takes fail on ${card.label}.`;
    case 'own-take':
      return `Your own take on ${card.label} was ended by heat, in air no hotter.`;
    case 'nothing-known':
      return `What heat does to ${card.label} is not known.`;
    default:
      return assertNever(heat);
  }
}

/** Why a mode does not hold to the end, in a sentence. */
export function whyText(why: Why): string {
  switch (why.code) {
    case 'no-rate':
      return 'What this mode writes is not known.';
    case 'none-enters':
      return 'None of these cards fits.';
    case 'none-holds':
      return `No card holds it: ${VERDICT_WORDS[why.verdict]} at best.`;
    case 'waiting':
      return `What is on ${labels(why.cards)} is not copied yet.`;
    case 'faulty':
      return `A fault of ${labels(why.cards)} is not settled.`;
    case 'too-short':
      return `No card lasts so long without a change: ${minutesText(Math.floor(why.minutes))} at most.`;
    case 'too-few':
      return `These cards last ${minutesText(Math.floor(why.minutes))} together.`;
    case 'heat':
      return heatText(why);
    case 'open':
      return 'Whether it does was not worked out in the time given.';
    default:
      return assertNever(why);
  }
}

/** What a person can do, as a line of few words. */
export function fixText(fix: Fix): string {
  switch (fix.code) {
    case 'tell-bus':
      return `if ${together(fix.slots)} ${fix.slots.length === 1 ? 'is' : 'are'} ${bus(fix.bus).name}: look at the slot`;
    case 'copy':
      return `copy ${labels(fix.cards)} first, and verify`;
    case 'settle':
      return `settle what happened to ${labels(fix.cards)}`;
    case 'verify':
      return `fill ${labels(fix.cards)} and read it back`;
    case 'shade':
      return 'shade';
    case 'moving-air':
      return fix.air === 'strong' ? 'a fan or wind' : 'moving air';
    case 'test':
      return `test ${labels(fix.cards)} for ${minutesText(fix.minutes)}`;
    case 'rests':
      return `a rest of ${minutesText(fix.restMinutes)} after each ${minutesText(fix.takeMinutes)}`;
    case 'buy': {
      const what = fix.like
        ? `more like ${fix.like.label}`
        : `${capacityText(fromGigabytes(fix.card.capacityGB))} ${fix.card.marks.join(' ')}`;
      const price =
        fix.cents === null ? '' : ` (${[plain(fix.cents / 100, 2), fix.currency].filter(Boolean).join(' ')})`;
      return `${fix.count} ${what}${price}`;
    }
    default:
      return assertNever(fix);
  }
}
