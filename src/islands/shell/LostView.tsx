import { Frame } from './Frame.tsx';
import { PLACES } from './frames.ts';
import css from './LostView.module.css';

/** An address that leads nowhere: the strip stands above it, as above every view. */
export default function LostView() {
  return (
    <Frame frame={null}>
      <div className={css.lost}>
        <h1>There is no such page</h1>
        <p>The address may be mistyped, or lead to what needs the server while there is no network. What there is:</p>
        <p className={css.ways}>
          {PLACES.map(({ path, name }) => (
            <a key={path} className="ink-button" href={path}>
              {name}
            </a>
          ))}
        </p>
      </div>
    </Frame>
  );
}
