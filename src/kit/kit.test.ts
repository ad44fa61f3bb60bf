import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../../tests/support/runs.ts';
import { board } from '../core/match/board.ts';
import { DEFAULT_POLICY } from '../core/match/policy.ts';
import { VERDICTS } from '../core/match/verdict.ts';
import { aBody, aCard, aMode } from '../core/testing.ts';
import { kitRefusalText } from '../text/kit/kitRefusal.ts';
import { problemText } from '../text/kit/problem.ts';
import demo from './demo.coolreel.json' with { type: 'json' };
import { diffKit, isSame } from './diffKit.ts';
import { withDigest } from './digest.ts';
import { kitFileName, kitText } from './exportKit.ts';
import { MAX_FILE, nesting, parseKit, readKit } from './importKit.ts';
import { kitJsonSchema } from './jsonSchema.ts';
import { EMPTY_KIT, type Kit, VERSION } from './kit.ts';
import { stableText } from './stableText.ts';

const kitOf = async (value: unknown): Promise<Kit> => {
  const read = await readKit(value);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value.kit;
};

const refusalOf = async (text: string) => {
  const kit = await parseKit(text);
  if (kit.ok) throw new Error('the text was accepted');
  return kit.error;
};

const withCard = (change: object) => JSON.stringify({ ...EMPTY_KIT, cards: [{ ...aCard(), ...change }] });

describe('reading a kit', () => {
  it('keeps unknown keys at every depth through a round trip', async () => {
    const file = {
      ...EMPTY_KIT,
      later: { idea: [1, 2] },
      bodies: [{ ...aBody({ modes: [{ ...aMode(), tint: 'blue' } as never] }), colour: 'grey' }],
      cards: [{ ...aCard(), boughtAt: 'harbour shop' }],
      settings: { ...EMPTY_KIT.settings, ambientCelsius: 30 },
    };
    const once = await kitOf(JSON.parse(JSON.stringify(file)));
    const twice = await parseKit(kitText(once));
    expect(twice).toEqual({ ok: true, value: { kit: once, version: VERSION, isWhole: null } });
    expect(once).toMatchObject(file);
  });

  describe('that carries the digest of what was written', () => {
    const demoFile = kitText(withDigest(demo as unknown as Kit));
    const read = async (text: string) => {
      const made = await parseKit(text);
      if (!made.ok) throw new Error(made.error.code);
      return made.value;
    };

    it('says that it is whole, however it is set out, and keeps the digest out of the kit', async () => {
      expect(await read(demoFile)).toMatchObject({ isWhole: true });
      expect(await read(JSON.stringify(JSON.parse(demoFile)))).toMatchObject({ isWhole: true });
      const { digest, ...rest } = JSON.parse(demoFile) as Record<string, unknown>;
      const turned = Object.fromEntries(Object.entries({ digest, ...rest }).toReversed());
      expect(await read(JSON.stringify(turned))).toMatchObject({ isWhole: true });
      expect((await read(demoFile)).kit).not.toHaveProperty('digest');
    });

    it('or that it is not, and a file without one is read as before', async () => {
      const changed = demoFile.replace('"capacityGB": 256', '"capacityGB": 257');
      expect(changed).not.toBe(demoFile);
      expect(await read(changed)).toMatchObject({ isWhole: false });
      expect(await read(kitText(demo as unknown as Kit))).toMatchObject({ isWhole: null });
    });

    it('lets no flipped bit in unnoticed', async () => {
      const bytes = new TextEncoder().encode(demoFile);
      const whole = stableText((await read(demoFile)).kit);
      // A digest whose own name was hit is a key that nobody knows.
      const named = (kit: Kit): object => Object.fromEntries(Object.entries(kit).filter(([key]) => key in demo));
      let unnoticed = 0;
      let state = 7;
      for (let n = 0; n < runs(150, 2000); n += 1) {
        state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
        const at = state % bytes.length;
        const flipped = bytes.slice();
        flipped[at] = (bytes[at] as number) ^ (1 << (n % 8));
        const made = await parseKit(new TextDecoder().decode(flipped));
        // A flip in white space or in the digest itself leaves the content whole.
        if (made.ok && made.value.isWhole !== false && stableText(named(made.value.kit)) !== whole) unnoticed += 1;
      }
      expect(unnoticed).toBe(0);
    }, 120_000);
  });

  it('writes unknown optional figures as null, never as zero', async () => {
    const { usableGB, cacheGB, ...rest } = aCard();
    expect(usableGB).toBeNull();
    expect(cacheGB).toBeNull();
    expect((await kitOf({ ...EMPTY_KIT, cards: [rest] })).cards[0]).toMatchObject({ usableGB: null, cacheGB: null });
  });

  it('reads a file that begins with a byte-order mark', async () => {
    expect((await parseKit(`\ufeff${kitText(EMPTY_KIT)}`)).ok).toBe(true);
  });

  it.each([
    ['capacityGB', -1, 'above 0'],
    ['capacityGB', 0, 'above 0'],
    ['capacityGB', '256', 'must be a number'],
    ['capacityGB', 1e9, 'at most 1,000,000'],
    ['label', '', 'empty'],
    ['label', '   ', 'empty'],
    ['form', 'floppy', 'one of: sd, microsd'],
    ['bus', 'pigeon', 'one of: default'],
    ['marks', 'V90', 'must be a list'],
  ])('refuses a card whose %s is %j, with its place', async (key, value, message) => {
    const refusal = await refusalOf(withCard({ [key]: value }));
    expect(refusal.code).toBe('invalid');
    if (refusal.code === 'invalid') {
      expect(refusal.problems[0]?.path).toBe(`cards[0].${key}`);
      const [problem] = refusal.problems;
      expect(problem && problemText(problem)).toContain(message);
    }
  });

  it('refuses two things with one id', async () => {
    const text = JSON.stringify({ ...EMPTY_KIT, cards: [aCard(), aCard()] });
    expect(await refusalOf(text)).toMatchObject({ code: 'invalid', problems: [{ path: 'cards[1]' }] });
  });

  it('refuses raw without a picture size and a stated rate without a number', async () => {
    const bodyWith = (mode: object) =>
      JSON.stringify({ ...EMPTY_KIT, bodies: [aBody({ modes: [{ ...aMode(), ...mode }] })] });
    expect(await refusalOf(bodyWith({ rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 }, width: null }))).toMatchObject(
      {
        problems: [{ path: 'bodies[0].modes[0].width' }],
      },
    );
    expect(await refusalOf(bodyWith({ rate: { kind: 'stated', is: 'maximum' } }))).toMatchObject({
      problems: [{ path: 'bodies[0].modes[0].rate.Mbps', field: 'Mbps', rule: 'any.required' }],
    });
  });

  it('names line and column of broken JSON', async () => {
    const text = kitText(EMPTY_KIT).replace('"cards": []', '"cards": [}');
    const refusal = await refusalOf(text);
    expect(refusal).toMatchObject({ code: 'not-json', line: 5 });
    expect(kitRefusalText(refusal)).toContain('line 5');
    expect((await refusalOf('{"format":')).code).toBe('not-json');
  });

  it.each([
    ['[]', 'not-a-kit'],
    ['null', 'not-a-kit'],
    ['{}', 'not-a-kit'],
    ['"kit"', 'not-a-kit'],
    ['{"format":"cool-reel-kit","version":14}', 'newer-version'],
    ['{"format":"cool-reel-kit","version":0}', 'other-version'],
    ['{"format":"cool-reel-kit","version":1.5}', 'other-version'],
    ['{"format":"cool-reel-kit","version":"1"}', 'other-version'],
    ['{"format":"cool-reel-kit"}', 'other-version'],
    ['{"format":"cool-reel-kit","version":1,"__proto__":{"a":1},"bodies":[],"cards":[]}', 'forbidden-key'],
    ['{"format":"cool-reel-kit","version":1,"bodies":[{"constructor":1}],"cards":[]}', 'forbidden-key'],
  ])('refuses %s as %s', async (text, code) => {
    expect((await refusalOf(text)).code).toBe(code);
  });

  it('refuses what is too large or too deep before unfolding it', async () => {
    expect((await refusalOf('x'.repeat(MAX_FILE + 1))).code).toBe('too-large');
    expect((await refusalOf('['.repeat(1_000_000))).code).toBe('too-deep');
    expect(nesting('{"a":"[[[[\\"[["}')).toBe(1);
  });

  it('takes HTML in a name as the text it is', async () => {
    const name = '<img src=x onerror=alert(1)>';
    expect((await kitOf({ ...EMPTY_KIT, bodies: [aBody({ name })] })).bodies[0]?.name).toBe(name);
  });

  it('never throws, whatever the file holds', async () => {
    await fc.assert(
      fc.asyncProperty(fc.oneof(fc.string(), fc.json()), async (text) => {
        const kit = await parseKit(text);
        if (!kit.ok) expect(kitRefusalText(kit.error).length).toBeGreaterThan(10);
      }),
      { seed: 41, numRuns: 1000 },
    );
  });
});

describe('what an import would change', () => {
  const before = { ...EMPTY_KIT, cards: [aCard({ id: 'a', label: 'A' }), aCard({ id: 'b', label: 'B' })] };

  it('is told by name: new, changed, removed', async () => {
    const after = {
      ...before,
      cards: [aCard({ id: 'a', label: 'A', capacityGB: 512 }), aCard({ id: 'n', label: 'N' })],
    };
    expect(diffKit(before, after).lists.find(({ list }) => list === 'cards')).toEqual({
      list: 'cards',
      added: ['N'],
      changed: ['A'],
      removed: ['B'],
      unchanged: 0,
    });
  });

  it('is a key of another program alone, so that such a file can be imported', () => {
    const diff = diffKit(before, { ...before, studio: { boat: 'blue' } } as never);
    expect(diff.extraChanged).toEqual(['studio']);
    expect(isSame(diff)).toBe(false);
  });

  it('is nothing where only the order of keys or cards differs', async () => {
    const shuffled = {
      ...before,
      cards: [...before.cards].reverse().map((card) => Object.fromEntries(Object.entries(card).reverse())),
    };
    expect(isSame(diffKit(before, shuffled as never))).toBe(true);
    expect(isSame(diffKit(before, { ...before, settings: { take: 'repeatable', headroom: 0.15 } }))).toBe(false);
  });
});

describe('the demo kit', async () => {
  const kit = await kitOf(demo);

  it('is in its file as the reader gives it: a first visit takes it from there, without the reader', () => {
    expect({ ...EMPTY_KIT, ...demo }).toEqual(kit);
  });

  it('shows every verdict', async () => {
    const { columns } = board(kit, DEFAULT_POLICY);
    const seen = new Set(columns.flat().map(({ verdict }) => verdict));
    expect([...VERDICTS].filter((verdict) => !seen.has(verdict) && verdict !== 'tight')).toEqual([]);
  });

  it('has the bodies and cards the crew brings', async () => {
    expect(kit.bodies).toHaveLength(7);
    const [yawl] = kit.bodies.filter(
      ({ slots }) => new Set(slots.map(({ accepts }) => JSON.stringify(accepts))).size > 1,
    );
    expect(yawl?.arrangement, 'one body mirrors over unlike slots').toBe('mirrored');
    expect(kit.cards).toHaveLength(14);
    expect(kit.cards.some(({ marks }) => marks.length === 0)).toBe(true);
    expect(kit.bodies.find(({ id }) => id === 'punt')?.ceilingMBps).toBe(35);
  });
});

describe('the JSON Schema', async () => {
  const validate = new Ajv({ strict: false }).compile(await kitJsonSchema());

  it('accepts the demo kit and refuses what Joi refuses', async () => {
    expect(validate(demo), JSON.stringify(validate.errors)).toBe(true);
    expect(validate({ ...EMPTY_KIT, cards: [{ ...aCard(), capacityGB: -1 }] })).toBe(false);
    expect(validate({ ...EMPTY_KIT, format: 'other' })).toBe(false);
  });

  it('takes a kept take with the rates of its clip, and no impossible rate', async () => {
    const kept = (MBps: readonly number[]) => ({
      ...EMPTY_KIT,
      keptTakes: [
        {
          id: 'k',
          name: 'Kept',
          bodyId: 'b',
          modeId: 'm',
          arrangement: 'single',
          cardIds: ['c'],
          ratio: null,
          plan: { minutes: 10, takes: 1, restMinutes: 0, ambientC: 20, sunC: 0 },
          startBodyC: null,
          startCardC: null,
          rateSeriesId: 's',
        },
      ],
      series: [{ id: 's', kind: 'rate', MBps }],
    });
    for (const [rates, isFine] of [
      [[100, 0, 140.5], true],
      [[100, -1], false],
      [[], false],
    ] as const) {
      expect(validate(kept(rates)), String(rates)).toBe(isFine);
      expect((await readKit(kept(rates))).ok, String(rates)).toBe(isFine);
    }
  });

  it('is the one kept in docs', async () => {
    const kept = JSON.parse(readFileSync(new URL('../../docs/kit.schema.json', import.meta.url), 'utf8'));
    expect(kept, 'run "npm run schema"').toEqual(await kitJsonSchema());
  });
});

it('names an export by its day', async () => {
  expect(kitFileName('2026-05-04T10:00:00Z')).toBe('kit-2026-05-04.coolreel.json');
});
