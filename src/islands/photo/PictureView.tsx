import { useEffect, useRef } from 'react';
import type { Piece } from '../../core/photo/rows.ts';
import css from './picture.module.css';

/** A piece drawn into the picture, and how sure it is. */
interface Outlined {
  readonly piece: Piece;
  readonly state: 'sure' | 'asked';
}

interface PictureViewProps {
  readonly bitmap: ImageBitmap;
  readonly pieces: readonly Outlined[];
}

/** The picture as it was taken, with what was read outlined: whole where it is sure, broken where it is asked about. */
export function PictureView({ bitmap, pieces }: PictureViewProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const own = canvas.current;
    const context = own?.getContext('2d');
    if (!own || !context) return;
    const style = getComputedStyle(own);
    context.drawImage(bitmap, 0, 0);
    const unit = Math.max(bitmap.width, bitmap.height) / 260;
    for (const { piece, state } of pieces) {
      context.beginPath();
      for (const [at, [x, y]] of piece.entries()) {
        if (at === 0) context.moveTo(x, y);
        else context.lineTo(x, y);
      }
      context.closePath();
      // On any picture one of two lines is seen: a light one under the coloured one.
      context.setLineDash([]);
      context.lineWidth = unit * 2;
      context.strokeStyle = style.getPropertyValue('--paper');
      context.stroke();
      context.setLineDash(state === 'sure' ? [] : [unit * 4, unit * 2.5]);
      context.lineWidth = unit;
      context.strokeStyle = style.getPropertyValue(state === 'sure' ? '--cool' : '--warm');
      context.stroke();
    }
  }, [bitmap, pieces]);
  return (
    <canvas
      ref={canvas}
      className={css.picture}
      role="img"
      aria-label="The picture, with what was read outlined"
      width={bitmap.width}
      height={bitmap.height}
    />
  );
}
