import { notifications } from '@mantine/notifications';
import { firstTime } from '../../app/kit/firstTime.ts';
import { PLATFORM_TEXT, STORE_EVENT, UPDATE_EVENT } from '../../text/kit/storeMessage.ts';
import { stay } from '../../ui/notices.ts';

const UPDATE = 'update';

const sayOnce = (what: keyof typeof PLATFORM_TEXT): void => {
  if (firstTime(what)) stay(PLATFORM_TEXT[what]);
};

const reloadNotice = (text: string, press: string, reload: () => void): void => {
  notifications.hide(UPDATE);
  stay(
    <span>
      {text}{' '}
      <button type="button" className="plain-button" onClick={reload}>
        {press}
      </button>
    </span>,
    UPDATE,
  );
};

/** Says that a newer version waits, or was started in another tab; nothing reloads before it is pressed. */
export const updateNotices = {
  onWaiting: (apply: () => void) => reloadNotice(UPDATE_EVENT.waiting, UPDATE_EVENT.apply, apply),
  onTaken: (reload: () => void) => reloadNotice(UPDATE_EVENT.taken, UPDATE_EVENT.reload, reload),
  onRefused: () => sayOnce('refused'),
} as const;

/** Says what is missing at this address, the first time it is opened in this browser. */
export const tellPlatform = (): void => {
  if (!window.isSecureContext) sayOnce('insecure');
};

/** Says what happened to the store of this tab, and what to do. */
export const storeNotices = {
  onNewer: () => stay(STORE_EVENT.newer),
  onOlder: () => stay(STORE_EVENT.older),
  onDeleted: () => stay(STORE_EVENT.deleted),
} as const;
