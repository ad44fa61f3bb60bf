import { useState } from 'react';
import { supported } from '../../../app/prove/measure/measureActions.ts';
import type { Card } from '../../../core/kit/model.ts';
import type { Segment, TraceReading } from '../../../core/prove/trace/trace.ts';
import type { Seconds } from '../../../core/units/brand.ts';
import { paceText } from '../../../text/heat/heatWords.ts';
import { classText, SEGMENT_WORDS, traceLine, traceNoteText } from '../../../text/prove/trace.ts';
import { clockText, plain } from '../../../text/quantity.ts';
import { part } from '../../../ui/part.tsx';
import { Figure } from './Figure.tsx';
import css from './measure.module.css';

const RateChart = part(() => import('./RateChart.tsx'));

interface TraceFoundProps {
  readonly name: string;
  readonly reading: TraceReading;
  readonly points: readonly (readonly [number, number])[];
  readonly celsius?: readonly (readonly [number, number])[] | null;
  readonly isStepped?: boolean;
  /** The card it is of, where that is known already. */
  readonly card?: Card | undefined;
  /** Something is wrong with the card: then no class is named. */
  readonly isFaulty?: boolean;
}

const clock = (seconds: number): string => clockText(Math.round(seconds) as Seconds);
/** Where the first burst ended: after how many bytes, and when. */
function cliffOf(segments: readonly Segment[]): { readonly GB: number; readonly seconds: number } {
  const levels = segments.filter(({ kind }) => kind !== 'stall');
  const end = levels.findIndex(({ kind }) => kind !== 'burst');
  const bursts = levels.slice(0, end < 0 ? undefined : end);
  return { GB: bursts.reduce((sum, { GB }) => sum + GB, 0), seconds: bursts.at(-1)?.toSeconds ?? 0 };
}

/** Segments shown at first. */
const FIRST = 8;

/** A trace taken apart: its picture, its figures, its segments, and what it cannot tell. */
export function TraceFound({
  name,
  reading,
  points,
  celsius = null,
  isStepped = false,
  card,
  isFaulty = false,
}: TraceFoundProps) {
  const [all, setAll] = useState(false);
  const { segments, burstMBps, cacheGB, sustainedMBps, floorMBps, throttle, stalls, notes } = reading;
  const mark = supported(reading, card);
  const cliff = burstMBps === null ? null : cliffOf(segments);
  const shown = all ? segments : segments.slice(0, FIRST);
  return (
    <div className={css.part}>
      <p>{traceLine(reading)}.</p>
      <RateChart name={`MB/s of ${name}`} points={points} celsius={celsius} segments={segments} isStepped={isStepped} />
      <dl className={css.figures}>
        <Figure name="held" isBig>
          {paceText(sustainedMBps)}
        </Figure>
        <Figure name="lowest ten seconds" isBig>
          {paceText(floorMBps)}
        </Figure>
        {!isFaulty && (
          <Figure name="highest speed mark this lowest speed would match (no certification)" isBig>
            {classText(mark, reading)}
          </Figure>
        )}
        {burstMBps !== null && <Figure name="burst">{paceText(burstMBps)}</Figure>}
        {cliff && (
          <Figure name="cliff after">
            {plain(cliff.GB, 2)} GB, {clock(cliff.seconds)}
          </Figure>
        )}
        {cacheGB !== null && <Figure name="cache that ends there">{plain(cacheGB, 2)} GB</Figure>}
        {throttle && <Figure name="throttled from">{clock(throttle.onsetSeconds)}</Figure>}
        {throttle && <Figure name="left while throttled">{plain(throttle.factor * 100, 0)} %</Figure>}
        {throttle?.onC != null && <Figure name="throttles at">{plain(throttle.onC, 0)} °C</Figure>}
        {stalls.length > 0 && (
          <Figure name={stalls.length === 1 ? 'stall' : 'stalls, and how long'}>
            {stalls.length} × {plain(reading.stallSeconds ?? stalls[0]?.seconds ?? 0, 1)} s
          </Figure>
        )}
      </dl>
      <ul className={css.notes} aria-label="What it cannot tell">
        {notes.map((note) => (
          <li key={note.code}>{traceNoteText(note)}</li>
        ))}
      </ul>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <section className={css.scroll} tabIndex={0} aria-label="Its segments">
        <table className={css.table}>
          <thead>
            <tr>
              <th scope="col">Segment</th>
              <th scope="col" className={css.number}>
                From
              </th>
              <th scope="col" className={css.number}>
                To
              </th>
              <th scope="col" className={css.number}>
                MB/s
              </th>
              <th scope="col" className={css.number}>
                Written
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map(({ kind, fromSeconds, toSeconds, MBps, GB }, at) => (
              <tr key={at}>
                <td className={kind === 'throttled' || kind === 'stall' ? 'tone-hot' : undefined}>
                  {SEGMENT_WORDS[kind]}
                </td>
                <td className={css.number}>{clock(fromSeconds)}</td>
                <td className={css.number}>{clock(toSeconds)}</td>
                <td className={css.number}>{plain(MBps, 1)}</td>
                <td className={css.number}>{plain(GB, 2)} GB</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {segments.length > FIRST && !all && (
        <p>
          <button type="button" className="plain-button" onClick={() => setAll(true)}>
            All {segments.length} segments
          </button>
        </p>
      )}
    </div>
  );
}
