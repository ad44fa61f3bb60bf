import { type ReactNode, useState } from 'react';
import { sizeIn } from '../../reading/bodies/paste/minutes.ts';
import type { Decimal } from '../../reading/bodies/paste/numbers.ts';
import type { Chosen, Questions, TableReading } from '../../reading/bodies/pasteModes.ts';
import { plain } from '../../text/quantity.ts';
import { NumberField } from '../../ui/NumberField.tsx';
import css from '../../ui/paste.module.css';

interface PasteQuestionsProps {
  readonly questions: Questions;
  readonly reading: TableReading;
  readonly onChoose: (part: Chosen) => void;
}

/** Sizes of cards that minutes may be of, GB. */
const LEAST_GB = 8;
const MAX_GB = 100_000;

/** What a pasted table leaves open, each asked once and answered with one press. */
export function PasteQuestions({ questions, reading, onChoose }: PasteQuestionsProps) {
  return (
    <>
      <Ask open={questions.unit !== null} text={`“${questions.unit}” has no unit: in what is the rate column?`}>
        {(['Mb/s', 'MB/s'] as const).map((unit) => (
          <Choice key={unit} text={unit} onPick={() => onChoose({ unit })} />
        ))}
      </Ask>
      <Ask
        open={questions.decimal !== null}
        text={`“${questions.decimal}”: is the sign in it between thousands, or before the decimals?`}
      >
        {thousandReadings(questions.decimal ?? '').map(([shown, decimal]) => (
          <Choice key={decimal} text={shown} onPick={() => onChoose({ decimal })} />
        ))}
      </Ask>
      <Ask open={questions.two !== null} text={`“${questions.two}”: slow motion, or two modes?`}>
        <Choice text="slow motion: the higher is captured" onPick={() => onChoose({ two: 'slow' })} />
        <Choice text="a mode for each" onPick={() => onChoose({ two: 'each' })} />
      </Ask>
      <Ask open={questions.wide !== null} text={`“${questions.wide}” has two sizes: which is meant?`}>
        <Choice text="16:9 (3840 × 2160)" onPick={() => onChoose({ wide: '16:9' })} />
        <Choice text="17:9 (4096 × 2160)" onPick={() => onChoose({ wide: '17:9' })} />
        <Choice text="leave the size out" onPick={() => onChoose({ wide: 'none' })} />
      </Ask>
      <Ask
        open={questions.lock !== null}
        text={`“${questions.lock}” is asked of cards: what does the camera do without it?`}
      >
        <Choice text="refuses the mode" onPick={() => onChoose({ lock: 'refuses' })} />
        <Choice text="warns, and records" onPick={() => onChoose({ lock: 'warns' })} />
        <Choice text="only advice" onPick={() => onChoose({ lock: 'advises' })} />
      </Ask>
      <Ask open={questions.size !== null} text={`“${questions.size}”: minutes on a card of which size?`}>
        {[64, 128, 256, 512, 1000].map((GB) => (
          <Choice key={GB} text={`${GB} GB`} onPick={() => onChoose({ sizeGB: GB })} />
        ))}
        <OtherSize onChoose={onChoose} />
      </Ask>
      <Ask
        open={questions.at}
        text="Rates of slow-motion rows: of which speed are they? Makers mostly mean the captured one."
      >
        <Choice text="the captured speed" onPick={() => onChoose({ at: 'captured' })} />
        <Choice text="the recorded speed" onPick={() => onChoose({ at: 'recorded' })} />
      </Ask>
      {reading.at !== null && (
        <p className={css.answered}>
          Slow-motion rates are those of the {reading.at} speed.{' '}
          <Choice text="change" onPick={() => onChoose({ at: null })} />
        </p>
      )}
    </>
  );
}

/** A size that is not among those offered: taken when it was typed to its end. */
function OtherSize({ onChoose }: Pick<PasteQuestionsProps, 'onChoose'>) {
  const [typed, setTyped] = useState<number | string>('');
  const GB = typeof typed === 'number' && typed >= LEAST_GB && typed <= MAX_GB ? typed : null;
  return (
    <form
      className={css.size}
      onSubmit={(event) => {
        event.preventDefault();
        if (GB !== null) onChoose({ sizeGB: GB });
      }}
    >
      <NumberField
        label="Another size"
        unit="GB"
        placeholder="512"
        value={typed}
        onChange={setTyped}
        reads={sizeIn}
        error={typed !== '' && GB === null ? `Type a size in GB, ${LEAST_GB} to ${plain(MAX_GB)}` : null}
      />
      <button type="submit" className="plain-button" disabled={GB === null}>
        Take it
      </button>
    </form>
  );
}

/** Both readings of `1,200`, each with the decimal sign that makes it. */
function thousandReadings(text: string): readonly (readonly [string, Decimal])[] {
  const digits = text.replace(/[^\d.,]/g, '');
  const isComma = digits.includes(',');
  const whole = digits.replace(/[.,]/g, '');
  const parts = digits.replace(',', '.');
  return [
    [`${whole} in whole`, isComma ? 'point' : 'comma'],
    [`${plain(Number(parts), 3)} with decimals`, isComma ? 'comma' : 'point'],
  ];
}

interface AskProps {
  readonly open: boolean;
  readonly text: string;
  readonly children: ReactNode;
}

function Ask({ open, text, children }: AskProps) {
  if (!open) return null;
  return (
    <fieldset className={css.ask}>
      <legend>{text}</legend>
      <span className={css.choices}>{children}</span>
    </fieldset>
  );
}

const Choice = ({ text, onPick }: { readonly text: string; readonly onPick: () => void }) => (
  <button type="button" className="plain-button" onClick={onPick}>
    {text}
  </button>
);
