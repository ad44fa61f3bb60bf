import { TextInput } from '@mantine/core';
import { type ReactNode, useEffect, useState } from 'react';
import { openNumberText } from '../text/amount.ts';
import css from './NumberField.module.css';
import { typedNumber } from './typedNumber.ts';

interface NumberFieldProps {
  readonly label: string;
  /** A number; `''` or null where it is not known; a text that is no number yet. */
  readonly value: unknown;
  readonly onChange: (value: number | string) => void;
  readonly error?: unknown;
  readonly unit?: string;
  readonly placeholder?: string;
  readonly className?: string | undefined;
  readonly description?: ReactNode;
  /** Reads what is no plain number, when the field is left: `1h05`. */
  readonly reads?: (text: string) => number | null;
}

const written = (value: unknown): string => (value === null || value === undefined ? '' : String(value));

/**
 * A number with its unit written behind it; empty means not known. It is typed as text, since the library's own number
 * input drops a sign it does not expect and so turns `12,5` into 125. A number that may be a thousand times what it may
 * also be is asked about, one press each.
 */
export function NumberField(props: NumberFieldProps) {
  const { label, value, onChange, error, unit, className, description, placeholder = 'not known', reads } = props;
  const [text, setText] = useState(written(value));
  const read = typedNumber(text);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is typed is looked at when the number changes, never when it is typed
  useEffect(() => {
    // Taken over when the form itself changes the number; not while it only echoes what is being typed.
    const echoed = typedNumber(text);
    if (written(value) !== text && !(echoed.ok && echoed.value === value)) setText(written(value));
  }, [value]);
  const change = (next: string): void => {
    setText(next);
    const now = typedNumber(next);
    onChange(next.trim() === '' ? '' : now.ok && Number.isFinite(now.value) ? now.value : next);
  };
  const open = !read.ok && read.error.code === 'open-number' ? read.error : null;
  return (
    <TextInput
      label={unit ? `${label}, ${unit}` : label}
      className={className}
      description={description}
      placeholder={placeholder}
      inputMode="decimal"
      autoComplete="off"
      value={text}
      onBlur={() => {
        const whole = read.ok ? null : (reads?.(text) ?? null);
        if (whole !== null) change(String(whole));
      }}
      error={
        open ? (
          <span className={css.open}>
            {openNumberText(open.text, open.couldBe)}{' '}
            {open.couldBe.map((one) => (
              <button key={one} type="button" className="plain-button" onClick={() => change(String(one))}>
                {one}
              </button>
            ))}
          </span>
        ) : error ? (
          String(error)
        ) : null
      }
      onChange={(event) => change(event.currentTarget.value)}
    />
  );
}
