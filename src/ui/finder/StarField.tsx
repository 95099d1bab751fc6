import { memo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { HaloText } from '../HaloText';
import { usePalette } from '../theme/theme';

/** A point of the frame, mm from its centre, x right, y up. */
interface Point {
  xMm: number;
  yMm: number;
}

interface Props {
  widthMm: number;
  heightMm: number;
  /** The lines the stars draw, mm. */
  strokes: Point[][];
  worst: Point;
  maxHeight: number;
  description: string;
}

/** Thinner than this a star would not be seen on the drawing; its length is true. */
const STAR_PX = 1.8;

/** The frame under the sky with the strokes the stars would make, to scale; rings mark the centre and the worst point. */
export const StarField = memo(function StarField({ widthMm, heightMm, strokes, worst, maxHeight, description }: Props) {
  const palette = usePalette();
  const [room, setRoom] = useState(0);
  const width = Math.min(room, (maxHeight * widthMm) / heightMm);
  const perMm = (width - 2) / widthMm;
  const height = heightMm * perMm + 2;
  const at = ({ xMm, yMm }: Point): [number, number] => [
    1 + (xMm + widthMm / 2) * perMm,
    1 + (heightMm / 2 - yMm) * perMm,
  ];
  const path = (points: Point[]) =>
    points
      .map(
        (point, i) =>
          `${i ? 'L' : 'M'}${at(point)
            .map((value) => value.toFixed(2))
            .join(' ')}`,
      )
      .join('');
  const [wx, wy] = at(worst);
  const [cx, cy] = [width / 2, height / 2];
  const inside = (value: number, most: number) => Math.min(Math.max(value, 13), most - 13);
  return (
    <View
      onLayout={(event) => setRoom(event.nativeEvent.layout.width)}
      style={{ width: '100%', alignItems: 'center' }}
      role="img"
      aria-label={description}
    >
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <Rect
            x={1}
            y={1}
            width={width - 2}
            height={height - 2}
            fill={palette.skyGround}
            stroke={palette.ink}
            strokeWidth={2}
          />
          <Path
            d={strokes.map(path).join('')}
            stroke={palette.star}
            strokeWidth={STAR_PX}
            strokeLinecap="round"
            fill="none"
          />
          <Circle cx={cx} cy={cy} r={11} stroke={palette.star} strokeWidth={1} fill="none" />
          <Line x1={cx - 4} x2={cx + 4} y1={cy} y2={cy} stroke={palette.star} strokeWidth={1} />
          <Circle
            cx={inside(wx, width)}
            cy={inside(wy, height)}
            r={11}
            stroke={palette.star}
            strokeWidth={1}
            strokeDasharray="3 2"
            fill="none"
          />
          <HaloText x={cx + 16} y={cy + 4} colour={palette.star} ground={palette.skyGround} text="centre" />
          <HaloText
            x={inside(wx, width) + (wx > width / 2 ? -16 : 16)}
            y={inside(wy, height) + 4}
            textAnchor={wx > width / 2 ? 'end' : 'start'}
            colour={palette.star}
            ground={palette.skyGround}
            text="worst"
          />
        </Svg>
      ) : null}
    </View>
  );
});
