import { type ClipItem, onCard } from '../../../app/prove/measure/clips.ts';
import { comparedRuns } from '../../../app/prove/measure/measureActions.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import { lengthText, Mbps, runText } from '../../../text/prove/clip.ts';
import css from './measure.module.css';

interface ClipTableProps {
  readonly kit: ProveKit;
  readonly clips: readonly ClipItem[];
}

/** Runs of equal length on several cards side by side: as many bytes, and nothing was lost. */
export function ClipTable({ kit, clips }: ClipTableProps) {
  const runs = comparedRuns(clips);
  return (
    <section className={css.part} aria-label="The same take on several cards">
      <h3>The same take on several cards</h3>
      <p className={css.lead}>
        Record the same length in the same held mode on each card. As many bytes: no card lost anything.
      </p>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <section className={css.scroll} tabIndex={0} aria-label="Table of the runs">
        <table className={css.table}>
          <thead>
            <tr>
              <th scope="col">Clip</th>
              <th scope="col">Card</th>
              <th scope="col" className={css.number}>
                Length
              </th>
              <th scope="col" className={css.number}>
                Bytes
              </th>
              <th scope="col" className={css.number}>
                Average
              </th>
              <th scope="col">Beside the first</th>
            </tr>
          </thead>
          <tbody>
            {runs.map(({ item, clip, difference }) => (
              <tr key={item.id}>
                <td>{item.name}</td>
                <td>
                  <select
                    aria-label={`Card of ${item.name}`}
                    value={item.cardId}
                    onChange={(event) => onCard(item.id, event.currentTarget.value)}
                  >
                    <option value="">not said</option>
                    {kit.cards.map(({ id, label }) => (
                      <option key={id} value={id}>
                        {label}
                      </option>
                    ))}
                  </select>
                </td>
                <td className={css.number}>{lengthText(clip.seconds)}</td>
                <td className={css.number}>{clip.fileBytes.toLocaleString('en')}</td>
                <td className={css.number}>{Mbps(clip.pictureMbps)}</td>
                <td
                  className={difference?.isEqual === false ? 'tone-hot' : difference?.isEqual ? 'tone-cool' : undefined}
                >
                  {difference ? runText(difference) : 'the first'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </section>
  );
}
