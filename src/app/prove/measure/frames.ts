/** What is known of a file of a chosen folder. */
interface Named {
  readonly name: string;
  readonly size: number;
  readonly webkitRelativePath?: string;
}

/** The frames of a folder. */
export interface Frames {
  readonly folder: string;
  readonly count: number;
  readonly bytes: number;
  /** Files of another kind, or of a size far from the rest. */
  readonly odd: number;
}

/** Sizes within this factor of the middle are frames of one take [A]. */
const NEAR = 4;

/** Counts the frames of a folder: the files of its commonest kind; null where there are none. */
export function framesOf(files: readonly Named[]): Frames | null {
  const kinds = new Map<string, Named[]>();
  for (const file of files) {
    const kind = /\.([^.]+)$/.exec(file.name)?.[1]?.toLowerCase();
    if (!kind || file.name.startsWith('.') || file.size === 0) continue;
    const same = kinds.get(kind);
    if (same) same.push(file);
    else kinds.set(kind, [file]);
  }
  const [most] = [...kinds.values()].sort((a, b) => b.length - a.length);
  if (!most) return null;
  const sizes = most.map(({ size }) => size).sort((a, b) => a - b);
  const middle = sizes[sizes.length >> 1] ?? 0;
  const good = sizes.filter((size) => size > middle / NEAR && size < middle * NEAR);
  return {
    folder: most[0]?.webkitRelativePath?.split('/')[0] ?? '',
    count: good.length,
    bytes: good.reduce((sum, size) => sum + size, 0),
    odd: files.length - good.length,
  };
}
