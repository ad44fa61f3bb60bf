declare const unit: unique symbol;

/** A number that carries its unit in its type and nowhere else. */
type Quantity<Unit extends string> = number & { readonly [unit]: Unit };

/** Whole bytes, 0 to 2^53 − 1 (9,007 TB). */
export type Bytes = Quantity<'B'>;
/** Whole bytes per second; the one unit in which streams and cards are compared. */
export type BytesPerSecond = Quantity<'B/s'>;
/** Seconds, not necessarily whole. */
export type Seconds = Quantity<'s'>;
/** Frames per second, exact for the 1000/1001 family. */
export type FramesPerSecond = Quantity<'fps'>;
/** Thousandths; headroom is held as whole thousandths so that equality is exact. */
export type PerMille = Quantity<'‰'>;
