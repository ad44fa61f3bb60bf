import { describe, expect, it } from 'vitest';
import { big, cine, hot } from '../../../../tests/support/aSetup.ts';
import type { Body, Card } from '../../kit/model.ts';
import { board } from '../../match/board.ts';
import { DEFAULT_POLICY } from '../../match/policy.ts';
import { finish } from '../../steps.ts';
import { aBody, aCard, aMode } from '../../testing.ts';
import type { HeatSetup } from './lane.ts';
import { heatMark, holdsByRate } from './mark.ts';
import { marksSteps } from './marks.ts';
import { DEFAULT_PLAN } from './plan.ts';

describe('heat marks', () => {
  const markIn = (plan: HeatSetup['plan'], card: Card = big) => {
    const cell = board({ bodies: [cine], cards: [card], tests: [] }, DEFAULT_POLICY).columns[0]?.[0];
    return cell ? heatMark({ body: cine, cell, card, tests: [], plan, cards: [card] }) : null;
  };

  it('cool, warm and hot as the air and the take grow', () => {
    expect(markIn({ ...DEFAULT_PLAN, minutes: 5, ambientC: 5 })?.level).toBe('cool');
    expect(markIn({ ...DEFAULT_PLAN, minutes: 40, ambientC: 28 })?.level).toBe('warm');
    expect(markIn({ ...hot, minutes: 60 })?.level).toBe('hot');
  });

  it('only where the rate holds', () => {
    const uncovered = { ...big, sustainedMBps: 300 };
    expect(markIn(hot, uncovered)).toBeNull();
    expect(markIn(hot, aCard())).toBeNull();
  });

  it('are hotter in a body that writes to two cards at once', () => {
    const level = (arrangement: Body['arrangement']) => {
      const body = { ...cine, arrangement };
      const cell = board({ bodies: [body], cards: [big], tests: [] }, DEFAULT_POLICY).columns[0]?.[0];
      const plan = { ...DEFAULT_PLAN, minutes: 40 };
      return cell && heatMark({ body, cell, card: big, tests: [], plan, cards: [big] })?.result.peakBodyC;
    };
    expect(level('mirrored')).toBeGreaterThan(level('relay') ?? 99);
  });

  it('do not ask for a policy: headroom moves no cell in or out of those that hold', () => {
    const cards = [big, aCard(), aCard({ id: 'v30', marks: ['V30'] }), { ...big, id: 'vpg', marks: ['VPG400'] }];
    const bodies = [cine, aBody({ id: 'sd', modes: [aMode({ rate: { kind: 'stated', Mbps: 700, is: 'maximum' } })] })];
    const holding = [0, 0.15, 1].map((headroom) =>
      board({ bodies, cards, tests: [] }, { take: 'once', headroom: (headroom * 1000) as never }).columns.map((cells) =>
        cells.map(holdsByRate),
      ),
    );
    expect(holding[0]).toEqual(holding[1]);
    expect(holding[2]).toEqual(holding[1]);
    expect(holding[0]?.flat()).toContain(true);
  });

  it('of many cells are those of each, and none where it does not hold or is gone', () => {
    const kit = { bodies: [cine], cards: [big, aCard()], tests: [] };
    const cells = board(kit, DEFAULT_POLICY).columns.flat();
    const levels = finish(marksSteps({ ...kit, cells, plan: hot }));
    expect(levels).toEqual(
      cells.map((cell) => {
        const card = kit.cards.find(({ id }) => id === cell.cardId) ?? big;
        return heatMark({ body: cine, cell, card, tests: [], plan: hot, cards: kit.cards })?.level ?? null;
      }),
    );
    expect(levels).toContain(markIn(hot)?.level);
    expect(finish(marksSteps({ ...kit, bodies: [], cells, plan: hot }))).toEqual(cells.map(() => null));
  });
});
