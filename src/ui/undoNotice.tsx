import { notifications } from '@mantine/notifications';
import type { Moved } from '../app/kit/history.ts';
import type { Done } from '../app/kit/write.ts';
import { historyRefusalText, takenBackText } from '../text/kit/editRefusal.ts';
import { storeMessage } from '../text/kit/storeMessage.ts';

/** How long a change may be taken back where it was made, ms: a card is looked at, and the hand comes back to the phone. */
const OFFERED = 10_000;

/** Says what taking a change back, or making it again, came to. */
export async function tellMoved(move: () => Promise<Moved>, way: 'back' | 'again'): Promise<void> {
  try {
    const moved = await move();
    if (!moved.ok) notifications.show({ message: historyRefusalText(moved.error, way), role: 'status' });
    else {
      notifications.show({ message: takenBackText(moved.value, way), autoClose: 6000 });
    }
  } catch (thrown) {
    notifications.show({ message: storeMessage(thrown), autoClose: false, role: 'alert' });
  }
}

/** Says what was done and offers to take it back; afterwards the list of the last changes still does. */
export function undoNotice({ id, what }: Done): void {
  const notice = notifications.show({
    autoClose: OFFERED,
    message: (
      <span>
        {what}{' '}
        {id !== null && (
          <button
            type="button"
            className="plain-button"
            onClick={() => {
              notifications.hide(notice);
              void tellMoved(async () => (await import('../app/kit/history.ts')).undoChange(id), 'back');
            }}
          >
            Undo
          </button>
        )}
      </span>
    ),
  });
}
