import { describe, expect, it } from 'vitest';
import type { Accepts, Card, Mode } from '../../src/core/kit/model.ts';
import { answerAsk } from '../../src/core/match/ask/answerAsk.ts';
import { readAsk } from '../../src/core/match/ask/readAsk.ts';
import { board, cellFor } from '../../src/core/match/board.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { aBody, aCard, aMode, aSlot } from '../../src/core/testing.ts';
import { SLIP_TEXTS } from '../../src/text/drill/slips.ts';
import { GUIDE } from '../../src/text/guide/guide.ts';
import { findingText } from '../../src/text/match/finding.ts';

/** One case of a row of the tables: a card in a slot at a rate, the same typed as a line, and what Why says of it. */
interface Row {
  readonly slot: Accepts;
  readonly card: Partial<Card>;
  readonly mode: Partial<Mode>;
  readonly line: string;
  readonly verdict: string;
  readonly why: RegExp;
}

const cfx = (bus: 'cfexpress-2' | 'cfexpress-4'): Accepts => ({ form: 'cfexpress-b', bus });
const rate = (Mbps: number, is: 'maximum' | 'average' = 'maximum') => ({ rate: { kind: 'stated', Mbps, is } }) as const;

const ROWS: readonly (readonly [name: string, row: Row])[] = [
  [
    'VPG800 over the link before its own is one of 400',
    {
      slot: cfx('cfexpress-2'),
      card: { form: 'cfexpress-b', marks: ['VPG800'], capacityGB: 1000 },
      mode: { ...rate(3840), fps: 25 },
      line: '3840 Mb/s 25p on 1TB CFexpress B 2.0 VPG400',
      verdict: 'uncovered',
      why: /VPG800 does not count on CFexpress 2\.0/,
    },
  ],
  [
    'VPG800 over its own link, which is remembered and said so',
    {
      slot: cfx('cfexpress-4'),
      card: { form: 'cfexpress-b', marks: ['VPG800'], capacityGB: 1000 },
      mode: { ...rate(3840), fps: 25 },
      line: '3840 Mb/s 25p on 1TB CFexpress B 4.0 VPG800',
      verdict: 'guaranteed',
      why: /from memory of the standard/,
    },
  ],
  [
    'a minimum above what UHS-II is sure of, where half duplex is not told',
    {
      slot: { form: 'sd', bus: 'uhs-ii' },
      card: { marks: ['II', 'V90'], minimumMBps: 200 },
      mode: { ...rate(1200), fps: 25 },
      line: '1200 Mb/s 25p on 256GB V90 II min 200MB/s',
      verdict: 'uncovered',
      why: /half duplex at 312 MB\/s on both sides/,
    },
  ],
  [
    'VPG65 on CFast is a mark of another form, and no counterfeit',
    {
      slot: { form: 'cfast', bus: 'sata-6' },
      card: { form: 'cfast', marks: ['VPG65'], capacityGB: 128 },
      mode: { ...rate(200), fps: 25 },
      line: '200 Mb/s 25p on 128GB CFast VPG65',
      verdict: 'uncovered',
      why: /VPG65 does not count on SATA 6 Gb\/s/,
    },
  ],
  [
    'an average of long-GOP may peak at twice',
    {
      slot: { form: 'sd', bus: 'uhs-ii' },
      card: { marks: ['II', 'V60'] },
      mode: { ...rate(400, 'average'), codec: 'long-gop', fps: 25 },
      line: 'avg 400 Mb/s long-GOP 25p on 256GB V60 II',
      verdict: 'uncovered',
      why: /V60 counts in this slot \(UHS-II\)/,
    },
  ],
];

describe('a row that changed has one answer', () => {
  it.each(ROWS)('%s: on the board, in Why, as a line', (_, { slot, card: print, mode: part, line, verdict, why }) => {
    const mode = aMode({ ...part, overhead: null });
    const body = aBody({
      slots: [aSlot({ accepts: [slot], family: slot.form === 'sd' ? 'sdxc' : null })],
      modes: [mode],
    });
    const card = aCard({ usableGB: null, ...print });
    const [[cell] = []] = board({ bodies: [body], cards: [card], tests: [] }, DEFAULT_POLICY).columns;
    expect(cell?.verdict).toBe(verdict);
    const alone = cellFor({ body, mode, card, cards: [card], tests: [], policy: DEFAULT_POLICY });
    expect(alone).toEqual(cell);
    expect(alone.findings.map(findingText).join(' ').replaceAll('\u00a0', ' ')).toMatch(why);
    const ask = readAsk(line);
    const answer = ask.ok ? answerAsk(ask.value, DEFAULT_POLICY) : ask;
    expect(answer.ok && answer.value.cell?.verdict, line).toBe(verdict);
  });

  it('and one sentence, in the guide and in the drill', () => {
    const text = JSON.stringify(GUIDE).replaceAll('\u00a0', ' ');
    for (const said of [
      'on a card formatted in the camera, recorded as the class wants it',
      'on CFexpress 4.0 only, with a host that supports it',
      '312 MB/s half duplex is an option that both sides must have',
      'not a number of rows',
      'the rate of a data disc',
      'declared by the maker under licence',
      'C2 to C6 are of default speed, C10 of High speed',
      'needs a host for that queues commands',
    ])
      expect(text, said).toContain(said);
    expect(text).not.toMatch(/in sequence, always|over two rows|audio/);
    expect(SLIP_TEXTS['not-in-force'].why).toContain('V60 and V90 count over UHS-II and UHS-III only');
  });
});
