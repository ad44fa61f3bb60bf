import { MessageChannel } from 'node:worker_threads';
import { type Endpoint, expose } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { afterEach, describe, expect, it } from 'vitest';
import { aRun } from '../../tests/support/aRun.ts';
import { DEFAULT_PLAN } from '../core/heat/run/plan.ts';
import { riskRuns } from '../core/heat/writepath/risk.ts';
import { board } from '../core/match/board.ts';
import { DEFAULT_POLICY } from '../core/match/policy.ts';
import { aBody, aCard } from '../core/testing.ts';
import type { ComputationTasks } from './computation.protocol.ts';
import { COMPUTATION } from './computation.tasks.ts';
import type { TaskApi } from './task.protocol.ts';
import { createTaskApi, type TaskSteps } from './taskApi.ts';
import { createTaskClient, type Started, type TaskClient } from './taskClient.ts';

type Api = TaskApi<ComputationTasks>;
const createApi = (): Api => createTaskApi(COMPUTATION);

/** A worker's two ends without its thread: the real messages and the real tasks. */
function starter(api: () => object = createApi) {
  const ends: { readonly die: () => void; stopped: boolean }[] = [];
  const start = (): Started => {
    const { port1, port2 } = new MessageChannel();
    expose(api(), nodeEndpoint(port1 as never));
    let tell = (): void => {};
    const end = { die: () => tell(), stopped: false };
    ends.push(end);
    return {
      endpoint: nodeEndpoint(port2 as never) as Endpoint,
      stop: () => {
        end.stopped = true;
        port1.close();
        port2.close();
      },
      onDeath: (told) => {
        tell = told;
      },
    };
  };
  return { start, ends };
}

const sim = aRun({ demandMBps: 380, takeSeconds: 1800 });
const asking = (runs: number) => ({ sim, input: { runs, seed: 7, spread: 0.2 } });

const open: TaskClient<ComputationTasks>[] = [];
function clientOf(start: () => Started, silence?: number): TaskClient<ComputationTasks> {
  const client = createTaskClient<ComputationTasks>(start, silence === undefined ? {} : { silence });
  open.push(client);
  return client;
}
afterEach(() => {
  for (const client of open.splice(0)) client.close();
});

describe('a worker', () => {
  it('answers exactly what the core answers for the same seed', async () => {
    const { start } = starter();
    const result = await clientOf(start).ask('risk', asking(500)).result;
    expect(result).toEqual({ ok: true, value: riskRuns(sim, asking(500).input) });
  });

  it('tells progress, rising', async () => {
    const { start } = starter();
    const shares: number[] = [];
    await clientOf(start).ask('risk', asking(30_000), (share) => shares.push(share)).result;
    expect(shares.length).toBeGreaterThan(2);
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
  });

  it('stops when cancelled, and can be asked again', async () => {
    const { start, ends } = starter();
    const client = clientOf(start);
    const asked = client.ask('risk', asking(100_000));
    setTimeout(asked.cancel, 60);
    expect(await asked.result).toEqual({ ok: false, error: { code: 'cancelled' } });
    expect(await client.ask('risk', asking(100)).result).toMatchObject({ ok: true });
    expect(ends, 'the same worker went on').toHaveLength(1);
  });

  it('a newer question supersedes the older, whose answer never comes', async () => {
    const { start } = starter();
    const client = clientOf(start);
    const [older, newer] = [client.ask('risk', asking(50_000)), client.ask('risk', asking(300))];
    expect(await older.result).toEqual({ ok: false, error: { code: 'superseded' } });
    expect(await newer.result).toMatchObject({ ok: true, value: { runs: 300 } });
  });

  it('does not supersede the same question asked from another place', async () => {
    const { start } = starter();
    const client = clientOf(start);
    const ask = (place: string) => client.ask('risk', asking(300), undefined, place);
    const [day, side] = [ask('day'), ask('side')];
    const later = ask('side');
    expect(await side.result).toEqual({ ok: false, error: { code: 'superseded' } });
    expect(await day.result).toMatchObject({ ok: true });
    expect(await later.result).toMatchObject({ ok: true });
  });

  it('questions of another kind go on beside it', async () => {
    const { start } = starter();
    const client = clientOf(start);
    const risk = client.ask('risk', asking(3000));
    const kit = { bodies: [aBody()], cards: [aCard()], tests: [] };
    const cells = board(kit, DEFAULT_POLICY).columns.flat();
    const marks = client.ask('marks', { ...kit, cells, plan: DEFAULT_PLAN });
    expect(await marks.result).toMatchObject({ ok: true, value: [expect.anything()] });
    expect(await risk.result).toMatchObject({ ok: true });
  });

  it('that dies is told of, and started anew for the next question', async () => {
    const { start, ends } = starter();
    const client = clientOf(start);
    const asked = client.ask('risk', asking(100_000));
    setTimeout(() => ends[0]?.die(), 50);
    expect(await asked.result).toEqual({ ok: false, error: { code: 'died' } });
    expect(ends[0]?.stopped).toBe(true);
    expect(await client.ask('risk', asking(100)).result).toMatchObject({ ok: true });
    expect(ends).toHaveLength(2);
  });

  it('that falls silent counts as dead', async () => {
    const silent: Api = { run: () => new Promise(() => {}), cancel: () => {} };
    const { start } = starter(() => silent);
    const asked = clientOf(start, 120).ask('risk', asking(10));
    expect(await asked.result).toEqual({ ok: false, error: { code: 'died' } });
  });

  it('says what went wrong where a task throws', async () => {
    const { start } = starter();
    const result = await clientOf(start).ask('risk', { sim: null as never, input: asking(10).input }).result;
    expect(result).toMatchObject({ ok: false, error: { code: 'failed' } });
  });

  it('that cannot be started is told of', async () => {
    const none = (): Started => {
      throw new Error('no workers here');
    };
    const result = await clientOf(none).ask('risk', asking(10)).result;
    expect(result).toEqual({ ok: false, error: { code: 'failed', message: 'no workers here' } });
  });

  describe('that does not hear a wish to stop', () => {
    interface Slow {
      readonly deaf: { readonly request: null; readonly answer: string };
      readonly quick: { readonly request: number; readonly answer: number };
    }
    /** A worker whose first kind of task never lets anybody in: as one caught in a library’s loop. */
    function* never(): Generator<number, string, void> {
      yield 0;
      return 'never';
    }
    const api = (first: boolean): TaskApi<Slow> => ({
      // A deaf worker answers nothing at all any more.
      run: () => (first ? new Promise(() => {}) : (Promise.resolve(7) as never)),
      cancel: () => (first ? (new Promise(() => {}) as never) : undefined),
    });

    it('is ended soon, and what others asked of it is asked again', async () => {
      let starts = 0;
      const { start, ends } = starter(() => {
        starts += 1;
        return api(starts === 1);
      });
      const client = createTaskClient<Slow>(start, { hearing: 80 });
      const deaf = client.ask('deaf', null);
      const other = client.ask('quick', 3);
      deaf.cancel();
      expect(await deaf.result, 'told at once').toEqual({ ok: false, error: { code: 'cancelled' } });
      expect(await other.result).toEqual({ ok: true, value: 7 });
      expect(ends.map(({ stopped }) => stopped)).toEqual([true, false]);
      client.close();
    });

    it('gives signs of life from the middle of a step', async () => {
      const steps: TaskSteps<Slow> = {
        deaf: (_, sign) => {
          const until = performance.now() + 400;
          while (performance.now() < until) sign();
          return never();
        },
        quick: (request) => finished(request),
      };
      function* finished(request: number): Generator<number, number, void> {
        yield 1;
        return request;
      }
      let signs = 0;
      const tell = (): void => {
        signs += 1;
      };
      expect(await createTaskApi<Slow>(steps).run(1, 'deaf', null, tell)).toBe('never');
      expect(signs).toBeGreaterThanOrEqual(1);
    });
  });

  it('refuses a million runs by name', async () => {
    const { start } = starter();
    const result = await clientOf(start).ask('risk', asking(1_000_000)).result;
    expect(result).toMatchObject({ ok: false, error: { message: 'risk.runs must lie between 1 and 100000' } });
  });
});
