import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { ROOT } from '../../scripts/lib.mjs';
import { ONE_WORD } from '../../src/text/oneWord.ts';

const FOLDERS = ['src/text', 'src/islands', 'src/ui'];

/** What a person may read of a file: literals and text of elements that have a space in them, with their lines. */
function sentencesOf(path: string): readonly (readonly [line: number, text: string])[] {
  const source = ts.createSourceFile(path, readFileSync(join(ROOT, path), 'utf8'), ts.ScriptTarget.ES2022, true);
  const found: [number, string][] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isLiteralTypeNode(node)) return;
    const isText =
      ts.isStringLiteralLike(node) ||
      ts.isJsxText(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddle(node) ||
      ts.isTemplateTail(node);
    if (isText && /\S\s+\S/.test(node.text))
      found.push([source.getLineAndCharacterOfPosition(node.getStart()).line + 1, node.text.replace(/\s+/g, ' ')]);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

const files = FOLDERS.flatMap((folder) =>
  readdirSync(join(ROOT, folder), { recursive: true })
    .map((name) => `${folder}/${name}`)
    .filter((path) => /\.tsx?$/.test(path) && !path.includes('.test.') && !path.endsWith('oneWord.ts')),
);

describe('one word for one thing', () => {
  it('is found in the sentences of texts and views at all', () => {
    expect(files.flatMap(sentencesOf).length).toBeGreaterThan(2000);
  });

  it.each(ONE_WORD.flatMap(({ word, instead }) => instead.map((other) => [other, word] as const)))(
    'no sentence says “%s” for “%s”',
    (other) => {
      const pattern = new RegExp(`(?<![\\w/=?.-])${other}(?![\\w=-])`, 'i');
      const said = files.flatMap((path) =>
        sentencesOf(path)
          .filter(([, text]) => pattern.test(text))
          .map(([line, text]) => `${path}:${line}: ${text.slice(0, 120)}`),
      );
      expect(said).toEqual([]);
    },
  );
});
