import { useKit } from '../../app/kit/useKit.ts';
import { cardWear } from '../../app/shop/wearViews.ts';
import type { Card } from '../../core/kit/model.ts';
import { odometerText } from '../../text/shop/wear.ts';

const LISTS = ['bodies', 'cards', 'tests', 'benches', 'plans', 'standing'] as const;

/** What was written to a card so far, and by when it is to be replaced where a camera never stops writing to it. */
export default function CardWear({ card }: { readonly card: Card }) {
  const state = useKit(LISTS);
  if (state.phase !== 'ready') return null;
  const { odometer, standing } = cardWear(card, state.kit);
  return (
    <>
      <p className="soft">{odometerText(odometer)}</p>
      {standing.map(({ camera, replaceBy, isOver }) => (
        <p key={camera.id} className={isOver ? 'tone-hot' : undefined}>
          In {camera.name}, which never stops:{' '}
          {replaceBy
            ? `replace it by ${replaceBy[0]}; it may last until ${replaceBy[1]}.`
            : 'how long it lasts is not known.'}{' '}
          <a href="/shop?at=wear">How that is worked out</a>
        </p>
      ))}
    </>
  );
}
