import { ASSUMED } from '../../core/standards/assumptions.ts';
import type { Settings } from '../../kit/kit.ts';
import type { Unexported } from '../../store/follow.ts';

const DAY = 86_400_000;

/** How long the kit has stood unexported, and whether that is longer than wanted. */
export interface ExportDue {
  /** Whole days since the last export; null where there was none. */
  readonly days: number | null;
  /** Writes since then. */
  readonly writes: number;
  readonly isDue: boolean;
  /** Whether the browser does not say that it keeps the kit: then the reminder comes sooner. */
  readonly mayBeLost: boolean;
}

/** Writes that a kit never exported may have before it asks: the first evening’s work, and a part of it where it may be lost. */
const FIRST = 20;
const FIRST_LOSABLE = 8;
/** Days that stand in for a longer wish where the kit may be lost [A]. */
const SOONER = 3;

/** Days without an export after which the kit asks for one; 0: never. */
export const exportEvery = ({ exportEveryDays }: Settings): number => exportEveryDays ?? ASSUMED.exportEveryDays.value;

/**
 * Whether to remind of an export.
 *
 * @param now - milliseconds since 1970
 * @param isKept - whether the browser keeps what is stored even when space runs short
 */
export function exportDue(
  { writes, since }: Unexported,
  settings: Settings,
  { now, isKept }: { readonly now: number; readonly isKept: boolean },
): ExportDue {
  const wish = exportEvery(settings);
  const every = isKept ? wish : Math.min(wish, SOONER);
  const days = since === null ? null : Math.floor((now - Date.parse(since)) / DAY);
  const isLate = days === null ? writes >= (isKept ? FIRST : FIRST_LOSABLE) : days >= every && writes > 0;
  return { days, writes, isDue: wish > 0 && isLate, mayBeLost: !isKept };
}
