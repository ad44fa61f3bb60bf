import { useCallback } from 'react';
import { storeMessage } from '../text/kit/storeMessage.ts';
import { alarm } from './notices.ts';

/** Runs a change to the store and says so if the browser refused it; answers whether it went through. */
export function useStored(): (change: () => Promise<unknown>) => Promise<boolean> {
  return useCallback(async (change) => {
    try {
      await change();
      return true;
    } catch (thrown) {
      alarm(storeMessage(thrown));
      return false;
    }
  }, []);
}
