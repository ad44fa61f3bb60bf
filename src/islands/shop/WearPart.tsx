import { useMemo } from 'react';
import type { Draft } from '../../app/kit/draft.ts';
import { drafted } from '../../app/kit/draft.ts';
import type { ShopViewKit } from '../../app/shop/shopKit.ts';
import { newStanding, replaceCalendar, type StandingView, standingView } from '../../app/shop/wearViews.ts';
import type { StandingCamera } from '../../core/kit/shop.ts';
import {
  basesText,
  daysBetween,
  fillsBetween,
  hoursBetween,
  loopBetween,
  odometerText,
  perHourText,
  terabytesBetween,
  WEAR_CAUTIONS,
} from '../../text/shop/wear.ts';
import { Term } from '../../ui/Term.tsx';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './WearPart.module.css';

interface WearPartProps {
  readonly kit: ShopViewKit;
  readonly openId: string | null;
  readonly onOpen: (camera: Draft<StandingCamera>, isNew: boolean) => void;
}

/** Cameras that never stop: when their card is worn out, and what an hour costs. */
export default function WearPart({ kit, openId, onOpen }: WearPartProps) {
  const { standing, cards, bodies, tests, benches, plans } = kit;
  const views = useMemo(
    () => standing.map((camera) => standingView(camera, cards, { bodies, tests, benches, plans })),
    [standing, cards, bodies, tests, benches, plans],
  );
  return (
    <div className={css.wear}>
      <div className={css.head}>
        <h2>Cameras that never stop</h2>
        <button
          type="button"
          className="ink-button"
          data-strong={standing.length === 0 || undefined}
          onClick={() => onOpen(newStanding(), true)}
        >
          Add a camera
        </button>
      </div>
      {standing.length === 0 && (
        <p className={css.empty}>
          A camera that overwrites its card in a loop wears it out: add one to see by when its card is to be replaced,
          how many hours it keeps, and what an hour costs.
        </p>
      )}
      {views.map((view) => (
        <Camera key={view.camera.id} view={view} isOpen={view.camera.id === openId} onOpen={onOpen} />
      ))}
      <ul className={css.cautions}>
        {WEAR_CAUTIONS.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
    </div>
  );
}

interface CameraProps {
  readonly view: StandingView;
  readonly isOpen: boolean;
  readonly onOpen: WearPartProps['onOpen'];
}

function Camera({ view, isOpen, onOpen }: CameraProps) {
  const { camera, card, wear, twice, replaceBy, isOver, fromToday, from, odometer } = view;
  const both = basesText(wear);
  return (
    <section className={css.camera} aria-label={camera.name} data-open={isOpen || undefined}>
      <div className={css.title}>
        <h3>{camera.name}</h3>
        <span className="soft">
          {[
            card?.label,
            `${camera.capacityGB} GB`,
            `${camera.rateMbps[0]} to ${camera.rateMbps[1]} Mb/s`,
            `${camera.hoursPerDay} h a day`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
        <button type="button" className="plain-button" onClick={() => onOpen(drafted(camera), false)}>
          Change
        </button>
      </div>
      {replaceBy ? (
        <p className={css.date} data-over={isOver || undefined}>
          <span>{isOver ? 'Replace it now: by the earlier estimate it wore out on' : 'Replace it by'}</span>
          <b>{replaceBy[0]}</b>
          <small>
            counted from {from}
            {fromToday && ', today, since nobody noted when the card went in'}; it may last until {replaceBy[1]}
          </small>
        </p>
      ) : (
        <p className={css.date}>
          <span>When it is worn out is not known</span>
          <small>Enter the hours its maker states, or what is known of its cycles.</small>
        </p>
      )}
      <dl className={css.figures}>
        <div>
          <dt>Keeps</dt>
          <dd>{loopBetween(wear.loopHours)}</dd>
          <dd className={css.about}>before the oldest is overwritten</dd>
        </div>
        <div>
          <dt>
            <Term of="wear" alone>
              Records
            </Term>
          </dt>
          <dd>{wear.hours ? hoursBetween(wear.hours) : 'not known'}</dd>
          <dd className={css.about}>{wear.days ? daysBetween(wear.days) : 'until it is worn out'}</dd>
        </div>
        <div>
          <dt>Takes</dt>
          <dd>{wear.writtenTB ? terabytesBetween(wear.writtenTB) : 'not known'}</dd>
          <dd className={css.about}>{wear.fills ? fillsBetween(wear.fills) : 'until it is worn out'}</dd>
        </div>
        <div>
          <dt>An hour costs</dt>
          <dd>{wear.pricePerHour ? perHourText(wear.pricePerHour) : 'not known'}</dd>
          <dd className={css.about}>{camera.price === null ? 'no price noted' : `in cards at ${camera.price}`}</dd>
        </div>
      </dl>
      {both && <p className="tone-warm">Two ways to know, and both are shown: {both}.</p>}
      {odometer && (
        <p>
          <WithTerms text={odometerText(odometer)} />
        </p>
      )}
      {card?.warranty && <p>Warranty: {card.warranty}</p>}
      <p className="soft">
        {twice.days
          ? `A card of ${camera.capacityGB * 2} GB with the same cycles keeps ${loopBetween(twice.loopHours)} and lasts ${daysBetween(twice.days)}.`
          : `A card of ${camera.capacityGB * 2} GB keeps ${loopBetween(twice.loopHours)}; how long it lasts is for its maker to say.`}
      </p>
      {replaceBy && (
        <button type="button" className="plain-button" onClick={() => void saveReminder(view)}>
          Reminder for a calendar (.ics)
        </button>
      )}
    </section>
  );
}

async function saveReminder(view: StandingView): Promise<void> {
  const [text, { download }] = await Promise.all([replaceCalendar(view), import('../../ui/download.ts')]);
  if (text)
    download(`replace-${view.camera.name.replace(/[^\p{L}\d]+/gu, '-')}.ics`, text, 'text/calendar;charset=utf-8');
}
