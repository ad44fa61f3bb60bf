import { TextInput } from '@mantine/core';
import { useEffect, useState } from 'react';
import { toMegabits } from '../core/units/convert.ts';
import { parseRate } from '../core/units/parse.ts';
import { parseText } from '../text/amount.ts';
import { MBpsText, plain } from '../text/quantity.ts';

interface RateFieldProps {
  readonly label: string;
  /** Mb/s; NaN while what is typed cannot be read. */
  readonly value: number | string | null | undefined;
  readonly onChange: (Mbps: number | '') => void;
  readonly error?: unknown;
  readonly className?: string | undefined;
}

/** A bare number is Mb/s, as the field says. */
const withUnit = (text: string): string => (/^\s*[\d.,’'\s]+$/.test(text) && /\d/.test(text) ? `${text} Mb/s` : text);

const shown = (value: RateFieldProps['value']): string =>
  typeof value === 'number' && Number.isFinite(value) ? `${plain(value, 4)} Mb/s` : '';

/** A rate typed with its unit, `500 Mb/s` or `62.5 MB/s`, with the reading shown in both. A bare number is Mb/s. */
export function RateField({ label, value, onChange, error, className }: RateFieldProps) {
  const [text, setText] = useState(shown(value));
  const read = parseRate(withUnit(text));
  const current = read.ok ? toMegabits(read.value.value) : Number.NaN;
  useEffect(() => {
    // Taken over when the form itself changes the rate; not while it only echoes what is being typed.
    if (typeof value === 'number' && Number.isFinite(value) && value !== current) setText(shown(value));
  }, [value, current]);
  const change = (next: string): void => {
    setText(next);
    const parsed = parseRate(withUnit(next));
    onChange(next.trim() === '' ? '' : parsed.ok ? toMegabits(parsed.value.value) : Number.NaN);
  };
  const typed = text.trim() !== '';
  return (
    <TextInput
      label={label}
      className={className}
      value={text}
      placeholder="500 Mb/s"
      autoComplete="off"
      inputWrapperOrder={['label', 'input', 'description', 'error']}
      description={typed && read.ok ? `= ${MBpsText(read.value.value)}` : 'Mb/s or MB/s'}
      error={typed && !read.ok ? parseText('rate', read.error) : error ? String(error) : null}
      onChange={(event) => change(event.currentTarget.value)}
    />
  );
}
