import type { Test } from '../../model/kit.ts';
import type { BytesPerSecond, Seconds } from '../../units/brand.ts';
import { fromMBps } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

export interface TestQuestion {
  readonly bodyId: string;
  readonly modeId: string;
  readonly cardId: string;
  readonly need: BytesPerSecond;
}

const written = (test: Test): BytesPerSecond | null => (test.writtenMBps === null ? null : fromMBps(test.writtenMBps));

/** A full-card take of this mode, or of one writing at least as fast, on this body and card. */
function passes(test: Test, asked: TestQuestion): boolean {
  if (test.end !== 'full') return false;
  const rate = written(test);
  return test.modeId === asked.modeId || (rate !== null && rate >= asked.need);
}

/** A dropped take of this mode, or of one writing no faster. */
function drops(test: Test, asked: TestQuestion): boolean {
  if (test.end !== 'dropped') return false;
  const rate = written(test);
  return test.modeId === asked.modeId || (rate !== null && rate <= asked.need);
}

const NOTHING: Finding = {
  rule: 'own-tests',
  outcome: 'unknown',
  passes: 0,
  dropSeconds: null,
  contradicts: false,
};

/** Undated tests count as the oldest; equal dates keep their order in the log. */
const byDate = (a: Test, b: Test): number => (a.date ?? '').localeCompare(b.date ?? '');

/**
 * What own tests of this body and card say. A stopped take says nothing either way; the newest telling test outranks
 * older ones, and passes are counted since the last drop.
 */
export function ownTestsRule(tests: readonly Test[], asked: TestQuestion): Finding {
  if (tests.length === 0) return NOTHING;
  const telling = tests
    .filter((test) => test.bodyId === asked.bodyId && test.cardId === asked.cardId)
    .filter((test) => passes(test, asked) || drops(test, asked))
    .sort(byDate);
  const newest = telling.at(-1);
  if (newest === undefined) return NOTHING;
  const failed = drops(newest, asked);
  const contradicts = telling.some((test) => drops(test, asked) !== failed);
  const lastDrop = telling.findLastIndex((test) => drops(test, asked));
  return {
    rule: 'own-tests',
    outcome: failed ? 'short' : 'pass',
    passes: failed ? 0 : telling.length - 1 - lastDrop,
    dropSeconds: failed ? (newest.seconds as Seconds) : null,
    contradicts,
  };
}
