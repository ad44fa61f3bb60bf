import { create } from 'qrcode';
import { useMemo } from 'react';

/** A code, drawn as one path: dark on light in both themes, with the quiet border that readers need. */
export function QrCode({
  text,
  label,
  size,
}: {
  readonly text: string;
  readonly label: string;
  readonly size: number;
}) {
  const drawn = useMemo(() => {
    try {
      const { modules } = create(text, { errorCorrectionLevel: text.length > 600 ? 'L' : 'M' });
      let path = '';
      for (let row = 0; row < modules.size; row += 1)
        for (let column = 0; column < modules.size; column += 1)
          if (modules.get(row, column)) path += `M${column + 4} ${row + 4}h1v1h-1z`;
      return { path, cells: modules.size + 8 };
    } catch {
      // More than a code holds.
      return null;
    }
  }, [text]);
  if (drawn === null)
    return <p className="tone-hot">That is more than one code holds: hand over the kit file instead.</p>;
  return (
    <svg
      viewBox={`0 0 ${drawn.cells} ${drawn.cells}`}
      width={size}
      height={size}
      role="img"
      aria-label={label}
      shapeRendering="crispEdges"
    >
      <rect width={drawn.cells} height={drawn.cells} fill="#fff" />
      <path d={drawn.path} fill="#000" />
    </svg>
  );
}
