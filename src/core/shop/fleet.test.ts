import { expect, it } from 'vitest';
import { DEFAULT_POLICY } from '../match/policy.ts';
import { RETEST } from '../prove/age.ts';
import { aBody, aCard, aNeed, aSlot, aTest } from '../testing.ts';
import { fleet } from './fleet.ts';

const TODAY = '2027-06-01';
const of = (kit: Partial<Parameters<typeof fleet>[0]>, needs: Parameters<typeof fleet>[1] = []) =>
  fleet({ bodies: [aBody()], cards: [aCard()], tests: [], ...kit }, needs, DEFAULT_POLICY, {
    retest: RETEST,
    today: TODAY,
  });
const incident = (kind: 'warning' | 'corruption', date: string) => ({ date, kind, text: '' });
const advice = (card: Parameters<typeof aCard>[0], tests = [] as ReturnType<typeof aTest>[]) =>
  of({ cards: [aCard(card)], tests }).cards[0]?.advice.map(({ code }) => code);

it('says what to retire, to look at, to verify and to test again', () => {
  expect(advice({})).toEqual([]);
  expect(advice({ incidents: [incident('corruption', '2026-01-01')] })).toEqual(['retire']);
  expect(advice({ incidents: [incident('warning', '2026-01-01')] })).toEqual(['look']);
  // What was tested since is known again.
  expect(advice({ incidents: [incident('warning', '2026-01-01')] }, [aTest({ date: '2027-01-01' })])).toEqual([]);
  expect(advice({}, [aTest({ date: '2026-05-01' })])).toEqual(['retest']);
  expect(advice({ marks: ['SDHC', 'II', 'V90'] })).toEqual(['verify']);
  expect(advice({ marks: ['SDHC', 'II', 'V90'], verified: { date: '2027-01-01', how: 'filled' } })).toEqual([]);
});

it('puts what is to be done first, then the oldest; retired cards are none of it', () => {
  const cards = [
    aCard({ id: 'new', boughtOn: '2027-01-01' }),
    aCard({ id: 'old', boughtOn: '2020-01-01' }),
    aCard({ id: 'bad', incidents: [incident('corruption', '2026-01-01')] }),
    aCard({ id: 'gone', retired: true }),
  ];
  const found = of({ cards }).cards;
  expect(found.map(({ cardId }) => cardId)).toEqual(['bad', 'old', 'new']);
  expect(found[1]?.ageMonths).toBe(89);
});

it('counts slots against cards, for the modes that are needed', () => {
  const two = [aSlot(), aSlot({ id: 's2' })];
  const single = aBody({ slots: two });
  const mirrored = aBody({ arrangement: 'mirrored', slots: two });
  expect(of({ bodies: [single] }).short).toEqual([{ bodyId: 'b', modeId: 'm', slots: 2, atOnce: false, cards: 1 }]);
  expect(of({ bodies: [mirrored] }).short[0]).toMatchObject({ atOnce: true, cards: 1 });
  expect(of({ bodies: [mirrored], cards: [aCard(), aCard({ id: 'c2' })] }).short).toEqual([]);
  expect(of({ bodies: [mirrored] }, [aNeed({ bodyId: 'other' })]).short).toEqual([]);
});
