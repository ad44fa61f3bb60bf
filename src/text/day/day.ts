import type { Plan } from '../../core/kit/plan.ts';
import { assertNever } from '../../core/result.ts';
import type { DayFault } from '../../core/rotation/day.ts';
import type { DayMoveKind } from '../../core/rotation/dayMoves.ts';
import type { PlannedShortage } from '../../core/rotation/plannedDay.ts';
import { printText } from '../match/toBuy.ts';
import { minutesText, NBSP, plain } from '../quantity.ts';

/** Names and clock times of one day, for its sentences. */
export interface DayNames {
  readonly body: (id: string) => string;
  readonly card: (id: string) => string;
  readonly reader: (id: string) => string;
  readonly mode: (bodyId: string, modeId: string) => string;
  readonly block: (id: string) => string;
  /** HH:MM, with the day where it is not the first. */
  readonly clock: (seconds: number) => string;
}

/** Minutes of a day, to the minute; under two with a decimal. */
export const shortMinutes = (minutes: number): string =>
  minutes > 0 && minutes < 2 ? `${plain(minutes)}${NBSP}min` : minutesText(Math.round(minutes));

/** GB, or TB from a thousand on. */
export const gigabytes = (GB: number): string =>
  GB >= 1000 ? `${plain(GB / 1000, 2)}${NBSP}TB` : `${plain(GB, GB < 10 ? 1 : 0)}${NBSP}GB`;

/** What is short, as one or two sentences. */
export function shortageText(short: PlannedShortage, names: DayNames): string {
  const { reason, blockId, bodyId, missingMinutes, missingGB } = short;
  const what = blockId === null ? '' : names.block(blockId);
  const who = bodyId === null ? '' : names.body(bodyId);
  const amount = `${shortMinutes(missingMinutes)} of ${what}, ${gigabytes(missingGB)}`;
  switch (reason.code) {
    case 'none-free': {
      const begin = `${who} has no free card for ${amount}.`;
      if (reason.cardId === null || reason.nextSeconds === null) return `${begin} None comes free in time.`;
      return `${begin} ${names.card(reason.cardId)} is the next one, at ${names.clock(reason.nextSeconds)}.`;
    }
    case 'none-holds':
      return `No card chosen for this day has an answer that this kind of take allows for ${what} in ${who}. Add a card, or allow others under Cards and disks.`;
    case 'too-long':
      return `${what} in ${who} is gap-free and longer than ${names.card(reason.cardId)}, which holds ${shortMinutes(reason.holdsSeconds / 60)}: the last ${shortMinutes(missingMinutes)}, ${gigabytes(missingGB)}, are missing.`;
    case 'no-room':
      return `There is no disk space for ${gigabytes(missingGB)} from ${names.card(reason.cardId)}, so it cannot be freed. Add a disk or free space.`;
    case 'no-reader':
      return `No reader chosen for this day fits ${names.card(reason.cardId)}, so it cannot be copied. Add a reader under Cards and disks.`;
    case 'not-planned':
      return `${what} is not planned, so all of it is missing: ${shortMinutes(missingMinutes)}.`;
    default:
      return assertNever(reason);
  }
}

/** What of a plan cannot be planned, and what to do. */
export function dayFaultText(fault: DayFault, names: DayNames): string {
  switch (fault.code) {
    case 'body-gone':
      return `${names.block(fault.blockId)}: its camera is no longer in the kit. Choose another.`;
    case 'mode-gone':
      return `${names.block(fault.blockId)}: its mode is no longer in its camera. Choose another.`;
    case 'no-rate':
      return `${names.block(fault.blockId)}: its mode has no rate yet. Enter it in Cameras.`;
    case 'no-time':
      return `${names.block(fault.blockId)} begins at a time that does not exist on this day (clocks go forward). Choose an earlier or later time.`;
    case 'comes-twice':
      return `${names.block(fault.blockId)}: its time comes twice that night, and the first is taken. Open it and say which.`;
    case 'overlap':
      return `${names.block(fault.blockId)} begins before ${names.block(fault.otherId)} ends, in the same camera. Move one of them.`;
    case 'card-gone':
      return `A card of this day is no longer in the kit. It is left out.`;
    case 'card-retired':
      return `${names.card(fault.cardId)} is retired. It is left out.`;
    case 'no-readers':
      return 'No reader is entered: each card can be used only once. Add a reader under Cards and disks.';
    case 'few-destinations':
      return `${fault.wanted} copies are wanted and there ${fault.have === 1 ? 'is 1 disk' : `are ${fault.have} disks`}: no card is free again. Add a disk, or ask for fewer copies.`;
    default:
      return assertNever(fault);
  }
}

/** A move as a short imperative, and what it changes. */
export function dayMoveText(kind: DayMoveKind, names: DayNames): { readonly title: string; readonly note: string } {
  switch (kind.code) {
    case 'own-card':
      return { title: `Take ${names.card(kind.cardId)} along`, note: 'one of your cards, not in this day yet' };
    case 'one-more-card':
      return { title: `One more card: ${printText(kind)}`, note: 'the smallest card that covers the shortage' };
    case 'second-reader':
      return { title: `A second reader like ${names.reader(kind.readerId)}`, note: 'two cards are copied at once' };
    case 'faster-reader':
      return {
        title: `A faster reader in place of ${names.reader(kind.readerId)}`,
        note: `${plain(kind.MBps, 0)}${NBSP}MB/s, as fast as cards and disks go`,
      };
    case 'first-copy':
      return { title: 'Make the other copies from the first', note: 'the card leaves its reader sooner' };
    case 'one-more-destination':
      return { title: `One more disk like ${kind.like}`, note: 'copies need not wait for a busy or full one' };
    case 'other-mode':
      return { title: `${names.block(kind.blockId)} in another mode`, note: names.mode(kind.bodyId, kind.modeId) };
    case 'split-block':
      return {
        title: `Split ${names.block(kind.blockId)} after ${shortMinutes(kind.minutes)}`,
        note: 'a change of cards falls between',
      };
    case 'other-order':
      return { title: `${names.block(kind.blockId)} before ${names.block(kind.otherId)}`, note: 'another order' };
    default:
      return assertNever(kind);
  }
}

/** What is missing where a card comes free on less than two verified copies; null where nothing is. */
export function fewCopiesText({ count, verify }: Plan['copies']): string | null {
  if (count >= 2 && verify) return null;
  const copies = count === 1 ? 'one copy' : `${count} copies`;
  return verify
    ? `A card counts as free on ${copies}: until a second is verified, one disk holds all there is.`
    : `A card counts as free on ${copies} that nobody has verified: what was not read back may not be there.`;
}

/** Slots that want a card of their own, whatever is recorded. */
export const ownCardText = (body: string, slots: readonly string[]): string =>
  `${slots.join(' and ')} of ${body} ${slots.length === 1 ? 'wants a card of its own' : 'want a card each'}, beside those planned here.`;
