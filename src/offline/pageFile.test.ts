import { describe, expect, it } from 'vitest';
import { pageFile } from './pageFile.ts';

describe('the file of a page', () => {
  it.each([
    ['/', '/index.html'],
    ['', '/index.html'],
    ['//', '/index.html'],
    ['/index.html', '/index.html'],
    ['/bodies', '/bodies/index.html'],
    ['/bodies/', '/bodies/index.html'],
    ['//bodies//', '/bodies/index.html'],
    ['/bodies.html', '/bodies/index.html'],
    ['/bodies/index.html', '/bodies/index.html'],
    ['/a/b', '/a/b/index.html'],
    ['/myindex.html', '/myindex/index.html'],
  ])('of %j is %s', (path, file) => expect(pageFile(path)).toBe(file));
});
