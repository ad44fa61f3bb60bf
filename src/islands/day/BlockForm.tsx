import { Checkbox } from '@mantine/core';
import { useMemo } from 'react';
import { removeBlock, saveBlock } from '../../app/day/dayActions.ts';
import { clockFor } from '../../app/day/dayClock.ts';
import type { DayViewKit } from '../../app/day/dayKit.ts';
import { type Draft, drafted } from '../../app/kit/draft.ts';
import type { Plan, PlanBlock, Turn } from '../../core/kit/plan.ts';
import { blockSchema } from '../../kit/schemas/plan.ts';
import { TURN_LABELS } from '../../text/day/names.ts';
import { BodyModeChips } from '../../ui/BodyModeChips.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { FINISH_CHOICES } from '../../ui/choices.ts';
import { Fold } from '../../ui/Fold.tsx';
import { ChoiceField, NumberField, TextField } from '../../ui/fields.tsx';
import { PanelForm } from '../../ui/PanelForm.tsx';
import panel from '../../ui/panelForm.module.css';
import { useItemForm } from '../../ui/useItemForm.ts';
import { ClockField } from './ClockField.tsx';

interface BlockFormProps {
  readonly kit: DayViewKit;
  readonly plan: Plan;
  readonly block: PlanBlock;
  readonly isNew: boolean;
  readonly onDone: () => void;
  readonly onClose: () => void;
}

const ASKED: Readonly<Record<string, string>> = { bodyId: 'Which camera?', modeId: 'Which mode?' };

/** What stands in the folded part on air, in a line. */
function airText({ ambientC, sun, sunC }: Draft<PlanBlock>): string {
  const air = ambientC == null || ambientC === '' ? 'as the day’s profile' : `${ambientC} °C`;
  return sun || Number(sunC) > 0 ? `${air} · in sun` : air;
}

/** One block: who records what, when, for how long. */
export function BlockForm({ kit, plan, block, isNew, onDone, onClose }: BlockFormProps) {
  const itemForm = useItemForm<PlanBlock>({
    list: 'blocks',
    name: () => 'The block',
    item: drafted(block),
    isNew,
    isGone: false,
    schema: blockSchema,
    save: (item) => saveBlock(plan, item),
    onSaved: onDone,
  });
  const { form } = itemForm;
  const { values } = form;
  const field = form.getInputProps;
  const isTwice = useMemo(
    () =>
      clockFor(plan)?.comesTwice({
        from: String(values.from),
        day: typeof values.day === 'number' ? values.day : null,
      }) ?? false,
    [plan, values.from, values.day],
  );
  const error = (key: string) => (form.errors[key] ? (ASKED[key] ?? form.errors[key]) : undefined);
  return (
    <PanelForm
      itemForm={itemForm}
      label={isNew ? 'A new block' : 'The block'}
      title={isNew ? 'A new block' : values.name || 'The block'}
      what="The block"
      isNew={isNew}
      deletion={{ text: 'Delete this block', make: () => removeBlock(plan, block) }}
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
      <div className={panel.pair}>
        <ClockField label="From" props={field('from')} />
        <NumberField label="For" unit="min" props={field('minutes')} />
      </div>
      {isTwice && (
        <Chips
          legend={`${String(values.from)} comes twice that night: which?`}
          choices={(Object.keys(TURN_LABELS) as Turn[]).map((turn) => ({ value: turn, label: TURN_LABELS[turn] }))}
          value={values.turn ?? ''}
          onChange={(turn) => form.setFieldValue('turn', turn)}
        />
      )}
      <TextField label="Name" placeholder="what it is called" props={field('name')} />
      <NumberField
        label="Share of the time that is recorded"
        unit="%"
        props={{
          ...field('rolling'),
          error: form.errors.rolling ? 'Between 1 and 100 %.' : undefined,
          value: typeof values.rolling === 'number' ? Math.round(values.rolling * 1000) / 10 : values.rolling,
          onChange: (value: unknown) => form.setFieldValue('rolling', typeof value === 'number' ? value / 100 : value),
        }}
      />
      <Checkbox
        label="No card change during this block"
        checked={values.gapFree === true}
        onChange={(event) => form.setFieldValue('gapFree', event.currentTarget.checked)}
      />
      <Fold
        title="Air and day"
        about={airText(values)}
        failed={['ambientC', 'sunC', 'sun', 'day'].some((key) => form.errors[key])}
      >
        <NumberField label="Air without sun" unit="°C" placeholder="as the day’s profile" props={field('ambientC')} />
        <ChoiceField
          label="In the sun, a camera that is"
          data={FINISH_CHOICES}
          unknown="in shade, or as I enter it"
          props={field('sun')}
        />
        {!values.sun && <NumberField label="Sun on the camera adds" unit="°C" placeholder="0" props={field('sunC')} />}
        <NumberField label="Days after the first" unit="d" placeholder="from the clock" props={field('day')} />
      </Fold>
    </PanelForm>
  );
}
