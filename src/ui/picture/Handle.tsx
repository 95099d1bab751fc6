import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import { toPicture, toScreen, type Viewport } from '@/core/picture/viewport';
import { TARGET } from '../theme/measures';
import { stylesOf } from '../theme/theme';
import { elementOf, webStyle } from '../web';

type Place = [number, number];

interface Props {
  /** "First end". */
  label: string;
  at: Place;
  view: Viewport;
  onMove: (at: Place) => void;
  /** Let go, or moved by a key. */
  onRest: (at: Place) => void;
  /** Taken hold of, or let go. */
  onHold: (held: boolean) => void;
}

/** Steps of the arrow keys, px of the picture: alone, and with Shift. */
const STEP_PX = 1;
const LONG_STEP_PX = 10;

/** A handle on a picture: dragged by finger or mouse, moved by the arrow keys a pixel at a time. */
export function Handle({ label, at, view, onMove, onRest, onHold }: Props) {
  const styles = useStyles();
  const host = useRef<View>(null);
  const latest = useRef({ at, view, onMove, onRest, onHold });
  useEffect(() => {
    latest.current = { at, view, onMove, onRest, onHold };
  });
  useEffect(() => {
    const element = elementOf(host);
    if (!element || typeof element.addEventListener !== 'function') return;
    let begun: { finger: Place; screen: Place } | null = null;
    const onDown = (event: PointerEvent) => {
      if (event.button !== 0) return;
      event.stopPropagation();
      const now = latest.current;
      begun = { finger: [event.clientX, event.clientY], screen: toScreen(now.view, now.at) };
      element.setPointerCapture(event.pointerId);
      now.onHold(true);
    };
    const onPointerMove = (event: PointerEvent) => {
      if (!begun) return;
      const now = latest.current;
      now.at = toPicture(now.view, [
        begun.screen[0] + event.clientX - begun.finger[0],
        begun.screen[1] + event.clientY - begun.finger[1],
      ]);
      now.onMove(now.at);
    };
    const onUp = () => {
      if (!begun) return;
      begun = null;
      latest.current.onHold(false);
      latest.current.onRest(latest.current.at);
    };
    const onKey = (event: KeyboardEvent) => {
      const step = event.shiftKey ? LONG_STEP_PX : STEP_PX;
      const moves: Record<string, Place> = {
        ArrowLeft: [-step, 0],
        ArrowRight: [step, 0],
        ArrowUp: [0, -step],
        ArrowDown: [0, step],
      };
      const move = moves[event.key];
      if (!move) return;
      event.preventDefault();
      event.stopPropagation();
      const now = latest.current;
      now.at = [now.at[0] + move[0], now.at[1] + move[1]];
      now.onMove(now.at);
      now.onRest(now.at);
    };
    element.addEventListener('pointerdown', onDown);
    element.addEventListener('pointermove', onPointerMove);
    element.addEventListener('pointerup', onUp);
    element.addEventListener('pointercancel', onUp);
    element.addEventListener('keydown', onKey);
    return () => {
      element.removeEventListener('pointerdown', onDown);
      element.removeEventListener('pointermove', onPointerMove);
      element.removeEventListener('pointerup', onUp);
      element.removeEventListener('pointercancel', onUp);
      element.removeEventListener('keydown', onKey);
    };
  }, []);
  const [x, y] = toScreen(view, at);
  return (
    <View
      ref={host}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuenow={Math.round(at[0])}
      aria-valuetext={`${Math.round(at[0])} px from the left, ${Math.round(at[1])} px from the top`}
      style={[styles.touch, { transform: [{ translateX: x - TARGET / 2 }, { translateY: y - TARGET / 2 }] }]}
    >
      <View style={styles.ring} />
    </View>
  );
}

const RING = 22;

const useStyles = stylesOf((palette) => ({
  touch: {
    position: 'absolute',
    left: 0,
    top: 0,
    width: TARGET,
    height: TARGET,
    alignItems: 'center',
    justifyContent: 'center',
    ...webStyle({ cursor: 'grab' }),
  },
  // Paper inside ink: seen on light and on dark pictures.
  ring: {
    width: RING,
    height: RING,
    borderRadius: RING / 2,
    borderWidth: 3,
    borderColor: palette.needle,
    outlineWidth: 2,
    outlineColor: palette.raised,
    outlineStyle: 'solid',
  },
}));
