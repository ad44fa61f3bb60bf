import { readWord } from '../../cards/vocabulary.ts';
import { entryAt } from '../../entryAt.ts';
import type { Card, Print, Test } from '../../kit/model.ts';
import { mark } from '../../standards/marks.ts';
import type { Seconds } from '../../units/brand.ts';
import type { Finding } from '../finding.ts';
import type { TestsFinding } from './ownTests.ts';

/** Another card of the same print, with its tests in one body. */
export interface Twin {
  readonly card: Card;
  readonly tests: readonly Test[];
}

/** What tests of cards of the same print say. */
export type TwinsFinding = Extract<Finding, { rule: 'twin-tests' }>;

/** Whether a word is a mark for video, one that does not exist too. */
function isVideoMark(text: string): boolean {
  const word = readWord(text);
  const series = word?.kind === 'mark' ? mark(word.mark).series : word?.kind === 'no-such-mark' ? word.series : null;
  return series === 'V' || series === 'VPG';
}

/**
 * What is printed on a card, as text; null where nothing is printed that tells two kinds of card apart. A label that says
 * no more than its size is no print: two such cards need have nothing in common.
 */
export function printed({ form, capacityGB, marks, bus, readMBps, writeMBps }: Print): string | null {
  const says = readMBps !== null || writeMBps !== null || marks.some(isVideoMark);
  return says ? JSON.stringify([form, capacityGB, [...marks].sort(), bus, readMBps, writeMBps]) : null;
}

/** Cards named, and tests linked, at the most: a print of hundreds is told by a few. */
const MOST_NAMED = 3;
const MOST_LINKED = 12;

/** What the cards of one print say for a seat, gathered once for all of them. */
export interface TwinsTold {
  /** What each of them says, in their order. */
  readonly found: readonly TestsFinding[];
  readonly hasDrops: boolean;
  /** Told to each card that is not among those named, and has no pass of its own. */
  readonly common: TwinsFinding | null;
  /** The places of those named in it. */
  readonly named: readonly number[];
  readonly passes: number;
}

const isPass = ({ outcome, untilSeconds }: TestsFinding): boolean => outcome === 'pass' && untilSeconds === null;

/** The first few places that a finding is at, one left out. */
function firstAt(
  found: readonly TestsFinding[],
  is: (one: TestsFinding) => boolean,
  without: number,
): readonly number[] {
  const places: number[] = [];
  for (let at = 0; at < found.length && places.length < MOST_NAMED; at += 1)
    if (at !== without && is(found[at] as TestsFinding)) places.push(at);
  return places;
}

const isShort = ({ outcome }: TestsFinding): boolean => outcome === 'short';

function finding(
  twins: readonly Twin[],
  found: readonly TestsFinding[],
  at: readonly number[],
  passes: number,
): TwinsFinding | null {
  if (at.length === 0) return null;
  const counted = at.map((place) => found[place] as TestsFinding);
  const drops = counted.flatMap(({ dropSeconds }) => dropSeconds ?? []);
  return {
    rule: 'twin-tests',
    outcome: drops.length > 0 ? 'short' : 'note',
    passes: drops.length > 0 ? 0 : passes,
    cards: at.map((place) => entryAt(twins, place).card.label),
    dropSeconds: drops.length > 0 ? (Math.min(...drops) as Seconds) : null,
    testIds: counted.flatMap(({ testIds }) => testIds).slice(0, MOST_LINKED),
  };
}

/**
 * Gathers what each tested card of a print says for a seat.
 *
 * @param ask - what the tests of one card say for the seat
 */
export function twinsTold(twins: readonly Twin[], ask: (twin: Twin) => TestsFinding): TwinsTold {
  const found = twins.map(ask);
  const passes = found.reduce((sum, one) => sum + (isPass(one) ? one.passes : 0), 0);
  const hasDrops = found.some(isShort);
  const named = firstAt(found, hasDrops ? isShort : isPass, -1);
  return { found, hasDrops, passes, named, common: finding(twins, found, named, passes) };
}

/**
 * What tests of other cards of the same print say of a card: likely, and never more. One drop among them speaks louder than
 * any pass. Where many were tested, a few are named.
 *
 * @param at - its own place among them; -1 where it has no test here
 */
export function twinTestsRule(twins: readonly Twin[], told: TwinsTold, at: number): TwinsFinding | null {
  const own = told.found[at];
  const isOwnPass = own !== undefined && isPass(own);
  if (!told.named.includes(at) && (told.hasDrops || !isOwnPass)) return told.common;
  const drops = firstAt(told.found, isShort, at);
  if (drops.length > 0) return finding(twins, told.found, drops, 0);
  const passes = told.passes - (isOwnPass ? own.passes : 0);
  return finding(twins, told.found, firstAt(told.found, isPass, at), passes);
}
