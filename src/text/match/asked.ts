import type { Answer } from '../../core/match/ask/answerAsk.ts';
import type { Asked, Instead } from '../../core/match/ask/askLine.ts';
import type { Copying, OtherAnswer, Playback, RateWas, Stills } from '../../core/match/ask/otherQuestions.ts';
import { assertNever } from '../../core/result.ts';
import { twoRowMarks } from '../../core/standards/marks.ts';
import type { Bytes } from '../../core/units/brand.ts';
import { MB } from '../../core/units/convert.ts';
import { capacityText, durationText, either, MBpsText, MbpsText, minutesText, plain, takeText } from '../quantity.ts';
import { copySeconds } from './ownCopy.ts';
import { VERDICT_WORDS } from './verdict.ts';
import { withoutWords } from './without.ts';

/** How long a take plays, in one sentence. */
const playbackText = ({ take, captured, playback, plays }: Playback): string =>
  `${takeText(take)} captured at ${plain(captured, 3)} fps plays ${takeText(plays)} at ${plain(playback, 3)} fps.`;

/** What would do where this does not; null where the line has its answer. */
export function insteadText(instead: readonly Instead[], answer: Answer): string | null {
  if (answer.cell?.verdict !== 'uncovered' || answer.needsMark) return null;
  if (instead.length === 0)
    return 'No speed mark would do here: split it over two cards, choose a lower rate or another slot.';
  const size = answer.forTime?.sizeSold;
  const sized =
    size && answer.ask.time !== null ? `, of ${capacityText(size)} for ${durationText(answer.ask.time)}` : '';
  const would = instead.map(({ mark: key }) => (twoRowMarks().includes(key) ? `${key} on UHS-II` : key));
  // A mark that the card carries has been spoken of in the answer itself.
  const { tooSmall, ask } = answer;
  const not = tooSmall !== null && !ask.card?.marks.includes(tooSmall) ? `, ${tooSmall} would not` : '';
  return `${either(would)} would do${sized}${not}:`;
}

/** How much a rate fills by the minute and by the hour; null where it was not asked for. */
export const volumeText = ({ ask, rate }: Answer): string | null =>
  ask.volume
    ? `Fills ${gigabytesText(rate.average * 60)} a minute, ${gigabytesText(rate.average * 3600)} an hour.`
    : null;

const gigabytesText = (bytes: number): string => capacityText(bytes as Bytes);

/** How long a copy takes. */
function copyingText({ bytes, count, rate, seconds, apart }: Copying): string {
  const each = apart === null ? '' : ` Each through a reader of its own at that pace: ${takeText(copySeconds(apart))}.`;
  const cards = count > 1 ? `, ${count} cards one after the other or through one reader` : '';
  return `${capacityText(bytes)} at ${MBpsText(rate)} take ${takeText(copySeconds(seconds))}${cards}.${each} The slower of card, reader and disk sets the pace, and reading back to check takes about as long again.`;
}

/** Which rate filled a card. */
function rateWasText({ bytes, time, rate, low, high }: RateWas): string {
  const perHour = gigabytesText(rate * 3600);
  return `${capacityText(bytes)} in ${durationText(time)} is ${MbpsText(rate)} = ${MBpsText(rate)}: ${gigabytesText(rate * 60)} a minute, ${perHour} an hour. By the rounding of both it lies between ${MbpsText(low)} and ${MbpsText(high)}, everything written together.`;
}

function stillsText({ bytes, each, pictures, asked, wanted }: Stills): string {
  const mega = `${plain(each / MB, 1)}\u00a0MB`;
  switch (asked) {
    case 'pictures': {
      const enough = wanted === null ? '' : wanted <= pictures ? `: ${wanted} do` : `: ${wanted} do not`;
      return `${plain(pictures, 0)} pictures of ${mega} fit on ${capacityText(bytes)}, formatted${enough}.`;
    }
    case 'size':
      return `${plain(pictures, 0)} pictures on ${capacityText(bytes)}, formatted, are ${mega} each.`;
    case 'card':
      return `${plain(pictures, 0)} pictures of ${mega} fit on a card of ${capacityText(bytes)}, formatted; on no smaller size sold.`;
  }
}

/** The answer to a question that is not about a stream on a card, in plain sentences. */
export function otherText(found: OtherAnswer): string {
  switch (found.kind) {
    case 'playback':
      return playbackText(found.playback);
    case 'copying':
      return copyingText(found.copying);
    case 'rate-was':
      return rateWasText(found.rateWas);
    case 'stills':
      return stillsText(found.stills);
    default:
      return assertNever(found);
  }
}

/** What the rest of a line comes to, where a word of it was not understood. */
export function withoutText(words: readonly string[], found: Asked): string {
  return withoutWords(words, restText(found));
}

function restText(found: Asked): string {
  switch (found.kind) {
    case 'card': {
      const { cell, minutes, needsMark, smallestMarks } = found.answer;
      if (cell === null) return `${smallestMarks.length > 0 ? either(smallestMarks) : 'no mark'} would do`;
      const lasts = minutes === null ? '' : `, ${minutesText(minutes)}`;
      return `${needsMark ? 'it depends on the mark' : VERDICT_WORDS[cell.verdict].toLowerCase()}${lasts}`;
    }
    case 'choice':
      return `${found.choices.map(({ piece, answer }) => `${piece}: ${answer.cell ? VERDICT_WORDS[answer.cell.verdict].toLowerCase() : 'no card'}`).join('; ')}`;
    default:
      return otherText(found);
  }
}
