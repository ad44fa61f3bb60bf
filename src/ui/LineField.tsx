import { type ReactNode, useEffect, useId, useRef, useState } from 'react';
import { openNumberText } from '../text/amount.ts';
import css from './LineField.module.css';
import { typedNumber } from './typedNumber.ts';

/** One written line: what it is on the left, what it is set to on the right. */
export function Line({ label, htmlFor, note, children }: LineProps) {
  return (
    <div className={css.line}>
      <label className={css.label} htmlFor={htmlFor}>
        {label}
        {note && <span className={css.note}>{note}</span>}
      </label>
      <span className={css.value}>{children}</span>
    </div>
  );
}

interface LineProps {
  readonly label: string;
  readonly htmlFor: string;
  readonly note?: string | undefined;
  readonly children: ReactNode;
}

interface Choice {
  readonly value: string;
  readonly label: string;
  /** Choices of one group stand together under its name. */
  readonly group?: string;
}

interface ChoiceLineProps {
  readonly label: string;
  readonly value: string;
  readonly choices: readonly Choice[];
  readonly onChange: (value: string) => void;
}

function groupsOf(choices: readonly Choice[]): readonly (readonly [string, readonly Choice[]])[] {
  const names = [...new Set(choices.map(({ group }) => group ?? ''))];
  return names.map((name) => [name, choices.filter(({ group }) => (group ?? '') === name)]);
}

const option = ({ value, label }: Choice) => (
  <option key={value} value={value}>
    {label}
  </option>
);

/** One of a closed list; the browser's own list works with gloves, keyboard and screen reader. */
export function ChoiceLine({ label, value, choices, onChange }: ChoiceLineProps) {
  const id = useId();
  return (
    <Line label={label} htmlFor={id}>
      <select id={id} className={css.control} value={value} onChange={(event) => onChange(event.currentTarget.value)}>
        {groupsOf(choices).map(([group, members]) =>
          group ? (
            <optgroup key={group} label={group}>
              {members.map(option)}
            </optgroup>
          ) : (
            members.map(option)
          ),
        )}
      </select>
    </Line>
  );
}

interface CheckLineProps {
  readonly id: string;
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

export function CheckLine({ id, label, checked, onChange }: CheckLineProps) {
  return (
    <Line label={label} htmlFor={id}>
      <input
        id={id}
        type="checkbox"
        className={css.check}
        checked={checked}
        onChange={(event) => onChange(event.currentTarget.checked)}
      />
    </Line>
  );
}

interface NumberLineProps {
  readonly label: string;
  readonly value: number | null;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly whole?: boolean;
  readonly digits?: number;
  /** Null is allowed, and what an empty field then means. */
  readonly empty?: string | undefined;
  readonly note?: string | undefined;
  /** Beside the value: a way back to what is known without it. */
  readonly reset?: (() => void) | undefined;
  /** Told on leaving the field or Enter alone, where each change is stored. */
  readonly onLeave?: boolean;
  readonly onChange: (value: number | null) => void;
}

const written = (value: number | null, digits: number): string =>
  value === null ? '' : String(Number(value.toFixed(digits)));

const signed = (value: number): string => String(value).replace('-', '−');

type Read = { readonly ok: true; readonly value: number | null } | { readonly ok: false; readonly problem: string };

function read(text: string, { label, unit, min, max, whole, empty }: NumberLineProps): Read {
  const clean = text.trim();
  const of = unit ? `, ${unit}` : '';
  if (clean === '')
    return empty ? { ok: true, value: null } : { ok: false, problem: `${label} is missing. Enter a number${of}.` };
  const typed = typedNumber(clean, { min, max });
  if (!typed.ok && typed.error.code === 'open-number')
    return { ok: false, problem: `${openNumberText(clean, typed.error.couldBe)} The value before still stands.` };
  const value = typed.ok ? typed.value : Number.NaN;
  const kind = whole ? 'a whole number' : 'a number';
  if (!Number.isFinite(value) || value < min || value > max || (whole && !Number.isInteger(value)))
    return {
      ok: false,
      problem: `${label} is ${kind} from ${signed(min)} to ${signed(max)}${of}. The value before still stands.`,
    };
  return { ok: true, value };
}

/** Pause after which what was typed counts, milliseconds. */
const TYPING = 250;

/** A number with its unit. What is wrong with it stands under the line, and the run keeps the value before. */
export function NumberLine(props: NumberLineProps) {
  const { label, value, unit, note, digits = 2, empty, reset, onLeave, onChange } = props;
  const id = useId();
  const [text, setText] = useState(written(value, digits));
  const now = read(text, props);
  /** What was handed on last, as it is written. */
  const sent = useRef<string | null>(null);
  const isFurther = useRef(false);
  isFurther.current = !now.ok || written(now.value, digits) !== sent.current;
  // What was handed on may come back after more was typed: that is not written over.
  useEffect(() => {
    const came = written(value, digits);
    const isOwn = came === sent.current && isFurther.current;
    sent.current = null;
    if (!isOwn) setText(came);
  }, [value, digits]);
  const keep = (): void => {
    if (!now.ok || written(now.value, digits) === written(value, digits)) return;
    sent.current = written(now.value, digits);
    onChange(now.value);
  };
  const latest = useRef(keep);
  latest.current = keep;
  // A pause in typing, so that `1` on the way to `18` is never run.
  useEffect(() => {
    if (onLeave || text === written(value, digits)) return;
    const timer = setTimeout(() => latest.current(), TYPING);
    return () => clearTimeout(timer);
  }, [text, value, digits, onLeave]);
  return (
    <>
      <Line label={label} htmlFor={id} note={note}>
        {reset && (
          <button type="button" className={css.reset} onClick={reset} aria-label={`Reset ${label}`} title="Reset">
            ↺
          </button>
        )}
        <input
          id={id}
          className={css.control}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          placeholder={empty}
          size={Math.max(3, (text || empty || '').length)}
          aria-invalid={!now.ok}
          aria-describedby={now.ok ? undefined : `${id}-problem`}
          onChange={(event) => setText(event.currentTarget.value)}
          onBlur={keep}
          onKeyDown={(event) => {
            if (event.key === 'Enter') keep();
            if (event.key === 'Escape') setText(written(value, digits));
          }}
        />
        {unit && (text !== '' || !empty) && <span className={css.unit}>{unit}</span>}
      </Line>
      {!now.ok && (
        <p id={`${id}-problem`} className={css.problem} role="alert">
          {now.problem}
        </p>
      )}
    </>
  );
}

/** Moves to the first field of a form that says something is wrong; answers whether there is one. */
export function goToInvalid(form: HTMLFormElement): boolean {
  const field = form.querySelector<HTMLElement>('[aria-invalid="true"]');
  field?.focus();
  return field !== null;
}
