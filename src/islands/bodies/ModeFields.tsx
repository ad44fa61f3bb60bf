import { MultiSelect } from '@mantine/core';
import { memo } from 'react';
import type { ModeRow } from '../../app/bodies/modeDoubts.ts';
import { settled } from '../../app/kit/draft.ts';
import type { Body, Mode } from '../../core/kit/model.ts';
import { isSameValue } from '../../kit/patch.ts';
import { modeSchema } from '../../kit/schemas/mode.ts';
import { doubtText } from '../../text/bodies/doubt.ts';
import { modeMore } from '../../text/bodies/folded.ts';
import { modeSpeed } from '../../text/match/cell.ts';
import { MBpsText, MbpsText } from '../../text/quantity.ts';
import { CODEC_CHOICES, RATE_AT_CHOICES, RATE_CHOICES, RATE_IS_CHOICES, SOURCE_CHOICES } from '../../ui/choices.ts';
import { Fold } from '../../ui/Fold.tsx';
import { ChoiceField, NumberField, TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import { RateField } from '../../ui/RateField.tsx';
import type { DraftForm } from '../../ui/useItemForm.ts';
import { OverheadFields, SoundFields } from './BesideFields.tsx';
import { CounterRate } from './CounterRate.tsx';
import { OtherRates } from './OtherRates.tsx';
import { RatioLadder } from './RatioLadder.tsx';
import { RequirementFields } from './RequirementFields.tsx';

type BodyFormApi = DraftForm<Body>;

const FRESH_RATES = {
  stated: { kind: 'stated', Mbps: '', is: 'maximum' },
  raw: { kind: 'raw', bitsPerPixel: 12, ratio: 3 },
  frame: { kind: 'frame', bytesPerFrame: '' },
  counter: { kind: 'counter', lowMbps: '', highMbps: '' },
} as const;

interface ModeFieldsProps {
  readonly row: ModeRow;
  readonly at: number;
  /** True where a field of it needs another look. */
  readonly failed: boolean;
  readonly isOpen: boolean;
  readonly onOpen: (id: string, open: boolean) => void;
  /** The form as it stands; asked only by a mode that is open. */
  readonly formOf: () => BodyFormApi;
}

/** One mode: closed it says what it writes, open it can be changed. A closed one is drawn anew only where it changed. */
export const ModeFields = memo(function ModeFields({ row, at, failed, isOpen, onOpen, formOf }: ModeFieldsProps) {
  const { mode, stated, peak, doubts } = row;
  const open = isOpen || failed;
  return (
    <div className={css.item}>
      <div className={css.itemHead}>
        <span className={css.itemName}>
          {mode.name || 'New mode'} <span className="soft">{modeSpeed(mode)}</span>
        </span>
        <span>
          {stated !== null && <span className="soft">{MbpsText(stated)} · </span>}
          {peak === null ? <span className="tone-hot">no rate yet</span> : MBpsText(peak)}
        </span>
        <button type="button" className="plain-button" aria-expanded={open} onClick={() => onOpen(mode.id, !open)}>
          {open ? 'Close' : 'Change'}
        </button>
        <button type="button" className="plain-button" onClick={() => formOf().removeListItem('modes', at)}>
          Remove
        </button>
      </div>
      {open && <OpenMode form={formOf()} at={at} />}
      {doubts.map((doubt) => (
        <p key={doubt.code} className={css.doubt} role="status">
          {doubtText(doubt)}
        </p>
      ))}
    </div>
  );
}, staysAsItIs);

/** A mode in sight of the whole form (counter readings, groups) is drawn with every change while it is open. */
function staysAsItIs(before: ModeFieldsProps, now: ModeFieldsProps): boolean {
  const isClosed = !before.failed && !now.failed && !before.isOpen && !now.isOpen;
  return isClosed && before.at === now.at && isSameValue(before.row, now.row);
}

/** Whether a field of the folded part needs another look. */
const hasMoreErrors = (form: BodyFormApi, at: number): boolean =>
  Object.keys(form.errors).some((path) =>
    new RegExp(`^modes\\.${at}\\.(?:proxyMbps|group|slotIds|otherRates|overhead|sound|requires|rate\\.source)`).test(
      path,
    ),
  );

/** The slots a mode is recorded to, where the body has several. */
function GoesTo({ form, at }: { readonly form: BodyFormApi; readonly at: number }) {
  const { slots, modes } = form.values;
  const chosen = modes[at]?.slotIds ?? [];
  const gone = chosen.filter((id) => !slots.some((slot) => slot.id === id));
  if (slots.length < 2 && gone.length === 0) return null;
  return (
    <MultiSelect
      label="Goes to"
      data={[
        ...slots.map(({ id, name }) => ({ value: id, label: name })),
        ...gone.map((id) => ({ value: id, label: 'a slot that is gone' })),
      ]}
      placeholder={chosen.length === 0 ? 'any slot' : ''}
      value={[...chosen]}
      onChange={(ids) => form.setFieldValue(`modes.${at}.slotIds`, ids.length === 0 ? null : ids)}
    />
  );
}

function OpenMode({ form, at }: { readonly form: BodyFormApi; readonly at: number }) {
  const mode = form.values.modes[at];
  if (!mode) return null;
  const path = `modes.${at}`;
  const field = (key: string) => form.getInputProps(`${path}.${key}`);
  const { kind } = mode.rate;
  return (
    <>
      <div className={css.fields}>
        <TextField label="Name" props={field('name')} placeholder="4K intra" />
        <ChoiceField label="Codec family" props={field('codec')} data={CODEC_CHOICES} />
        <NumberField label="Width" unit="px" props={field('width')} />
        <NumberField label="Height" unit="px" props={field('height')} />
        <NumberField label="Recorded" unit="fps" props={field('fps')} placeholder="25" />
        <NumberField label="Captured, if faster" unit="fps" props={field('captureFps')} placeholder="the same" />
        <ChoiceField
          label="Rate from"
          data={RATE_CHOICES}
          props={{
            value: kind,
            onChange: (next: keyof typeof FRESH_RATES) => form.setFieldValue(`${path}.rate`, FRESH_RATES[next]),
          }}
        />
        {kind === 'stated' && (
          <>
            <RateField
              label="Stated rate"
              value={mode.rate.Mbps}
              error={form.errors[`${path}.rate.Mbps`]}
              onChange={(Mbps) => form.setFieldValue(`${path}.rate.Mbps`, Mbps)}
            />
            <ChoiceField label="The figure is a" props={field('rate.is')} data={RATE_IS_CHOICES} />
            {Boolean(mode.captureFps) && mode.captureFps !== mode.fps && (
              <ChoiceField
                label="Stated for"
                props={{
                  value: mode.rate.at ?? 'recorded',
                  onChange: (at: string) => form.setFieldValue(`${path}.rate.at`, at),
                }}
                data={RATE_AT_CHOICES}
              />
            )}
          </>
        )}
        {kind === 'raw' && (
          <>
            <NumberField label="Bits per pixel" props={field('rate.bitsPerPixel')} placeholder="12" />
            <NumberField label="Ratio, to 1" props={field('rate.ratio')} placeholder="3" />
          </>
        )}
        {kind === 'counter' && <CounterRate form={form} at={at} />}
        {kind === 'frame' && (
          <NumberField label="Bytes a frame" props={field('rate.bytesPerFrame')} placeholder="917504" />
        )}
      </div>
      <RatioLadder
        mode={settled<Mode>(mode, modeSchema)}
        onRatio={(ratio) => form.setFieldValue(`${path}.rate.ratio`, ratio)}
      />
      <Fold
        title="More about this mode"
        about={modeMore(settled<Mode>(mode, modeSchema))}
        failed={hasMoreErrors(form, at)}
      >
        <div className={css.item}>
          <div className={css.fields}>
            <ChoiceField
              label="Source of the rate"
              props={field('rate.source')}
              data={SOURCE_CHOICES}
              unknown="not noted"
            />
            <TextField label="Page or clip" props={field('rate.sourceNote')} placeholder="" />
            <TextField label="Group" props={field('group')} placeholder="none" />
            <GoesTo form={form} at={at} />
            <NumberField label="Viewing proxy beside it" unit="Mb/s" props={field('proxyMbps')} placeholder="none" />
          </div>
          <OtherRates form={form} at={at} />
          <OverheadFields form={form} at={at} />
          <SoundFields form={form} at={at} />
          <RequirementFields form={form} at={at} />
        </div>
      </Fold>
    </>
  );
}
