import { notifications } from '@mantine/notifications';

/** Says that a newer version waits; nothing reloads before it is pressed. */
export function updateNotice(apply: () => void): void {
  notifications.show({
    autoClose: false,
    message: (
      <span>
        A newer version is ready.{' '}
        <button type="button" className="plain-button" onClick={apply}>
          Reload into it
        </button>
      </span>
    ),
  });
}
