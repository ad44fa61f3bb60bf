import type { PrintedLabel } from '../../core/cards/readLabel.ts';
import type { Answer } from '../../core/match/ask/answerAsk.ts';
import type { AskPlace, AskRefusal, AskUnread, Reading } from '../../core/match/ask/ask.ts';
import { assertNever } from '../../core/result.ts';
import { bus } from '../../core/standards/buses.ts';
import { form } from '../../core/standards/forms.ts';
import { mark, marksOf } from '../../core/standards/marks.ts';
import type { BytesPerSecond, Seconds } from '../../core/units/brand.ts';
import { MB } from '../../core/units/convert.ts';
import { amountText, openNumberText } from '../amount.ts';
import { labelProblemText } from '../cards/label.ts';
import { capacityText, durationText, either, MBpsText, MbpsText, minutesText, plain, takeText } from '../quantity.ts';

/** What stands at a place of the line, where nothing is near what was typed. */
const EXPECTED: Readonly<Record<AskPlace, string>> = {
  stream: 'Expected here: the rate the camera writes, such as 600 Mb/s.',
  card: 'Expected here: the card’s size, type and speed mark, such as 256GB CFexpress B VPG400.',
  time: 'Expected here: a time, such as 90 min or 2h.',
};

/** One misunderstood stretch, in words. */
export function unreadText({ text, problem, place }: AskUnread): string {
  switch (problem.code) {
    case 'which':
      return `“${text}” may mean several things: ${either(problem.couldBe)}?`;
    case 'needed': {
      const [enough, least] = problem.couldBe;
      return `“${text}”: whether it is enough (${enough}), or what is enough (${least})?`;
    }
    case 'shared':
      return `“${text}”, where several cameras record: one card for each (${either(problem.couldBe)})? Where all write to one, say what they write together: 2\u00a0x\u00a0400\u00a0Mb/s.`;
    case 'turns':
      return `“${text}” asks the other way round. Ask whether it is enough (${either(problem.couldBe)})?`;
    case 'used':
      return `“${text}”: what is on a card takes its room. Put what is free in the place of its size: 100GB.`;
    case 'no-length':
      return problem.couldBe.length > 0
        ? `“${text}” is no length of time. What is recorded in it: ${either(problem.couldBe)}?`
        : `“${text}” is no length of time. Put what is recorded in its place: for 2 h.`;
    case 'heat':
      return `“${text}” asks what heat does: Heat answers it. A speed mark says nothing of heat.`;
    case 'no-top':
      return `“${text}”: the highest rate counts. Is it this one (${either(problem.couldBe)})? Else put the highest in its place.`;
    case 'among': {
      const [together, each] = problem.couldBe;
      return `“${text}”: the cards of all cameras together (${together}), or of each of them (${each})?`;
    }
    case 'no-such-mark':
      return `There is no ${text.toUpperCase()}. Marks near it: ${either(problem.couldBe)}.`;
    case 'bits-or-bytes':
      return `“${text}”: bits or bytes? ${either(problem.couldBe)}.`;
    case 'open-number':
      return openNumberText(text, problem.couldBe);
    case 'grade-or-bus':
      return `“${text}”: ${either(problem.couldBe)}? U3 is a speed grade, UHS-III a bus.`;
    case 'no-unit':
      return `“${text}” has no unit. It could be ${either(problem.couldBe)}.`;
    case 'unknown':
      return problem.couldBe.length > 0
        ? `“${text}” was not understood. It could be ${either(problem.couldBe)}.`
        : /^\p{L}/u.test(text)
          ? `“${text}” was not understood: it may change the answer.`
          : `“${text}” was not understood. ${EXPECTED[place]}`;
    case 'amount':
      return amountText(`“${text}”`, problem.refusal);
    default:
      return assertNever(problem);
  }
}

const MISSING = {
  picture: 'a picture size (8192x4320)',
  bits: 'a bit depth (12bit)',
  fps: 'a frame rate (50p)',
} as const;

function promise(card: PrintedLabel | null): string {
  const best = card?.marks.map((key) => mark(key).promisesMBps).sort((a, b) => b - a)[0];
  if (best === undefined) return '';
  const rate = (best * MB) as BytesPerSecond;
  return ` The card’s speed mark guarantees ${MBpsText(rate)} (${MbpsText(rate)}) and no more.`;
}

/** Why a quick check has no answer. */
export function askRefusalText(refusal: AskRefusal): string {
  switch (refusal.code) {
    case 'empty':
      return 'Type the camera’s rate, the card and the time: 600 Mb/s on 256GB V90 II for 2h.';
    case 'too-long':
      return `Too long: ${refusal.length} characters. Shorten it to ${refusal.max}.`;
    case 'not-understood':
      return refusal.unread.map(unreadText).join(' ');
    case 'no-rate':
      return `No rate found. Type what the camera writes, such as 600 Mb/s, or a raw picture such as 8192x4320 12bit 3:1 50p.${promise(refusal.card)}`;
    case 'raw-incomplete':
      return `A raw picture also needs ${either(refusal.missing.map((part) => MISSING[part])).replace(' or ', ' and ')}.`;
    case 'twice':
      return `Two of one kind: “${refusal.again.text}” is the second ${refusal.what}. Delete one of them.`;
    case 'uneven':
      return `${refusal.count} cards do not share out ${refusal.arrangement === 'split' ? 'a split recording over two' : 'in pairs'}: name two, or four.`;
    case 'copy-incomplete':
      return refusal.missing === 'rate'
        ? 'Copying hangs on the reader and the disk: add how fast they are (at 95 MB/s).'
        : 'Add how much is copied (64GB, 2 x 256GB).';
    case 'no-playback-speed':
      return `${takeText(refusal.take)} captured at ${plain(refusal.captured, 3)} fps: add the speed it plays at (25p), or what the camera writes (600 Mb/s).`;
    case 'rate-out-of-range':
      return `The ${refusal.field} comes to more than 1 TB/s or under 1 B/s. Check the numbers and units.`;
    default:
      return assertNever(refusal);
  }
}

/** How a loose spelling was read. */
export function readingText(reading: Reading): string {
  switch (reading.code) {
    case 'rate':
      return reading.low === undefined
        ? `“${reading.text}” read as ${MbpsText(reading.value)} = ${MBpsText(reading.value)}`
        : `“${reading.text}”: the larger is counted, ${MbpsText(reading.value)}; at the smaller a card lasts longer`;
    case 'body-limit':
      return `“${reading.text}” taken for the most that the camera writes`;
    case 'card-minimum':
      return `“${reading.text}” taken for the minimum that the card’s maker states in writing`;
    case 'card-sustained':
      return `“${reading.text}” taken for what the card’s maker says it sustains`;
    case 'average':
      return `an average: its peaks are counted ${plain(reading.factor)} times as high`;
    case 'measured':
      return 'measured: nothing is added for sound and the like';
    case 'cameras':
      return `${reading.count} cameras, each onto cards of its own; verdict and minutes are those of one`;
    case 'capacity':
      return `“${reading.text}” read as ${capacityText(reading.value)}`;
    case 'time':
      return `“${reading.text}” read as ${durationText(reading.value)}`;
    case 'form-inferred':
      return `“${reading.text}” read as a ${form(reading.form).name} card; write CFexpress A to change it`;
    case 'picture-name-ignored':
      return `“${reading.text}” not used: the rate decides, not the picture size`;
    case 'passed-over':
      return `not used: ${reading.words.join(', ')}`;
    case 'two-cards':
      return 'two cards, taken one after the other';
    case 'more-cards':
      return `${reading.count} cards, taken one after the other`;
    case 'peak':
      return `“${reading.text}” is the card’s peak: no promise, and not what the camera writes`;
    case 'bus-by-mark':
      return `“${reading.text}” means ${bus(reading.bus).name}`;
    case 'size-assumed':
      return `card taken to be of a size that a slot for ${reading.family.toUpperCase()} reads; a larger one is not understood there`;
    case 'fps-assumed':
      return `${reading.fps} fps assumed, because none was given`;
    case 'speeds':
      return `captured at ${plain(reading.captured, 3)}, recorded at ${plain(reading.recorded, 3)} fps`;
    case 'rate-at':
      return `rate ${reading.said ? 'is' : 'assumed to be'} for ${plain(reading.fps, 3)} fps (the ${reading.at} speed): the camera writes ${MbpsText(reading.taken)}`;
    case 'slot-assumed':
      return reading.bus === null
        ? 'slot assumed as fast as the card'
        : `slot assumed ${bus(reading.bus).name}, like the card`;
    default:
      return assertNever(reading);
  }
}

/** What one press would take instead of a reading; null where there is nothing else to take. */
export function otherReadingText(reading: Reading): string | null {
  if (reading.change === undefined) return null;
  switch (reading.code) {
    case 'rate':
      return `a thousandth of it: ${MbpsText((reading.value / 1000) as BytesPerSecond)}`;
    case 'time':
      return 'minutes and seconds';
    case 'fps-assumed':
      return 'use 25 fps';
    case 'two-cards':
      return 'use them mirrored';
    case 'rate-at':
      return `as ${reading.at === 'recorded' ? 'captured' : 'recorded'}: ${MbpsText(reading.other)}`;
    case 'slot-assumed':
      return 'use a slower slot';
    default:
      return 'read it the other way';
  }
}

/** What the answer hangs on where a card was named without its mark. */
function markDependsText({ smallestMarks, tooSmall }: Answer): string {
  if (smallestMarks.length === 0)
    return 'No speed mark guarantees that much: split it over two cards, or choose a lower rate.';
  const would = `${either(smallestMarks)} covers this rate with headroom`;
  return `It depends on the speed mark on the card: ${tooSmall ? `${tooSmall} is too low, ` : ''}${would}.`;
}

/** The answer in one or two plain sentences. */
export function answerText(answer: Answer): string {
  const { cell, need, ask } = answer;
  const each = ask.arrangement === 'split' ? ' to each card' : '';
  const writes = `The camera writes ${MBpsText(need)}${each}`;
  if (!cell) {
    const [smallest] = answer.smallestMarks;
    const marks = smallest
      ? `Smallest speed marks that cover it with headroom: ${either(answer.smallestMarks)}.`
      : 'No speed mark guarantees that much: split it over two cards, or choose a lower rate.';
    return `${writes}. ${marks}`;
  }
  if (answer.needsMark) {
    const lasts = answer.minutes === null ? '' : ` A card of this size lasts ${minutesText(answer.minutes)}.`;
    return `${writes}. ${markDependsText(answer)}${lasts}`;
  }
  const { floor, ceiling, verdict } = cell;
  const label = cell.findings.find(({ rule }) => rule === 'label');
  if (cell.doubted && label?.rule === 'label')
    return `${writes}. ${label.problems.map(labelProblemText).join(' ')} Nothing on a label that contradicts itself counts until the card is verified.`;
  switch (verdict) {
    case 'guaranteed':
    case 'tight':
      return floor === null
        ? writes
        : `${writes}. A written promise guarantees ${MBpsText(floor)} in this slot: ${Math.floor(((floor - need) * 100) / need)}\u00a0% to spare.`;
    case 'drops':
      return ceiling === null
        ? `${writes}.`
        : ask.ceiling !== null && ask.ceiling <= ceiling
          ? `${writes}, and the limit that was named is ${MBpsText(ceiling)}.`
          : `${writes}. The slot carries at most ${MBpsText(ceiling)}.`;
    case 'claimed':
    case 'held':
    case 'proven':
      return `${writes}. No speed mark on this card guarantees that rate.`;
    case 'uncovered':
      if (floor === null && ask.card?.form && marksOf(ask.card.form).length === 0)
        return `${writes}. A ${form(ask.card.form).name} carries no speed mark: what its maker states or approves in writing tells, or your own test of a full take.`;
      return floor === null
        ? `${writes}. Nothing printed on this card guarantees a write speed, and nothing else is known of it: not covered.`
        : `${writes}. In this slot the card guarantees only ${MBpsText(floor)}.`;
    case 'locked':
    case 'unfit':
      return `${writes}. This card does not fit this slot, or the camera refuses it in this mode.`;
    default:
      return assertNever(verdict);
  }
}

/** What the wanted time asks for; null without a time. */
export function forTimeText(answer: Answer): string | null {
  const { forTime, ask, card } = answer;
  if (!forTime || ask.time === null) return null;
  const time = durationText(ask.time as Seconds);
  const written = `Recording for ${time} fills ${capacityText(forTime.written)}`;
  if (!card || forTime.cards === null) {
    const size =
      forTime.sizeSold === null
        ? 'more than the largest card sold'
        : `next size sold ${capacityText(forTime.sizeSold)}`;
    return `${written}: ${size}${ask.arrangement === 'mirrored' ? ', twice' : ''}.`;
  }
  const plural = forTime.cards === 1 ? 'card' : 'cards';
  if (forTime.lasts) return `${written}: ${forTime.cards} ${plural} of this size, no change.`;
  const named = Math.max(ask.count, answer.cardsAtOnce);
  const each = ask.cameras > 1 ? ' each' : '';
  return `${written}: not on ${named === 1 ? 'one' : named}${each}, it takes ${forTime.cards} ${plural} of this size.`;
}

/** Asks back where a need eight times over suggests a slip between bits and bytes; null where it does not. */
export function slipText(answer: Answer): string | null {
  const { bitsOrBytes } = answer;
  if (bitsOrBytes === null) return null;
  return `Megabits or megabytes? If the camera’s menu says ${MbpsText(bitsOrBytes)}, the card must take ${MBpsText(bitsOrBytes)}, which its speed mark covers.`;
}
