/** What the outermost boxes of a file tell, without its tables. */
export interface Outline {
  /** Where the last box says it ends; beyond the file where that was cut off. */
  readonly end: number;
  /** Bytes of everything that was recorded, tracks that nothing here reads among them; null where boxes do not tell. */
  readonly mediaBytes: number | null;
}

/** A format that is known by name, whose frames are not read here. */
export interface OtherFormat {
  readonly name: string;
  /** As its own header has it; null where it tells none. */
  readonly seconds: number | null;
}

/** Most boxes that are gone through: an hour in pieces of a second has 7,200. */
const MAX_BOXES = 40_000;

async function viewOf(file: Blob, from: number, length: number): Promise<DataView> {
  return new DataView(await file.slice(from, from + length).arrayBuffer());
}

const nameAt = (view: DataView, at: number): string =>
  at + 4 <= view.byteLength ? String.fromCharCode(...new Uint8Array(view.buffer, at, 4)) : '';

const BOX_NAME = /^[\x20-\x7e©]{4}$/;

/** Boxes of an MP4 or MOV [S: ISO/IEC 14496-12, 4.2, from memory]. */
async function isoOutline(file: Blob): Promise<Outline | null> {
  let [at, mediaBytes] = [0, 0];
  for (let count = 0; at + 8 <= file.size; count += 1) {
    if (count === MAX_BOXES) return null;
    const view = await viewOf(file, at, 16);
    const name = nameAt(view, 4);
    if (!BOX_NAME.test(name)) break;
    const short = view.getUint32(0);
    const isLong = short === 1 && view.byteLength >= 16;
    // A size of nothing reaches to the end of the file.
    const size = short === 0 ? file.size - at : isLong ? Number(view.getBigUint64(8)) : short;
    if (size < 8) break;
    if (name === 'mdat') mediaBytes += size - (isLong ? 16 : 8);
    at += size;
  }
  return { end: at, mediaBytes: mediaBytes > 0 ? mediaBytes : null };
}

/** A number of variable length, as Matroska writes sizes [S: RFC 8794, 4, from memory]; null for “not known”. */
function sizeAt(view: DataView, at: number): { readonly value: number | null; readonly length: number } | null {
  if (at >= view.byteLength) return null;
  const first = view.getUint8(at);
  const length = Math.clz32(first) - 23;
  if (length > 8 || at + length > view.byteLength) return null;
  let value = first & (0xff >> length);
  let isOpen = value === 0xff >> length;
  for (let next = 1; next < length; next += 1) {
    const byte = view.getUint8(at + next);
    isOpen &&= byte === 0xff;
    value = value * 256 + byte;
  }
  return { value: isOpen ? null : value, length };
}

/** Where the one segment of a Matroska or WebM file says it ends. */
async function matroskaOutline(file: Blob): Promise<Outline | null> {
  const view = await viewOf(file, 0, 128);
  const head = sizeAt(view, 4);
  if (!head?.value) return null;
  const at = 4 + head.length + head.value;
  if (at + 12 > view.byteLength || view.getUint32(at) !== 0x18538067) return null;
  const segment = sizeAt(view, at + 4);
  return segment?.value == null ? null : { end: at + 4 + segment.length + segment.value, mediaBytes: null };
}

/** The outermost boxes of a clip; null where its format has none that tell. */
export async function outlineOf(file: Blob): Promise<Outline | null> {
  const view = await viewOf(file, 0, 16);
  if (view.byteLength < 16) return null;
  if (view.getUint32(0) === 0x1a45dfa3) return matroskaOutline(file);
  return /^(?:ftyp|moov|mdat|wide|free|skip|pnot)$/.test(nameAt(view, 4)) ? isoOutline(file) : null;
}

/** Length of an AVI by its main header: pictures times the time of one [from memory]. */
async function aviSeconds(file: Blob): Promise<number | null> {
  const view = await viewOf(file, 0, 8192);
  let [frames, each] = [0, 0];
  for (let at = 12; at + 24 < view.byteLength; at += 1) {
    const name = nameAt(view, at);
    if (name === 'avih') [each, frames] = [view.getUint32(at + 8, true), view.getUint32(at + 24, true)];
    // The whole count of a file in several parts; the main header counts the first alone.
    if (name === 'dmlh') frames = Math.max(frames, view.getUint32(at + 8, true));
  }
  const seconds = (frames * each) / 1e6;
  return seconds > 0 && seconds < 1e6 ? seconds : null;
}

/** What a file is whose frames are not read here, by its first bytes; null where it is none that is known. */
export async function otherFormatOf(file: Blob): Promise<OtherFormat | null> {
  const view = await viewOf(file, 0, 16);
  if (view.byteLength < 16) return null;
  if (nameAt(view, 0) === 'RIFF' && nameAt(view, 8) === 'AVI ') return { name: 'AVI', seconds: await aviSeconds(file) };
  if (view.getUint32(0) === 0x060e2b34 && view.getUint16(4) === 0x0205) return { name: 'MXF', seconds: null };
  if (view.getUint32(0) === 0x000001ba) return { name: 'an MPEG program stream', seconds: null };
  return null;
}
