import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import { stylesOf, usePalette } from '../theme/theme';
import { elementOf } from '../web';
import type { PartSource } from './usePictureCanvas';

interface Props {
  source: PartSource;
  /** The place under the finger, px of the picture. */
  at: [number, number];
  /** Whether it stands at the left or the right of the picture: never under the finger. */
  side: 'left' | 'right';
  tint: string | null;
}

/** Pixels to either side of the middle one, and how large each is drawn. */
const REACH = 8;
const PIXEL = 8;
const SIDE = (2 * REACH + 1) * PIXEL;

/** Single pixels under the finger, with a cross on the place itself. */
export function Loupe({ source, at, side, tint }: Props) {
  const styles = useStyles();
  const palette = usePalette();
  const host = useRef<View>(null);
  const canvas = useRef<HTMLCanvasElement | null>(null);
  useEffect(() => {
    const element = elementOf(host);
    if (!element) return;
    const made = document.createElement('canvas');
    made.width = SIDE;
    made.height = SIDE;
    element.prepend(made);
    canvas.current = made;
    return () => made.remove();
  }, []);
  useEffect(() => {
    let live = true;
    const [x, y] = at;
    const [left, top] = [Math.round(x) - REACH, Math.round(y) - REACH];
    const size = 2 * REACH + 1;
    void source({ x: left, y: top, width: size, height: size, outWidth: SIDE, outHeight: SIDE }).then((colours) => {
      if (!live) return;
      const context = canvas.current?.getContext('2d');
      if (!context || !colours) return;
      context.globalCompositeOperation = 'source-over';
      context.putImageData(new ImageData(colours as Uint8ClampedArray<ArrayBuffer>, SIDE, SIDE), 0, 0);
      if (tint !== null) {
        context.globalCompositeOperation = 'multiply';
        context.fillStyle = tint;
        context.fillRect(0, 0, SIDE, SIDE);
        context.globalCompositeOperation = 'source-over';
      }
      const [cx, cy] = [(x - left + 0.5) * PIXEL, (y - top + 0.5) * PIXEL];
      context.strokeStyle = palette.needle;
      context.lineWidth = 1.5;
      context.beginPath();
      context.moveTo(cx - 18, cy);
      context.lineTo(cx + 18, cy);
      context.moveTo(cx, cy - 18);
      context.lineTo(cx, cy + 18);
      context.stroke();
    });
    return () => {
      live = false;
    };
  }, [at, source, tint, palette]);
  return (
    <View
      ref={host}
      aria-hidden
      pointerEvents="none"
      style={[styles.loupe, side === 'left' ? styles.left : styles.right]}
    />
  );
}

const useStyles = stylesOf((palette) => ({
  loupe: {
    position: 'absolute',
    top: 8,
    width: SIDE + 4,
    height: SIDE + 4,
    borderWidth: 2,
    borderColor: palette.ink,
    backgroundColor: palette.raised,
    overflow: 'hidden',
  },
  left: { left: 8 },
  right: { right: 8 },
}));
