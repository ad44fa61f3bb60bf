import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { DayViewKit } from '../../src/app/day/dayKit.ts';
import type { LiveCard } from '../../src/app/day/live.ts';
import { newPlan } from '../../src/app/day/newPlan.ts';
import type { CardState } from '../../src/core/kit/model.ts';
import type { PlannedDay } from '../../src/core/rotation/plannedDay.ts';
import { aBody, aCard, aSlot } from '../../src/core/testing.ts';
import { AskPress } from '../../src/islands/day/AskPress.tsx';
import { LiveCards } from '../../src/islands/day/LiveCards.tsx';
import { NextSwap } from '../../src/islands/day/NextSwap.tsx';
import { draw, words } from './draw.tsx';

const body = aBody({
  id: 'b',
  name: 'Wherry',
  slots: [aSlot({ id: 's1', name: 'Slot A' }), aSlot({ id: 's2', name: 'Slot B' })],
});
const card = aCard({ id: 'c', label: 'A-02' });
const kit = { bodies: [body], cards: [card] } as unknown as DayViewKit;
const plan = { ...newPlan([]), cardIds: ['c'], blocks: [{ bodyId: 'b' }] as never };
const live = (state: CardState, next: CardState): LiveCard => ({
  card,
  state,
  next,
  press: null,
  differs: null,
  isFaulty: false,
});

function asked(state: CardState, to: CardState) {
  const onPress = vi.fn();
  draw(
    <AskPress
      asked={{ live: live(state, 'free'), to }}
      kit={kit}
      plan={plan}
      atStake="up to 118 GB"
      onClose={vi.fn()}
      onPress={onPress}
    />,
  );
  return { onPress, dialog: screen.getByRole('dialog') };
}

describe('a press that is asked about', () => {
  it('of a card that is not safe: what is at stake, and a reason before it is noted', () => {
    const { onPress, dialog } = asked('full', 'free');
    expect(words(dialog)).toContain('A-02 is not safe to wipe');
    expect(words(dialog)).toContain('At stake: up to 118 GB.');
    const sure = screen.getByRole('button', { name: 'Mark it anyway' }) as HTMLButtonElement;
    expect(sure.disabled, 'nothing is noted without a reason').toBe(true);
    fireEvent.change(screen.getByRole('textbox'), { target: { value: 'copied at home, by hand' } });
    fireEvent.click(screen.getByRole('button', { name: 'Mark it anyway' }));
    const [noted] = onPress.mock.calls[0] as [{ readonly override: string }];
    expect(noted).toMatchObject({ cardId: 'c', to: 'free' });
    expect(noted.override).toMatch(/At stake: up to 118 GB\. copied at home, by hand$/);
  });

  it('into a camera: every slot of the day’s cameras is offered', () => {
    const { dialog } = asked('free', 'in-body');
    expect(words(dialog)).toContain('Into which slot');
    for (const slot of ['Wherry, slot a', 'Wherry, slot b']) expect(words(dialog)).toContain(slot);
    const sure = screen.getByRole('button', { name: 'In a camera' }) as HTMLButtonElement;
    expect(sure.disabled, 'without a slot').toBe(true);
  });
});

describe('the next swap', () => {
  it.each([
    [['b'], 'until the next card change, planned from the start of the day', true],
    [[], 'until the next card change, planned from the states you noted', false],
  ])('says what it is reckoned from: nothing pressed for %j', (asPlanned, from, isSaid) => {
    const day = { asPlanned, blocks: [] } as unknown as PlannedDay;
    const names = { body: () => 'Wherry', card: (id: string) => id, clock: () => '11:16' } as never;
    const swap = { atSeconds: 100, bodyId: 'b', slotId: 's1', outCardId: 'x', inCardId: 'c' };
    draw(
      <NextSwap
        kit={kit}
        day={day}
        names={names}
        swap={swap}
        seconds={40}
        onSwap={vi.fn()}
        loaded={[]}
        onLoaded={vi.fn()}
        isNoted
      />,
    );
    const said = words(screen.getByRole('region', { name: 'The next card change' }));
    expect(said).toContain(from);
    expect(said.includes('Nothing was noted for Wherry')).toBe(isSaid);
    expect(said).toContain('1:00');
  });
});

describe('what the plan has in the cameras', () => {
  it('is said where nobody noted it, and confirmed in one press', () => {
    const onLoaded = vi.fn();
    const day = { asPlanned: ['b'], blocks: [] } as unknown as PlannedDay;
    const names = { body: () => 'Wherry', card: (id: string) => id, clock: () => '11:16' } as never;
    const loaded = [{ cardId: 'A-01', bodyId: 'b', slotId: 's1', fromSeconds: 0 }];
    draw(
      <NextSwap
        kit={kit}
        day={day}
        names={names}
        swap={null}
        seconds={40}
        onSwap={vi.fn()}
        loaded={loaded}
        onLoaded={onLoaded}
        isNoted={false}
      />,
    );
    expect(words(screen.getByRole('region', { name: 'The next card change' }))).toContain(
      'By the plan A-01 is in Wherry, Slot A.',
    );
    fireEvent.click(screen.getByRole('button', { name: 'That is so' }));
    expect(onLoaded).toHaveBeenCalledOnce();
  });
});

describe('the cards of the day', () => {
  it('each says where it stands and what comes next', () => {
    const onPress = vi.fn();
    draw(
      <LiveCards
        cards={[live('full', 'copying')]}
        kit={kit}
        copies={2}
        day={null}
        scanned={null}
        onPress={onPress}
        onCompare={vi.fn()}
        onFaulty={null}
      />,
    );
    const all = words(screen.getByRole('region', { name: 'Cards' }));
    expect(all).toContain('A-02');
    expect(all).toContain('do not format');
    expect(all, 'what is not known of a card is not said').not.toMatch(/undefined|null|NaN/);
  });

  it('of one that the plan has recorded on, though nobody pressed it, says so', () => {
    const day = { recordedAsPlanned: ['c'], frees: [] } as unknown as PlannedDay;
    const rows = (state: CardState, next: CardState): string => {
      draw(
        <LiveCards
          cards={[live(state, next)]}
          kit={kit}
          copies={2}
          day={day}
          scanned={null}
          onPress={vi.fn()}
          onCompare={vi.fn()}
          onFaulty={null}
        />,
      );
      return words(screen.getAllByRole('region', { name: 'Cards' }).at(-1) as HTMLElement);
    };
    expect(rows('free', 'in-body')).toContain('recorded on by the plan, and not noted: look before it goes in');
    expect(rows('verified', 'free'), 'somebody said more than that').not.toContain('by the plan');
  });

  it('one is taken out as faulty in two presses; what is on it still has to be copied', () => {
    const onFaulty = vi.fn();
    const rows = (card: LiveCard) =>
      draw(
        <LiveCards
          cards={[card]}
          kit={kit}
          copies={2}
          day={null}
          scanned={null}
          onPress={vi.fn()}
          onCompare={vi.fn()}
          onFaulty={onFaulty}
        />,
      );
    rows(live('full', 'copying'));
    fireEvent.click(screen.getByRole('button', { name: 'A-02: another state' }));
    fireEvent.click(screen.getByRole('button', { name: 'Faulty: take it out of the day' }));
    expect(onFaulty).toHaveBeenCalledWith(card);
    rows({ ...live('full', 'copying'), isFaulty: true });
    const row = screen.getAllByRole('region', { name: 'Cards' }).at(-1) as HTMLElement;
    expect(words(row)).toContain('faulty: out of the plan; what is on it still has to be copied and verified');
    const [first, second] = screen.getAllByRole('button', { name: 'A-02: another state' });
    fireEvent.click(second ?? (first as HTMLElement));
    expect(screen.queryAllByRole('button', { name: 'Faulty: take it out of the day' })).toEqual([]);
  });
});
