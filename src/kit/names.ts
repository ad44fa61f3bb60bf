import { MAX_NAME } from '../core/kit/model.ts';

/** A part of a name that does not end in half a character. */
const cut = (text: string, length: number): string =>
  text.slice(0, Math.max(0, length)).replace(/[\ud800-\udbff]$/, '');

const withNumber = (stem: string, number: bigint, width: number): string => {
  const digits = String(number).padStart(width, '0');
  return `${cut(stem, MAX_NAME - digits.length)}${digits}`;
};

/**
 * Makes free names, each unlike all before: `Dory 2`, `Dory 3`; a name that ends in digits counts on: `C-02` after
 * `C-01`, however long the number, and never past the longest name a kit may hold.
 */
export function createNamer(taken: Iterable<string>): (name: string) => string {
  const used = new Set(taken);
  const reached = new Map<string, bigint>();
  return (name) => {
    const [, before = name, digits = ''] = /^(.*?)(\d{0,40})$/su.exec(name) ?? [];
    const stem = digits === '' ? `${name} ` : before;
    let number = reached.get(stem) ?? BigInt(digits || 1);
    let next: string;
    do {
      number += 1n;
      next = withNumber(stem, number, digits.length);
    } while (used.has(next));
    reached.set(stem, number);
    used.add(next);
    return next;
  };
}
