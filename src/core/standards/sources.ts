/** Where a table row comes from. Every row in this folder names one of these keys. */
export interface Source {
  readonly title: string;
  readonly publisher: string;
  /** Clause, table or page; null when the value is not from a document. */
  readonly locator: string | null;
  readonly basis: 'stated' | 'derived' | 'common-practice' | 'assumed';
  /** True until the value has been compared with the document itself. */
  readonly fromMemory: boolean;
}

/** Every document and practice that a row of the tables names. */
export const SOURCES = {
  'sd-physical': {
    title: 'SD Specifications Part 1, Physical Layer Simplified Specification, version 9',
    publisher: 'SD Association',
    locator: 'bus speed modes, power, card sizes and contacts',
    basis: 'stated',
    fromMemory: true,
  },
  'sd-uhs-ii': {
    title: 'SD Specifications Part 1, UHS-II Addendum',
    publisher: 'SD Association',
    locator: 'full duplex 156 MB/s mandatory, half duplex 312 MB/s optional; UHS-III 312 and 624 MB/s full duplex',
    basis: 'stated',
    fromMemory: true,
  },
  'sd-file-system': {
    title: 'SD Specifications Part 2, File System Specification',
    publisher: 'SD Association',
    locator: 'capacity types SDSC, SDHC, SDXC and SDUC with their file systems',
    basis: 'stated',
    fromMemory: true,
  },
  'sd-speed-class': {
    title:
      'SD Specifications Part 1, Physical Layer: Speed Class, UHS Speed Grade, Video Speed Class, SD Express Speed Class',
    publisher: 'SD Association',
    locator: 'Speed Class Specification: minimum sequential write, recording units and conditions of each class',
    basis: 'stated',
    fromMemory: true,
  },
  'sd-app-class': {
    title: 'SD Application Performance Class',
    publisher: 'SD Association',
    locator: 'A1, A2',
    basis: 'stated',
    fromMemory: true,
  },
  'cfa-vpg': {
    title: 'Video Performance Guarantee',
    publisher: 'CompactFlash Association',
    locator: 'VPG profiles',
    basis: 'stated',
    fromMemory: true,
  },
  cfexpress: {
    title: 'CFexpress specification 2.0 and 4.0',
    publisher: 'CompactFlash Association',
    locator: 'form factors and lanes',
    basis: 'stated',
    fromMemory: true,
  },
  pcie: {
    title: 'PCI Express Base Specification, revisions 3.0 and 4.0',
    publisher: 'PCI-SIG',
    locator: '8 and 16 GT/s, 128b/130b encoding',
    basis: 'derived',
    fromMemory: true,
  },
  compactflash: {
    title: 'CompactFlash, CFast and XQD specifications',
    publisher: 'CompactFlash Association',
    locator: 'interface rates and outside sizes',
    basis: 'stated',
    fromMemory: true,
  },
  usb: {
    title: 'Universal Serial Bus 2.0, 3.2 and USB4',
    publisher: 'USB Implementers Forum',
    locator:
      '8b/10b at 5 Gb/s, 128b/132b at 10 and 20 Gb/s, 64b/66b at 40 Gb/s; what is reached of it is common practice',
    basis: 'derived',
    fromMemory: true,
  },
  'smpte-2019-1': {
    title: 'SMPTE ST 2019-1 VC-3 Picture Compression',
    publisher: 'SMPTE',
    locator: 'coding unit sizes by compression id',
    basis: 'stated',
    fromMemory: true,
  },
  'iec-61834': {
    title: 'IEC 61834 / SMPTE ST 314 DV, 25 Mb/s',
    publisher: 'IEC, SMPTE',
    locator: '625/50: 12 sequences of 150 blocks of 80 bytes',
    basis: 'derived',
    fromMemory: true,
  },
  'itu-h265': {
    title: 'ITU-T H.265 High efficiency video coding',
    publisher: 'ITU-T',
    locator:
      'Table A.8 pictures and sample rates by level; Table A.9 bit rates by level and tier; factors of profiles of Annex A',
    basis: 'stated',
    fromMemory: true,
  },
  'itu-h264': {
    title: 'ITU-T H.264 Advanced video coding',
    publisher: 'ITU-T',
    locator: 'Table A-1, maximum bit rate by level; Table A-2, factor by profile',
    basis: 'stated',
    fromMemory: true,
  },
  practice: {
    title: 'Common practice in the trade',
    publisher: 'common practice',
    locator: null,
    basis: 'common-practice',
    fromMemory: true,
  },
  assumed: {
    title: 'Assumption of this program, changeable',
    publisher: 'Cool Reel',
    locator: null,
    basis: 'assumed',
    fromMemory: true,
  },
} as const satisfies Record<string, Source>;

/** The key of a source. */
export type SourceKey = keyof typeof SOURCES;
