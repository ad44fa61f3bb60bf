import { useEffect, useState } from 'react';
import { type Clocks, look, type Ran, ran, startWatch, type Watch } from '../../core/prove/stopwatch.ts';

/** What a running stopwatch times. */
export interface Timed {
  readonly bodyId: string;
  readonly modeId: string;
  readonly cardId: string;
  readonly slotId: string | null;
  /** Minute at which it speaks up; null: never. */
  readonly plannedMinutes: number | null;
}

interface Kept {
  readonly timed: Timed;
  readonly watch: Watch;
  /** ISO time by the wall at which it began. */
  readonly began: string;
}

/** A take that is being timed, as it is shown. */
export interface Running {
  readonly timed: Timed;
  readonly began: string;
  readonly ran: Ran;
  /** Past the planned minute. */
  readonly isDue: boolean;
}

const KEY = 'cool-reel stopwatch';
const PAGE = Math.random().toString(36).slice(2);
const TICK = 500;

/** Where storage is refused or full it is kept in the page alone. */
let inPage: string | null = null;

function stored(): string | null {
  try {
    return localStorage.getItem(KEY) ?? inPage;
  } catch {
    return inPage;
  }
}

function store(text: string | null): void {
  inPage = text;
  try {
    if (text === null) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, text);
  } catch {
    // It goes on in this page; a reload would lose it, which is all that can be done.
  }
}

const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);

/** What was kept, unless it is none: storage may hold anything. */
function read(): Kept | null {
  try {
    const kept = JSON.parse(stored() ?? 'null') as Kept | null;
    const isWhole =
      kept !== null &&
      typeof kept.timed?.bodyId === 'string' &&
      typeof kept.timed.modeId === 'string' &&
      typeof kept.timed.cardId === 'string' &&
      typeof kept.watch?.pageId === 'string' &&
      [kept.watch.wall, kept.watch.page, kept.watch.sure, kept.watch.doubt].every(isNumber);
    return isWhole ? kept : null;
  } catch {
    return null;
  }
}

const clocks = (): Clocks => ({ pageId: PAGE, wall: Date.now(), page: performance.now() });

function shown({ timed, watch, began }: Kept): Running {
  const time = ran(watch);
  const { plannedMinutes } = timed;
  return { timed, began, ran: time, isDue: plannedMinutes !== null && time.mostSeconds >= plannedMinutes * 60 };
}

/** Looks at the clocks and keeps what they say; null where nothing runs. */
function tick(): Running | null {
  const kept = read();
  if (!kept) return null;
  const next = { ...kept, watch: look(kept.watch, clocks()) };
  store(JSON.stringify(next));
  return shown(next);
}

/** A stopwatch for one take, kept in the browser: a reload, a closed page and a locked screen do not end it. */
export interface Stopwatch {
  readonly running: Running | null;
  readonly start: (timed: Timed) => void;
  readonly end: () => void;
}

export function useStopwatch(): Stopwatch {
  const [running, setRunning] = useState<Running | null>(tick);
  const isRunning = running !== null;
  useEffect(() => {
    if (!isRunning) return;
    const again = (): void => setRunning(tick());
    const timer = setInterval(again, TICK);
    document.addEventListener('visibilitychange', again);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', again);
    };
  }, [isRunning]);
  const isDue = running?.isDue === true;
  useEffect(() => {
    if (isDue) navigator.vibrate?.([200, 100, 200]);
  }, [isDue]);
  useEffect(() => {
    if (!isRunning) return;
    // The screen stays awake where the browser can; elsewhere the watch outlives its sleep.
    let lock: { release: () => Promise<void> } | null = null;
    let isOver = false;
    void navigator.wakeLock?.request('screen').then(
      (held) => {
        lock = held;
        if (isOver) void held.release();
      },
      () => {},
    );
    return () => {
      isOver = true;
      void lock?.release();
    };
  }, [isRunning]);
  return {
    running,
    start(timed) {
      store(JSON.stringify({ timed, watch: startWatch(clocks()), began: new Date().toISOString() } satisfies Kept));
      setRunning(tick());
    },
    end() {
      store(null);
      setRunning(null);
    },
  };
}
