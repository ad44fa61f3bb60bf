import { useMemo, useState } from 'react';
import { keepClipRates } from '../../../app/heat/clipRates.ts';
import type { Draft } from '../../../app/kit/draft.ts';
import { today } from '../../../app/kit/today.ts';
import { clipRate, modeOfClip, peakMbps } from '../../../app/prove/measure/measureActions.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import type { Test } from '../../../core/kit/model.ts';
import type { Bytes } from '../../../core/units/brand.ts';
import type { ReadClip } from '../../../reading/clips/readClip.ts';
import { besideText, cutText, familyText, fpsText, heldText, Mbps } from '../../../text/prove/clip.ts';
import { capacityText } from '../../../text/quantity.ts';
import form from '../../../ui/form.module.css';
import { NumberField } from '../../../ui/NumberField.tsx';
import { part } from '../../../ui/part.tsx';
import { Figure } from './Figure.tsx';
import { ModeTarget } from './ModeTarget.tsx';
import css from './measure.module.css';

const RateChart = part(() => import('./RateChart.tsx'));

interface ClipDetailsProps {
  readonly kit: ProveKit;
  readonly name: string;
  readonly read: ReadClip;
  readonly onLog: (test: Partial<Draft<Test>>) => void;
}

/** All that one clip tells, and what can be done with it. */
export function ClipDetails({ kit, name, read, onLog }: ClipDetailsProps) {
  const { clip, tracks } = read;
  const [seconds, setSeconds] = useState<number | string>(10);
  const window = typeof seconds === 'number' && seconds > 0 ? seconds : null;
  const peak = useMemo(() => (window === null ? null : peakMbps(tracks, window)), [tracks, window]);
  const points = useMemo(() => clip.bySecond.map((MBps, second) => [second, MBps] as const), [clip]);
  const source = `${name.slice(0, 120)}, ${today()}`;
  const isWhole = clip.cutBytes === null;
  return (
    <div className={css.inside}>
      {!isWhole && (
        <p className={css.bad} role="alert">
          {cutText(clip)}
        </p>
      )}
      <dl className={css.figures}>
        <Figure name="everything, on average" isBig>
          {Mbps(clip.totalMbps)}
        </Figure>
        <Figure name="everything, densest second" isBig>
          {Mbps(clip.peakSecondMbps)}
        </Figure>
        <Figure name={`everything, densest ${window ?? '…'} s`} isBig>
          {peak === null ? '—' : Mbps(peak)}
        </Figure>
        <Figure name="frame rate">{fpsText(clip)}</Figure>
        <Figure name="frames">
          {clip.frames}
          {clip.missing > 0 && <span className="tone-hot"> · {clip.missing} missing</span>}
        </Figure>
        <Figure name="the rate is">{heldText(clip)}</Figure>
        <Figure name="frames are">{familyText(clip)}</Figure>
        <Figure name="picture">{Mbps(clip.pictureMbps)}</Figure>
        <Figure name="beside it">{besideText(clip)}</Figure>
        <Figure name="file">
          {capacityText(clip.fileBytes as Bytes)}, {read.format}
        </Figure>
      </dl>
      <div className={form.fields}>
        <NumberField label="Densest stretch of" unit="s" value={seconds} onChange={setSeconds} placeholder="10" />
      </div>
      <RateChart name={`MB/s of ${name}, second by second`} points={points} isStepped height={200} />
      {isWhole && (
        <ModeTarget kit={kit} clip={clip} rate={clipRate(clip, source)} mode={modeOfClip(clip, source)} name={name} />
      )}
      <div className={css.actions}>
        <button
          type="button"
          className="ink-button"
          disabled={!isWhole || kit.bodies.length === 0 || kit.cards.length === 0}
          onClick={() =>
            onLog({ clipGB: clip.fileBytes / 1e9, seconds: Math.round(clip.seconds), note: name.slice(0, 200) })
          }
        >
          Log the take
        </button>
        {isWhole && (
          <a
            className="plain-button"
            href={`/heat?clip=${clip.bySecond.length}`}
            onClick={() => keepClipRates(clip.bySecond)}
          >
            Run its rates in Heat
          </a>
        )}
      </div>
    </div>
  );
}
