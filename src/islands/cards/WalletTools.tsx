import { Select, TextInput } from '@mantine/core';
import type { WalletView } from '../../app/cards/wallet.ts';
import type { CardState } from '../../core/kit/model.ts';
import type { Form } from '../../core/standards/forms.ts';
import { FORM_CHOICES, STATE_CHOICES } from '../../ui/choices.ts';
import css from './WalletTools.module.css';

const plural = (count: number): string => (count === 1 ? '1 card' : `${count} cards`);

interface WalletToolsProps {
  readonly view: WalletView;
  readonly shown: number;
  readonly all: number;
  readonly onView: (view: WalletView) => void;
}

const STATES = [...STATE_CHOICES, { value: 'retired', label: 'retired' }];

/** Search and filters over the wallet. */
export function WalletTools({ view, shown, all, onView }: WalletToolsProps) {
  const still = { transitionProps: { duration: 0 } } as const;
  return (
    <search className={css.tools}>
      <TextInput
        aria-label="Search cards"
        placeholder="Find name, mark, note"
        value={view.search}
        onChange={(event) => onView({ ...view, search: event.currentTarget.value })}
      />
      <Select
        aria-label="Only this form"
        placeholder="Every type"
        clearable
        clearButtonProps={{ 'aria-label': 'Every type' }}
        data={FORM_CHOICES}
        value={view.form}
        comboboxProps={still}
        onChange={(form) => onView({ ...view, form: form as Form | null })}
      />
      <Select
        aria-label="Only this state"
        placeholder="Every state"
        clearable
        clearButtonProps={{ 'aria-label': 'Every state' }}
        data={STATES}
        value={view.state}
        comboboxProps={still}
        onChange={(state) => onView({ ...view, state: state as CardState | 'retired' | null })}
      />
      <span className={css.count} role="status">
        {shown === all ? plural(all) : `${shown} of ${plural(all)}`}
      </span>
    </search>
  );
}
