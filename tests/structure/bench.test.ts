import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { IS_DEEP } from '../support/runs.ts';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
const script = readFileSync(join(ROOT, 'scripts', 'bench.mjs'), 'utf8');
const [, table = ''] = /const PARTS = \{([^}]*)\}/.exec(script) ?? [];
const parts = [...table.matchAll(/(\w+): (\w+),/g)].map(([, name = '', kind = '']) => ({ name, kind }));

/** Helpers of parts, and what is started by hand. */
const NO_PARTS = [
  'compareBoard.mjs',
  'crowd.mjs',
  'few.d.mts',
  'few.mjs',
  'heatRequests.ts',
  'writeHugeKit.ts',
  'writeLargeKit.ts',
];

describe('npm run bench', () => {
  it('has every file of its folder as a part', () => {
    const files = readdirSync(join(ROOT, 'bench')).filter((name) => !NO_PARTS.includes(name));
    expect(files.map((name) => name.replace(/\.\w+$/, '')).toSorted()).toEqual(
      parts.map(({ name }) => name).toSorted(),
    );
  });

  // Those of the built app start a browser each: with the large numbers of `npm run deep`.
  const started = parts.filter(({ kind, name }) => IS_DEEP || (kind !== 'browser' && name !== 'photo'));
  it.each(started)('$name runs to its end on a small case', ({ name }) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, [join(ROOT, 'scripts', 'bench.mjs'), name], {
      cwd: ROOT,
      encoding: 'utf8',
      env: { ...process.env, BENCH_SMALL: '1' },
    });
    expect(status, `${stdout}\n${stderr}`).toBe(0);
    expect(stdout).toContain(`— ${name}`);
    expect(stdout, 'a figure').toMatch(/\d/);
  });

  it('says which parts there are where one is not', () => {
    const { status, stderr } = spawnSync(process.execPath, [join(ROOT, 'scripts', 'bench.mjs'), 'speed'], {
      encoding: 'utf8',
    });
    expect(status).not.toBe(0);
    expect(stderr).toContain('There is no bench speed. There are: board,');
  });
});
