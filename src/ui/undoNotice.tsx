import { notifications } from '@mantine/notifications';
import type { Moved } from '../app/kit/history.ts';
import type { Done } from '../app/kit/write.ts';
import { historyRefusalText, othersBeforeText, takenBackText } from '../text/kit/editRefusal.ts';
import { storeMessage } from '../text/kit/storeMessage.ts';
import { alarm, remark } from './notices.ts';

/** How long a change may be taken back where it was made, ms: a card is looked at, and the hand comes back to the phone. */
const OFFERED = 10_000;
/** The one place for what was done: the newest stands there. */
const DONE = 'done';
/** Changes told of there since it was last empty. */
let told = 0;

/** Says what taking a change back, or making it again, came to. */
export async function tellMoved(move: () => Promise<Moved>, way: 'back' | 'again'): Promise<void> {
  try {
    const moved = await move();
    if (!moved.ok) remark(historyRefusalText(moved.error, way));
    else {
      notifications.show({ message: takenBackText(moved.value, way), autoClose: 6000 });
    }
  } catch (thrown) {
    alarm(storeMessage(thrown));
  }
}

/**
 * Says what was done and offers to take it back; afterwards the list of the last changes still does. One stands there at a time,
 * the newest, with how many came before it: three alike say no more than one, and cover more.
 */
export function undoNotice({ id, what }: Done): void {
  const before = told;
  notifications.hide(DONE);
  told = before + (id === null ? 0 : 1);
  notifications.show({
    id: DONE,
    autoClose: OFFERED,
    onClose: () => {
      told = 0;
    },
    message: (
      <span>
        {what}{' '}
        {id !== null && (
          <button
            type="button"
            className="plain-button"
            onClick={() => {
              notifications.hide(DONE);
              void tellMoved(async () => (await import('../app/kit/history.ts')).undoChange(id), 'back');
            }}
          >
            Undo
          </button>
        )}
        {before > 0 && <small>{othersBeforeText(before)}</small>}
      </span>
    ),
  });
}
