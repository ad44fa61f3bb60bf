import { err, ok, type Result } from '../../core/result.ts';
import { RECOGNISER_FILES, RECOGNISER_FOLDER } from '../../reading/photo/recogniserFiles.ts';

/** The cache that the service worker answers from; its name is known there too. */
const CACHE = 'cool-reel-recogniser';

/** `unkept`: this address keeps nothing, so that it is loaded each time. */
export type RecogniserState = 'kept' | 'absent' | 'unkept';

export type KeepProblem = 'offline' | 'full' | 'failed';

const FILES = Object.values(RECOGNISER_FILES).map((name) => `${RECOGNISER_FOLDER}${name}`);

/** Where the recogniser is fetched from: this origin, and nowhere else. */
export const recogniserAt = (): string => `${window.location.origin}${RECOGNISER_FOLDER}`;

/** Whether the recogniser is on this device. */
export async function recogniserState(): Promise<RecogniserState> {
  if (!('caches' in window)) return 'unkept';
  try {
    // Opening it would make it.
    if (!(await caches.has(CACHE))) return 'absent';
    const cache = await caches.open(CACHE);
    const kept = await Promise.all(FILES.map((file) => cache.match(file)));
    return kept.every(Boolean) ? 'kept' : 'absent';
  } catch {
    return 'unkept';
  }
}

/** Loads the recogniser and keeps it on this device: all of it, or nothing. */
export async function keepRecogniser(onShare: (share: number) => void): Promise<Result<null, KeepProblem>> {
  const loaded: (readonly [string, Response])[] = [];
  try {
    for (const [at, file] of FILES.entries()) {
      onShare(at / FILES.length);
      const response = await fetch(file, { cache: 'reload' });
      if (!response.ok) return err('failed');
      const body = await response.arrayBuffer();
      loaded.push([file, new Response(body, { headers: { 'Content-Type': typeOf(file) } })]);
    }
  } catch {
    return err('offline');
  }
  try {
    // Versions before this one are in the way of nothing but room.
    await caches.delete(CACHE);
    const cache = await caches.open(CACHE);
    for (const [file, response] of loaded) await cache.put(file, response);
    onShare(1);
    return ok(null);
  } catch (thrown) {
    await caches.delete(CACHE).catch(() => false);
    return err(thrown instanceof DOMException && thrown.name === 'QuotaExceededError' ? 'full' : 'failed');
  }
}

/** Takes the recogniser off this device. */
export async function dropRecogniser(): Promise<void> {
  await caches.delete(CACHE);
}

const typeOf = (file: string): string =>
  file.endsWith('.js') ? 'text/javascript' : file.endsWith('.wasm') ? 'application/wasm' : 'application/octet-stream';
