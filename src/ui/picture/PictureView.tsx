import { useMemo, useRef, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { fitted, kept, zoomed, type Viewport } from '@/core/picture/viewport';
import { Txt } from '../Txt';
import { Key } from '../controls/Key';
import { space } from '../theme/measures';
import { stylesOf, usePalette } from '../theme/theme';
import { webStyle } from '../web';
import { Handle } from './Handle';
import { Loupe } from './Loupe';
import { ScaleBar } from './ScaleBar';
import { usePictureCanvas, type PartSource } from './usePictureCanvas';
import { usePictureGestures } from './usePictureGestures';

type Place = [number, number];

interface Props {
  /** What it shows, for screen readers. */
  label: string;
  width: number;
  height: number;
  source: PartSource;
  /** px a millimetre, once known: a scale bar is drawn. */
  pxPerMm?: number | undefined;
  /** What was measured, drawn over it. */
  over?: (view: Viewport, screen: { width: number; height: number }) => ReactNode;
  handles?: { label: string; at: Place }[] | undefined;
  onHandle?: (index: number, at: Place, rests: boolean) => void;
}

/** A picture to look at closely: pan, zoom, single pixels; handles with a loupe; what was measured lies over it. */
export function PictureView({ label, width, height, source, pxPerMm, over, handles = [], onHandle }: Props) {
  const styles = useStyles();
  const palette = usePalette();
  const host = useRef<View>(null);
  const [screen, setScreen] = useState({ width: 0, height: 0 });
  const [moved, setView] = useState<Viewport | null>(null);
  const [held, setHeld] = useState<number | null>(null);
  const picture = useMemo(() => ({ width, height }), [width, height]);
  // The night look shows everything in its own red.
  const tint = palette.paper === '#000000' ? palette.ink : null;
  const whole = useMemo(() => (screen.width > 0 ? fitted(picture, screen) : null), [picture, screen]);
  const view = moved ?? whole;
  usePictureCanvas(host, source, picture, screen, view, { tint });
  usePictureGestures(host, picture, screen, view, setView);
  const heldAt = held === null ? null : (handles[held]?.at ?? null);
  const zoomBy = (by: number) => {
    if (view) setView(zoomed(view, by, [screen.width / 2, screen.height / 2], picture, screen));
  };
  return (
    <View>
      <View
        ref={host}
        role="group"
        tabIndex={0}
        aria-label={`${label}. Arrows move it, plus and minus make it larger and smaller, 0 shows all of it, 1 single pixels.`}
        style={styles.host}
        onLayout={({ nativeEvent: { layout } }) => {
          if (layout.width === screen.width && layout.height === screen.height) return;
          setScreen({ width: layout.width, height: layout.height });
          // A view of another size would show the picture askew.
          setView(null);
        }}
        testID="bench-picture"
      >
        {view ? over?.(view, screen) : null}
        {view
          ? handles.map((handle, i) => (
              <Handle
                key={handle.label}
                label={handle.label}
                at={handle.at}
                view={view}
                onMove={(at) => onHandle?.(i, at, false)}
                onRest={(at) => onHandle?.(i, at, true)}
                onHold={(holds) => setHeld(holds ? i : null)}
              />
            ))
          : null}
        {heldAt && view ? (
          <Loupe
            source={source}
            at={heldAt}
            tint={tint}
            side={view.x + heldAt[0] * view.scale < screen.width / 2 ? 'right' : 'left'}
          />
        ) : null}
        {view && pxPerMm ? <ScaleBar pxPerMm={pxPerMm} view={view} room={screen.width} /> : null}
      </View>
      <View style={styles.keys}>
        <Key title="Smaller" icon="remove" iconOnly weight="plain" onPress={() => zoomBy(1 / 1.6)} />
        <Key title="Larger" icon="add" iconOnly weight="plain" onPress={() => zoomBy(1.6)} />
        <Key title="All of it" weight="plain" onPress={() => setView(null)} />
        <Key
          title="100 %"
          weight="plain"
          onPress={() =>
            view &&
            setView(
              kept(
                zoomed(view, 1 / view.scale, [screen.width / 2, screen.height / 2], picture, screen),
                picture,
                screen,
              ),
            )
          }
        />
        <View style={styles.size}>
          <Txt kind="fine" tone="soft">
            {`${width} × ${height} px`}
          </Txt>
        </View>
      </View>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  host: {
    aspectRatio: 1.35,
    width: '100%',
    overflow: 'hidden',
    backgroundColor: palette.hairline,
    borderWidth: 1,
    borderColor: palette.ink,
    ...webStyle({ cursor: 'grab', touchAction: 'none' }),
    userSelect: 'none',
  },
  keys: { flexDirection: 'row', alignItems: 'center', gap: space.small, flexWrap: 'wrap' },
  size: { flexGrow: 1, alignItems: 'flex-end' },
}));
