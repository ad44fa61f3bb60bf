import type { BenchResult, Clearing, Test } from '../../core/kit/model.ts';
import type { Entry } from '../../core/prove/entries.ts';
import { newId } from '../../kit/newId.ts';
import { entryName, type Named, OPENED_TITLES, openedText } from '../../text/prove/log.ts';
import type { Draft } from '../kit/draft.ts';
import { today } from '../kit/today.ts';

/** What stands open beside the view: an entry of the log, or one that is being entered. */
export type Open =
  | { readonly kind: 'entry'; readonly key: string }
  | { readonly kind: 'take'; readonly test: Draft<Test> }
  | { readonly kind: 'burst'; readonly item: Draft<Clearing> }
  | { readonly kind: 'bench'; readonly item: Draft<BenchResult> }
  | { readonly kind: 'counter' }
  | { readonly kind: 'incident' };

/** A burst that is being logged; nothing is guessed. */
export const newBurst = (): Draft<Clearing> => ({
  id: newId(),
  bodyId: '',
  cardId: '',
  slotId: null,
  date: today(),
  fileMB: null,
  framesUntilSlow: null,
  frames: null,
  burstFps: null,
  shutterSeconds: null,
  clearSeconds: '',
});

/** A bench result that is being logged. */
export const newBench = (): Draft<BenchResult> => ({
  id: newId(),
  cardId: '',
  date: today(),
  reader: null,
  port: null,
  program: 'sequential',
  readMBps: null,
  writeMBps: null,
  lowestWriteMBps: null,
});

/** What fills the panel: a form of one kind, a take with all that is known of it, or words that lead elsewhere. */
export type OpenedPart =
  | { readonly kind: 'take'; readonly test: Draft<Test> }
  | { readonly kind: 'burst'; readonly item: Draft<Clearing>; readonly isNew: boolean }
  | { readonly kind: 'bench'; readonly item: Draft<BenchResult>; readonly isNew: boolean }
  /** A bench result that came with a trace: it stands above its form. */
  | { readonly kind: 'traced'; readonly bench: BenchResult }
  | { readonly kind: 'counter' | 'incident' }
  | { readonly kind: 'test'; readonly entry: Extract<Entry, { kind: 'take' }> }
  | {
      readonly kind: 'words';
      readonly text: string;
      readonly link: { readonly href: string; readonly text: string } | null;
    };

/** The panel beside the log. */
export interface OpenedModel {
  /** Null where the part has a head of its own. */
  readonly title: string | null;
  /** The entry that the head deletes; null where there is nothing to delete. */
  readonly deletes: Entry | null;
  readonly part: OpenedPart;
}

const entered = (part: OpenedPart, title: string): OpenedModel => ({ title, deletes: null, part });

function ofEntry(entry: Exclude<Entry, { kind: 'take' }>): OpenedPart {
  switch (entry.kind) {
    case 'burst':
      return { kind: 'burst', item: entry.clearing, isNew: false };
    case 'bench':
      return entry.bench.trace
        ? { kind: 'traced', bench: entry.bench }
        : { kind: 'bench', item: entry.bench, isNew: false };
    case 'counter':
      return { kind: 'words', ...openedText.counter(entry.bodyId ?? '') };
    case 'incident':
      return { kind: 'words', ...openedText.incident(entry.date, entry.cardId ?? '') };
    case 'report':
      return { kind: 'words', ...openedText.report(entry.report.from ?? null, entry.report.received) };
  }
}

/**
 * What stands in the panel.
 *
 * @param entry - the entry that is open; undefined while one is being entered
 * @param isGone - whether it was deleted elsewhere meanwhile
 * @returns null where nothing stands there: an entry that nobody finds
 */
export function openedModel(
  open: Open,
  entry: Entry | undefined,
  { isGone, named }: { readonly isGone: boolean; readonly named: Named },
): OpenedModel | null {
  switch (open.kind) {
    case 'take':
      return entered({ kind: 'take', test: open.test }, OPENED_TITLES.take);
    case 'burst':
    case 'bench':
      return entered({ ...open, isNew: true } as OpenedPart, OPENED_TITLES[open.kind]);
    case 'counter':
    case 'incident':
      return entered({ kind: open.kind }, OPENED_TITLES[open.kind]);
    case 'entry':
      if (!entry) return null;
      return entry.kind === 'take'
        ? { title: null, deletes: null, part: { kind: 'test', entry } }
        : { title: entryName(entry, named), deletes: isGone ? null : entry, part: ofEntry(entry) };
  }
}
