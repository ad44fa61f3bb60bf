import type { Verdict } from '../../core/match/verdict.ts';
import type { SourceKey } from '../../core/standards/sources.ts';

/** A piece of the guide with an address of its own. */
export interface GuideEntry {
  readonly id: string;
  readonly title: string;
  readonly text: readonly string[];
  /** Spellings by which it is met in the texts of the app; none where it is met nowhere, or too often. */
  readonly met?: readonly string[];
}

/** One row of a table of the guide, with where it comes from. */
export interface GuideRow {
  /** Its address; null where the table's own is near enough. */
  readonly id: string | null;
  readonly cells: readonly string[];
  /** Null for what the app itself says, which has no source outside it. */
  readonly source: SourceKey | null;
  readonly verdict?: Verdict;
}

/** A table of the guide. */
export interface GuideTable {
  readonly id: string;
  readonly title: string;
  readonly lead: string;
  readonly columns: readonly string[];
  readonly rows: readonly GuideRow[];
}

/** A part of the guide, under one heading. */
export interface GuideSection {
  readonly id: string;
  readonly title: string;
  readonly lead: readonly string[];
  readonly entries: readonly GuideEntry[];
  readonly tables: readonly GuideTable[];
}
