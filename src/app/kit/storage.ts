/** How much of this device's storage the browser grants and uses, bytes; null where it does not say. */
export interface StorageState {
  readonly persistent: boolean;
  readonly used: number | null;
  readonly quota: number | null;
}

const isPersistent = async (): Promise<boolean> => (await navigator.storage?.persisted?.()) ?? false;

/** Asks the browser to keep the kit even when space runs short; a refusal changes nothing. */
export async function keepStorage(): Promise<StorageState> {
  const { storage } = navigator;
  const persistent = (await isPersistent()) || (await storage?.persist?.()) || false;
  const estimate = await storage?.estimate?.();
  return { persistent, used: estimate?.usage ?? null, quota: estimate?.quota ?? null };
}

let isAsked = false;

/** Asks it once a visit, with what a person enters first or where the app is installed: some browsers ask the person in turn. */
export function keepOwn(): void {
  if (isAsked || typeof navigator === 'undefined') return;
  isAsked = true;
  void keepStorage().catch(() => undefined);
}

/** Whether the browser said that it keeps what is stored, without asking for it; false where it does not say. */
export const isStorageKept = (): Promise<boolean> => isPersistent().catch(() => false);
