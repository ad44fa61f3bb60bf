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
}

/** Writes that a kit never exported may have before it asks: the first evening’s work. */
const FIRST = 20;

/** Days without an export after which the kit asks for one; 0: never. */
export const exportEvery = ({ exportEveryDays }: Settings): number => exportEveryDays ?? ASSUMED.exportEveryDays.value;

/**
 * Whether to remind of an export.
 *
 * @param now - milliseconds since 1970
 */
export function exportDue({ writes, since }: Unexported, settings: Settings, now: number): ExportDue {
  const every = exportEvery(settings);
  const days = since === null ? null : Math.floor((now - Date.parse(since)) / DAY);
  const isLate = days === null ? writes >= FIRST : days >= every && writes > 0;
  return { days, writes, isDue: every > 0 && isLate };
}
