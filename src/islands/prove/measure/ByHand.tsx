import { useRef, useState } from 'react';
import { type Frames, framesOf } from '../../../app/prove/measure/frames.ts';
import { handRate } from '../../../app/prove/measure/measureActions.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import type { ModeRate } from '../../../core/kit/model.ts';
import { Mbps } from '../../../text/prove/clip.ts';
import form from '../../../ui/form.module.css';
import { NumberField } from '../../../ui/NumberField.tsx';
import { ModeTarget } from './ModeTarget.tsx';
import css from './measure.module.css';

interface ByHandProps {
  readonly kit: ProveKit;
  /** Of a file that was given, where its frames are not read. */
  readonly bytes: number | null;
  readonly seconds: number | null;
}

/** Formats whose frames are not read: size and length by hand, or a folder with a file for each frame. */
export function ByHand({ kit, bytes, seconds: ofFile }: ByHandProps) {
  const folder = useRef<HTMLInputElement>(null);
  const [gigabytes, setGigabytes] = useState<number | string>(bytes === null ? '' : bytes / 1e9);
  const [seconds, setSeconds] = useState<number | string>(ofFile ?? '');
  const [frames, setFrames] = useState<Frames | null>(null);
  const rate = handRate(gigabytes, seconds);
  const perFrame: ModeRate | null =
    frames && frames.count > 0
      ? {
          kind: 'frame',
          bytesPerFrame: Math.ceil(frames.bytes / frames.count),
          source: 'measured',
          sourceNote: `${frames.count} frames of ${frames.folder}`.slice(0, 200),
        }
      : null;
  return (
    <div className={css.part}>
      <div className={form.fields}>
        <NumberField label="Size of the file" unit="GB" value={gigabytes} onChange={setGigabytes} placeholder="12.8" />
        <NumberField label="Length" unit="s" value={seconds} onChange={setSeconds} placeholder="600" />
      </div>
      <p className={form.hint}>
        Gigabytes as the card counts them: 1 GB is 1,000,000,000 bytes. What a system shows as GB may be a twelfth more
        or less.
      </p>
      {rate?.kind === 'stated' && (
        <>
          <p>
            <b>{Mbps(rate.Mbps)}</b> with all that is in the file.
          </p>
          <ModeTarget kit={kit} clip={null} rate={rate} mode={null} name="" />
        </>
      )}
      <p className={css.actions}>
        <button type="button" className="ink-button" onClick={() => folder.current?.click()}>
          Choose a folder of frames
        </button>
        <span className="soft">a file for each frame, as raw and stills are stored</span>
      </p>
      <input
        ref={(input) => {
          folder.current = input;
          // React knows no such attribute.
          input?.setAttribute('webkitdirectory', '');
        }}
        type="file"
        multiple
        className="unseen"
        tabIndex={-1}
        aria-label="A folder of frames"
        onChange={(event) => {
          setFrames(framesOf([...(event.currentTarget.files ?? [])]));
          event.currentTarget.value = '';
        }}
      />
      {frames && perFrame?.kind === 'frame' && (
        <>
          <p>
            <b>
              {frames.count} frames of {(perFrame.bytesPerFrame / 1e6).toPrecision(3)} MB
            </b>{' '}
            in {frames.folder}
            {frames.odd > 0 && `; ${frames.odd} other files are not counted`}.
          </p>
          <ModeTarget kit={kit} clip={null} rate={perFrame} mode={null} name="" />
        </>
      )}
    </div>
  );
}
