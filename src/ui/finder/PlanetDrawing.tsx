import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, ClipPath, Defs, Ellipse, G, Rect } from 'react-native-svg';
import { HaloText } from '../HaloText';
import { usePalette } from '../theme/theme';

interface Props {
  /** Diameter of the disc, px of the sensor. */
  discPx: number;
  ringed: boolean;
  sensorColumns: number;
  sensorRows: number;
  window: { columns: number; rows: number };
  maxHeight: number;
  description: string;
}

/** Shown no larger than this; beyond it the drawing is smaller than 1 : 1 and says so. */
const LARGEST = 190;
const SMALLEST_BOX = 70;
const PHONE_WIDTH = 358;
/** Outer ring ÷ disc, and how flat we see it. */
const RING = 2.27;
const RING_FLAT = 0.28;
/** Width of the rings as drawn, in radii of the disc. */
const RING_WIDTH = 0.5;

/** A planet at one sensor pixel for one pixel of the screen, beside the whole sensor with the window that is read out. */
export function PlanetDrawing({ discPx, ringed, sensorColumns, sensorRows, window, maxHeight, description }: Props) {
  const palette = usePalette();
  const [measured, setWidth] = useState(0);
  // Until the width is known the room of a phone's drawing is kept free, so that little moves when it comes.
  const width = measured || PHONE_WIDTH;
  // In a narrow drawing the sensor keeps its share beside the disc.
  const largest = Math.min(LARGEST, Math.max(SMALLEST_BOX, 0.6 * (width - 28)));
  const size = Math.min(largest, Math.max(2, discPx));
  const discBox = Math.max(SMALLEST_BOX, Math.min(largest, size * (ringed ? RING * 1.1 : 1.25)));
  const shrink = ringed ? Math.min(1, discBox / (size * RING * 1.1)) : 1;
  const r = (size * shrink) / 2;
  const room = width - discBox - 28;
  const sensorWidth = Math.min(room, (maxHeight * sensorColumns) / sensorRows);
  const perPx = sensorWidth / sensorColumns;
  const sensorHeight = sensorRows * perPx;
  const height = Math.max(discBox, sensorHeight) + 22;
  const cx = discBox / 2 + 2;
  const cy = (height - 22) / 2;
  const sx = discBox + 24;
  const sy = (height - 22 - sensorHeight) / 2;
  const scale = (r * 2) / discPx;
  const band = (from: number, to: number) => (
    <Rect
      key={from}
      x={cx - r}
      width={2 * r}
      y={cy + from * r}
      height={(to - from) * r}
      fill={palette.skyGround}
      fillOpacity={0.28}
    />
  );
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ minHeight: height }}
      role="img"
      aria-label={description}
    >
      {measured > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <Defs>
            <ClipPath id="disc">
              <Circle cx={cx} cy={cy} r={r} />
            </ClipPath>
          </Defs>
          <Rect x={1} y={cy - discBox / 2} width={discBox + 2} height={discBox} fill={palette.skyGround} />
          {ringed ? (
            <Ellipse
              cx={cx}
              cy={cy}
              rx={r * (RING - RING_WIDTH / 2)}
              ry={r * (RING - RING_WIDTH / 2) * RING_FLAT}
              fill="none"
              stroke={palette.star}
              strokeWidth={Math.max(1, r * RING_WIDTH)}
              strokeOpacity={0.75}
            />
          ) : null}
          <Circle cx={cx} cy={cy} r={r} fill={palette.star} />
          <G clipPath="url(#disc)">{[band(-0.52, -0.3), band(0.12, 0.38), band(0.62, 0.72)]}</G>
          <HaloText
            x={cx}
            y={height - 5}
            textAnchor="middle"
            colour={palette.ink}
            ground={palette.paper}
            text={scale > 0.99 ? '1 : 1' : `1 : ${(1 / scale).toFixed(1)}`}
          />
          <Rect
            x={sx}
            y={sy + 1}
            width={Math.max(0, sensorWidth - 2)}
            height={Math.max(0, sensorHeight - 2)}
            fill={palette.finderGround}
            stroke={palette.ink}
            strokeWidth={1.5}
          />
          <Rect
            x={sx + (sensorWidth - window.columns * perPx) / 2}
            y={sy + (sensorHeight - window.rows * perPx) / 2}
            width={window.columns * perPx}
            height={window.rows * perPx}
            fill="none"
            stroke={palette.needle}
            strokeWidth={1.5}
            strokeDasharray="4 2"
          />
          <Circle
            cx={sx + sensorWidth / 2}
            cy={sy + sensorHeight / 2}
            r={Math.max(1, (discPx * perPx) / 2)}
            fill={palette.ink}
          />
          <HaloText
            x={sx + sensorWidth / 2}
            y={height - 5}
            textAnchor="middle"
            colour={palette.ink}
            ground={palette.paper}
            text="whole sensor, window"
          />
        </Svg>
      ) : null}
    </View>
  );
}
