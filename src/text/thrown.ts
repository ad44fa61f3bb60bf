/** What a browser throws, by its name: its own words, and those of libraries, are for those who build the app. */
const NAMES: Readonly<Record<string, string>> = {
  AbortError: 'It was broken off.',
  InvalidStateError: 'It changed while it was used. Try again.',
  NoModificationAllowedError: 'Something else is writing there. Close it, and try again.',
  NotAllowedError: 'The browser was not allowed to. Allow it, and try again.',
  NotFoundError: 'It is no longer there. Was it taken out, moved or renamed?',
  NotReadableError: 'It can no longer be read. Was it taken out?',
  QuotaExceededError: 'There is no more room for it on this device.',
  SecurityError: 'The browser does not allow it for this page.',
  TypeMismatchError: 'It is another kind of thing than it was.',
};

/** Why something stopped, in plain words. */
export const thrownText = (thrown: unknown): string =>
  (thrown instanceof Error && NAMES[thrown.name]) || 'It stopped, and nobody foresaw why. Try again.';
