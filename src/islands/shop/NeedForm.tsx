import { type Draft, settled } from '../../app/kit/draft.ts';
import { deleteNeed, saveNeed } from '../../app/shop/shopActions.ts';
import type { ShopViewKit } from '../../app/shop/shopKit.ts';
import type { Need } from '../../core/kit/shop.ts';
import { needSchema } from '../../kit/schemas/need.ts';
import { BodyModeChips } from '../../ui/BodyModeChips.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { ARRANGEMENT_CHOICES } from '../../ui/choices.ts';
import { NumberField } from '../../ui/fields.tsx';
import { PanelForm } from '../../ui/PanelForm.tsx';
import { useItemForm } from '../../ui/useItemForm.ts';

interface NeedFormProps {
  readonly kit: ShopViewKit;
  readonly need: Draft<Need>;
  readonly isNew: boolean;
  readonly isGone: boolean;
  readonly onDone: () => void;
  readonly onClose: () => void;
}

const AS_IT_DOES = 'as-it-does';

const ASKED: Readonly<Record<string, string>> = { bodyId: 'Which camera?', modeId: 'Which mode?' };

/** What cards are needed for: a mode, for how many recorded hours, and how long without a change. */
export default function NeedForm({ kit, need, isNew, isGone, onDone, onClose }: NeedFormProps) {
  const itemForm = useItemForm<Need>({
    list: 'needs',
    name: () => 'The need',
    item: need,
    isNew,
    isGone,
    schema: needSchema,
    save: saveNeed,
    onSaved: onDone,
  });
  const { form } = itemForm;
  const { values } = form;
  const field = form.getInputProps;
  const body = kit.bodies.find(({ id }) => id === values.bodyId);
  const error = (key: string) => (form.errors[key] ? (ASKED[key] ?? form.errors[key]) : undefined);
  const { hours, gapFreeMinutes } = settled<Need>(values, needSchema);
  const isLonger = typeof gapFreeMinutes === 'number' && typeof hours === 'number' && gapFreeMinutes > hours * 60;
  return (
    <PanelForm
      itemForm={itemForm}
      label={isNew ? 'A new need' : 'The need'}
      title={isNew ? 'A new need' : 'The need'}
      what="The need"
      isNew={isNew}
      deletion={{ text: 'Delete this need', make: () => deleteNeed(settled<Need>(need, needSchema)) }}
      onDone={onDone}
      onClose={onClose}
    >
      <BodyModeChips
        bodies={kit.bodies}
        bodyId={values.bodyId}
        modeId={values.modeId}
        error={error}
        onPick={({ bodyId, modeId }) => {
          form.setFieldValue('bodyId', bodyId);
          form.setFieldValue('modeId', modeId);
        }}
      />
      <NumberField label="Recorded hours" unit="h" placeholder="3" props={field('hours')} />
      <NumberField
        label="Longest stretch without a change"
        unit="min"
        placeholder="any"
        props={field('gapFreeMinutes')}
        description={
          (values.arrangement ?? body?.arrangement) === 'relay' && body && body.slots.length > 1
            ? `This camera goes on over its ${body.slots.length} slots by itself.`
            : undefined
        }
      />
      {body && body.slots.length > 1 && (
        <Chips
          legend="Records"
          value={(values.arrangement as string | null | undefined) ?? AS_IT_DOES}
          choices={[{ value: AS_IT_DOES, label: 'As the camera is set' }, ...ARRANGEMENT_CHOICES]}
          onChange={(way) => form.setFieldValue('arrangement', way === AS_IT_DOES ? null : way)}
        />
      )}
      {isLonger && (
        <p className="tone-warm" role="status">
          That is longer than all the hours: only cards that last so long in one go are used.
        </p>
      )}
      <NumberField label="To spare" unit="%" placeholder="0" props={field('sparePercent')} />
    </PanelForm>
  );
}
