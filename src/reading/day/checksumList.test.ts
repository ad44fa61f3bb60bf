import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { type CopyList, compareCopies } from '../../core/rotation/copyLists.ts';
import { readChecksumList } from './checksumList.ts';

const list = (text: string): CopyList => {
  const read = readChecksumList(text);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value;
};
const [A, B] = ['0123456789abcdef'.repeat(2), 'fedcba9876543210'.repeat(2)];

describe('a list of checksums', () => {
  it('is read in every usual form, line end and separator', () => {
    const same = { digits: 32, files: [{ path: 'CLIP/a 1.mov', sum: A }] };
    expect(list(`${A}  CLIP/a 1.mov\n`)).toEqual(same);
    expect(list(`\ufeff# made at noon\r\n${A.toUpperCase()} *.\\CLIP\\a 1.mov\r\n`)).toEqual(same);
    expect(list(`MD5 (./CLIP/a 1.mov) = ${A}\r`)).toEqual(same);
    expect(list('0123456789abcdef  a.mov').digits, 'xxh64').toBe(16);
  });

  it.each([
    ['', 'empty'],
    ['; nothing\n\n', 'empty'],
    [`${A}  a\nhello there\n`, 'not-a-line'],
    ['abc123  a', 'not-a-line'],
    [`${A}  a\n${A}${A}  b`, 'mixed'],
    [`${A}  a\n${B}  a`, 'twice'],
  ])('is refused by line where it is none: %j', (text, code) => {
    expect(readChecksumList(text)).toMatchObject({ ok: false, error: { code } });
  });
});

describe('two copies', () => {
  it('are equal only where every file is', () => {
    const first = list(`${A}  a\n${B}  b`);
    expect(compareCopies(first, list(`${B}  b\n${A}  a`))).toMatchObject({ isEqual: true, same: 2, leftOff: null });
    expect(compareCopies(first, list(`${A}  a\n${A}  b`))).toMatchObject({ isEqual: false, different: ['b'] });
    expect(compareCopies(first, list(`${A}  a`))).toMatchObject({ isEqual: false, missing: ['b'], extra: [] });
    expect(compareCopies(list(`${A}  a`), first)).toMatchObject({ isEqual: false, extra: ['b'] });
    expect(compareCopies(first, list('0123456789abcdef  a'))).toMatchObject({ isEqual: false, otherKind: true });
    expect(compareCopies({ digits: 32, files: [] }, { digits: 32, files: [] }).isEqual, 'nothing equals nothing').toBe(
      false,
    );
  });

  it('meet in folders of their own, and of another folder they do not', () => {
    const first = list(`${A}  Disk1/A-01/CLIP/a\n${B}  Disk1/A-01/CLIP/b`);
    const second = list(`${A}  /mnt/two/CLIP/a\n${B}  /mnt/two/CLIP/b`);
    expect(compareCopies(first, second)).toMatchObject({
      isEqual: true,
      leftOff: { first: 'Disk1/A-01/CLIP/', second: '/mnt/two/CLIP/' },
    });
    expect(compareCopies(first, list(`${A}  other/x\n${B}  other/y`))).toMatchObject({
      isEqual: false,
      missing: ['a', 'b'],
      extra: ['x', 'y'],
    });
  });
});

describe('an escaped path', () => {
  it('is unescaped once: what an escaped backslash leaves is a backslash, and the n behind it is an n', () => {
    const read = readChecksumList(`\\${'a'.repeat(32)}  CLIP/a\\\\nb\n\\${'b'.repeat(32)}  CLIP/c\\nd`);
    expect(read.ok && read.value.files.map(({ path }) => path)).toEqual(['CLIP/a/nb', 'CLIP/c\nd']);
  });
});

describe('lists as the programs of this machine write them (GNU coreutils)', () => {
  const folder = mkdtempSync(join(tmpdir(), 'cool-reel-sums-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  it.each(['md5sum', 'sha256sum', 'sha512sum'])('%s, plain and tagged', (program) => {
    for (const copy of ['one', 'two']) {
      mkdirSync(join(folder, copy, 'CLIP'), { recursive: true });
      writeFileSync(join(folder, copy, 'CLIP', 'first take.mov'), 'first');
      writeFileSync(join(folder, copy, 'CLIP', 'back\\slash.mov'), 'second');
    }
    const run = (copy: string, ...more: string[]): CopyList =>
      list(
        execFileSync('sh', ['-c', `${program} ${more.join(' ')} */*`], { cwd: join(folder, copy), encoding: 'utf8' }),
      );
    expect(compareCopies(run('one'), run('two'))).toMatchObject({ isEqual: true, same: 2 });
    expect(
      compareCopies(
        run('one'),
        list(execFileSync(program, ['--tag', 'CLIP/first take.mov'], { cwd: join(folder, 'two'), encoding: 'utf8' })),
      ),
    ).toMatchObject({ isEqual: false, same: 1 });
    writeFileSync(join(folder, 'two', 'CLIP', 'first take.mov'), 'other');
    expect(compareCopies(run('one'), run('two'))).toMatchObject({ isEqual: false, different: ['CLIP/first take.mov'] });
  });
});
