const text = (head: Uint8Array, from: number, to: number): string => String.fromCharCode(...head.subarray(from, to));

/** Brands of the container in which phones keep photos that few browsers decode [source: ISO/IEC 23008-12, file type box]. */
const HEIC_BRANDS = ['heic', 'heix', 'hevc', 'hevx', 'heim', 'heis', 'mif1', 'msf1'];

/** Whether a file begins as a HEIC or HEIF photo. */
export const isHeic = (head: Uint8Array): boolean =>
  text(head, 4, 8) === 'ftyp' && HEIC_BRANDS.includes(text(head, 8, 12));

/** Whether a file begins as a picture that browsers decode: PNG, JPEG, GIF, WebP, BMP, AVIF [from memory]. */
export function isPictureLike(head: Uint8Array): boolean {
  const begins = (...bytes: readonly number[]): boolean => bytes.every((byte, at) => head[at] === byte);
  return (
    begins(0x89, 0x50, 0x4e, 0x47) ||
    begins(0xff, 0xd8, 0xff) ||
    text(head, 0, 4) === 'GIF8' ||
    (text(head, 0, 4) === 'RIFF' && text(head, 8, 12) === 'WEBP') ||
    text(head, 0, 2) === 'BM' ||
    (text(head, 4, 8) === 'ftyp' && text(head, 8, 12) === 'avif')
  );
}
