import { useEffect, useRef } from 'react';
import type { Piece } from '../../core/photo/rows.ts';
import css from './picture.module.css';

interface PieceViewProps {
  readonly bitmap: ImageBitmap;
  readonly piece: Piece;
  readonly label: string;
}

/** Height of a piece in the page, CSS pixels. */
const TALL = 44;
const WIDEST = 240;

/** A piece of a picture, turned upright. */
export function PieceView({ bitmap, piece, label }: PieceViewProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [[x, y] = [0, 0], [right, rightY] = [1, 0], , [down, downY] = [0, 1]] = piece;
  const [wide, tall] = [Math.hypot(right - x, rightY - y), Math.hypot(down - x, downY - y)];
  const scale = Math.min(TALL / tall, WIDEST / wide);
  const [width, height] = [Math.max(1, Math.round(wide * scale)), Math.max(1, Math.round(tall * scale))];
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const fine = window.devicePixelRatio || 1;
    const angle = Math.atan2(rightY - y, right - x);
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, width * fine, height * fine);
    context.scale(scale * fine, scale * fine);
    context.rotate(-angle);
    context.translate(-x, -y);
    context.drawImage(bitmap, 0, 0);
  }, [bitmap, x, y, right, rightY, scale, width, height]);
  const fine = typeof window === 'undefined' ? 1 : window.devicePixelRatio || 1;
  return (
    <canvas
      ref={canvas}
      className={css.piece}
      role="img"
      aria-label={label}
      width={width * fine}
      height={height * fine}
      style={{ width, height }}
    />
  );
}
