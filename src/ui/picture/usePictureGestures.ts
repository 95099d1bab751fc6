import { useEffect, useRef, type RefObject } from 'react';
import type { View } from 'react-native';
import { fitted, moved, zoomed, type Viewport } from '@/core/picture/viewport';
import { elementOf } from '../web';

interface Size {
  width: number;
  height: number;
}

const WHEEL = 1.0018;
const KEY_ZOOM = 1.3;
const KEY_MOVE = 48;

/** A finger on the picture. */
type Fingers = Map<number, [number, number]>;

const middleOf = (fingers: Fingers): [number, number] => {
  const all = [...fingers.values()];
  return [all.reduce((sum, [x]) => sum + x, 0) / all.length, all.reduce((sum, [, y]) => sum + y, 0) / all.length];
};
const spreadOf = (fingers: Fingers): number => {
  const [a, b] = [...fingers.values()];
  return a && b ? Math.hypot(a[0] - b[0], a[1] - b[1]) : 0;
};

/**
 * Pan and zoom: one finger or the mouse moves, two fingers and the wheel make larger and smaller, so do + and −; the arrows
 * move, 0 shows all, 1 single pixels.
 */
export function usePictureGestures(
  host: RefObject<View | null>,
  picture: Size,
  screen: Size,
  view: Viewport | null,
  setView: (view: Viewport) => void,
): void {
  const latest = useRef({ picture, screen, view, setView });
  useEffect(() => {
    latest.current = { picture, screen, view, setView };
  });
  useEffect(() => {
    const element = elementOf(host);
    if (!element || typeof element.addEventListener !== 'function') return;
    const fingers: Fingers = new Map();
    const place = (event: MouseEvent): [number, number] => {
      const box = element.getBoundingClientRect();
      return [event.clientX - box.left, event.clientY - box.top];
    };
    const change = (make: (view: Viewport, picture: Size, screen: Size) => Viewport) => {
      const now = latest.current;
      if (!now.view) return;
      const next = make(now.view, now.picture, now.screen);
      now.view = next;
      now.setView(next);
    };
    const onDown = (event: PointerEvent) => {
      if (event.button !== 0 || (event.target as HTMLElement).closest('[role=slider]')) return;
      fingers.set(event.pointerId, place(event));
      element.setPointerCapture(event.pointerId);
    };
    const onMove = (event: PointerEvent) => {
      if (!fingers.has(event.pointerId)) return;
      const [before, spread] = [middleOf(fingers), spreadOf(fingers)];
      fingers.set(event.pointerId, place(event));
      const [after, wider] = [middleOf(fingers), spreadOf(fingers)];
      change((now, of, on) => {
        const shifted = moved(now, after[0] - before[0], after[1] - before[1], of, on);
        return fingers.size === 2 && spread > 0 ? zoomed(shifted, wider / spread, after, of, on) : shifted;
      });
    };
    const onUp = (event: PointerEvent) => void fingers.delete(event.pointerId);
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      change((now, of, on) => zoomed(now, WHEEL ** -event.deltaY, place(event), of, on));
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.target !== element || event.ctrlKey || event.metaKey || event.altKey) return;
      const middle = ({ width, height }: Size): [number, number] => [width / 2, height / 2];
      const moves: Record<string, (view: Viewport, picture: Size, screen: Size) => Viewport> = {
        ArrowLeft: (now, of, on) => moved(now, KEY_MOVE, 0, of, on),
        ArrowRight: (now, of, on) => moved(now, -KEY_MOVE, 0, of, on),
        ArrowUp: (now, of, on) => moved(now, 0, KEY_MOVE, of, on),
        ArrowDown: (now, of, on) => moved(now, 0, -KEY_MOVE, of, on),
        '+': (now, of, on) => zoomed(now, KEY_ZOOM, middle(on), of, on),
        '=': (now, of, on) => zoomed(now, KEY_ZOOM, middle(on), of, on),
        '-': (now, of, on) => zoomed(now, 1 / KEY_ZOOM, middle(on), of, on),
        '0': (_now, of, on) => fitted(of, on),
        '1': (now, of, on) => zoomed(now, 1 / now.scale, middle(on), of, on),
      };
      const move = moves[event.key];
      if (!move) return;
      event.preventDefault();
      event.stopPropagation();
      change(move);
    };
    element.addEventListener('pointerdown', onDown);
    element.addEventListener('pointermove', onMove);
    element.addEventListener('pointerup', onUp);
    element.addEventListener('pointercancel', onUp);
    element.addEventListener('wheel', onWheel, { passive: false });
    element.addEventListener('keydown', onKey);
    return () => {
      element.removeEventListener('pointerdown', onDown);
      element.removeEventListener('pointermove', onMove);
      element.removeEventListener('pointerup', onUp);
      element.removeEventListener('pointercancel', onUp);
      element.removeEventListener('wheel', onWheel);
      element.removeEventListener('keydown', onKey);
    };
  }, [host]);
}
