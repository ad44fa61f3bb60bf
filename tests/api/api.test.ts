import Ajv from 'ajv/dist/2020.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { riskRuns } from '../../src/core/heat/writepath/risk.ts';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { VERSION } from '../../src/kit/kit.ts';
import { aRun } from '../support/aRun.ts';
import { type Client, openClient } from './client.ts';

// Every answer of these tests, refusals too, is held against the contract on its way here.
let server: Client;
beforeAll(async () => {
  server = await openClient();
});
afterAll(() => server.close());

const get = (path: string) => server.ask(path);
const post = (path: string, body: unknown, type = 'application/json') =>
  server.ask(path, {
    method: 'POST',
    headers: { 'Content-Type': type },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const answer = (q: string) => get(`/api/answer?q=${encodeURIComponent(q)}`);
const policy = { take: 'once', headroom: 0.15 };

describe('the server', () => {
  it('says it is well, with its version', async () => {
    expect(await (await get('/api/health')).json()).toEqual({
      ok: true,
      version: expect.stringMatching(/^\d+\.\d+\.\d+$/),
    });
  });

  it('describes every call it answers', async () => {
    const { paths } = (await (await get('/api/openapi.json')).json()) as { paths: object };
    expect(Object.keys(paths)).toEqual([
      '/api/health',
      '/api/answer',
      '/api/label',
      '/api/match',
      '/api/simulate',
      '/api/reconcile',
      '/api/trace',
      '/api/day',
      '/api/best',
      '/api/shop',
      '/api/wear',
      '/api/openapi.json',
      '/api/kit.schema.json',
    ]);
  });

  it('serves a JSON Schema that accepts the demo kit', async () => {
    const schema = (await (await get('/api/kit.schema.json')).json()) as object;
    expect(new Ajv({ strict: false }).validate(schema, demo)).toBe(true);
  });

  it('plans a day of the kit by its id, or one that is sent, and both the same', async () => {
    const [byId, sent] = await Promise.all(
      ['race-day', demo.plans[0]].map(async (plan) => (await post('/api/day', { kit: demo, plan, policy })).json()),
    );
    expect(sent).toEqual(byId);
    expect(byId).toMatchObject({
      rolls: expect.arrayContaining([
        expect.objectContaining({
          blockId: 'start',
          bodyId: 'wherry',
          cardId: 'a-01',
          verdict: 'guaranteed',
          tone: 'cool',
        }),
      ]),
      shortages: [
        {
          blockId: 'finish',
          missingMinutes: expect.closeTo(62, 6),
          text: expect.stringContaining('Wherry has no free card'),
        },
      ],
      totals: { cardsUsed: expect.any(Number), destinationGB: [expect.any(Number), expect.any(Number)] },
    });
    // From its start at 08:00: Start is 09:00 to 10:30.
    const { rolls, swaps, totals } = byId as {
      rolls: { blockId: string; fromSeconds: number; toSeconds: number }[];
      swaps: unknown[];
      totals: { swaps: number };
    };
    expect(rolls.find(({ blockId }) => blockId === 'start')).toMatchObject({ fromSeconds: 3600, toSeconds: 9000 });
    expect(swaps).toHaveLength(totals.swaps);
  });

  const shopping = (change: object = {}) =>
    post('/api/shop', { kit: demo, needs: demo.needs, offers: null, useOwned: true, policy, ...change });

  it('chooses cards for needs: the three sets of the kit’s own prices, proven, without the one far under its print', async () => {
    const answer = (await (await shopping()).json()) as {
      sets: { aim: string; items: { offerId: string; needId: string; count: number }[]; price: number }[];
    };
    expect(answer).toMatchObject({
      sets: [
        { aim: 'cheapest', optimal: true, mostMinutesOnOneCard: 210 },
        { aim: 'fewest-cards', optimal: true, cards: 5, bound: 5 },
        { aim: 'least-at-risk', optimal: true, mostMinutesOnOneCard: 61, bound: 61 },
      ],
      impossible: [],
      leftOut: [{ offerId: 'sd-256-90x' }],
    });
    // What is paid is what the items cost.
    for (const { items, price } of answer.sets)
      expect(
        items.reduce(
          (sum, { offerId, count }) => sum + count * (demo.prices.find(({ id }) => id === offerId)?.price ?? 0),
          0,
        ),
      ).toBeCloseTo(price, 9);
    const own = (await (await shopping({ useOwned: false, countDoubtful: true })).json()) as typeof answer;
    expect(own.sets.every((set) => (set as { owned?: unknown[] }).owned?.length === 0)).toBe(true);
    expect(own.sets[0]?.items.some(({ offerId }) => offerId === 'sd-256-90x')).toBe(true);
  });

  it('takes offers as they are sent, without what nobody notes, and says which need nothing meets', async () => {
    const offers = [{ id: 'o', form: 'sd', capacityGB: 256, marks: ['V90', 'II'], price: 190 }];
    const needs = [
      { id: 'n', bodyId: 'dory', modeId: 'i50', hours: 1 },
      { id: 'x', bodyId: 'wherry', modeId: '8k-3', hours: 1, gapFreeMinutes: null, sparePercent: 0 },
    ];
    expect(await (await shopping({ offers, needs, useOwned: false })).json()).toMatchObject({
      sets: [{ items: [{ offerId: 'o', needId: 'n', count: 1 }], owned: [], price: 190, cards: 1 }, {}, {}],
      impossible: [{ needId: 'x', text: expect.stringContaining('enters a slot') }],
    });
  });

  it('refuses a shop by its place: prices of 0 and below, two currencies, hours of 0, one id twice, too much', async () => {
    const offer = { id: 'o', form: 'sd', capacityGB: 256, marks: [], price: 190, currency: 'EUR' };
    const asked = async (change: object) => {
      const response = await shopping(change);
      const { error } = (await response.json()) as { error: { details: { path: string }[] } };
      return [response.status, error.details[0]?.path];
    };
    expect(await asked({ offers: [{ ...offer, price: 0 }] })).toEqual([400, 'offers[0].price']);
    expect(await asked({ offers: [{ ...offer, price: -1 }] })).toEqual([400, 'offers[0].price']);
    expect(await asked({ offers: [offer, offer] })).toEqual([400, 'offers[1].id']);
    expect(await asked({ offers: [offer, { ...offer, id: 'p', currency: 'USD' }] })).toEqual([400, 'offers']);
    expect(await asked({ needs: [{ ...demo.needs[0], hours: 0 }] })).toEqual([400, 'needs[0].hours']);
    expect(await asked({ needs: [] })).toEqual([400, 'needs']);
    expect(await asked({ kit: { ...demo, prices: [{ ...demo.prices[0], price: 0 }] } })).toEqual([
      400,
      'kit.prices[0].price',
    ]);
    const many = Array.from({ length: 5000 }, (_, at) => ({ ...offer, id: `o${at}` }));
    const needs = Array.from({ length: 20 }, (_, at) => ({ ...demo.needs[0], id: `n${at}` }));
    expect((await asked({ offers: many, needs }))[0]).toBe(422);
  });

  it('works out wear as a range: 32 GB rated 6000 h at 3 h a fill are 2000 fills', async () => {
    const rate = (32 * 8000) / (3 * 3600);
    const asked = { capacityGB: 32, rateMbps: [rate, rate], hoursPerDay: 24, cycles: null, writeAmplification: [1, 1] };
    const found = await (
      await post('/api/wear', { ...asked, rated: { hours: 6000, atMbps: [rate, rate] }, price: 30 })
    ).json();
    expect(found).toMatchObject({
      hours: { low: expect.closeTo(6000, 6), high: expect.closeTo(6000, 6) },
      days: { low: expect.closeTo(250, 6) },
      fills: { low: expect.closeTo(2000, 6) },
      writtenTB: { low: expect.closeTo(64, 6) },
      loopHours: { low: expect.closeTo(3, 9) },
      pricePerHour: { low: expect.closeTo(0.005, 9) },
    });
    expect(await (await post('/api/wear', { ...asked, rated: null, price: null })).json()).toMatchObject({
      hours: null,
      days: null,
      fills: null,
      writtenTB: null,
      pricePerHour: null,
    });
    for (const bad of [{ rateMbps: [10, 6] }, { rateMbps: [0, 6] }, { hoursPerDay: 0 }, { cycles: [1] }, { price: 0 }])
      expect((await post('/api/wear', { ...asked, rated: null, price: null, ...bad })).status).toBe(400);
  });

  it('answers the best mode of each body on the cards named, what is in the way, and what would help', async () => {
    const asked = { kit: demo, policy, minutes: 30, ambientC: 18 };
    const one = (await (await post('/api/best', { ...asked, bodyIds: ['dory'], cardIds: ['b-01'] })).json()) as {
      bodies: {
        bodyId: string;
        modeId: string | null;
        cardIds: string[];
        better: { modeId: string; text: string }[];
      }[];
    };
    const [dory] = one.bodies;
    const body = demo.bodies.find(({ id }) => id === 'dory');
    expect(body?.modes.map(({ id }) => id)).toEqual(expect.arrayContaining([dory?.modeId]));
    expect(dory?.cardIds).toEqual(['b-01']);
    // The line between holds for the board, too: of the better ones none is cool on the card for half an hour.
    const { cells } = (await (await post('/api/match', { kit: demo, policy })).json()) as {
      cells: { bodyId: string; modeId: string; cardId: string; tone: string; minutes: { planned: number | null } }[];
    };
    const lasts = (modeId: string | null | undefined): boolean =>
      cells.some(
        (cell) =>
          cell.bodyId === 'dory' &&
          cell.cardId === 'b-01' &&
          cell.modeId === modeId &&
          cell.tone === 'cool' &&
          (cell.minutes.planned ?? 0) >= 30,
      );
    expect(lasts(dory?.modeId)).toBe(true);
    for (const { modeId, text } of dory?.better ?? [])
      expect(lasts(modeId), `${modeId}: ${text}`).toBe(text.includes('eat'));
    const full = {
      ...demo,
      cards: demo.cards.map((card) => (card.id === 'b-01' ? { ...card, state: 'full' } : card)),
      plans: [],
    };
    const waits = await (await post('/api/best', { ...asked, kit: full, bodyIds: ['dory'], cardIds: ['b-01'] })).json();
    expect(waits, 'nothing is recorded over what is not copied').toMatchObject({
      bodies: [{ modeId: null, cardIds: [] }],
    });
    const all = (await (await post('/api/best', { ...asked, minutes: 5 })).json()) as typeof one;
    const used = all.bodies.flatMap(({ cardIds }) => cardIds);
    expect(new Set(used).size).toBe(used.length);
    for (const { cardId } of demo.standing) expect(used, 'it is in a camera that never stops').not.toContain(cardId);
    const sunny = { ...asked, bodyIds: ['dory'], cardIds: ['b-01'], minutes: 120, ambientC: 35, sunC: 15 };
    const first = body?.modes[0]?.id;
    const helped = await (await post('/api/best', { ...sunny, fixesFor: { bodyId: 'dory', modeId: first } })).json();
    expect(helped).toMatchObject({ proven: true, fixes: expect.any(Array) });
    for (const [bad, path] of [
      [{ bodyIds: ['nobody'] }, 'bodyIds'],
      [{ cardIds: ['none'] }, 'cardIds'],
      [{ fixesFor: { bodyId: 'dory', modeId: 'none' } }, 'fixesFor.modeId'],
    ] as const) {
      const refused = await post('/api/best', { ...asked, ...bad });
      expect(refused.status).toBe(400);
      expect(await refused.json()).toMatchObject({ error: { details: [{ path }] } });
    }
    for (const bad of [{ minutes: 0 }, { minutes: 1e9 }, { ambientC: 400 }, { rhythm: { takeMinutes: 10 } }])
      expect((await post('/api/best', { ...asked, ...bad })).status).toBe(400);
  });

  it('refuses a day by its place: an unknown id, a plan that is none, a date that is none, more than is worked out', async () => {
    const plan = demo.plans[0];
    const asked = async (change: object | string) => {
      const response = await post('/api/day', {
        kit: demo,
        plan: typeof change === 'string' ? change : { ...plan, ...change },
        policy,
      });
      const { error } = (await response.json()) as { error: { details: { path: string }[] } };
      return [response.status, error.details[0]?.path];
    };
    expect(await asked('no-such-day')).toEqual([400, 'plan']);
    expect(await asked({ start: '8 am' })).toEqual([400, 'plan.start']);
    expect(await asked({ date: '2027-02-30' })).toEqual([400, 'plan.date']);
    expect(await asked({ rules: { ...plan?.rules, swapSeconds: -1 } })).toEqual([400, 'plan.rules.swapSeconds']);
    const many = Array.from({ length: 400 }, (_, at) => ({ ...plan?.blocks[0], id: `k${at}` }));
    expect((await asked({ blocks: many }))[0]).toBe(422);
    const gone = await (
      await post('/api/day', { kit: demo, plan: { ...plan, blocks: [{ ...plan?.blocks[0], bodyId: 'sold' }] }, policy })
    ).json();
    expect(gone).toMatchObject({
      rolls: [],
      shortages: [{ missingMinutes: 90, text: expect.stringContaining('no longer in the kit') }],
    });
  });

  it('takes a write trace apart, given as text or as rows', async () => {
    // A cache of 6.15 GB at 300 MB/s over a flash of 95: full after 9 GB and 30 s.
    const rows = Array.from({ length: 120 }, (_, at) => [at, at < 30 ? 300 : 95]);
    const text = `time (ms);MB/s\n${rows.map(([at = 0, rate]) => `${at * 1000};${rate}`).join('\n')}`;
    const [byRows, byText] = await Promise.all(
      [{ rows }, { text }].map(async (asked) => (await post('/api/trace', asked)).json()),
    );
    expect(byText).toEqual(byRows);
    expect(byRows).toMatchObject({
      rows: 120,
      seconds: 120,
      GB: expect.closeTo(17.55, 6),
      segments: [
        { kind: 'burst', fromSeconds: 0, toSeconds: 30, MBps: 300, GB: expect.closeTo(9, 6) },
        { kind: 'sustained', fromSeconds: 30, toSeconds: 120, MBps: 95, GB: expect.closeTo(8.55, 6) },
      ],
      burstMBps: 300,
      cacheGB: expect.closeTo(6.15, 6),
      sustainedMBps: 95,
      floorMBps: expect.closeTo(95, 6),
      stalls: [],
      throttle: null,
      supports: 'V90',
      notes: [{ code: 'bench', text: expect.stringContaining('no certification') }, { code: 'one-fall' }],
    });
    const saw = Array.from({ length: 300 }, (_, at) => [at, at >= 100 && at % 50 < 25 ? 60 : 150, 40 + (at % 50)]);
    expect(await (await post('/api/trace', { rows: saw })).json()).toMatchObject({
      throttle: { onsetSeconds: 100, factor: expect.closeTo(0.4, 6), periodSeconds: 50 },
      supports: 'V60',
    });
  });

  it('refuses what is no trace, with the place', async () => {
    const good = Array.from({ length: 8 }, (_, at) => [at, 90]);
    const cases: readonly (readonly [object, string, string])[] = [
      [{ rows: good.slice(0, 3) }, 'few', 'rows'],
      [{ rows: [...good, [3, 90]] }, 'not-a-row', 'rows[8]'],
      [{ rows: [...good, [9, -1]] }, 'not-a-row', 'rows[8]'],
      [{ rows: [...good, [9, 1e9]] }, 'not-a-row', 'rows[8]'],
      [{ rows: [...good, ['9', 90]] }, 'not-a-row', 'rows[8]'],
      [{ text: '0,1\n1,2' }, 'few', 'text'],
      [{ text: good.map(([at = 0]) => `${at * 1000},90`).join('\n') }, 'which-time', 'text'],
      [{ text: `time (s),E: MB/s,F: MB/s\n${good.map(([at]) => `${at},90,80`).join('\n')}` }, 'which-column', 'text'],
      [{ text: `time (s),peak MB/s\n${good.map(([at]) => `${at},90`).join('\n')}` }, 'no-pace', 'text'],
    ];
    for (const [asked, code, path] of cases) {
      const answer = await post('/api/trace', asked);
      expect(answer.status).toBe(400);
      expect(await answer.json()).toMatchObject({ error: { code, details: [{ path }] } });
    }
    // What a question asks for settles it; a run that is too short for a class says so.
    const two = `time (s),E: MB/s,F: MB/s\n${good.map(([at]) => `${at},90,80`).join('\n')}`;
    const answered = await (await post('/api/trace', { text: two, column: 2 })).json();
    expect(answered).toMatchObject({ sustainedMBps: 80, supports: null, supportsText: 'too short to say' });
    expect((await post('/api/trace', {})).status).toBe(400);
    expect((await post('/api/trace', { rows: good, text: '1,2' })).status).toBe(400);
  });

  it('explains a take that looks impossible', async () => {
    // 1 TB at 3:1 believed, 886 MB/s, and full after 32 minutes: 515 MB/s, what 5:1 writes.
    const take = { capacityGB: 1000, usableFraction: 0.99, nominalMBps: 886, setRatio: 3, ratedMBps: 400 };
    const filled = await (await post('/api/reconcile', { ...take, outcome: 'filled', seconds: 1862 })).json();
    expect(filled).toMatchObject({
      impliedMBps: expect.closeTo(531.7, 1),
      ratioToNominal: expect.closeTo(0.6, 2),
      explanation: expect.arrayContaining([expect.objectContaining({ code: 'compression-ratio' })]),
      buffer: { possible: false, text: expect.stringContaining('fits no buffer') },
    });
    const dropped = await (await post('/api/reconcile', { ...take, outcome: 'dropped', seconds: 1320 })).json();
    expect(dropped).toMatchObject({
      impliedMBps: null,
      impliedBetween: null,
      ratioToNominal: null,
      explanation: [{ code: 'no-bytes' }, { code: 'no-buffer', text: expect.stringContaining('fits no buffer') }],
    });
    const { setRatio: _, ...untold } = take;
    const guessed = await (await post('/api/reconcile', { ...untold, outcome: 'filled', seconds: 1862 })).json();
    expect(guessed.explanation[0]).toMatchObject({
      code: 'compression-ratio',
      text: expect.stringContaining('5:1'),
    });
    for (const bad of [
      { seconds: 0 },
      { seconds: -5 },
      { nominalMBps: 0 },
      { outcome: 'passed' },
      { usableFraction: 2 },
    ])
      expect((await post('/api/reconcile', { ...take, outcome: 'filled', seconds: 1862, ...bad })).status).toBe(400);
  });

  it('answers unknown calls and methods in the same shape', async () => {
    const nothing = await get('/api/nothing');
    expect(nothing.status).toBe(404);
    expect(await nothing.json()).toMatchObject({ error: { code: 'no-such-call', details: [] } });
    for (const call of ['/api/match', '/api/label', '/api/simulate', '/api/reconcile']) {
      const other = await get(call);
      expect([other.status, other.headers.get('allow')], call).toEqual([405, 'POST']);
      expect(await other.json()).toMatchObject({ error: { code: 'other-method', details: [] } });
    }
    const wrong = await post('/api/health', {});
    expect([wrong.status, wrong.headers.get('allow')]).toEqual([405, 'GET, HEAD']);
  });
});

describe('GET /api/answer', () => {
  it('answers in numbers and steps', async () => {
    const response = await answer('600 Mb/s 25p on 256GB V90 II');
    expect(response.status).toBe(200);
    expect(await response.json()).toMatchObject({
      // 600 + 2 + 25 × 0.16 = 606 Mb/s
      need: { bitsPerSecond: 606_000_000, bytesPerSecond: 75_750_000 },
      card: { form: 'sd', capacityGB: 256, bus: 'uhs-ii' },
      verdict: 'guaranteed',
      minutes: { label: expect.closeTo(56.89, 2), planned: 55 },
      steps: expect.arrayContaining([expect.stringContaining('252.7')]),
    });
  });

  it('names the place that was not understood', async () => {
    const response = await answer('600 Mb/s on 256GB V91 II');
    expect(response.status).toBe(400);
    expect(await response.json()).toMatchObject({
      error: {
        code: 'not-understood',
        details: [{ path: 'q[18..21]', message: expect.stringContaining('V90 or V60') }],
      },
    });
  });

  it('says what the rest of a line would be answered, beside the place of what was not understood', async () => {
    const response = await answer('400 Mb/s on counterfeit 128GB V60 II');
    expect(response.status).toBe(400);
    expect(await response.json()).toMatchObject({
      error: { code: 'not-understood', details: [{ path: 'q[12..23]' }] },
      without: { kind: 'card', verdict: 'guaranteed', minutes: { planned: 41 } },
    });
    const alone = await (await answer('counterfeit')).json();
    expect(alone.without).toBeUndefined();
  });

  it('answers what is asked beside a stream on a card, and several cards side by side', async () => {
    const body = async (q: string) => (await answer(q)).json();
    expect(await body('copy 64GB at 100 MB/s')).toMatchObject({ kind: 'copying', seconds: 640, verdict: null });
    expect(await body('12.75 GB in 10 min')).toMatchObject({ kind: 'rate-was', rate: { MBps: 21.25, Mbps: 170 } });
    expect(await body('48 MB pictures on 128 GB')).toMatchObject({ kind: 'stills', pictures: { count: 2632 } });
    // The less safe of the two is the verdict of the line.
    expect(await body('400 Mb/s on V60 or V30')).toMatchObject({
      kind: 'choice',
      verdict: 'uncovered',
      alternatives: [
        { text: 'V60', verdict: 'guaranteed' },
        { text: 'V30', verdict: 'uncovered' },
      ],
    });
    expect(await body('400 Mb/s on 128GB V30')).toMatchObject({
      instead: ['400 Mb/s on 128GB V60', '400 Mb/s on 128GB E150'],
    });
    // Label, planned and count speak of the same cards.
    expect(await body('2x128GB V60 at 400 Mb/s')).toMatchObject({
      minutes: { planned: 82, label: expect.closeTo(85.33, 2) },
      count: 2,
    });
  });

  it('tells how long a take plays, and which reading it took of two', async () => {
    expect(await (await answer('3:50 at 100p plays at 25p')).json()).toMatchObject({
      need: null,
      verdict: null,
      playsSeconds: 920,
    });
    expect(await (await answer('240 Mb/s 25p 100p on 256GB V90')).json()).toMatchObject({
      verdict: 'uncovered',
      steps: expect.arrayContaining([
        expect.stringMatching(/rate assumed to be for 25 fps \(the recorded speed\): the camera writes 960/),
        expect.stringMatching(/slot assumed UHS-II, like the card/),
      ]),
    });
  });

  it('refuses a missing, repeated or endless question', async () => {
    expect((await get('/api/answer')).status).toBe(400);
    expect((await answer('')).status).toBe(400);
    expect((await answer('x'.repeat(501))).status).toBe(400);
  });
});

describe('never a yes on a guess', () => {
  const kitOf = (slots: object[], card: object, arrangement = 'single') => ({
    format: 'cool-reel-kit',
    version: 1,
    bodies: [
      {
        id: 'b',
        name: 'B',
        arrangement,
        bufferMB: null,
        ceilingMBps: null,
        slots,
        modes: [
          {
            id: 'm',
            name: 'M',
            codec: 'intra',
            width: null,
            height: null,
            fps: 25,
            captureFps: null,
            requires: [],
            rate: { kind: 'stated', Mbps: 400, is: 'maximum' },
            overhead: { fixedMbps: 0, perFrameKB: 0 },
          },
        ],
      },
    ],
    cards: [
      {
        id: 'c',
        label: 'C',
        form: 'sd',
        capacityGB: 256,
        usableGB: null,
        marks: ['II', 'V90'],
        bus: null,
        readMBps: null,
        writeMBps: null,
        sustainedMBps: null,
        cacheGB: null,
        ...card,
      },
    ],
  });
  const slot = (id: string, bus: string | null) => ({
    id,
    name: `Slot ${id}`,
    accepts: [{ form: 'sd', bus }],
    family: 'sdxc',
    promisedMaxGB: null,
  });
  const cellOf = async (kit: object) => {
    const response = await post('/api/match', { kit, policy });
    expect(response.status).toBe(200);
    return ((await response.json()) as { cells: object[] }).cells[0];
  };

  const walletOf = (count: number, print: (at: number) => object) => {
    const kit = kitOf([slot('1', 'uhs-ii')], {});
    const cards = Array.from({ length: count }, (_, at) => ({
      ...kit.cards[0],
      id: `c${at}`,
      label: `C-${at}`,
      ...print(at),
    }));
    return { ...kit, cards };
  };

  it('a thousand equal cards are one column: answered, each with its own name and its moves', async () => {
    const response = await post('/api/match', { kit: walletOf(1000, () => ({ marks: ['II', 'V60'] })), policy });
    expect(response.status).toBe(200);
    const { cells } = (await response.json()) as { cells: { cardId: string; verdict: string; moves: object[] }[] };
    expect(new Set(cells.map(({ cardId }) => cardId)).size).toBe(1000);
    const { cardId, ...first } = cells[0] ?? { cardId: '' };
    for (const { cardId: own, ...cell } of cells) expect({ own, ...cell }).toEqual({ own, ...first });
  });

  it('more unlike cards than can be worked out at once are refused, with what to ask instead', async () => {
    const kit = walletOf(2000, (at) => ({ readMBps: at + 1 }));
    const response = await post('/api/match', { kit, policy });
    expect(response.status).toBe(422);
    expect(await response.json()).toMatchObject({
      error: { code: 'too-much-work', message: expect.stringContaining('Ask for fewer modes or cards') },
    });
  });

  it('a kit of a newer version is refused, and one of the version written is read like an older one', async () => {
    const older = kitOf([slot('1', 'uhs-ii')], {});
    expect(await cellOf({ ...older, version: 3 })).toEqual(await cellOf(older));
    const newer = await post('/api/match', { kit: { ...older, version: VERSION + 1 }, policy });
    expect(newer.status).toBe(400);
    expect(await newer.json()).toMatchObject({ error: { code: 'newer-version' } });
  });

  it('unlike slots: the worst of those that are written, each named', async () => {
    const slots = [slot('1', 'uhs-ii'), slot('2', 'uhs-i')];
    expect(await cellOf(kitOf(slots, {}))).toMatchObject({ verdict: 'guaranteed', slotId: '1', seats: null });
    expect(await cellOf(kitOf(slots, {}, 'mirrored'))).toMatchObject({
      verdict: 'uncovered',
      tone: 'hot',
      slotId: '2',
      seats: [
        { slotId: '1', cardId: 'c', verdict: 'guaranteed' },
        { slotId: '2', cardId: 'c', verdict: 'uncovered' },
      ],
    });
  });

  it('a bus nobody told, and a label in doubt', async () => {
    expect(await cellOf(kitOf([slot('1', null)], {}))).toMatchObject({
      verdict: 'uncovered',
      moves: expect.arrayContaining([expect.objectContaining({ code: 'tell-bus' })]),
    });
    expect(await cellOf(kitOf([slot('1', 'uhs-ii')], { marks: ['I', 'II', 'V90'] }))).toMatchObject({
      verdict: 'uncovered',
      floorMBps: null,
    });
    const label = await (await post('/api/label', { text: '256GB SDXC I V90' })).json();
    expect(label).toMatchObject({ floorMBps: null, problems: [{ code: 'mark-needs-bus' }] });
  });

  it('refuses what no kit may hold, with its place', async () => {
    const bad = async (card: object, body: object = {}) => {
      const kit = kitOf([slot('1', 'uhs-ii')], card);
      const [first] = kit.bodies;
      const response = await post('/api/match', {
        kit: { ...kit, version: VERSION, bodies: [{ ...first, ...body }] },
        policy,
      });
      expect(response.status).toBe(400);
      const { error } = (await response.json()) as { error: { details: { path: string }[] } };
      return error.details.map(({ path }) => path).join();
    };
    expect(await bad({ minimumMBps: -1 })).toContain('minimumMBps');
    expect(await bad({ verified: { date: 'soon', how: '' } })).toContain('verified');
    expect(await bad({ verified: { date: '2026-02-30', how: 'filled' } })).toContain('verified.date');
    expect(await bad({}, { splitOver: 0 })).toContain('splitOver');
    expect(await bad({}, { approved: [{ cardIds: ['c'], modeIds: null, upToMbps: null, source: null }] })).toContain(
      'upToMbps',
    );
  });
});

describe('POST /api/label', () => {
  it('reads a label', async () => {
    const response = await post('/api/label', { text: '128GB SDXC II U3 V60 270MB/s' });
    expect(await response.json()).toEqual({
      form: 'sd',
      capacityGB: 128,
      family: 'sdxc',
      bus: 'uhs-ii',
      floorMBps: 60,
      marks: [
        { mark: 'U3', promisesMBps: 30, meaning: expect.stringContaining('30 MB/s') },
        { mark: 'V60', promisesMBps: 60, meaning: expect.stringContaining('UHS-II or UHS-III only') },
      ],
      problems: [],
      readMBps: 270,
      writeMBps: null,
      sustainedMBps: null,
      minimumMBps: null,
      ratedHours: null,
      enduranceTB: null,
    });
  });

  it('gives unknown things as null, never zero', async () => {
    expect(await (await post('/api/label', { text: '128GB' })).json()).toMatchObject({
      form: null,
      floorMBps: null,
      bus: null,
    });
  });

  it.each([
    [{}, 400],
    [{ text: 5 }, 400],
    [{ text: 'a', more: 1 }, 400],
    ['{broken', 400],
    ['[]', 400],
  ])('refuses %j', async (body, status) => {
    const response = await post('/api/label', body);
    expect(response.status).toBe(status);
    const { error } = (await response.json()) as { error: { message: string } };
    expect(error.message).not.toMatch(/at .*\.m?js|node_modules/);
  });

  it('refuses another content type and more than 1 MB', async () => {
    expect((await post('/api/label', '{}', 'text/plain')).status).toBe(415);
    expect((await post('/api/label', { text: 'x'.repeat(1_100_000) })).status).toBe(413);
  });
});

describe('POST /api/match', () => {
  it('gives a cell for every mode and card of the demo kit', async () => {
    const response = await post('/api/match', { kit: demo, policy });
    expect(response.status).toBe(200);
    const { cells } = (await response.json()) as { cells: { bodyId: string; modeId: string; cardId: string }[] };
    const modes = demo.bodies.reduce((sum, body) => sum + body.modes.length, 0);
    expect(cells).toHaveLength(modes * demo.cards.length);
    const at = (place: string) => cells.find(({ bodyId, modeId, cardId }) => `${bodyId} ${modeId} ${cardId}` === place);
    expect(at('dory i50 c-02')).toMatchObject({
      verdict: 'locked',
      moves: expect.arrayContaining([{ code: 'owned-card', text: expect.stringContaining('C-01') }]),
    });
    const cell = at('dory i50 c-01');
    expect(cell).toMatchObject({
      slotId: 's1',
      verdict: 'guaranteed',
      tone: 'cool',
      needMBps: 63.75,
      floorMBps: 90,
      busMBps: 312,
      minutes: { planned: 66, counter: 65, measured: null },
      dropSeconds: null,
      reasons: expect.arrayContaining([{ rule: 'guarantee', outcome: 'pass', text: expect.stringContaining('V90') }]),
    });
  });

  it('follows the policy', async () => {
    const tones = async (take: string) => {
      const response = await post('/api/match', { kit: demo, policy: { take, headroom: 0.15 } });
      const { cells } = (await response.json()) as { cells: { verdict: string; tone: string }[] };
      return new Set(cells.filter(({ verdict }) => verdict === 'proven').map(({ tone }) => tone));
    };
    expect(await tones('once')).toEqual(new Set(['warm']));
    expect(await tones('repeatable')).toEqual(new Set(['cool']));
  });

  it('names the place of what is wrong with a kit', async () => {
    const kit = { ...demo, cards: [{ ...demo.cards[0], capacityGB: -5 }] };
    const response = await post('/api/match', { kit, policy });
    expect(response.status).toBe(400);
    expect(await response.json()).toMatchObject({
      error: { code: 'invalid', details: [{ path: 'kit.cards[0].capacityGB', message: 'Capacity must be above 0.' }] },
    });
  });

  it.each([
    [{ kit: demo }],
    [{ kit: demo, policy: { take: 'maybe', headroom: 0.15 } }],
    [{ kit: demo, policy: { take: 'once', headroom: 2 } }],
    [{ kit: demo, policy: { take: 'once', headroom: null } }],
    [{ kit: [], policy }],
    [{ kit: { ...demo, version: VERSION + 1 }, policy }],
  ])('refuses a wrong policy or kit %#', async (body) => {
    expect((await post('/api/match', body)).status).toBe(400);
  });

  it('refuses forbidden keys without adopting them', async () => {
    const text = JSON.stringify({ kit: demo, policy }).replace(
      '"format":"cool-reel-kit"',
      '"format":"cool-reel-kit","__proto__":{"polluted":true}',
    );
    expect((await post('/api/match', text)).status).toBe(400);
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  });
});

describe('POST /api/simulate', () => {
  const run = aRun({ heat: { idleW: 0.6, energyNJPerByte: 2.5, throttleAtC: 149, resumeAtC: 140 } });
  const risk = { runs: 300, seed: 7, spread: 0.2 };

  it('answers when and why a take drops: 108 GB ÷ 486 MB/s', async () => {
    const response = await post('/api/simulate', run);
    expect(response.status).toBe(200);
    expect(await response.json()).toMatchObject({
      outcome: 'dropped',
      atSeconds: expect.closeTo(108_000 / 486, 6),
      cause: 'cache',
      firstThrottleAtSeconds: null,
      timeline: [{ event: 'start' }, { event: 'cache-full' }, { event: 'dropped' }],
      risk: null,
    });
  });

  it('gives the same risk for the same seed as the core does here', async () => {
    const [one, two] = await Promise.all(
      [1, 2].map(async () => (await post('/api/simulate', { ...run, risk })).json()),
    );
    expect(one).toEqual(two);
    const { dropProbability, atSeconds } = riskRuns(run, risk) ?? {};
    expect(one).toMatchObject({ risk: { dropProbability, atSeconds } });
  });

  it.each([
    ['heat.resumeAtC', { ...run, heat: { ...run.heat, resumeAtC: 149 } }],
    ['heat.cardResistanceKPerW', { ...run, heat: { ...run.heat, cardResistanceKPerW: -1 } }],
    ['heat.bodyLimitC', { ...run, heat: { ...run.heat, bodyLimitC: 5 } }],
    ['takeSeconds', { ...run, takeSeconds: 604_800 }],
    ['risk.runs', { ...run, risk: { ...risk, runs: 1_000_000 } }],
    ['demandMBps', { ...run, demandMBps: null }],
    ['demandMBPS', { ...run, demandMBPS: 100 }],
  ])('refuses %s by name', async (path, body) => {
    const response = await post('/api/simulate', body);
    expect(response.status).toBe(400);
    expect(await response.json()).toMatchObject({ error: { details: [{ path }] } });
  });

  it('refuses a billion stalls with the least distance between them', async () => {
    const card = { ...run.card, usableGB: 1_000_000, stallEveryGB: 0.001, stallSeconds: 0.0001 };
    const response = await post('/api/simulate', { ...run, card });
    expect(response.status).toBe(400);
    expect(await response.json()).toMatchObject({
      error: {
        details: [
          {
            path: 'card.stallEveryGB',
            message: 'card.stallEveryGB must be above 50 with the other figures as they are.',
          },
        ],
      },
    });
  });

  it('bounds risk runs of which far more throttle than the take itself', { timeout: 20_000 }, async () => {
    const heat = {
      ...run.heat,
      cardHeatCapacityJPerK: 0.1,
      energyNJPerByte: 10.5,
      ambientC: 30,
      bodyResistanceKPerW: 0.1,
      recordingW: 9,
      throttleAtC: 75,
      resumeAtC: 74.5,
      bodyLimitC: 140,
    };
    const card = { ...run.card, cacheGB: 0, sustainedMBps: 500, usableGB: 900_000 };
    const close = { ...run, demandMBps: 400, takeSeconds: 172_000, bufferMB: 1e6, card, heat };
    const response = await post('/api/simulate', { ...close, risk: { ...risk, runs: 20_000 } });
    expect(response.status).toBe(422);
    expect(await response.json()).toMatchObject({
      error: { code: 'too-many-runs', message: expect.stringMatching(/; \d+ were made\. Ask for fewer/) },
    });
    // Without a bound it is more than an hour, far past what the runner waits.
  });

  it('bounds a card that throttles a thousand times a second', { timeout: 20_000 }, async () => {
    const heat = { ...run.heat, cardHeatCapacityJPerK: 0.001, energyNJPerByte: 50, throttleFactor: 0.1 };
    const card = { ...run.card, sustainedMBps: 1500, usableGB: 1_000_000 };
    const response = await post('/api/simulate', { ...run, takeSeconds: 172_000, bufferMB: 1e7, card, heat });
    expect(response.status).toBe(422);
    expect(await response.json()).toMatchObject({ error: { code: 'too-many-events' } });
  });
});
