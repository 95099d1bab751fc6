import { fireEvent, render, screen } from '@testing-library/react-native';
import { Text } from 'react-native';
import type { ReactTestInstance } from 'react-test-renderer';
import { NightChart } from './chart/NightChart';
import { ControlDock } from './controls/ControlDock';
import { FieldRow } from './controls/FieldRow';
import { MosaicDrawing } from './finder/MosaicDrawing';
import { PlanetDrawing } from './finder/PlanetDrawing';
import { StarField } from './finder/StarField';
import { StarLoupe } from './finder/StarLoupe';
import { TimeGauge } from './gauge/TimeGauge';
import { Theme } from './theme/theme';

const HOUR = 3_600_000;
const draw = (element: React.ReactElement, width = 360) => {
  render(<Theme look="day">{element}</Theme>);
  const [host] = screen.UNSAFE_root.findAll(
    (node: ReactTestInstance) => typeof node.type === 'string' && node.props.onLayout !== undefined,
  );
  fireEvent(host!, 'layout', { nativeEvent: { layout: { width, height: 200, x: 0, y: 0 } } });
};
/** Props of every drawn part of a kind, by the name of its native host. */
const parts = (kind: string): Record<string, unknown>[] =>
  screen.UNSAFE_root.findAll(
    (node: ReactTestInstance) => typeof node.type === 'string' && node.type === `RNSVG${kind}`,
  ).map((node) => node.props as Record<string, unknown>);
const words = (): string => JSON.stringify(screen.toJSON());

describe('the scale of exposures', () => {
  const gauge = (seconds: number) => (
    <TimeGauge
      seconds={seconds}
      worstS={12}
      centreS={23}
      marks={[
        { name: '500 rule', seconds: 25, chosen: true },
        { name: '400 rule', seconds: 20, chosen: false },
      ]}
      description="Scale of exposures"
    />
  );
  it('names its zones and marks the schools, the chosen one longer', () => {
    draw(gauge(10));
    expect(screen.getByLabelText('Scale of exposures')).toBeTruthy();
    for (const name of ['points', 'corners run', 'strokes', '10 s', '20 s']) expect(words()).toContain(name);
    const lines = parts('Line').filter((line) => line.y1 === 50);
    expect(lines.map((line) => Number(line.y2) - 50).sort((a, b) => a - b)).toEqual([9, 16]);
  });

  it('moves its needle with the exposure', () => {
    draw(gauge(4));
    const at = () => Number(parts('Line').find((line) => line.y1 === 32)!.x1);
    const before = at();
    screen.rerender(<Theme look="day">{gauge(30)}</Theme>);
    expect(at()).toBeGreaterThan(before);
  });
});

describe('the night', () => {
  const times = Array.from({ length: 13 }, (_, i) => i * HOUR);
  const chart = (
    altitudes: number[],
    best: { fromMs: number; toMs: number } | null = { fromMs: 4 * HOUR, toMs: 6 * HOUR },
  ) => (
    <NightChart
      times={times}
      curves={[{ name: 'M 31', altitudes, look: 'strong' }]}
      fromMs={0}
      toMs={12 * HOUR}
      dark={{ fromMs: 2 * HOUR, toMs: 10 * HOUR }}
      best={best}
      clock={(ms) => `${String((18 + ms / HOUR) % 24).padStart(2, '0')}:00`}
      leastDeg={30}
      height={200}
      description="Altitudes"
    />
  );
  it('draws a curve only above the horizon, in pieces', () => {
    draw(chart(times.map((_, i) => (i < 3 || i > 9 ? 20 : -10))));
    const [curve] = parts('Path');
    expect(String(curve!.d).match(/M/g)).toHaveLength(2);
    expect(words()).toContain('M 31');
  });

  it('leaves out the window where there is none, and a name where nothing rises', () => {
    draw(
      chart(
        times.map(() => -5),
        null,
      ),
    );
    expect(parts('Line').filter((line) => line.strokeWidth === 5)).toHaveLength(0);
    expect(words()).not.toContain('M 31');
  });

  it('writes the hours by the clocks it is given', () => {
    draw(chart(times.map(() => 40)));
    for (const hour of ['18:00', '21:00', '00:00', '03:00']) expect(words()).toContain(hour);
  });
});

describe('an object against the frame', () => {
  const centres = [
    { xDeg: -0.8, yDeg: 0 },
    { xDeg: 0.8, yDeg: 0 },
  ];
  it('draws a frame for each panel, true to scale, with north and a rule', () => {
    draw(
      <MosaicDrawing
        lengthDeg={3}
        widthDeg={1}
        turnDeg={35}
        fieldWidthDeg={2}
        fieldHeightDeg={1.4}
        centres={centres}
        northDeg={0}
        maxHeight={300}
        description="M 31 in two frames"
      />,
    );
    const frames = parts('Rect').filter((rect) => rect.fill === null || rect.strokeWidth === 1.2);
    expect(frames).toHaveLength(2);
    const [left, right] = frames.map((frame) => Number(frame.x)) as [number, number];
    expect((right - left) / Number(frames[0]!.width)).toBeCloseTo(0.8, 6);
    expect(Number(frames[0]!.width) / Number(frames[0]!.height)).toBeCloseTo(2 / 1.4, 6);
    expect(words()).toContain('"N"');
  });
});

describe('a planet', () => {
  it('stands at one pixel for one, and says when it is drawn smaller', () => {
    draw(
      <PlanetDrawing
        discPx={120}
        ringed={false}
        sensorColumns={2688}
        sensorRows={1520}
        window={{ columns: 320, rows: 240 }}
        maxHeight={200}
        description="Jupiter"
      />,
    );
    expect(parts('Circle').map((circle) => Number(circle.r))).toContain(60);
    expect(words()).toContain('1 : 1');
    draw(
      <PlanetDrawing
        discPx={760}
        ringed={false}
        sensorColumns={2688}
        sensorRows={1520}
        window={{ columns: 1280, rows: 720 }}
        maxHeight={200}
        description="Jupiter, large"
      />,
    );
    expect(words()).toContain('1 : 4.0');
  });

  it('has its rings where it has some', () => {
    draw(
      <PlanetDrawing
        discPx={60}
        ringed
        sensorColumns={2688}
        sensorRows={1520}
        window={{ columns: 320, rows: 240 }}
        maxHeight={200}
        description="Saturn"
      />,
    );
    expect(parts('Ellipse')).toHaveLength(1);
  });
});

describe('stars', () => {
  it('are drawn where they stand, the worst point kept inside the frame', () => {
    draw(
      <StarField
        widthMm={36}
        heightMm={24}
        strokes={[
          [
            { xMm: -18, yMm: 12 },
            { xMm: -17, yMm: 12 },
          ],
        ]}
        worst={{ xMm: 18, yMm: 12 }}
        maxHeight={400}
        description="The frame"
      />,
      362,
    );
    // 360 px across 36 mm: ten to a millimetre, from the corner at 1, 1.
    expect(parts('Path')[0]!.d).toBe('M1.00 1.00L11.00 1.00');
    for (const circle of parts('Circle')) {
      expect(Number(circle.cx)).toBeLessThanOrEqual(362 - 13);
      expect(Number(circle.cy)).toBeGreaterThanOrEqual(13);
    }
  });

  it('fill the loupe by the power that shows all of the stroke', () => {
    render(
      <Theme look="night">
        <StarLoupe
          title="Centre"
          stroke={[
            [0, 0],
            [60, 0],
          ]}
          words="60 px, a stroke"
          outputShare={0.25}
          outputName="Web page"
        />
      </Theme>,
    );
    expect(screen.getByLabelText('Centre: 60 px, a stroke, 96 pixels across.')).toBeTruthy();
  });
});

describe('the dock', () => {
  it('shows one control at a time, by its tab', () => {
    render(
      <Theme look="day">
        <ControlDock
          controls={[
            { name: 'Exposure', value: '12 s', control: <Text>rule of time</Text> },
            { name: 'Focal length', control: <Text>rule of length</Text> },
          ]}
        />
      </Theme>,
    );
    expect(screen.getByText('rule of time')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Focal length'));
    expect(screen.queryByText('rule of time')).toBeNull();
    expect(screen.getByText('rule of length')).toBeTruthy();
  });
});

it('a row of fields leaves no room for a field that is not there', () => {
  render(
    <Theme look="day">
      <FieldRow>
        <Text>one</Text>
        {null}
        <Text>two</Text>
      </FieldRow>
    </Theme>,
  );
  const row = screen.toJSON() as unknown as { children: unknown[] };
  expect(row.children).toHaveLength(2);
});
