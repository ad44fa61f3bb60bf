/** A range of a number in the kit; both ends allowed. */
export interface Range {
  readonly min: number;
  readonly max: number;
}

/** Longest word kept as one that does not matter in a quick check, characters. */
export const MAX_ASIDE = 40;

/**
 * Ranges that the kit's schemas, its forms and its addresses share. A form may ask for less than the schema lets in (air in
 * which somebody films, not what a probe may read), never for more.
 */
export const RANGES = {
  /** A take, minutes: two days at the most. */
  takeMinutes: { min: 0.1, max: 2880 },
  takes: { min: 1, max: 1000 },
  restMinutes: { min: 0, max: 2880 },
  /** Any temperature, °C. */
  temperatureC: { min: -60, max: 150 },
  /** Air in which somebody films, sun not in it, °C. */
  airC: { min: -60, max: 60 },
  /** The same with sun, °C. */
  airWithSunC: { min: -60, max: 80 },
  /** What sun adds, °C. */
  sunC: { min: 0, max: 60 },
  /** A body or card at the start of a take, °C. */
  startC: { min: -60, max: 120 },
  /** Compression of raw, to 1. */
  ratio: { min: 1, max: 100 },
  /** Pictures of a burst. */
  burstFrames: { min: 1, max: 100_000 },
  /** What a card writes or is stated to write, MB/s. */
  cardMBps: { min: 0.1, max: 1_000_000 },
  /** Rate of a burst, pictures a second. */
  burstFps: { min: 0.1, max: 1000 },
  /** One picture, MB. */
  fileMB: { min: 0.01, max: 10_000 },
  /** A shutter, seconds. */
  shutterSeconds: { min: 0.000_001, max: 3600 },
  /** From the last picture of a burst until it is written, seconds. */
  clearSeconds: { min: 0.1, max: 86_400 },
  /** Months after which evidence is old; 0: never. */
  retestMonths: { min: 0, max: 120 },
  /** A block of a shoot day, minutes: two days at the most, as a take. */
  blockMinutes: { min: 1, max: 2880 },
  /** Share of a block that rolls. */
  rolling: { min: 0.01, max: 1 },
  /** Days after the date of a plan. */
  planDay: { min: 0, max: 3 },
  /** How far the clock of another device may be ahead of this one, or behind it. */
  clockAheadSeconds: { min: -4e9, max: 4e9 },
  /** Cards in a reader. */
  readerSlots: { min: 1, max: 16 },
  /** Verified copies before a card is free. */
  copies: { min: 1, max: 6 },
  /** A change of cards, seconds. */
  swapSeconds: { min: 0, max: 3600 },
  /** How full a card is when it is changed. */
  changeAtPercent: { min: 10, max: 100 },
  /** Recorded hours of a need. */
  needHours: { min: 0.01, max: 10_000 },
  /** What is bought on top of them. */
  sparePercent: { min: 0, max: 1000 },
  /** A price of one card. */
  price: { min: 0.01, max: 10_000_000 },
  /** Hours a day that a camera which never stops writes. */
  hoursPerDay: { min: 0.1, max: 24 },
  /** Hours of recording that a maker states. */
  ratedHours: { min: 1, max: 10_000_000 },
  /** TB that may be written, as rated. */
  enduranceTB: { min: 0.001, max: 10_000_000 },
  /** Times a cell may be written. */
  cycles: { min: 1, max: 10_000_000 },
  /** Bytes written inside a card for each that is sent. */
  writeAmplification: { min: 1, max: 1000 },
  /** What a camera that never stops writes, Mb/s. */
  standingMbps: { min: 0.01, max: 1_000_000 },
  /** A take as evidence, seconds; its card and its bytes, GB; a rate, MB/s. Beyond them an implied rate is no number. */
  takeSeconds: { min: 0.001, max: 10_000_000 },
  takeAmount: { min: 0.001, max: 1_000_000 },
} as const satisfies Readonly<Record<string, Range>>;
