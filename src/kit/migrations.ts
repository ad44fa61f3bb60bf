import { entryAt } from '../core/entryAt.ts';
import { isIsoDate, readDate } from '../core/units/date.ts';
import { COLLECTIONS, LISTS } from './collections.ts';
import { VERSION } from './kit.ts';

type Raw = Readonly<Record<string, unknown>>;

/** One step of the chain. It moves what it recognises and leaves the rest for the schema to judge. */
interface Migration {
  /** What is told apart from the newer form; lists that it brings stand there already, empty. */
  readonly apply: (kit: Raw) => Raw;
  /** Where a place of the newer form stood in the older one, so that a problem is told where the file has it. */
  readonly placeBefore: (path: string, older: Raw) => string;
}

const isObject = (value: unknown): value is Raw => value !== null && typeof value === 'object' && !Array.isArray(value);
/** Kept takes as version 1 has them, in the settings; whatever else stands there is for the schema to refuse. */
const keptBefore = (kit: Raw): unknown => (isObject(kit.settings) ? (kit.settings.keptTakes ?? []) : []);

const hasTrace = (take: unknown): take is Raw => isObject(take) && take.demandTraceMBps != null;

/** A key of the older form that the newer one gives a meaning: kept beside it, not taken for it. */
const setAside = (kit: Raw, keys: readonly string[], version: number): Raw =>
  Object.fromEntries(
    Object.entries(kit).map(([key, value]) => [keys.includes(key) ? `${key}BeforeVersion${version}` : key, value]),
  );

/**
 * Version 2: kept takes are a list of their own, and a clip's rate by the second a series of its own; the air of a test, which
 * has the sun in it, no longer shares its name with the air of a plan, which has not.
 */
const toTwo: Migration = {
  apply(kit) {
    const series: Raw[] = [];
    const moved = (take: unknown): unknown => {
      if (!isObject(take)) return take;
      const { demandTraceMBps, ...rest } = take;
      if (!hasTrace(take)) return { ...rest, rateSeriesId: null };
      const id = `rate-${series.length + 1}`;
      series.push({ id, kind: 'rate', MBps: demandTraceMBps });
      return { ...rest, rateSeriesId: id };
    };
    const renamed = (test: unknown): unknown => {
      if (!isObject(test) || !('ambientC' in test)) return test;
      const { ambientC, ...rest } = test;
      return { ...rest, ambientWithSunC: ambientC };
    };
    const before = keptBefore(kit);
    const keptTakes = Array.isArray(before) ? before.map(moved) : before;
    const { settings, tests, ...rest } = kit;
    const own = Array.isArray(tests) ? { tests: tests.map(renamed) } : tests === undefined ? {} : { tests };
    const { keptTakes: _moved, ...others } = isObject(settings) ? settings : {};
    // Settings that are no object stay as they are, for the schema to refuse.
    const kept = isObject(settings) ? { settings: others } : settings === undefined ? {} : { settings };
    return { ...rest, ...own, keptTakes, series, ...kept };
  },
  placeBefore(path, older) {
    const takes = keptBefore(older);
    const traced = Array.isArray(takes) ? takes.flatMap((take, at) => (hasTrace(take) ? [at] : [])) : [];
    return path
      .replace(/^(tests\[\d+\])\.ambientWithSunC/, '$1.ambientC')
      .replace(/^keptTakes/, 'settings.keptTakes')
      .replace(/^series\[(\d+)\](?:\.MBps)?/, (_, at) => `settings.keptTakes[${traced[Number(at)]}].demandTraceMBps`);
  },
};

/** Version 3: bursts, benches and what colleagues report are lists. */
const toThree: Migration = { apply: (kit) => kit, placeBefore: (path) => path };

/** Version 4: benches have traces, and figures may be measured; nothing that was there changes. */
const toFour: Migration = { apply: (kit) => kit, placeBefore: (path) => path };

/** What a plan needs at the least to be one: earlier versions kept whatever stood in the list. */
const isPlan = (plan: unknown): boolean =>
  isObject(plan) && ['blocks', 'cardIds', 'readers'].every((key) => Array.isArray(plan[key])) && isObject(plan.copies);

/** Version 5: plans are read. What stood there and is no plan is kept beside them. */
const toFive: Migration = {
  apply(kit) {
    const { plans } = kit;
    if (!Array.isArray(plans) || plans.every(isPlan)) return kit;
    return {
      ...kit,
      plans: plans.filter(isPlan),
      plansBeforeVersion5: plans.filter((plan) => !isPlan(plan)),
    };
  },
  placeBefore(path, older) {
    const { plans } = older;
    const kept = Array.isArray(plans) ? plans.flatMap((plan, at) => (isPlan(plan) ? [at] : [])) : [];
    return path.replace(/^plans\[(\d+)\]/, (_, at) => `plans[${kept[Number(at)] ?? at}]`);
  },
};

/** What a line of a price list needs at the least to be one: earlier versions kept whatever stood in the list. */
const isOffer = (price: unknown): boolean =>
  isObject(price) && 'form' in price && 'capacityGB' in price && 'price' in price && Array.isArray(price.marks);

/** Version 6: prices are read, needs and cameras that never stop are lists. What is no offer is kept beside them. */
const toSix: Migration = {
  apply(kit) {
    const { prices } = kit;
    if (!Array.isArray(prices) || prices.every(isOffer)) return kit;
    return {
      ...kit,
      prices: prices.filter(isOffer),
      pricesBeforeVersion6: prices.filter((price) => !isOffer(price)),
    };
  },
  placeBefore(path, older) {
    const { prices } = older;
    const kept = Array.isArray(prices) ? prices.flatMap((price, at) => (isOffer(price) ? [at] : [])) : [];
    return path.replace(/^prices\[(\d+)\]/, (_, at) => `prices[${kept[Number(at)] ?? at}]`);
  },
};

/** Version 7: what was drilled is a list. */
const toSeven: Migration = { apply: (kit) => kit, placeBefore: (path) => path };

/** Dates that may be missing, by list: what cannot be read leaves its place, and is kept beside it. */
const DATES: Readonly<Record<string, readonly string[]>> = {
  tests: ['date', 'looked'],
  clearings: ['date'],
  benches: ['date'],
  reports: ['date'],
  cards: ['boughtOn', 'writtenOn'],
  standing: ['since'],
  prices: ['date'],
};

/** Most characters of a note that the schema takes. */
const LONGEST_NOTE = 2000;

/** A day as it can be read without a doubt: in any writing that says it, or with other words behind an ISO day. */
function dayIn(written: string): string | null {
  const read = readDate(written);
  if (read.ok) return read.value;
  const day = written.slice(0, 10);
  return isIsoDate(day) ? day : null;
}

/** What was written for a date, kept with its entry: in the note where there is room. */
function keptAside(entry: Raw, key: string, written: string): Raw {
  const said = `${key} as written: ${written}`;
  const note = typeof entry.note === 'string' && entry.note !== '' ? `${entry.note}\n${said}` : said;
  const hasNote = entry.note === undefined || entry.note === null || typeof entry.note === 'string';
  return hasNote && note.length <= LONGEST_NOTE ? { ...entry, note } : { ...entry, [`${key}AsWritten`]: written };
}

function dated(entry: unknown, keys: readonly string[]): unknown {
  if (!isObject(entry)) return entry;
  let now: Raw = entry;
  for (const key of keys) {
    const written = entry[key];
    if (typeof written !== 'string' || written === '' || isIsoDate(written)) continue;
    now = { ...now, [key]: dayIn(written) };
    if (!readDate(written).ok) now = keptAside(now, key, written);
  }
  return now;
}

/** A day that an entry cannot do without, moved to the last one it can have been: what came after it then is later still. */
function latestDay(written: unknown): unknown {
  if (typeof written !== 'string' || isIsoDate(written)) return written;
  const known = dayIn(written);
  if (known !== null) return known;
  const [, year = '', month = ''] = /^(\d{4})-(\d{2})/.exec(written) ?? [];
  const last = ['31', '30', '29', '28'].map((day) => `${year}-${month}-${day}`).find(isIsoDate);
  return last ?? (year === '' ? written : `${year}-12-31`);
}

/** Incidents and what was verified: a verification whose day cannot be read is kept aside, and counts no more. */
function cardDated(card: unknown): unknown {
  if (!isObject(card)) return card;
  const incidents = Array.isArray(card.incidents)
    ? { incidents: card.incidents.map((one) => (isObject(one) ? { ...one, date: latestDay(one.date) } : one)) }
    : {};
  const { verified } = card;
  const written = isObject(verified) ? verified.date : null;
  if (typeof written !== 'string' || isIsoDate(written)) return { ...card, ...incidents };
  const day = dayIn(written);
  return day === null
    ? { ...card, ...incidents, verified: null, verifiedBeforeVersion8: verified }
    : { ...card, ...incidents, verified: { ...(verified as Raw), date: day } };
}

const each = (list: unknown, change: (entry: unknown) => unknown): unknown =>
  Array.isArray(list) ? list.map(change) : list;

/** Version 8: dates are days that exist, as ISO 8601 writes them; what may be two days is kept as a note. */
const toEight: Migration = {
  apply(kit) {
    const lists = Object.fromEntries(
      Object.entries(DATES).flatMap(([list, keys]) =>
        list in kit ? [[list, each(kit[list], (entry) => dated(entry, keys))] as const] : [],
      ),
    );
    const all: Raw = { ...kit, ...lists };
    const received = (entry: unknown): unknown =>
      isObject(entry) ? { ...entry, received: latestDay(entry.received) } : entry;
    const made = (take: unknown): unknown => {
      if (!isObject(take) || !isObject(take.made) || typeof take.made.date !== 'string') return take;
      const day = dayIn(take.made.date);
      return day === null
        ? { ...take, made: null, madeBeforeVersion8: take.made }
        : { ...take, made: { ...take.made, date: day } };
    };
    return {
      ...all,
      ...('cards' in all ? { cards: each(all.cards, cardDated) } : {}),
      ...('reports' in all ? { reports: each(all.reports, received) } : {}),
      ...('keptTakes' in all ? { keptTakes: each(all.keptTakes, made) } : {}),
    };
  },
  placeBefore: (path) => path,
};

/** Version 9: words that do not matter in a quick check are settings. */
const toNine: Migration = { apply: (kit) => kit, placeBefore: (path) => path };

/** Version 10: a body tells what its stated rates hold. */
const toTen: Migration = { apply: (kit) => kit, placeBefore: (path) => path };

/** Version 11: a body tells what it does with cards of a form that it asks no mark of; buses of older slots. */
const toEleven: Migration = { apply: (kit) => kit, placeBefore: (path) => path };

/** Version 12: a mode tells the slots it goes to; a body tells what its maker advises against. */
const toTwelve: Migration = { apply: (kit) => kit, placeBefore: (path) => path };

/** Version 13: a body tells how its counter rounds. */
const toThirteen: Migration = { apply: (kit) => kit, placeBefore: (path) => path };

/** As many steps as lead to a version: one too many or too few does not compile. */
type ChainTo<Version extends number, Steps extends readonly Migration[] = []> = [
  ...Steps,
  unknown,
]['length'] extends Version
  ? Steps
  : ChainTo<Version, [...Steps, Migration]>;

/** From version 1 on, each to the next. */
const CHAIN: Readonly<ChainTo<typeof VERSION>> = [
  toTwo,
  toThree,
  toFour,
  toFive,
  toSix,
  toSeven,
  toEight,
  toNine,
  toTen,
  toEleven,
  toTwelve,
  toThirteen,
];

/** Whether a version is one that is read. */
export const isReadVersion = (version: unknown): version is number =>
  typeof version === 'number' && Number.isInteger(version) && version >= 1 && version <= VERSION;

/** A kit brought from its version to the one that is written. */
export interface Migrated {
  readonly kit: Raw;
  /** A place in `kit`, as the file has it. */
  readonly placeInFile: (path: string) => string;
}

/** One step: lists that the version brings are new, whatever stood under their names, and then what the step itself moves. */
function stepTo(version: number, kit: Raw, { apply }: Migration): Raw {
  const brought = LISTS.filter((list) => COLLECTIONS[list].since === version);
  const begun = { ...setAside(kit, brought, version), ...Object.fromEntries(brought.map((list) => [list, []])) };
  return { ...apply(begun), version };
}

/**
 * Brings a kit of an older version up to the one that is written. The one chain serves files, earlier states and the
 * upgrade of the browser's store.
 *
 * @param from - the version it has; 1 to the written one
 * @param to - the version wanted: a store is brought up one at a time
 */
export function migrate(kit: Raw, from: number, to: number = VERSION): Migrated {
  const steps: readonly Migration[] = CHAIN.slice(from - 1, to - 1);
  const stages: Raw[] = [kit];
  for (const [at, step] of steps.entries()) stages.push(stepTo(from + at + 1, stages.at(-1) as Raw, step));
  const placeInFile = (path: string): string =>
    steps.reduceRight((place, step, at) => step.placeBefore(place, entryAt(stages, at)), path);
  return { kit: stages.at(-1) as Raw, placeInFile };
}
