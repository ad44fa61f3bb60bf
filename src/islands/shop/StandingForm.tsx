import { Checkbox } from '@mantine/core';
import { type Draft, settled } from '../../app/kit/draft.ts';
import { deleteStanding, saveStanding } from '../../app/shop/shopActions.ts';
import type { ShopViewKit } from '../../app/shop/shopKit.ts';
import { spanOfMode } from '../../app/shop/wearViews.ts';
import type { StandingCamera } from '../../core/kit/shop.ts';
import { standingSchema } from '../../kit/schemas/standing.ts';
import { cardSummary, modeTitle } from '../../text/match/cell.ts';
import { Chips } from '../../ui/Chips.tsx';
import { DateField, NumberField, TextField } from '../../ui/fields.tsx';
import { PanelForm } from '../../ui/PanelForm.tsx';
import panel from '../../ui/panelForm.module.css';
import { useItemForm } from '../../ui/useItemForm.ts';

interface StandingFormProps {
  readonly kit: ShopViewKit;
  readonly camera: Draft<StandingCamera>;
  readonly isNew: boolean;
  readonly isGone: boolean;
  readonly onDone: () => void;
  readonly onClose: () => void;
}

const NONE = 'none';

/** A camera that never stops: what it writes, on which card, and what is known of how long that lasts. */
export default function StandingForm({ kit, camera, isNew, isGone, onDone, onClose }: StandingFormProps) {
  const itemForm = useItemForm<StandingCamera>({
    list: 'standing',
    name: ({ name }) => name || 'The camera',
    item: camera,
    isNew,
    isGone,
    schema: standingSchema,
    save: saveStanding,
    onSaved: onDone,
  });
  const { form } = itemForm;
  const { values } = form;
  const field = form.getInputProps;
  const body = kit.bodies.find(({ id }) => id === values.bodyId);
  const setMode = (id: string | null): void => {
    form.setFieldValue('modeId', id);
    const mode = body?.modes.find((one) => one.id === id);
    const span = mode && body ? spanOfMode(mode, body) : null;
    if (span) form.setFieldValue('rateMbps', [...span]);
  };
  return (
    <PanelForm
      itemForm={itemForm}
      label={isNew ? 'A new camera' : 'The camera'}
      title={isNew ? 'A camera that never stops' : values.name}
      what="The camera"
      isNew={isNew}
      deletion={{
        text: 'Delete this camera',
        make: () => deleteStanding(settled<StandingCamera>(camera, standingSchema)),
      }}
      onDone={onDone}
      onClose={onClose}
    >
      <TextField label="Name" placeholder="Pier camera" props={field('name')} />
      {kit.bodies.length > 0 && (
        <Chips
          legend="Camera"
          value={values.bodyId ?? NONE}
          choices={[
            ...kit.bodies.map(({ id, name }) => ({ value: id, label: name })),
            { value: NONE, label: 'not in the kit' },
          ]}
          onChange={(id) => {
            form.setFieldValue('bodyId', id === NONE ? null : id);
            form.setFieldValue('modeId', null);
          }}
        />
      )}
      {body && (
        <Chips
          legend="Mode, which fills in what it writes"
          value={values.modeId ?? ''}
          choices={body.modes.map((mode) => ({ value: mode.id, label: modeTitle(mode) }))}
          onChange={setMode}
        />
      )}
      <div className={panel.pair}>
        <NumberField label="Writes at least" unit="Mb/s" placeholder="6" props={field('rateMbps.0')} />
        <NumberField label="At most" unit="Mb/s" placeholder="10" props={field('rateMbps.1')} />
      </div>
      <NumberField label="Hours a day" unit="h" placeholder="24" props={field('hoursPerDay')} />
      {kit.cards.length > 0 && (
        <Chips
          legend="Card in it"
          value={values.cardId ?? NONE}
          choices={[
            ...kit.cards
              .filter(({ id, retired }) => !retired || id === values.cardId)
              .map((card) => ({ value: card.id, label: card.label, note: cardSummary(card) })),
            { value: NONE, label: 'not one of your cards' },
          ]}
          onChange={(id) => {
            const card = kit.cards.find((one) => one.id === id);
            form.setFieldValue('cardId', card?.id ?? null);
            if (card) form.setFieldValue('capacityGB', card.capacityGB);
            if (card?.price) form.setFieldValue('price', card.price);
          }}
        />
      )}
      <div className={panel.pair}>
        <NumberField label="Capacity" unit="GB" placeholder="32" props={field('capacityGB')} />
        <NumberField label="Price of one" placeholder="not noted" props={field('price')} />
      </div>
      <DateField label="In use since" props={field('since')} />
      <Checkbox
        label="Its maker states hours of continuous recording"
        checked={values.rated !== null}
        onChange={(event) =>
          form.setFieldValue('rated', event.currentTarget.checked ? { hours: '', atMbps: ['', ''] } : null)
        }
      />
      {values.rated !== null && (
        <>
          <NumberField label="Stated hours" unit="h" placeholder="6000" props={field('rated.hours')} />
          <div className={panel.pair}>
            <NumberField label="At a rate of at least" unit="Mb/s" props={field('rated.atMbps.0')} />
            <NumberField label="and at most" unit="Mb/s" props={field('rated.atMbps.1')} />
          </div>
        </>
      )}
      <Checkbox
        label="Something is known of its cycles"
        checked={values.cycles !== null}
        onChange={(event) => form.setFieldValue('cycles', event.currentTarget.checked ? ['', ''] : null)}
      />
      {values.cycles !== null && (
        <>
          <div className={panel.pair}>
            <NumberField label="Cycles, at least" placeholder="500" props={field('cycles.0')} />
            <NumberField label="Cycles, at most" placeholder="3000" props={field('cycles.1')} />
          </div>
          <div className={panel.pair}>
            <NumberField
              label="Written inside, at least"
              unit="×"
              placeholder="1"
              props={field('writeAmplification.0')}
            />
            <NumberField label="At most" unit="×" placeholder="2" props={field('writeAmplification.1')} />
          </div>
        </>
      )}
      <TextField label="Note" placeholder="" props={field('note')} />
    </PanelForm>
  );
}
