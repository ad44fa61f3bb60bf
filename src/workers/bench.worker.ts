import { expose } from 'comlink';
import { practiceCard } from '../core/prove/bench/practice.ts';
import { folderTarget, lookAt, removeOwn } from './bench/folderTarget.ts';
import { practiceTarget } from './bench/practiceTarget.ts';
import { runBench } from './bench/runBench.ts';
import type { Target } from './bench/target.ts';
import type { BenchApi, BenchPlace, BenchRequest } from './bench.protocol.ts';

let isCancelled = false;
let paused: Promise<void> | null = null;
let resume: () => void = () => {};

const now = (): number => performance.now();

/** The folder of a place; null of a practice card, which has none. */
const folderOf = async (place: BenchPlace): Promise<FileSystemDirectoryHandle | null> =>
  place.kind === 'practice' ? null : place.kind === 'folder' ? place.folder : await navigator.storage.getDirectory();

async function targetOf({ place, seed, limitBytes, isResumed }: BenchRequest): Promise<Target> {
  if (place.kind === 'practice') return practiceTarget(practiceCard(place.card), seed, place.faster);
  const folder = await folderOf(place);
  return folderTarget(
    folder as FileSystemDirectoryHandle,
    { seed, limitBytes, isResumed, isOwn: place.kind === 'own' },
    now,
  );
}

const api: BenchApi = {
  async look(place) {
    const folder = await folderOf(place);
    if (!folder) return null;
    const { quota, usage } = place.kind === 'own' ? await navigator.storage.estimate() : {};
    return lookAt(folder, quota === undefined || usage === undefined ? null : Math.max(0, quota - usage));
  },
  async run(request, onTick) {
    isCancelled = false;
    paused = null;
    const target = await targetOf(request);
    try {
      return await runBench(target, request, onTick, {
        wishes: { cancelled: () => isCancelled, paused: () => paused },
        clocks: { steady: now, calendar: () => Date.now() },
      });
    } finally {
      await target.close().catch(() => undefined);
    }
  },
  async pause() {
    paused ??= new Promise((go) => {
      resume = go;
    });
  },
  async goOn() {
    resume();
    paused = null;
  },
  async cancel() {
    isCancelled = true;
    resume();
    paused = null;
  },
  async remove(place) {
    const folder = await folderOf(place);
    return folder === null || (await removeOwn(folder));
  },
};

expose(api);
