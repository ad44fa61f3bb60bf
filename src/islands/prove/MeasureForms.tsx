import { type Draft, settled } from '../../app/kit/draft.ts';
import { saveBench, saveClearing } from '../../app/prove/proveActions.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { BENCH_PROGRAMS, cardsFor, cleared } from '../../app/prove/proveViews.ts';
import type { BenchResult, Clearing } from '../../core/kit/model.ts';
import { benchSchema } from '../../kit/schemas/bench.ts';
import { clearingSchema } from '../../kit/schemas/clearing.ts';
import { cardSummary } from '../../text/match/cell.ts';
import { clearedText } from '../../text/prove/clearing.ts';
import { PROGRAM_WORDS } from '../../text/prove/log.ts';
import { Chips } from '../../ui/Chips.tsx';
import { DateField, NumberField, TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import { SaveBar } from '../../ui/SaveBar.tsx';
import { useArrival } from '../../ui/useArrival.ts';
import { useItemForm } from '../../ui/useItemForm.ts';

interface ItemProps<T> {
  readonly kit: ProveKit;
  readonly item: Draft<T>;
  readonly isNew: boolean;
  readonly isGone: boolean;
  readonly onSaved: (item: T) => void;
  readonly onClose: () => void;
}

/** A burst of stills and how long it took to clear; what it says of the pair is told while it is typed. */
export function BurstForm({ kit, item, isNew, isGone, onSaved, onClose }: ItemProps<Clearing>) {
  const { bodies, cards, tests } = kit;
  const itemForm = useItemForm<Clearing>({
    item,
    isNew,
    isGone,
    list: 'clearings',
    name: () => 'The burst',
    schema: clearingSchema,
    save: saveClearing,
    onSaved,
  });
  const { form, onSubmit, discard } = itemForm;
  const { values } = form;
  const field = form.getInputProps;
  const arrival = useArrival<HTMLFormElement>();
  const body = bodies.find(({ id }) => id === values.bodyId);
  const burst = settled<Clearing>(values, clearingSchema);
  const isWhole = typeof burst.clearSeconds === 'number' && burst.clearSeconds > 0;
  return (
    <form ref={arrival} className={css.form} onSubmit={onSubmit} noValidate aria-label="A burst and how it cleared">
      <Chips
        legend="Camera"
        value={values.bodyId}
        choices={bodies.map(({ id, name }) => ({ value: id, label: name }))}
        error={form.errors.bodyId && 'Which camera?'}
        onChange={(id) => form.setFieldValue('bodyId', id)}
      />
      {body && (
        <Chips
          legend="Card"
          value={values.cardId}
          choices={cardsFor(body, cards, tests).map((card) => ({
            value: card.id,
            label: card.label,
            note: cardSummary(card),
          }))}
          error={form.errors.cardId && 'Which card?'}
          onChange={(id) => form.setFieldValue('cardId', id)}
        />
      )}
      <div className={css.fields}>
        <NumberField label="Until the lamp was dark" unit="s" props={field('clearSeconds')} placeholder="12" />
        <NumberField label="One picture" unit="MB" props={field('fileMB')} placeholder="not noted" />
        <NumberField label="Pictures taken" props={field('frames')} placeholder="not noted" />
        <NumberField label="Pictures until it slowed" props={field('framesUntilSlow')} placeholder="it never did" />
        <NumberField label="Burst as set" unit="a second" props={field('burstFps')} placeholder="not noted" />
        <NumberField label="Shutter" unit="s" props={field('shutterSeconds')} placeholder="0.001" />
        <DateField label="Date" props={field('date')} />
        <TextField label="Note" props={field('note')} className={css.full} placeholder="" />
      </div>
      {body && isWhole && (
        <p className={css.doubt} role="status">
          {clearedText(cleared(burst, body))}
        </p>
      )}
      <SaveBar
        inPanel
        itemForm={itemForm}
        what="This burst"
        onDiscard={() => {
          discard();
          if (isNew || isGone) onClose();
        }}
      />
    </form>
  );
}

/** A card measured outside the camera. */
export function BenchForm({ kit, item, isNew, isGone, onSaved, onClose }: ItemProps<BenchResult>) {
  const itemForm = useItemForm<BenchResult>({
    item,
    isNew,
    isGone,
    list: 'benches',
    name: () => 'The bench result',
    schema: benchSchema,
    save: saveBench,
    onSaved,
  });
  const { form, onSubmit, discard } = itemForm;
  const { values } = form;
  const field = form.getInputProps;
  const arrival = useArrival<HTMLFormElement>();
  return (
    <form ref={arrival} className={css.form} onSubmit={onSubmit} noValidate aria-label="A bench result">
      <Chips
        legend="Card"
        value={values.cardId}
        choices={kit.cards.map((card) => ({ value: card.id, label: card.label, note: cardSummary(card) }))}
        error={form.errors.cardId && 'Which card?'}
        onChange={(id) => form.setFieldValue('cardId', id)}
      />
      <Chips
        legend="The program"
        value={values.program}
        choices={BENCH_PROGRAMS.map((value) => ({ value, label: PROGRAM_WORDS[value] }))}
        onChange={(program) => form.setFieldValue('program', program)}
      />
      <div className={css.fields}>
        <NumberField label="Written at its lowest" unit="MB/s" props={field('lowestWriteMBps')} />
        <NumberField label="Written on average" unit="MB/s" props={field('writeMBps')} />
        <NumberField label="Read" unit="MB/s" props={field('readMBps')} />
        <TextField label="Reader" props={field('reader')} placeholder="" />
        <TextField label="Port" props={field('port')} placeholder="USB, 10 Gb/s" />
        <DateField label="Date" props={field('date')} />
        <TextField label="Note" props={field('note')} className={css.full} placeholder="" />
      </div>
      <p className={css.hint}>
        A computer is no camera: what is measured here is kept beside the card and enters no verdict. The lowest figure
        says more than the average, and the best of several readers is the card’s.
      </p>
      <SaveBar
        inPanel
        itemForm={itemForm}
        what="This result"
        onDiscard={() => {
          discard();
          if (isNew || isGone) onClose();
        }}
      />
    </form>
  );
}
