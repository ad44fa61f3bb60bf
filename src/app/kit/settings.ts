import type { Settings } from '../../kit/kit.ts';
import { settle } from '../../store/edit.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { type Written, write } from './write.ts';

/** How strictly answers read. */
export const setTake = (take: Settings['take']): Promise<Written> =>
  write(CHANGE_TEXT.kindOfTake(take), [settle({ take })]);

/** Over the need; 0 to 1. */
export const setHeadroom = (headroom: number): Promise<Written> =>
  write(CHANGE_TEXT.headroom(String(Math.round(headroom * 1000) / 10)), [settle({ headroom })]);

/** Days without an export after which the kit asks for one; 0: never. */
export const setExportReminder = (exportEveryDays: number): Promise<Written> =>
  write(CHANGE_TEXT.reminder, [settle({ exportEveryDays })]);
