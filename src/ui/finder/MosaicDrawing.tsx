import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Ellipse, G, Line, Rect } from 'react-native-svg';
import { HaloText } from '../HaloText';
import { niceStep } from './niceStep';
import { usePalette } from '../theme/theme';

interface Props {
  /** The object's length and width, and the angle of its length from the frame's up, degrees. */
  lengthDeg: number;
  widthDeg: number;
  turnDeg: number;
  /** One frame, and the centres of all panels, degrees along the frame's sides. */
  fieldWidthDeg: number;
  fieldHeightDeg: number;
  centres: { xDeg: number; yDeg: number }[];
  /** Direction of north from the frame's up, degrees towards the left. */
  northDeg: number;
  maxHeight: number;
  description: string;
}

const PAD = 26;
const PHONE_WIDTH = 358;

/** An object against the frame, true to scale: its extent, the panels with their overlap, north, and a rule in degrees. */
export function MosaicDrawing({
  lengthDeg,
  widthDeg,
  turnDeg,
  fieldWidthDeg,
  fieldHeightDeg,
  centres,
  northDeg,
  maxHeight,
  description,
}: Props) {
  const palette = usePalette();
  const [measured, setWidth] = useState(0);
  // Until the width is known the room of a phone's drawing is kept free, so that little moves when it comes.
  const width = measured || PHONE_WIDTH;
  const right = Math.max(...centres.map((each) => Math.abs(each.xDeg))) + fieldWidthDeg / 2;
  const top = Math.max(...centres.map((each) => Math.abs(each.yDeg))) + fieldHeightDeg / 2;
  const halfX = Math.max(right, lengthDeg / 2);
  const halfY = Math.max(top, (lengthDeg / 2) * 0.9);
  const per = Math.max(0, Math.min((width - 2 * PAD) / (2 * halfX), (maxHeight - 2 * PAD) / (2 * halfY)));
  const height = 2 * halfY * per + 2 * PAD;
  const [cx, cy] = [width / 2, height / 2];
  const step = niceStep(halfX / 2);
  const north = ((northDeg - 90) * Math.PI) / 180;
  const [nx, ny] = [width - 34, 34];
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ minHeight: height }}
      role="img"
      aria-label={description}
    >
      {measured > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <Rect x={0} y={0} width={width} height={height} fill={palette.skyGround} />
          <G rotation={-turnDeg} origin={`${cx}, ${cy}`}>
            <Ellipse
              cx={cx}
              cy={cy}
              rx={(widthDeg / 2) * per}
              ry={(lengthDeg / 2) * per}
              fill={palette.star}
              fillOpacity={0.3}
            />
            <Ellipse
              cx={cx}
              cy={cy}
              rx={(widthDeg / 5) * per}
              ry={(lengthDeg / 5) * per}
              fill={palette.star}
              fillOpacity={0.5}
            />
          </G>
          {centres.map(({ xDeg, yDeg }) => (
            <Rect
              key={`${xDeg} ${yDeg}`}
              x={cx + (xDeg - fieldWidthDeg / 2) * per}
              y={cy - (yDeg + fieldHeightDeg / 2) * per}
              width={fieldWidthDeg * per}
              height={fieldHeightDeg * per}
              fill="none"
              stroke={palette.star}
              strokeWidth={centres.length > 1 ? 1.2 : 2}
            />
          ))}
          <Line
            x1={nx - 12 * Math.cos(north)}
            y1={ny - 12 * Math.sin(north)}
            x2={nx + 12 * Math.cos(north)}
            y2={ny + 12 * Math.sin(north)}
            stroke={palette.star}
            strokeWidth={1.5}
          />
          <HaloText
            x={nx + 21 * Math.cos(north)}
            y={ny + 21 * Math.sin(north) + 4}
            textAnchor="middle"
            colour={palette.star}
            ground={palette.skyGround}
            text="N"
          />
          <Line x1={PAD} x2={PAD + step * per} y1={height - 8} y2={height - 8} stroke={palette.star} strokeWidth={2} />
          <HaloText
            x={PAD}
            y={height - 13}
            colour={palette.star}
            ground={palette.skyGround}
            text={step >= 1 ? `${step}°` : `${Math.round(step * 60)}′`}
          />
        </Svg>
      ) : null}
    </View>
  );
}
