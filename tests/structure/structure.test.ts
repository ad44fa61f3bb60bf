import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { COLLECTIONS, LISTS } from '../../src/kit/collections.ts';
import { kitJsonSchema } from '../../src/kit/jsonSchema.ts';
import { EMPTY_KIT, VERSION } from '../../src/kit/kit.ts';
import { termAt } from '../../src/text/guide/terms.ts';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

function filesIn(folder: string, wanted: (path: string) => boolean): readonly string[] {
  return readdirSync(join(ROOT, folder)).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(join(ROOT, path)).isDirectory()) return filesIn(path, wanted);
    return wanted(path) ? [path] : [];
  });
}
const parsed = (path: string): ts.SourceFile =>
  ts.createSourceFile(path, readFileSync(join(ROOT, path), 'utf8'), ts.ScriptTarget.ES2022, true);

describe('the exports of the core', () => {
  interface Export {
    readonly name: string;
    readonly documented: boolean;
  }
  const isCore = (path: string): boolean => path.endsWith('.ts') && !/\.test\.ts$|testing\.ts$/.test(path);
  const all = filesIn('src/core', isCore).flatMap((path): readonly Export[] =>
    parsed(path).statements.flatMap((node): readonly Export[] => {
      const isExport =
        ts.canHaveModifiers(node) && ts.getModifiers(node)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);
      if (!isExport) return [];
      const names = ts.isVariableStatement(node)
        ? node.declarationList.declarations.map(({ name }) => name.getText())
        : [(node as ts.DeclarationStatement).name?.getText() ?? ''];
      const documented = ts.getJSDocCommentsAndTags(node).length > 0;
      return names.map((name) => ({ name: `${relative('src/core', path)} ${name}`, documented }));
    }),
  );

  it('say what they are, at least ninety-five in a hundred', () => {
    const silent = all.filter(({ documented }) => !documented).map(({ name }) => name);
    expect(all.length).toBeGreaterThan(300);
    expect(silent.length / all.length, silent.join('\n')).toBeLessThanOrEqual(0.05);
  });
});

describe('words that open in place', () => {
  it('are in the guide, each', () => {
    const unknown = filesIn('src/islands', (path) => path.endsWith('.tsx')).flatMap((path) =>
      [...readFileSync(join(ROOT, path), 'utf8').matchAll(/<Term of="([^"]+)"/g)].flatMap(([, id = '']) =>
        termAt(id) ? [] : [`${path}: ${id}`],
      ),
    );
    expect(unknown).toEqual([]);
    expect(termAt('picture-misleads')).not.toBeNull();
  });
});

describe('features', () => {
  const FEATURES = ['match', 'cards', 'bodies', 'heat', 'kit'];

  it.each(['src/core', 'src/text', 'src/app', 'src/islands'])('have their folders in %s', (floor) => {
    const folders = readdirSync(join(ROOT, floor)).filter((name) => statSync(join(ROOT, floor, name)).isDirectory());
    expect(folders).toEqual(expect.arrayContaining(FEATURES));
  });
});

describe('the registry of lists', () => {
  it('is the order of the file, and every list is in an empty kit, in the JSON Schema and in the store', async () => {
    const keys = Object.keys(EMPTY_KIT).filter((key) => key in COLLECTIONS);
    expect(keys).toEqual(LISTS);
    const { properties } = (await kitJsonSchema()) as { properties: Record<string, unknown> };
    expect(Object.keys(properties)).toEqual(expect.arrayContaining([...LISTS]));
  });

  it('names for each list a version that there is, and a schema that knows its entries by id', async () => {
    for (const list of LISTS) {
      const { since, most, schema } = COLLECTIONS[list];
      expect(since).toBeGreaterThanOrEqual(1);
      expect(since).toBeLessThanOrEqual(VERSION);
      expect(most).toBeGreaterThan(0);
      expect((await schema()).schema.validate({}).error?.message, list).toContain('id');
    }
  });
});

describe('words', () => {
  // What changed, why something was refused, and what went wrong is worded in src/text.
  it('of notices stand in text: no island makes one of its own', () => {
    const own = filesIn('src/islands', (path) => path.endsWith('.tsx')).filter((path) =>
      /notifications\.show\(\{\s*message: ['`"]/.test(readFileSync(join(ROOT, path), 'utf8')),
    );
    expect(own).toEqual([]);
  });
});

describe('the styles of the library', () => {
  // The library's own files say which classes belong to which of its components.
  const folder = 'node_modules/@mantine/core/styles';
  const classesIn = (text: string): ReadonlySet<string> => new Set(text.match(/\bm_[0-9a-f]{6,8}\b/g));
  const built = (end: string): string =>
    filesIn('dist/client/_astro', (path) => path.endsWith(end))
      .map((path) => readFileSync(join(ROOT, path), 'utf8'))
      .join('\n');

  it('are there for every component that a built script draws', () => {
    const drawn = classesIn(built('.js'));
    const styled = classesIn(built('.css'));
    const known = classesIn(
      filesIn(folder, (path) => path.endsWith('.css'))
        .map((path) => readFileSync(join(ROOT, path), 'utf8'))
        .join('\n'),
    );
    const missing = [...drawn].filter((name) => known.has(name) && !styled.has(name));
    expect(missing, 'add their files to src/ui/library.css').toEqual([]);
    expect([...drawn].filter((name) => known.has(name)).length).toBeGreaterThan(50);
  });
});
