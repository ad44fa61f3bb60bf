/** Why there is no picture of a camera. */
export type CameraRefusal = 'no-camera' | 'refused' | 'insecure' | 'taken';

/** What a browser's refusal means to a person. */
function refusalOf(thrown: unknown): CameraRefusal {
  if (!(thrown instanceof DOMException)) return 'no-camera';
  if (thrown.name === 'NotAllowedError' || thrown.name === 'SecurityError') return 'refused';
  // Another program, or another page, has it.
  return thrown.name === 'NotReadableError' || thrown.name === 'AbortError' ? 'taken' : 'no-camera';
}

/** Starts the camera that looks away from the person. A finer picture is asked for, never insisted on. */
export async function cameraStream(fine = false): Promise<MediaStream | CameraRefusal> {
  if (!navigator.mediaDevices?.getUserMedia) return window.isSecureContext ? 'no-camera' : 'insecure';
  const size = fine ? { width: { ideal: 1920 }, height: { ideal: 1440 } } : {};
  try {
    return await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment', ...size }, audio: false });
  } catch (thrown) {
    return refusalOf(thrown);
  }
}

/** Ends a camera. */
export function endStream(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop();
}
