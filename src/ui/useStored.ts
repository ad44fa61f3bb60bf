import { notifications } from '@mantine/notifications';
import { useCallback } from 'react';
import { storeMessage } from '../text/kit/storeMessage.ts';

/** Runs a change to the store and says so if the browser refused it; answers whether it went through. */
export function useStored(): (change: () => Promise<unknown>) => Promise<boolean> {
  return useCallback(async (change) => {
    try {
      await change();
      return true;
    } catch (thrown) {
      notifications.show({ message: storeMessage(thrown), autoClose: false, role: 'alert' });
      return false;
    }
  }, []);
}
