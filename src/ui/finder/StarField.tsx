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
  const inside = (value: number, most: number) => Math.min(Math.max(value, 13), most - 13);
  return (
    <View
      onLayout={(event) => setRoom(event.nativeEvent.layout.width)}
      style={{ width: '100%', aspectRatio: widthMm / heightMm, maxHeight, alignItems: 'center' }}
      role="img"
      aria-label={description}
    >
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <Ground width={width} height={height} />
          <Path
            d={strokes.map(path).join('')}
            stroke={palette.star}
            strokeWidth={STAR_PX}
            strokeLinecap="round"
            fill="none"
          />
          <Rings
            centreX={width / 2}
            centreY={height / 2}
            worstX={inside(wx, width)}
            worstY={inside(wy, height)}
            left={wx > width / 2}
          />
        </Svg>
      ) : null}
    </View>
  );
});

/** The sky of the frame. */
const Ground = memo(function Ground({ width, height }: { width: number; height: number }) {
  const palette = usePalette();
  return (
    <Rect
      x={1}
      y={1}
      width={width - 2}
      height={height - 2}
      fill={palette.skyGround}
      stroke={palette.ink}
      strokeWidth={2}
    />
  );
});

interface RingsProps {
  centreX: number;
  centreY: number;
  worstX: number;
  worstY: number;
  /** On which side of its ring the worst point is named. */
  left: boolean;
}

/** The rings around the centre and the worst point; they stay where they are while only the strokes grow. */
const Rings = memo(function Rings({ centreX, centreY, worstX, worstY, left }: RingsProps) {
  const { star, skyGround } = usePalette();
  const ring = { r: 11, stroke: star, strokeWidth: 1, fill: 'none' };
  const name = { colour: star, ground: skyGround };
  return (
    <>
      <Circle cx={centreX} cy={centreY} {...ring} />
      <Line x1={centreX - 4} x2={centreX + 4} y1={centreY} y2={centreY} stroke={star} strokeWidth={1} />
      <Circle cx={worstX} cy={worstY} {...ring} strokeDasharray="3 2" />
      <HaloText x={centreX + 16} y={centreY + 4} text="centre" {...name} />
      <HaloText
        x={worstX + (left ? -16 : 16)}
        y={worstY + 4}
        textAnchor={left ? 'end' : 'start'}
        text="worst"
        {...name}
      />
    </>
  );
});
