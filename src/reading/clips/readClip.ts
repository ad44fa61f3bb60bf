import {
  ALL_FORMATS,
  BlobSource,
  EncodedPacketSink,
  Input,
  type InputTrack,
  type InputVideoTrack,
  Logging,
  LogLevel,
} from 'mediabunny';
import { entryAt } from '../../core/entryAt.ts';
import type { ClipReading, ClipTracks, Packets } from '../../core/prove/clip.ts';
import { readClip } from '../../core/prove/clip.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { otherFormatOf, outlineOf } from './containers.ts';

export type ClipProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'unknown-format' }
  /** A format that cameras write, whose frames are not read here: by its size and length. */
  | { readonly code: 'other-format'; readonly name: string; readonly bytes: number; readonly seconds: number | null }
  /** Its table of frames is missing: it was never closed, or is cut off. */
  | { readonly code: 'no-index' }
  | { readonly code: 'no-picture' }
  | { readonly code: 'too-long'; readonly max: number }
  /** One frame, or none that lasts: there is no rate in it. */
  | { readonly code: 'too-short' }
  | { readonly code: 'unreadable'; readonly message: string };

/** A clip that was read, and what was read of its file. */
export interface ReadClip {
  readonly clip: ClipReading;
  /** As it lies in its file, for windows of another length and for the take whose chapter it is. */
  readonly tracks: ClipTracks;
  readonly format: string;
  readonly bytesRead: number;
}

// A codec that cannot be played is none the worse for its sizes: only what fails is said, by the answer.
Logging.level = LogLevel.Errors;

/** Most packets of one track: half a day at 60 frames a second. */
const MAX_PACKETS = 2_600_000;
/** Packets between two signs. */
const EVERY = 500;

/** Reads the sizes of a track’s packets, in order of time, without the packets themselves. */
async function* packetsOf(track: InputTrack, length: number): AsyncGenerator<number, Packets | null, void> {
  const seconds: number[] = [];
  const bytes: number[] = [];
  const keys: number[] = [];
  let end = 0;
  for await (const packet of new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true })) {
    seconds.push(packet.timestamp);
    bytes.push(packet.byteLength);
    keys.push(packet.type === 'key' ? 1 : 0);
    end = Math.max(end, packet.timestamp + packet.duration);
    if (seconds.length > MAX_PACKETS) return null;
    if (seconds.length % EVERY === 0) yield length > 0 ? Math.min(1, packet.timestamp / length) : 0;
  }
  // Frames are stored in the order in which they are decoded.
  const order = Uint32Array.from(seconds.keys()).sort((a, b) => entryAt(seconds, a) - entryAt(seconds, b));
  return {
    seconds: Float64Array.from(order, (at) => entryAt(seconds, at)),
    bytes: Float64Array.from(order, (at) => entryAt(bytes, at)),
    isKey: Uint8Array.from(order, (at) => entryAt(keys, at)),
    end,
  };
}

/** The captured frame rate where a file names one, as phones do in a key of their own. */
function captured(raw: Readonly<Record<string, unknown>> | undefined): number | null {
  const [, value] = Object.entries(raw ?? {}).find(([key]) => /capture.?fps|capture.?frame.?rate/i.test(key)) ?? [];
  const number = typeof value === 'number' ? value : typeof value === 'string' ? Number.parseFloat(value) : Number.NaN;
  return number > 0 && number <= 20_000 ? number : null;
}

/** Pictures of two fields that a transport stream is read to have half the lines of: width, half, whole. */
const FIELDS: readonly (readonly [number, number, number])[] = [
  [1920, 536, 1080],
  [1920, 540, 1080],
  [1440, 536, 1080],
  [1440, 540, 1080],
  [720, 288, 576],
  [704, 288, 576],
  [720, 240, 480],
  [704, 240, 480],
];

/** Lines of a picture, both fields of one. */
function bothFields({ displayWidth, displayHeight, codedWidth }: InputVideoTrack, format: string): number {
  if (!/transport/i.test(format)) return displayHeight;
  const found = FIELDS.find(
    ([width, half]) => half === displayHeight && (width === displayWidth || width === codedWidth),
  );
  return found?.[2] ?? displayHeight;
}

/** Most frames that one shown later may be stored before [S: ITU-T H.264, Annex A, max_dec_frame_buffering, from memory]. */
const DECODED_AHEAD = 16;

/** When the first frame begins whose bytes lie beyond the end of the file, seconds; null where all of them are there. */
async function endOfWhatIsThere(track: InputTrack, { seconds }: Packets): Promise<number | null> {
  const sink = new EncodedPacketSink(track);
  const isThere = async (at: number): Promise<boolean> => {
    const packet = await sink.getPacket(seconds[at] as number).catch(() => null);
    return packet !== null && packet.data.byteLength === packet.byteLength && packet.byteLength > 0;
  };
  if (await isThere(seconds.length - 1)) return null;
  let [low, high] = [0, seconds.length - 1];
  while (low < high) {
    const at = (low + high) >> 1;
    if (await isThere(at)) low = at + 1;
    else high = at;
  }
  // Frames are stored in the order in which they are decoded: one that is shown earlier may lie further on.
  const nearest = Math.max(0, low - DECODED_AHEAD);
  for (let at = nearest; at < low; at += 1) if (!(await isThere(at))) return seconds[at] as number;
  return seconds[low] as number;
}

/** Packets that begin before a moment. */
function before({ seconds, bytes, isKey, end }: Packets, until: number): Packets {
  const count = seconds.findIndex((at) => at >= until - 1e-9);
  const to = count < 0 ? seconds.length : count;
  return {
    seconds: seconds.slice(0, to),
    bytes: bytes.slice(0, to),
    isKey: isKey.slice(0, to),
    end: Math.min(end, until),
  };
}

/**
 * Reads what a clip was written with from the table of its packets; the file itself is never read whole.
 *
 * @returns shares done on the way; then the clip, or why it cannot be read
 */
export async function* clipSteps(file: Blob): AsyncGenerator<number, Result<ReadClip, ClipProblem>, void> {
  if (file.size === 0) return err({ code: 'empty' });
  const source = new BlobSource(file);
  let bytesRead = 0;
  source.onread = (start, end) => {
    bytesRead += end - start;
  };
  const input = new Input({ formats: ALL_FORMATS, source });
  try {
    const format = await input.getFormat().catch(() => null);
    if (!format) {
      const other = await otherFormatOf(file);
      return err(other ? { code: 'other-format', ...other, bytes: file.size } : { code: 'unknown-format' });
    }
    const tracks = await input.getTracks();
    const picture = tracks.find((track) => track.isVideoTrack());
    if (tracks.length === 0 && /transport/i.test(format.name)) {
      const name = 'a transport stream of another codec';
      return err({ code: 'other-format', name, bytes: file.size, seconds: null });
    }
    if (tracks.length === 0) return err({ code: 'no-index' });
    if (!picture?.isVideoTrack()) return err({ code: 'no-picture' });
    const length = await picture.computeDuration().catch(() => 0);
    const video = yield* scaled(packetsOf(picture, length), 0, 0.8);
    const others: { readonly isSound: boolean; readonly packets: Packets }[] = [];
    for (const track of tracks.filter((one) => one !== picture && (one.isAudioTrack() || one.isVideoTrack()))) {
      const packets = yield* scaled(packetsOf(track, length), 0.8, 0.2);
      if (packets) others.push({ isSound: track.isAudioTrack(), packets });
    }
    const of = (isSound: boolean): readonly Packets[] =>
      others.filter((one) => one.isSound === isSound).map(({ packets }) => packets);
    if (!video) return err({ code: 'too-long', max: MAX_PACKETS });
    if (video.seconds.length === 0) return err({ code: 'no-index' });
    if (video.seconds.length < 2 || !(video.end > (video.seconds[0] as number))) return err({ code: 'too-short' });
    const outline = await outlineOf(file).catch(() => null);
    const cutBytes = outline && outline.end > file.size ? outline.end - file.size : null;
    const until = cutBytes === null ? null : await endOfWhatIsThere(picture, video);
    const there = (packets: Packets): Packets => (until === null ? packets : before(packets, until));
    const seen = there(video);
    if (seen.seconds.length < 2) return err({ code: 'no-index' });
    const tags = await input.getMetadataTags().catch(() => null);
    const clip: ClipTracks = {
      video: seen,
      morePictures: of(false).map(there),
      sound: of(true).map(there),
      mediaBytes: outline ? (outline.mediaBytes ?? Math.min(outline.end, file.size)) : file.size,
      cutBytes,
      width: picture.displayWidth,
      height: bothFields(picture, format.name),
      codec: picture.codec ?? (typeof picture.internalCodecId === 'string' ? picture.internalCodecId : null),
      captureFps: captured(tags?.raw),
      fileBytes: file.size,
    };
    return ok({
      clip: readClip(clip),
      tracks: clip,
      format: format.name,
      bytesRead,
    });
  } catch (thrown) {
    return err({ code: 'unreadable', message: thrown instanceof Error ? thrown.message : String(thrown) });
  } finally {
    input.dispose();
  }
}

/** Shares of a part as shares of the whole. */
async function* scaled<T>(
  steps: AsyncGenerator<number, T, void>,
  from: number,
  part: number,
): AsyncGenerator<number, T, void> {
  for (let next = await steps.next(); ; next = await steps.next()) {
    if (next.done) return next.value;
    yield from + part * next.value;
  }
}
