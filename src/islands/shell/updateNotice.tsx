import { notifications } from '@mantine/notifications';
import { STORE_EVENT } from '../../text/kit/storeMessage.ts';

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

/** Says what happened to the store of this tab, and what to do. */
export const storeNotices = {
  onNewer: () => stay(STORE_EVENT.newer),
  onOlder: () => stay(STORE_EVENT.older),
  onDeleted: () => stay(STORE_EVENT.deleted),
} as const;
