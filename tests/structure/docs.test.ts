import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
const read = (path: string): string => readFileSync(join(ROOT, path), 'utf8');

function filesIn(folder: string, ending: RegExp): readonly string[] {
  return readdirSync(join(ROOT, folder)).flatMap((name) => {
    const path = join(folder, name);
    return statSync(join(ROOT, path)).isDirectory() ? filesIn(path, ending) : ending.test(path) ? [path] : [];
  });
}

const sources = ['src', 'tests'].flatMap((folder) => filesIn(folder, /\.(ts|tsx|mjs)$/));

describe('what a newcomer reads', () => {
  it('README: at most 700 words', () => {
    const words = read('README.md')
      .split(/\s+/)
      .filter((word) => /[\p{L}\d]/u.test(word));
    expect(words.length).toBeLessThanOrEqual(700);
  });

  it.each(['README.md', 'docs/architecture.md', 'docs/domain.md', 'docs/dependencies.md', 'src/core/README.md'])(
    '%s: every file and picture that it names is there',
    (path) => {
      const text = read(path);
      const linked = [...text.matchAll(/\]\(([^)#:]+)\)|src="([^":]+)"/g)].map(([, a, b]) =>
        join(dirname(path), a ?? b ?? ''),
      );
      const named = [...text.matchAll(/`((?:src|tests|docs|bench|scripts)\/[\w./[\]-]+\.\w+)`/g)].map(
        ([, one]) => one ?? '',
      );
      const missing = [...linked, ...named].filter((one) => !statSync(join(ROOT, one), { throwIfNoEntry: false }));
      expect(missing).toEqual([]);
    },
  );

  it('files that the architecture follows are there', () => {
    const text = read('docs/architecture.md');
    const named = [...text.matchAll(/`((?:core|text|app|kit|islands|server|workers)\/[\w./]+\.tsx?)`/g)].map(
      ([, one]) => one ?? '',
    );
    expect(named.length).toBeGreaterThan(15);
    expect(named.filter((one) => !statSync(join(ROOT, 'src', one), { throwIfNoEntry: false }))).toEqual([]);
  });

  it('comments that name a section of the trade lead to it', () => {
    const sections = [...read('docs/domain.md').matchAll(/^## (\d+)\./gm)].map(([, number]) => number);
    const named = sources.flatMap((path) =>
      [...read(path).matchAll(/domain\.md ((?:§\d+[–, ]*)+)/g)].flatMap(([, all = '']) =>
        [...all.matchAll(/§(\d+)/g)].map(([, number]) => ({ path, number })),
      ),
    );
    expect(named.length).toBeGreaterThan(15);
    expect(named.filter(({ number }) => !sections.includes(number))).toEqual([]);
  });

  it('every package is told of', () => {
    const text = read('docs/dependencies.md');
    const { dependencies } = JSON.parse(read('package.json')) as { dependencies: Readonly<Record<string, string>> };
    const covered = (name: string): boolean =>
      text.includes(name) || [...text.matchAll(/([@\w/-]+[/-])\*/g)].some(([, start = '']) => name.startsWith(start));
    expect(Object.keys(dependencies).filter((name) => !covered(name))).toEqual([]);
  });
});

describe('features have one name', () => {
  const FEATURES = ['match', 'cards', 'bodies', 'heat', 'prove', 'day', 'shop', 'drill', 'guide', 'photo', 'kit'];
  /** What a floor has beside the features, or calls otherwise; the documents say so. */
  const BESIDE: Readonly<Record<string, readonly string[]>> = {
    core: ['best', 'rotation', 'standards', 'units'],
    text: ['best'],
    app: ['tasks'],
    islands: ['shell'],
  };
  it.each(Object.entries(BESIDE))('on the floor %s', (floor, beside) => {
    const folders = readdirSync(join(ROOT, 'src', floor), { withFileTypes: true })
      .filter((one) => one.isDirectory())
      .map(({ name }) => name);
    const expected = floor === 'core' ? FEATURES.filter((name) => name !== 'day') : FEATURES;
    expect(folders.toSorted()).toEqual([...expected, ...beside].toSorted());
  });
});

describe('examples in docstrings', () => {
  const examples = filesIn('src/core', /(?<!\.test)\.ts$/).flatMap((path) =>
    [...read(path).matchAll(/@example (.+)$/gm)].map(([, text = '']) => ({ path, text })),
  );

  it('are there, and each says what comes out', () => {
    expect(examples.length).toBeGreaterThan(15);
    expect(examples.filter(({ text }) => !text.includes(' // => '))).toEqual([]);
  });

  it.each(examples)('$path: $text', async ({ path, text }) => {
    const [call = '', result = ''] = text.split(' // => ');
    const module = (await import(join(ROOT, path))) as Readonly<Record<string, unknown>>;
    const names = Object.keys(module);
    // Examples are the project's own text.
    const value = (source: string): unknown => new Function(...names, `return (${source});`)(...Object.values(module));
    expect(value(call)).toEqual(value(result));
  });
});
