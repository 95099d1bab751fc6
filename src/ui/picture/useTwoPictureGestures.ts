import { useEffect, useRef, type RefObject } from 'react';
import type { View } from 'react-native';
import { elementOf } from '../web';

/** What moving on two pictures that lie over each other does. */
export interface TwoPictureMoves {
  /** The upper picture moves by so many screen px. */
  onDrag: (dx: number, dy: number) => void;
  /** Both become larger or smaller about a place of the screen. */
  onZoom: (by: number, about: [number, number]) => void;
}

const WHEEL = 1.0018;
const KEY_ZOOM = 1.3;
/** With Shift an arrow moves by so many px. */
const FAR = 12;

/** A drag moves the upper picture, so do the arrows, a px at a time; the wheel, two fingers, + and − enlarge both. */
export function useTwoPictureGestures(host: RefObject<View | null>, moves: TwoPictureMoves): void {
  const latest = useRef(moves);
  useEffect(() => {
    latest.current = moves;
  });
  useEffect(() => {
    const element = elementOf(host);
    if (!element || typeof element.addEventListener !== 'function') return;
    const fingers = new Map<number, [number, number]>();
    const place = (event: MouseEvent): [number, number] => {
      const box = element.getBoundingClientRect();
      return [event.clientX - box.left, event.clientY - box.top];
    };
    const spread = () => {
      const [a, b] = [...fingers.values()];
      return a && b
        ? { wide: Math.hypot(a[0] - b[0], a[1] - b[1]), middle: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] }
        : null;
    };
    const onDown = (event: PointerEvent) => {
      if (event.button !== 0) return;
      fingers.set(event.pointerId, place(event));
      element.setPointerCapture(event.pointerId);
    };
    const onMove = (event: PointerEvent) => {
      const before = fingers.get(event.pointerId);
      if (!before) return;
      const wasSpread = spread();
      const now = place(event);
      fingers.set(event.pointerId, now);
      const isSpread = spread();
      if (wasSpread && isSpread) {
        const [x, y] = isSpread.middle;
        if (wasSpread.wide > 0) latest.current.onZoom(isSpread.wide / wasSpread.wide, [x!, y!]);
      } else latest.current.onDrag(now[0] - before[0], now[1] - before[1]);
    };
    const onUp = (event: PointerEvent) => void fingers.delete(event.pointerId);
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      latest.current.onZoom(WHEEL ** -event.deltaY, place(event));
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.target !== element || event.ctrlKey || event.metaKey || event.altKey) return;
      const by = event.shiftKey ? FAR : 1;
      const middle: [number, number] = [element.clientWidth / 2, element.clientHeight / 2];
      const keys: Record<string, () => void> = {
        ArrowLeft: () => latest.current.onDrag(-by, 0),
        ArrowRight: () => latest.current.onDrag(by, 0),
        ArrowUp: () => latest.current.onDrag(0, -by),
        ArrowDown: () => latest.current.onDrag(0, by),
        '+': () => latest.current.onZoom(KEY_ZOOM, middle),
        '=': () => latest.current.onZoom(KEY_ZOOM, middle),
        '-': () => latest.current.onZoom(1 / KEY_ZOOM, middle),
      };
      const act = keys[event.key];
      if (!act) return;
      event.preventDefault();
      event.stopPropagation();
      act();
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
