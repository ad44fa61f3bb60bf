import type { Body, Card, Mode } from '../kit/model.ts';
import { answersFor } from '../match/board.ts';
import { cellTone } from '../match/cell.ts';
import { pairFit } from '../match/pairFit.ts';
import type { Policy } from '../match/policy.ts';
import { rollTime } from '../match/rollTime.ts';
import { rankOf, TONES_USED, type Tone, type Verdict } from '../match/verdict.ts';
import type { ShopKit } from './options.ts';

/** One of two cards for one mode. */
interface SideOfMode {
  readonly verdict: Verdict;
  readonly tone: Tone;
  /** Planned minutes; null where it cannot be recorded on. */
  readonly minutes: number | null;
}

/** Two cards beside each other for one mode. */
interface ModeBeside {
  readonly bodyId: string;
  readonly modeId: string;
  readonly plain: SideOfMode;
  readonly dear: SideOfMode;
}

/** What a body gets out of the dearer card. */
export type BodyGain =
  /** Modes that may be recorded with the dearer one only. */
  | { readonly bodyId: string; readonly code: 'unlocks'; readonly modeIds: readonly string[] }
  /** The plainer one does what the dearer one does not. */
  | { readonly bodyId: string; readonly code: 'loses'; readonly modeIds: readonly string[] }
  /** Only more room. */
  | { readonly bodyId: string; readonly code: 'longer' | 'shorter' }
  /** The dearer one answers no better here: its mark or bus is not in force in this slot. */
  | { readonly bodyId: string; readonly code: 'no-use' }
  | { readonly bodyId: string; readonly code: 'no-slot' };

/** Two cards compared for the kit as it stands. */
export interface Comparison {
  readonly modes: readonly ModeBeside[];
  readonly gains: readonly BodyGain[];
  /** Minutes to read each when it is full; null where its read speed is not known. */
  readonly offloadMinutes: readonly [plain: number | null, dear: number | null];
  /** Whether nothing but reading is better. */
  readonly onlyOffload: boolean;
  /** Most planned minutes on one card over the modes that both hold; null where there is none. */
  readonly atRisk: readonly [plain: number, dear: number] | null;
}

/** The pace a full card is read at: its own, or the reader's where that is slower. */
const readMinutes = ({ readMBps, capacityGB }: Card, readerMBps: number | null): number | null =>
  readMBps === null ? null : (capacityGB * 1000) / Math.min(readMBps, readerMBps ?? Number.POSITIVE_INFINITY) / 60;

/**
 * Whether the dearer of two cards is worth it, for everything in the kit.
 *
 * @param readerMBps - the fastest reader at hand; null where none is known
 */
export function compareCards(
  [plain, dear]: readonly [Card, Card],
  kit: ShopKit,
  policy: Policy,
  readerMBps: number | null,
): Comparison {
  const sideOf = (card: Card, body: Body, mode: Mode): SideOfMode => {
    const cell = answersFor({ body, mode, ...kit, policy })(card);
    const minutes = Math.floor(rollTime(cell) / 60);
    return { verdict: cell.verdict, tone: cellTone(cell, policy.take), minutes: minutes > 0 ? minutes : null };
  };
  const modes = kit.bodies.flatMap((body) =>
    body.modes.map(
      (mode): ModeBeside => ({
        bodyId: body.id,
        modeId: mode.id,
        plain: sideOf(plain, body, mode),
        dear: sideOf(dear, body, mode),
      }),
    ),
  );
  const used = TONES_USED[policy.take];
  const gains = kit.bodies.flatMap((body) => gainsOf(body, modes, [plain, dear], used));
  const offloadMinutes = [readMinutes(plain, readerMBps), readMinutes(dear, readerMBps)] as const;
  const both = modes.filter((one) => used.has(one.plain.tone) && used.has(one.dear.tone));
  const most = (side: 'plain' | 'dear'): number => Math.max(0, ...both.map((one) => one[side].minutes ?? 0));
  const faster = (dear.readMBps ?? 0) > (plain.readMBps ?? Number.POSITIVE_INFINITY);
  return {
    modes,
    gains,
    offloadMinutes,
    onlyOffload:
      faster &&
      dear.capacityGB <= plain.capacityGB &&
      gains.some(({ code }) => code === 'no-use') &&
      gains.every(({ code }) => code === 'no-use' || code === 'no-slot'),
    atRisk: both.length > 0 ? [most('plain'), most('dear')] : null,
  };
}

function gainsOf(
  body: Body,
  modes: readonly ModeBeside[],
  [plain, dear]: readonly [Card, Card],
  used: ReadonlySet<Tone>,
): readonly BodyGain[] {
  const own = modes.filter(({ bodyId }) => bodyId === body.id);
  const bodyId = body.id;
  if (!body.slots.some((slot) => pairFit(slot, plain).fits || pairFit(slot, dear).fits))
    return [{ bodyId, code: 'no-slot' }];
  const ids = (which: (one: ModeBeside) => boolean): readonly string[] => own.filter(which).map(({ modeId }) => modeId);
  const unlocked = ids((one) => used.has(one.dear.tone) && !used.has(one.plain.tone));
  const lost = ids((one) => used.has(one.plain.tone) && !used.has(one.dear.tone));
  const found: BodyGain[] = [
    ...(unlocked.length > 0 ? [{ bodyId, code: 'unlocks' as const, modeIds: unlocked }] : []),
    ...(lost.length > 0 ? [{ bodyId, code: 'loses' as const, modeIds: lost }] : []),
  ];
  if (found.length > 0) return found;
  const held = own.filter((one) => used.has(one.plain.tone) && used.has(one.dear.tone));
  const better = held.some((one) => rankOf(one.dear.verdict) < rankOf(one.plain.verdict));
  if (held.length > 0 && !better && dear.capacityGB !== plain.capacityGB)
    return [{ bodyId, code: dear.capacityGB > plain.capacityGB ? 'longer' : 'shorter' }];
  return [{ bodyId, code: 'no-use' }];
}
