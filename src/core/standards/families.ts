import type { Bytes } from '../units/brand.ts';
import { GB, TB } from '../units/convert.ts';
import type { SourceKey } from './sources.ts';

/** A capacity family: the sizes it covers, its file system, and its rank among the families. */
export interface FamilyRow {
  readonly name: string;
  /** Exclusive lower and inclusive upper bound of capacity, bytes. */
  readonly above: number;
  readonly upTo: number;
  readonly fileSystem: string;
  readonly rank: number;
  readonly source: SourceKey;
}

/**
 * SD capacity families, smallest first. A host reads its own family and those below it [domain.md §2]. The 2 TB of SDXC
 * are binary ones, so that a card printed 2048 GB is still SDXC.
 */
// biome-ignore format: one row a line
export const FAMILIES = {
  sd: { name: 'SD', above: 0, upTo: 2 * GB, fileSystem: 'FAT12/16', rank: 0, source: 'sd-file-system' },
  sdhc: { name: 'SDHC', above: 2 * GB, upTo: 32 * GB, fileSystem: 'FAT32', rank: 1, source: 'sd-file-system' },
  sdxc: { name: 'SDXC', above: 32 * GB, upTo: 2048 * GB, fileSystem: 'exFAT', rank: 2, source: 'sd-file-system' },
  sduc: { name: 'SDUC', above: 2048 * GB, upTo: 128 * TB, fileSystem: 'exFAT', rank: 3, source: 'sd-file-system' },
} as const satisfies Record<string, FamilyRow>;

/** A capacity family by its key in the kit file. */
export type Family = keyof typeof FAMILIES;
/** Every capacity family, smallest first. */
export const FAMILY_KEYS = Object.keys(FAMILIES) as readonly Family[];
/** The row of a capacity family. */
export const family = (key: Family): FamilyRow => FAMILIES[key];

/** The family a capacity belongs to; null past the largest (128 TB). */
export const familyOf = (size: Bytes): Family | null =>
  FAMILY_KEYS.find((key) => size > FAMILIES[key].above && size <= FAMILIES[key].upTo) ?? null;
