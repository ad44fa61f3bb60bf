import { useCallback, useRef, useState } from 'react';
import { saveBody } from '../../app/bodies/bodyActions.ts';
import { isDual, splitWidth } from '../../app/bodies/bodyDraft.ts';
import { modeRows } from '../../app/bodies/modeDoubts.ts';
import { newMode, newSlot } from '../../app/bodies/newItems.ts';
import { type Draft, settled } from '../../app/kit/draft.ts';
import type { Body, Card } from '../../core/kit/model.ts';
import { bodySchema } from '../../kit/schemas/body.ts';
import { FOLDED } from '../../text/bodies/folded.ts';
import { ARRANGEMENT_CHOICES, HOLDS_CHOICES, OTHER_FORMS_CHOICES } from '../../ui/choices.ts';
import { Fold } from '../../ui/Fold.tsx';
import { ChoiceField, NumberField, TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import { Alone, part } from '../../ui/part.tsx';
import { SaveBar } from '../../ui/SaveBar.tsx';
import { useItemForm } from '../../ui/useItemForm.ts';
import { AdviceFields } from './AdviceFields.tsx';
import { ApprovedFields } from './ApprovedFields.tsx';
import { BusQuestions } from './BusQuestions.tsx';
import { CounterFields } from './CounterFields.tsx';
import { GroupFields } from './GroupFields.tsx';
import { HeatFields } from './HeatFields.tsx';
import { ModeFields } from './ModeFields.tsx';
import { SlotFields } from './SlotFields.tsx';
import { StartFrom } from './StartFrom.tsx';

// The table parser comes with it; most visits never paste.
const PasteModes = part(() => import('./PasteModes.tsx'));

interface BodyFormProps {
  readonly body: Draft<Body>;
  readonly isNew: boolean;
  /** True where it was deleted elsewhere. */
  readonly isGone: boolean;
  readonly cards: readonly Card[];
  /** Bodies that a new one can be a copy of. */
  readonly others: readonly Body[];
  readonly onSaved: (body: Body) => void;
  readonly onDelete: () => void;
  readonly onDuplicate: () => void;
  readonly onExport: () => void;
  readonly onDiscard: () => void;
}

/** A camera on one sheet: itself, its slots, its modes. Nothing is stored before Save, and then all of it. */
export function BodyForm(props: BodyFormProps) {
  const { body: opened, isNew, isGone, cards, others, onSaved, onDelete, onDuplicate, onExport, onDiscard } = props;
  const itemForm = useItemForm<Body>({
    item: opened,
    isNew,
    isGone,
    list: 'bodies',
    name: ({ name }) => name || 'The new camera',
    schema: bodySchema,
    save: saveBody,
    onSaved,
  });
  const { form, onSubmit, discard } = itemForm;
  const [pasting, setPasting] = useState(false);
  const [openIds, setOpenIds] = useState<ReadonlySet<string>>(
    () => new Set(isNew ? opened.modes.filter((mode) => mode.name === '').map(({ id }) => id) : []),
  );
  const onOpen = useCallback(
    (id: string, open: boolean) =>
      setOpenIds((ids) => (open ? new Set([...ids, id]) : new Set([...ids].filter((one) => one !== id)))),
    [],
  );
  const latest = useRef(form);
  latest.current = form;
  const formOf = useCallback(() => latest.current, []);
  const body = settled<Body>(form.values, bodySchema);
  const rows = modeRows(body);
  const failed = new Set(
    Object.keys(form.errors).flatMap((path) => {
      const at = /^modes\.(\d+)\./.exec(path)?.[1];
      return at === undefined ? [] : [Number(at)];
    }),
  );
  const addMode = (): void => {
    const mode = newMode();
    form.insertListItem('modes', mode);
    onOpen(mode.id, true);
  };
  const field = form.getInputProps;
  const hasError = (place: RegExp): boolean => Object.keys(form.errors).some((path) => place.test(path));
  return (
    <form className={css.form} onSubmit={onSubmit} noValidate aria-label={isNew ? 'New camera' : opened.name}>
      <div className={css.actions}>
        <h2 className={css.title}>{form.values.name || 'New camera'}</h2>
        {!isNew && !isGone && (
          <>
            <button type="button" className="plain-button" onClick={onDuplicate}>
              Duplicate
            </button>
            <button type="button" className="plain-button" onClick={onExport}>
              Export
            </button>
            <button type="button" className="plain-button" onClick={onDelete}>
              Delete
            </button>
          </>
        )}
      </div>
      <Alone name="The camera">
        <fieldset className={css.section}>
          <legend className={css.legend}>The camera</legend>
          <div className={css.fields}>
            <TextField label="Name" props={field('name')} placeholder="Dory" autoFocus={isNew} />
            <TextField label="What it is" props={field('note')} placeholder="hybrid" />
            <TextField label="Firmware" props={field('firmware')} placeholder="as it shows" />
            <ChoiceField
              label="How two cards are used"
              props={field('arrangement')}
              data={ARRANGEMENT_CHOICES}
              className={css.wide}
            />
            {form.values.arrangement === 'split' && (
              <NumberField
                label="Split over, slots"
                props={field('splitOver')}
                placeholder={`${splitWidth({ slots: body.slots })}, its slots alike`}
              />
            )}
            <ChoiceField
              label="What stated rates hold"
              props={field('statedHolds')}
              data={HOLDS_CHOICES}
              className={css.wide}
              unknown="not told: the worse counts"
            />
            {isDual(form.values) && (
              <ChoiceField
                label="Cards of another form than its marks"
                props={field('otherForms')}
                data={OTHER_FORMS_CHOICES}
                className={css.wide}
                unknown="not told: said beside each"
              />
            )}
          </div>
        </fieldset>
      </Alone>
      {isNew && <StartFrom form={form} others={others} />}
      <BusQuestions form={form} slots={body.slots} />
      <Alone name="Slots">
        <fieldset className={css.section}>
          <legend className={css.legend}>Slots</legend>
          {form.values.slots.map((slot, at) => (
            <SlotFields key={slot.id} form={form} at={at} />
          ))}
          {form.values.slots.length === 0 && <p className={css.hint}>Without a slot no card fits.</p>}
          <div>
            <button
              type="button"
              className="plain-button"
              onClick={() => form.insertListItem('slots', newSlot(form.values.slots.length))}
            >
              Add a slot
            </button>
          </div>
        </fieldset>
      </Alone>
      <Alone name="Modes">
        <fieldset className={css.section}>
          <legend className={css.legend}>Modes</legend>
          <div className={css.long}>
            {rows.map((row, at) => (
              <ModeFields
                key={row.mode.id}
                row={row}
                at={at}
                failed={failed.has(at)}
                isOpen={openIds.has(row.mode.id)}
                onOpen={onOpen}
                formOf={formOf}
              />
            ))}
          </div>
          {form.values.modes.length === 0 && (
            <p className={css.hint}>
              Add at least one mode, or no answer can be shown for this camera. You can paste the whole rates table from
              the manual.
            </p>
          )}
          <div className={css.actions}>
            <button type="button" className="ink-button" onClick={() => setPasting(true)}>
              Paste modes from a table
            </button>
            <button type="button" className="plain-button" onClick={addMode}>
              Add a mode
            </button>
          </div>
        </fieldset>
      </Alone>
      <div>
        <Fold
          title="Buffer and own write limit"
          about={FOLDED.limits(body)}
          failed={hasError(/^(?:bufferMB|ceilingMBps)/)}
        >
          <div className={css.fields}>
            <NumberField label="Camera buffer" unit="MB" props={field('bufferMB')} />
            <NumberField
              label="Camera’s own write limit"
              unit="MB/s"
              props={field('ceilingMBps')}
              placeholder="none known"
            />
          </div>
        </Fold>
        <Fold
          title="Speed marks this camera requires"
          about={FOLDED.groups(body)}
          failed={hasError(/^(?:groupRequires|advisesAgainst)/)}
        >
          <GroupFields form={form} />
          <AdviceFields form={form} />
        </Fold>
        <Fold title="What its counter shows" about={FOLDED.counter(body)} failed={hasError(/^counters/)}>
          <CounterFields form={form} />
        </Fold>
        <Fold
          title="Cards and drives the camera’s maker approves"
          about={FOLDED.approved(body)}
          failed={hasError(/^approved/)}
        >
          <ApprovedFields form={form} cards={cards} />
        </Fold>
        <Fold title="Heat" about={FOLDED.heat(body)} failed={hasError(/^heat/)}>
          <HeatFields form={form} />
        </Fold>
      </div>
      {pasting && (
        <PasteModes
          counterRounds={form.values.counterRounds ?? null}
          onClose={() => setPasting(false)}
          onAdd={(modes, counters) => {
            form.setFieldValue('modes', [...form.values.modes, ...modes]);
            if (counters.length > 0) form.setFieldValue('counters', [...(form.values.counters ?? []), ...counters]);
            setPasting(false);
          }}
        />
      )}
      <SaveBar
        itemForm={itemForm}
        what={form.values.name || 'This camera'}
        onDiscard={() => {
          discard();
          onDiscard();
        }}
      />
    </form>
  );
}
