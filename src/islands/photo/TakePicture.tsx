import { useEffect, useState } from 'react';
import { type CameraRefusal, cameraStream, endStream } from '../../app/photo/cameraStream.ts';
import { cameraText } from '../../text/photo/picture.ts';
import { DropZone } from '../../ui/DropZone.tsx';
import { Term } from '../../ui/Term.tsx';
import css from './picture.module.css';

interface TakePictureProps {
  /** What is to be photographed. */
  readonly what: string;
  readonly onPicture: (source: Blob | ImageBitmap) => void;
}

/** A live camera with a shutter; a file, the clipboard or a picture let fall do the same. */
export function TakePicture({ what, onPicture }: TakePictureProps) {
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const [refusal, setRefusal] = useState<CameraRefusal | null>(null);
  const [isReady, setReady] = useState(false);
  const [round, setRound] = useState(0);
  useEffect(() => {
    if (video === null) return;
    let stream: MediaStream | null = null;
    let left = false;
    setRefusal(null);
    void (async () => {
      // Asked once more where another program had it.
      void round;
      const started = await cameraStream(true);
      if (typeof started === 'string') {
        if (!left) setRefusal(started);
        return;
      }
      if (left) {
        endStream(started);
        return;
      }
      stream = started;
      video.srcObject = started;
      await video.play().catch(() => undefined);
      if (!left) setReady(true);
    })();
    return () => {
      left = true;
      if (stream) endStream(stream);
      video.srcObject = null;
      setReady(false);
    };
  }, [video, round]);
  useEffect(() => {
    const paste = (event: ClipboardEvent): void => {
      const [file] = [...(event.clipboardData?.files ?? [])];
      if (!file) return;
      event.preventDefault();
      onPicture(file);
    };
    document.addEventListener('paste', paste);
    return () => document.removeEventListener('paste', paste);
  }, [onPicture]);
  const take = async (): Promise<void> => {
    if (!isReady || !video || video.videoWidth === 0) return;
    onPicture(await createImageBitmap(video));
  };
  return (
    <div className={css.take}>
      {refusal === null ? (
        <div className={css.finder}>
          <video ref={setVideo} className={css.video} playsInline muted aria-label="The camera" />
          <button
            type="button"
            className={`ink-button ${css.shutter}`}
            data-strong
            data-autofocus
            aria-disabled={!isReady}
            onClick={() => void take()}
          >
            {isReady ? 'Take it' : 'Starting the camera…'}
          </button>
        </div>
      ) : (
        <p role="status" className={css.refusal}>
          {cameraText(refusal)}{' '}
          {(refusal === 'taken' || refusal === 'refused') && (
            <button type="button" className="plain-button" onClick={() => setRound(round + 1)}>
              Try the camera again
            </button>
          )}
        </p>
      )}
      <p className="soft">
        Fill the picture with {what}. Any turn will do; keep lamps from shining off it.{' '}
        <Term of="picture-misleads">What misleads it</Term>
      </p>
      <DropZone
        label="or let one fall here, or paste it"
        choose="Choose a picture"
        accept="image/*"
        onFiles={([file]) => file && onPicture(file)}
      />
    </div>
  );
}
