import { useMemo, useRef, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { closeUp, enlarged, shifted, upperView, type Register } from '@/core/picture/register';
import { fitted, type Viewport } from '@/core/picture/viewport';
import { Key } from '../controls/Key';
import { space } from '../theme/measures';
import { stylesOf, usePalette } from '../theme/theme';
import { webStyle } from '../web';
import { usePictureCanvas, type PartSource, type Turn } from './usePictureCanvas';
import { useTwoPictureGestures } from './useTwoPictureGestures';

interface Picture {
  width: number;
  height: number;
  source: PartSource;
}

interface Props {
  label: string;
  lower: Picture;
  upper: Picture;
  /** How the upper picture lies on the lower one until somebody moves it. */
  register: Register;
  /** How long what is compared is in the lower picture, px: it is shown large; nothing shows all of the picture. */
  spanPx: number | null;
  /** How much of the upper picture is seen, 0 to 1. */
  opacity: number;
  /** Shows how the two differ, so many times as bright, instead of both. */
  differenceTimes?: number | null;
  /** Shows them beside each other, the same place of both in the middle of each half. */
  beside?: boolean;
  over?: (lower: Viewport, upper: Viewport, screen: { width: number; height: number }) => ReactNode;
}

/** Two pictures over each other, the upper one half transparent and to be dragged into register. */
export function TwoPictures(props: Props) {
  const { label, lower, upper, register, spanPx, opacity, differenceTimes = null, beside = false, over } = props;
  const styles = useStyles();
  const palette = usePalette();
  const host = useRef<View>(null);
  const plate = useRef<View>(null);
  const [screen, setScreen] = useState({ width: 0, height: 0 });
  const [moved, setView] = useState<Viewport | null>(null);
  const [byHand, setByHand] = useState({ dx: 0, dy: 0 });
  const tint = palette.paper === '#000000' ? palette.ink : null;
  const [onX, onY] = register.on;
  const begun = useMemo(() => {
    if (screen.width === 0) return null;
    return spanPx === null ? fitted(lower, screen) : closeUp({ at: [onX, onY], spanPx }, screen);
  }, [lower, screen, spanPx, onX, onY]);
  const view = moved ?? begun;
  const above = useMemo(
    // By px of the lower picture, so that a shift stays when both are made larger.
    () => view && upperView(view, shifted(register, view, byHand.dx * view.scale, byHand.dy * view.scale)),
    [view, register, byHand],
  );
  // Beside each other either half shows what lies in the middle of the view.
  const aside = beside ? screen.width / 4 : 0;
  const [viewBelow, viewAbove] = useMemo(() => [asideBy(view, -aside), asideBy(above, aside)], [view, above, aside]);
  const turn = useMemo(() => view && turnAbout(view, register, byHand, aside), [view, register, byHand, aside]);
  const within = useMemo(
    () => (differenceTimes !== null && above ? { view: above, size: upper, turn: turn ?? null } : null),
    [differenceTimes, above, upper, turn],
  );
  // What differs is made brighter before it takes the colour of the night: the other way round it would come out white.
  const own = differenceTimes === null ? tint : null;
  // The canvas made first comes to lie above.
  usePictureCanvas(plate, upper.source, upper, screen, viewAbove, {
    tint: own,
    opacity: beside ? 1 : opacity,
    difference: differenceTimes !== null,
    turn,
    within: beside ? 'right' : null,
  });
  usePictureCanvas(plate, lower.source, lower, screen, viewBelow, { tint: own, within: beside ? 'left' : within });
  const zoom = (by: number, about: [number, number]) => {
    if (view) setView(enlarged(view, by, about));
  };
  useTwoPictureGestures(host, {
    onDrag: (dx, dy) => {
      if (view) setByHand((before) => ({ dx: before.dx + dx / view.scale, dy: before.dy + dy / view.scale }));
    },
    onZoom: zoom,
  });
  const middle: [number, number] = [screen.width / 2, screen.height / 2];
  return (
    <View>
      <View
        ref={host}
        role="group"
        tabIndex={0}
        aria-label={`${label}. A drag or the arrows move the upper picture, plus and minus make both larger and smaller.`}
        style={styles.host}
        onLayout={({ nativeEvent: { layout } }) => {
          if (layout.width === screen.width && layout.height === screen.height) return;
          setScreen({ width: layout.width, height: layout.height });
          setView(null);
        }}
        testID="two-pictures"
      >
        <View
          ref={plate}
          style={[
            styles.plate,
            differenceTimes !== null && {
              backgroundColor: '#000',
              ...webStyle({ filter: `brightness(${differenceTimes})` }),
            },
          ]}
        />
        {differenceTimes !== null && tint !== null ? (
          <View style={[styles.plate, { backgroundColor: tint, mixBlendMode: 'multiply' }]} />
        ) : null}
        {beside ? <View style={styles.between} /> : null}
        {viewBelow && viewAbove ? over?.(viewBelow, viewAbove, screen) : null}
      </View>
      <View style={styles.keys}>
        <Key title="Smaller" icon="remove" iconOnly weight="plain" onPress={() => zoom(1 / 1.6, middle)} />
        <Key title="Larger" icon="add" iconOnly weight="plain" onPress={() => zoom(1.6, middle)} />
        <Key
          title="Lay them on each other again"
          weight="plain"
          onPress={() => {
            setView(null);
            setByHand({ dx: 0, dy: 0 });
          }}
        />
      </View>
    </View>
  );
}

/** A view moved sideways by so many px of the screen. */
const asideBy = (view: Viewport | null, dx: number): Viewport | null =>
  view && dx ? { ...view, x: view.x + dx } : view;

/** The turn of the upper picture about the place that lies on the lower one's. */
function turnAbout(
  view: Viewport,
  { turnDeg = 0, on }: Register,
  byHand: { dx: number; dy: number },
  aside: number,
): Turn | null {
  if (!turnDeg) return null;
  const at = (start: number, place: number, moved: number) => start + (place + 0.5 + moved) * view.scale;
  return { deg: turnDeg, about: [at(view.x, on[0], byHand.dx) + aside, at(view.y, on[1], byHand.dy)] };
}

const useStyles = stylesOf((palette) => ({
  host: {
    aspectRatio: 1.35,
    width: '100%',
    overflow: 'hidden',
    backgroundColor: palette.hairline,
    borderWidth: 1,
    borderColor: palette.ink,
    ...webStyle({ cursor: 'move', touchAction: 'none' }),
    userSelect: 'none',
  },
  plate: { position: 'absolute', left: 0, top: 0, right: 0, bottom: 0, pointerEvents: 'none' },
  between: {
    position: 'absolute',
    left: '50%',
    top: 0,
    bottom: 0,
    width: 2,
    marginLeft: -1,
    backgroundColor: palette.ink,
  },
  keys: { flexDirection: 'row', alignItems: 'center', gap: space.small, flexWrap: 'wrap' },
}));
