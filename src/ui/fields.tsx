import { Select, TextInput } from '@mantine/core';
import type { ChangeEvent, ReactNode } from 'react';
import { NumberField as TypedNumber } from './NumberField.tsx';

/** What the form library hands a field; kept loose because it is its own type that changes with the field. */
type FieldProps = object & { readonly value?: unknown; readonly onChange?: unknown; readonly error?: unknown };

interface Common {
  readonly label: string;
  readonly props: FieldProps;
  readonly className?: string | undefined;
  readonly description?: ReactNode;
}

/** A number with its unit written behind it; empty means not known. */
export function NumberField({
  label,
  props,
  ...rest
}: Common & { readonly unit?: string; readonly placeholder?: string }) {
  // What the form library hands over for this path: a value, a change, an error.
  const { value, onChange, error } = props as {
    readonly value?: unknown;
    readonly onChange: (value: number | string) => void;
    readonly error?: unknown;
  };
  return <TypedNumber label={label} value={value} onChange={onChange} error={error} {...rest} />;
}

export function TextField({
  label,
  props,
  className,
  description,
  placeholder,
  autoFocus = false,
}: Common & { readonly placeholder?: string; readonly autoFocus?: boolean }) {
  return (
    <TextInput
      autoFocus={autoFocus}
      label={label}
      className={className}
      description={description}
      placeholder={placeholder}
      autoComplete="off"
      {...(props as Record<string, unknown>)}
      value={(props.value ?? '') as string}
    />
  );
}

/** A day, in the browser's own way of choosing one; empty where it is not noted. */
export function DateField({ label, props, className }: Common) {
  const { value, onChange, error } = props as {
    readonly value?: unknown;
    readonly onChange: unknown;
    readonly error?: unknown;
  };
  return (
    <TextInput
      type="date"
      label={label}
      className={className}
      value={typeof value === 'string' ? value.slice(0, 10) : ''}
      error={error ? String(error) : null}
      onChange={onChange as (event: ChangeEvent<HTMLInputElement>) => void}
    />
  );
}

interface Choice {
  readonly value: string;
  readonly label: string;
}

/** One of a closed list; with `unknown` an empty choice stands for not known. */
export function ChoiceField({
  label,
  props,
  data,
  className,
  description,
  unknown,
}: Common & { readonly data: readonly Choice[]; readonly unknown?: string }) {
  return (
    <Select
      label={label}
      className={className}
      description={description}
      data={[...data]}
      allowDeselect={unknown !== undefined}
      clearable={unknown !== undefined}
      clearButtonProps={{ 'aria-label': `Clear ${label}` }}
      placeholder={unknown}
      {...(props as Record<string, unknown>)}
      value={(props.value ?? null) as string | null}
    />
  );
}
