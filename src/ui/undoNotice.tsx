import { notifications } from '@mantine/notifications';

/** Says what was done and offers to take it back. */
export function undoNotice(message: string, undo: () => Promise<void>): void {
  const id = notifications.show({
    autoClose: 12_000,
    message: (
      <span>
        {message}{' '}
        <button
          type="button"
          className="plain-button"
          onClick={() => {
            notifications.hide(id);
            void undo();
          }}
        >
          Undo
        </button>
      </span>
    ),
  });
}
