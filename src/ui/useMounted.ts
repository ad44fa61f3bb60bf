import { useSyncExternalStore } from 'react';

const never = (): (() => void) => () => {};

/** False in the page as it was built and while it is taken over, true from then on. */
export const useMounted = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
