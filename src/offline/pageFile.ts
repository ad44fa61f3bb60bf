/** The page for addresses that lead nowhere. */
export const LOST_PAGE = '/404.html';

/**
 * The built file of a page by its address: with or without a slash, doubled ones, `index.html` or `.html` at its end.
 *
 * @example pageFile('/bodies/') // '/bodies/index.html'
 */
export function pageFile(path: string): string {
  const parts = path
    .replace(/(^|\/)index\.html$/, '$1')
    .replace(/\.html$/, '')
    .split('/')
    .filter((part) => part !== '');
  return `/${[...parts, 'index.html'].join('/')}`;
}
