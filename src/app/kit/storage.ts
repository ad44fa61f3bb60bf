/** How much of this device's storage the browser grants and uses, bytes; null where it does not say. */
export interface StorageState {
  readonly persistent: boolean;
  readonly used: number | null;
  readonly quota: number | null;
}

/** Asks the browser to keep the kit even when space runs short; a refusal changes nothing. */
export async function keepStorage(): Promise<StorageState> {
  const { storage } = navigator;
  const persistent = (await storage?.persisted?.()) || (await storage?.persist?.()) || false;
  const estimate = await storage?.estimate?.();
  return { persistent, used: estimate?.usage ?? null, quota: estimate?.quota ?? null };
}
