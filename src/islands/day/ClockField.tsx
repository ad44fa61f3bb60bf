import { TextInput } from '@mantine/core';
import { useEffect, useState } from 'react';
import { readClockTime } from '../../app/day/clockTime.ts';

interface ClockFieldProps {
  readonly label: string;
  /** What the form library hands over for this path. */
  readonly props: object;
}

/** A clock time as people type it: 9, 930, 9.30, 9:30, 2 pm. */
export function ClockField({ label, props }: ClockFieldProps) {
  const { value, onChange, error } = props as {
    readonly value?: unknown;
    readonly onChange: (value: string) => void;
    readonly error?: unknown;
  };
  const [text, setText] = useState(String(value ?? ''));
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is typed is looked at when the time changes, never when it is typed
  useEffect(() => {
    if (readClockTime(text) !== value) setText(String(value ?? ''));
  }, [value]);
  const read = readClockTime(text);
  return (
    <TextInput
      label={label}
      inputMode="text"
      autoComplete="off"
      placeholder="09:30"
      value={text}
      error={text !== '' && read === null ? 'A time like 9:30 or 14:00' : error ? String(error) : null}
      description={read !== null && read !== text ? read : undefined}
      onBlur={() => {
        if (read !== null) setText(read);
      }}
      onChange={({ currentTarget }) => {
        setText(currentTarget.value);
        onChange(readClockTime(currentTarget.value) ?? currentTarget.value);
      }}
    />
  );
}
