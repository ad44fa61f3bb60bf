import { Checkbox } from '@mantine/core';
import { savePlan } from '../../app/day/dayActions.ts';
import type { DayViewKit } from '../../app/day/dayKit.ts';
import { COPY_SOURCES } from '../../app/day/planChoices.ts';
import { drafted } from '../../app/kit/draft.ts';
import type { Plan, PlanAir, PlanDestination, PlanReader } from '../../core/kit/plan.ts';
import { newId } from '../../kit/newId.ts';
import { planSchema } from '../../kit/schemas/plan.ts';
import { formName } from '../../text/day/setup.ts';
import { cardSummary } from '../../text/match/cell.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { DateField, NumberField, TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import panel from '../../ui/panelForm.module.css';
import { SaveBar } from '../../ui/SaveBar.tsx';
import { useArrival } from '../../ui/useArrival.ts';
import { useItemForm } from '../../ui/useItemForm.ts';
import { ClockField } from './ClockField.tsx';

interface SetupFormProps {
  readonly kit: DayViewKit;
  readonly plan: Plan;
  readonly onDone: () => void;
  readonly onClose: () => void;
}

/** What the day is made with: its date, cards, readers, disks and rules. */
export default function SetupForm({ kit, plan, onDone, onClose }: SetupFormProps) {
  const itemForm = useItemForm<Plan>({
    list: 'plans',
    name: () => 'The day',
    item: drafted(plan),
    isNew: false,
    isGone: false,
    schema: planSchema,
    save: (item, base) => savePlan({ ...item, speedsAssumed: false }, base),
    onSaved: onDone,
  });
  const { form, onSubmit, discard } = itemForm;
  const { values } = form;
  const field = form.getInputProps;
  const arrival = useArrival<HTMLFormElement>();
  const readers = values.readers as readonly PlanReader[];
  const disks = values.copies.destinations as readonly PlanDestination[];
  const air = (values.airProfile ?? []) as readonly PlanAir[];
  const chosen = new Set(values.cardIds as readonly string[]);
  const forms = [...new Set(kit.cards.map((card) => card.form))];
  const toggle = (list: readonly string[], one: string): string[] =>
    list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
  const offered = kit.cards.filter(({ id, retired }) => !retired || chosen.has(id));
  const failed = (stem: string): boolean => Object.keys(form.errors).some((key) => key.startsWith(stem));
  return (
    <form ref={arrival} className={css.form} onSubmit={onSubmit} noValidate aria-label="The day">
      <div className={panel.head}>
        <h2>Cards and disks</h2>
        <button type="button" className="plain-button" onClick={onClose}>
          Close
        </button>
      </div>
      <TextField label="Name of the day" props={field('name')} />
      <div className={panel.pair}>
        <DateField label="Date" props={field('date')} />
        <ClockField label="Begins" props={field('start')} />
      </div>
      <Fold title={`Cards, ${chosen.size} of ${offered.length}`} about="which come along" failed={failed('cardIds')}>
        <div className={panel.ticks}>
          <button
            type="button"
            className="plain-button"
            onClick={() =>
              form.setFieldValue(
                'cardIds',
                offered.map(({ id }) => id),
              )
            }
          >
            All
          </button>
          <button type="button" className="plain-button" onClick={() => form.setFieldValue('cardIds', [])}>
            None
          </button>
        </div>
        {offered.map((card) => (
          <Checkbox
            key={card.id}
            label={`${card.label} · ${cardSummary(card)}`}
            checked={chosen.has(card.id)}
            onChange={() => form.setFieldValue('cardIds', toggle([...chosen], card.id))}
          />
        ))}
      </Fold>
      <Fold
        title={`Readers, ${readers.length}`}
        about={readers.map(({ name, MBps }) => `${name} ${MBps} MB/s`).join(', ') || 'none'}
        failed={failed('readers')}
      >
        {readers.map((reader, at) => (
          <div key={reader.id} className={panel.row}>
            <TextField label="Name" props={field(`readers.${at}.name`)} />
            <div className={panel.pair}>
              <NumberField label="Reads at" unit="MB/s" props={field(`readers.${at}.MBps`)} />
              <NumberField label="Cards at once" placeholder="1" props={field(`readers.${at}.slots`)} />
            </div>
            <div className={panel.ticks}>
              {forms.map((one) => (
                <Checkbox
                  key={one}
                  label={formName(one)}
                  checked={reader.forms.includes(one)}
                  onChange={() => form.setFieldValue(`readers.${at}.forms`, toggle(reader.forms, one))}
                />
              ))}
            </div>
            <button type="button" className="plain-button" onClick={() => form.removeListItem('readers', at)}>
              Take {reader.name || 'it'} out
            </button>
          </div>
        ))}
        <button
          type="button"
          className="plain-button"
          onClick={() =>
            form.insertListItem('readers', {
              id: newId(),
              name: `Reader ${readers.length + 1}`,
              forms,
              MBps: '',
              slots: 1,
            })
          }
        >
          Another reader
        </button>
      </Fold>
      <Fold
        title={`Disks, ${disks.length}`}
        about={`${values.copies.count} copies${values.copies.verify ? ', verified' : ''}`}
        failed={failed('copies')}
      >
        <div className={panel.pair}>
          <NumberField label="Copies before a card is free" props={field('copies.count')} />
        </div>
        <Checkbox
          label="Each copy is read back and compared"
          checked={values.copies.verify === true}
          onChange={(event) => form.setFieldValue('copies.verify', event.currentTarget.checked)}
        />
        <Chips
          legend="Copies come from"
          value={values.copies.from as string}
          choices={COPY_SOURCES}
          onChange={(value) => form.setFieldValue('copies.from', value)}
        />
        {disks.map((disk, at) => (
          <div key={at} className={panel.row}>
            <TextField label="Name" props={field(`copies.destinations.${at}.name`)} />
            <div className={panel.pair}>
              <NumberField label="Writes at" unit="MB/s" props={field(`copies.destinations.${at}.writeMBps`)} />
              <NumberField label="Reads at" unit="MB/s" props={field(`copies.destinations.${at}.readMBps`)} />
            </div>
            <NumberField label="Room" unit="GB" props={field(`copies.destinations.${at}.freeGB`)} />
            <button
              type="button"
              className="plain-button"
              onClick={() => form.removeListItem('copies.destinations', at)}
            >
              Take {disk.name || 'it'} out
            </button>
          </div>
        ))}
        <button
          type="button"
          className="plain-button"
          onClick={() =>
            form.insertListItem('copies.destinations', {
              name: `Disk ${disks.length + 1}`,
              writeMBps: '',
              readMBps: '',
              freeGB: '',
            })
          }
        >
          Another disk
        </button>
      </Fold>
      <Fold
        title="How you change cards"
        about={`${values.rules.swapSeconds} s a change, at ${values.rules.changeAtPercent} % full`}
        failed={failed('rules')}
      >
        <NumberField label="A change takes" unit="s" props={field('rules.swapSeconds')} />
        <NumberField label="Change a card at" unit="% full" props={field('rules.changeAtPercent')} />
        <NumberField
          label="Most minutes on one card"
          unit="min"
          placeholder="as many as it holds"
          props={field('rules.mostMinutesOnOneCard')}
        />
        <NumberField
          label="Only cards that record without a change for at least"
          unit="min"
          placeholder="any"
          props={field('rules.gapFreeMinutes')}
        />
        <Chips
          legend="Cards used"
          value={(values.rules.alsoUse as string | null) ?? 'none'}
          choices={[
            { value: 'none', label: 'Only answers blue for this take' },
            { value: 'warm', label: 'Tight ones too', note: 'marked in the plan' },
            { value: 'hot', label: 'Any that fits', note: 'marked: it may drop' },
          ]}
          onChange={(value) => form.setFieldValue('rules.alsoUse', value === 'none' ? null : value)}
        />
      </Fold>
      <Fold
        title="Air of the day"
        about={air.map(({ at, airC }) => `${at} ${airC} °C`).join(', ') || 'not entered'}
        failed={failed('airProfile')}
      >
        {air.map((_, at) => (
          <div key={at} className={panel.pair}>
            <ClockField label="At" props={field(`airProfile.${at}.at`)} />
            <NumberField label="Air without sun" unit="°C" props={field(`airProfile.${at}.airC`)} />
          </div>
        ))}
        <div className={panel.ticks}>
          <button
            type="button"
            className="plain-button"
            onClick={() =>
              form.insertListItem('airProfile', { at: air.length === 0 ? (values.start as string) : '12:00', airC: '' })
            }
          >
            Another time
          </button>
          {air.length > 0 && (
            <button
              type="button"
              className="plain-button"
              onClick={() => form.removeListItem('airProfile', air.length - 1)}
            >
              Take the last out
            </button>
          )}
        </div>
      </Fold>
      <Fold
        title="Time zone"
        about={(values.timeZone as string | null) || 'clock times as they stand'}
        failed={failed('timeZone')}
      >
        <TextField label="Time zone" placeholder="clock times as they stand" props={field('timeZone')} />
        <p className="soft">With a time zone the night on which clocks change has 23 or 25 hours.</p>
      </Fold>
      <SaveBar itemForm={itemForm} what="The day" inPanel onDiscard={discard} />
    </form>
  );
}
