import { type CameraRefusal, cameraStream, endStream } from '../photo/cameraStream.ts';

/** A running camera that reads codes. */
export interface Scanner {
  readonly stop: () => void;
}

interface Detector {
  readonly detect: (source: HTMLVideoElement) => Promise<readonly { readonly rawValue: string }[]>;
}

/** Wait between two looks, milliseconds. */
const EVERY = 150;

/** The browser's own reader of codes where it has one; null elsewhere. */
function ownDetector(): Detector | null {
  const Own = (globalThis as { BarcodeDetector?: new (options: object) => Detector }).BarcodeDetector;
  try {
    return Own ? new Own({ formats: ['qr_code'] }) : null;
  } catch {
    return null;
  }
}

/** Reads one frame with the package, on a canvas. */
async function packageReader(): Promise<(video: HTMLVideoElement) => string | null> {
  const { default: read } = await import('jsqr');
  const canvas = document.createElement('canvas');
  const context = canvas.getContext('2d', { willReadFrequently: true });
  return (video) => {
    const { videoWidth: width, videoHeight: height } = video;
    if (!context || width === 0) return null;
    canvas.width = width;
    canvas.height = height;
    context.drawImage(video, 0, 0);
    return read(context.getImageData(0, 0, width, height).data, width, height)?.data ?? null;
  };
}

/**
 * Starts the camera into a picture and tells every code it sees.
 *
 * @returns a way to stop it, or why there is none
 */
export async function startScanner(
  video: HTMLVideoElement,
  onCode: (text: string) => void,
): Promise<Scanner | CameraRefusal> {
  const stream = await cameraStream();
  if (typeof stream === 'string') return stream;
  video.srcObject = stream;
  await video.play().catch(() => {});
  const own = ownDetector();
  let reader: ((video: HTMLVideoElement) => string | null) | null = null;
  let stopped = false;
  let last = '';
  const look = async (): Promise<void> => {
    if (stopped) return;
    try {
      let found: string | null = null;
      if (own && !reader) {
        try {
          found = (await own.detect(video))[0]?.rawValue ?? null;
        } catch {
          // A detector without its service says so only when it is used.
          reader = await packageReader();
        }
      } else {
        reader ??= await packageReader();
        found = reader(video);
      }
      if (found !== null && found !== last && !stopped) {
        last = found;
        onCode(found);
      }
    } catch {
      // A frame that cannot be read is followed by another.
    }
    setTimeout(() => void look(), EVERY);
  };
  void look();
  return {
    stop() {
      stopped = true;
      endStream(stream);
      video.srcObject = null;
    },
  };
}
