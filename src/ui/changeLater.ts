import type { Written } from '../app/kit/write.ts';

/** Makes a change whose code comes with its first use; what went wrong is said, and nothing where it went through. */
export async function changeLater(load: () => Promise<() => Promise<Written>>): Promise<void> {
  const { makeChange } = await import('./useChange.ts');
  await makeChange(async () => (await load())(), { quiet: true });
}
