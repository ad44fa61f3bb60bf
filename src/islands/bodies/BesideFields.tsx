import type { Body } from '../../core/kit/model.ts';
import { ASSUMED_WORDS } from '../../text/assumed.ts';
import { NumberField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';

interface BesideProps {
  readonly form: DraftForm<Body>;
  readonly at: number;
}

/** What is written beside the picture; assumed until entered. */
export function OverheadFields({ form, at }: BesideProps) {
  const path = `modes.${at}.overhead`;
  const overhead = form.values.modes[at]?.overhead;
  if (!overhead) {
    return (
      <p className={css.hint}>
        Added to the picture: sound and data {ASSUMED_WORDS.fixed} and {ASSUMED_WORDS.perFrame} a frame are assumed.{' '}
        <button
          type="button"
          className="plain-button"
          onClick={() => form.setFieldValue(path, { fixedMbps: 2, perFrameKB: 20 })}
        >
          Enter your own
        </button>
      </p>
    );
  }
  return (
    <div className={css.fields}>
      <NumberField
        label="Added to the picture: sound and data"
        unit="Mb/s"
        props={form.getInputProps(`${path}.fixedMbps`)}
        placeholder="2"
      />
      <NumberField
        label="With every frame"
        unit="kB"
        props={form.getInputProps(`${path}.perFrameKB`)}
        placeholder="20"
      />
      <button type="button" className="plain-button" onClick={() => form.setFieldValue(path, null)}>
        Assume it again
      </button>
    </div>
  );
}

/** Sound by its own figures; until entered it is part of what is assumed. */
export function SoundFields({ form, at }: BesideProps) {
  const path = `modes.${at}.sound`;
  const sound = form.values.modes[at]?.sound;
  if (!sound) {
    return (
      <div className={css.actions}>
        <button
          type="button"
          className="plain-button"
          onClick={() => form.setFieldValue(path, { channels: 2, sampleHz: 48_000, bits: 24 })}
        >
          Enter the sound
        </button>
      </div>
    );
  }
  return (
    <div className={css.fields}>
      <NumberField label="Sound channels" props={form.getInputProps(`${path}.channels`)} placeholder="2" />
      <NumberField label="Sample rate" unit="Hz" props={form.getInputProps(`${path}.sampleHz`)} placeholder="48000" />
      <NumberField label="Bits a sample" props={form.getInputProps(`${path}.bits`)} placeholder="24" />
      <button type="button" className="plain-button" onClick={() => form.setFieldValue(path, null)}>
        Without sound figures
      </button>
    </div>
  );
}
