import { notifications } from '@mantine/notifications';

const stay = (message: React.ReactNode): void => {
  notifications.show({ autoClose: false, message });
};

/** Says that a newer version waits; nothing reloads before it is pressed. */
export const updateNotice = (apply: () => void): void =>
  stay(
    <span>
      A newer version is ready.{' '}
      <button type="button" className="plain-button" onClick={apply}>
        Reload into it
      </button>
    </span>,
  );

/** Says that two versions of the app met in one store, and which tab has to give way. */
export const versionNotices = {
  onNewer: () => stay('Another tab has a newer version of Cool Reel open. Reload this tab; what is saved is safe.'),
  onOlder: () => stay('Another tab has an older version of Cool Reel open. Close it to go on here.'),
} as const;
