import { describe, expect, it } from 'vitest';
import { board } from '../../core/match/board.ts';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { aBody, aCard, aMode, aSlot } from '../../core/testing.ts';
import { busLine } from './placeLines.ts';

/** What Why says of the bus of one card of SD in a UHS-I slot, at a rate that fills so much of it. */
function lineAt(MBps: number) {
  const body = aBody({
    slots: [aSlot({ accepts: [{ form: 'sd', bus: 'uhs-i' }] })],
    modes: [aMode({ rate: { kind: 'stated', Mbps: MBps * 8, is: 'maximum' } })],
  });
  const cell = board({ bodies: [body], cards: [aCard({ bus: 'uhs-i' })], tests: [] }, DEFAULT_POLICY).columns[0]?.[0];
  const finding = cell?.findings.find(({ rule }) => rule === 'bus');
  if (finding?.rule !== 'bus') throw new Error('no bus');
  return busLine(finding);
}

describe('a bus in Why', () => {
  it('is said to be remembered where so little is left that a row somewhat off would change the answer', () => {
    expect(lineAt(85).more).toContain('from memory of the standard');
    expect(lineAt(30).more ?? '').not.toContain('from memory');
  });
});
