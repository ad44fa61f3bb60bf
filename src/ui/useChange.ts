import type { Written } from '../app/kit/write.ts';
import { editRefusalText } from '../text/kit/editRefusal.ts';
import { storeMessage } from '../text/kit/storeMessage.ts';
import { alarm } from './notices.ts';
import { undoNotice } from './undoNotice.tsx';

interface Telling {
  /** Says nothing where it went through: what changed is in plain sight. */
  readonly quiet?: boolean;
}

/** Makes a change and says what came of it, with a way back; answers whether it was made. */
export type MakeChange = (make: () => Promise<Written>, telling?: Telling) => Promise<boolean>;

export const makeChange: MakeChange = async (make, { quiet = false } = {}) => {
  try {
    const written = await make();
    if (!written.ok) alarm(editRefusalText(written.error));
    else if (!quiet && written.value.id !== null) undoNotice(written.value);
    return written.ok;
  } catch (thrown) {
    alarm(storeMessage(thrown));
    return false;
  }
};

export const useChange = (): MakeChange => makeChange;
