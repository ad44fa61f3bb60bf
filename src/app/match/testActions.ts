import type { Test } from '../../core/kit/model.ts';
import { put } from '../../store/edit.ts';
import { type Written, write } from '../kit/write.ts';

/**
 * Notes a test.
 *
 * @param what - what is said of it
 */
export const noteTest = (test: Test, what: string): Promise<Written> =>
  write(what, [put('tests', test, { base: null })]);
