/** A seed that no earlier bench had: old bytes on a card must not pass for new ones. */
export const newSeed = (): number => crypto.getRandomValues(new Uint32Array(1))[0] as number;
