import type { Settings } from '../../kit/kit.ts';
import { MOST_ASIDE } from '../../kit/schemas/settings.ts';
import { settle } from '../../store/edit.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { type Written, write } from './write.ts';

/** How strictly answers read. */
export const setTake = (take: Settings['take']): Promise<Written> =>
  write(CHANGE_TEXT.kindOfTake(take), [settle({ take })]);

/** Over the need; 0 to 1. */
export const setHeadroom = (headroom: number): Promise<Written> =>
  write(CHANGE_TEXT.headroom(String(Math.round(headroom * 1000) / 10)), [settle({ headroom })]);

/** A word that does not matter in a quick check, from now on. */
export const putAside = (word: string, { asideWords }: Settings): Promise<Written> =>
  write(CHANGE_TEXT.putAside(word), [
    settle({ asideWords: [...new Set([...(asideWords ?? []), word])].slice(-MOST_ASIDE) }),
  ]);

/** The word is asked about again. */
export const takeBack = (word: string, { asideWords }: Settings): Promise<Written> =>
  write(CHANGE_TEXT.askedAgain(word), [settle({ asideWords: (asideWords ?? []).filter((one) => one !== word) })]);

/** Days without an export after which the kit asks for one; 0: never. */
export const setExportReminder = (exportEveryDays: number): Promise<Written> =>
  write(CHANGE_TEXT.reminder, [settle({ exportEveryDays })]);
