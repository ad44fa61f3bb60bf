import { ownValues } from '../../app/guide/ownValues.ts';
import { useShown } from '../../app/kit/shown.ts';
import { assumptionId, ownValueText } from '../../text/guide/assumptions.ts';
import css from './GuideView.module.css';

/** What the person has put in place of an assumption, as the kit has it now. */
export default function OwnValues() {
  const own = ownValues(useShown().settings);
  return (
    <div className={css.own}>
      {own.length === 0 ? (
        <p>Every value below is in force as it stands: you have set none of your own.</p>
      ) : (
        <>
          <p>In force in your kit, in place of the values below:</p>
          <ul>
            {own.map(({ key, value }) => (
              <li key={key}>
                <a href={`#${assumptionId(key)}`}>{ownValueText(key, value)}</a>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
