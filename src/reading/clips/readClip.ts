import { ALL_FORMATS, BlobSource, EncodedPacketSink, Input, type InputTrack, Logging, LogLevel } from 'mediabunny';
import { entryAt } from '../../core/entryAt.ts';
import type { ClipReading, ClipTracks, Packets } from '../../core/prove/clip.ts';
import { readClip } from '../../core/prove/clip.ts';
import { err, ok, type Result } from '../../core/result.ts';

export type ClipProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'unknown-format' }
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
  /** Picture and sound, for windows of another length. */
  readonly tracks: readonly Packets[];
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
    if (!format) return err({ code: 'unknown-format' });
    const tracks = await input.getTracks();
    const picture = tracks.find((track) => track.isVideoTrack());
    if (tracks.length === 0) return err({ code: 'no-index' });
    if (!picture?.isVideoTrack()) return err({ code: 'no-picture' });
    const length = await picture.computeDuration().catch(() => 0);
    const video = yield* scaled(packetsOf(picture, length), 0, 0.8);
    const sound: Packets[] = [];
    for (const track of tracks.filter((one) => one.isAudioTrack())) {
      const packets = yield* scaled(packetsOf(track, length), 0.8, 0.2);
      if (packets) sound.push(packets);
    }
    if (!video) return err({ code: 'too-long', max: MAX_PACKETS });
    if (video.seconds.length === 0) return err({ code: 'no-index' });
    if (video.seconds.length < 2 || !(video.end > (video.seconds[0] as number))) return err({ code: 'too-short' });
    const tags = await input.getMetadataTags().catch(() => null);
    const clip: ClipTracks = {
      video,
      sound,
      width: picture.displayWidth,
      height: picture.displayHeight,
      codec: picture.codec ?? (typeof picture.internalCodecId === 'string' ? picture.internalCodecId : null),
      captureFps: captured(tags?.raw),
      fileBytes: file.size,
    };
    return ok({ clip: readClip(clip), tracks: [video, ...sound], format: format.name, bytesRead });
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
