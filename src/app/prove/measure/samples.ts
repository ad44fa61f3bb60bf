/** Files that ship with the app, to try it on; made for it, none of a camera or card. */
export const SAMPLES = {
  clip: { path: '/samples/mooring-test.mp4', type: 'video/mp4' },
  cache: { path: '/samples/card-with-cache.csv', type: 'text/csv' },
  heat: { path: '/samples/card-in-the-sun.csv', type: 'text/csv' },
} as const;

/** A sample as a file, as if it had been chosen; null where it cannot be had now. */
export async function sampleFile(sample: keyof typeof SAMPLES): Promise<File | null> {
  const { path, type } = SAMPLES[sample];
  try {
    const answer = await fetch(path);
    return answer.ok ? new File([await answer.blob()], path.split('/').at(-1) ?? path, { type }) : null;
  } catch {
    return null;
  }
}
