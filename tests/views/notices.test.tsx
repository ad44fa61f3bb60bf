import { Notifications, notifications } from '@mantine/notifications';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { alarm, remark } from '../../src/ui/notices.ts';
import { undoNotice } from '../../src/ui/undoNotice.tsx';
import { draw, words } from './draw.tsx';

/** As the shell shows them: three at a time. */
const shown = (): void => void draw(<Notifications limit={3} transitionDuration={0} withinPortal={false} />);
const read = (): string => words(document.body);
const told = (tell: () => void): void => act(tell);

afterEach(() =>
  act(() => {
    notifications.hide('done');
    notifications.clean();
  }),
);

describe('what was done', () => {
  it('stands there once, the newest, with how many came before it', () => {
    shown();
    told(() => undoNotice({ id: 1, what: 'C-01 saved.' }));
    expect(read()).toContain('C-01 saved.');
    expect(read()).not.toContain('before it');
    told(() => undoNotice({ id: 2, what: 'C-02 saved.' }));
    told(() => undoNotice({ id: 3, what: 'C-03 saved.' }));
    expect(read()).toContain('C-03 saved. Undo · 2 more before it, under Kit, Last changes');
    expect(read()).not.toContain('C-02');
    expect(screen.getAllByRole('button', { name: 'Undo' })).toHaveLength(1);
  });

  it('counts no save that changed nothing, and begins anew once it was closed', () => {
    shown();
    told(() => undoNotice({ id: null, what: 'C-01 saved.' }));
    expect(screen.queryByRole('button', { name: 'Undo' })).toBeNull();
    told(() => undoNotice({ id: 2, what: 'C-02 saved.' }));
    expect(read()).not.toContain('before it');
    told(() => notifications.hide('done'));
    told(() => undoNotice({ id: 3, what: 'C-03 saved.' }));
    expect(read()).not.toContain('before it');
  });
});

describe('what went wrong', () => {
  it('is seen whatever stands there, once, until it is closed', async () => {
    shown();
    for (const at of [1, 2, 3, 4]) told(() => remark(`remark ${at}`));
    told(() => undoNotice({ id: 1, what: 'C-01 saved.' }));
    expect(read()).not.toContain('remark 4');
    told(() => alarm('Not saved: no room.'));
    told(() => alarm('Not saved: no room.'));
    expect(read().match(/Not saved: no room\./g)).toHaveLength(1);
    const notice = screen.getAllByRole('alert').find((one) => words(one).includes('Not saved'));
    fireEvent.click(notice?.querySelector('button') as Element);
    await waitFor(() => expect(read()).not.toContain('Not saved'));
  });
});
