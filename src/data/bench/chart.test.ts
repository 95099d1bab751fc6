import { PDFDocument } from 'pdf-lib';
import { chartPdf } from './chartPdf';
import { CHARTS, PAPERS, chartSvg, printScale, type ChartName, type PaperName } from '@/core/charts/chart';

const every = (Object.keys(CHARTS) as ChartName[]).flatMap((name) =>
  (Object.keys(PAPERS) as PaperName[]).map((paper): [ChartName, PaperName] => [name, paper]),
);

describe.each(every)('the chart %s on %s', (name, paper) => {
  const { widthMm, heightMm } = PAPERS[paper];
  it('lies on the paper, with both check bars at their length', () => {
    const strokes = CHARTS[name].draw(PAPERS[paper]);
    for (const stroke of strokes) {
      const [left, right] =
        stroke.kind === 'rect'
          ? [stroke.x, stroke.x + stroke.width]
          : stroke.kind === 'disc'
            ? [stroke.x - stroke.radius, stroke.x + stroke.radius]
            : stroke.kind === 'shape'
              ? [Math.min(...stroke.corners.map(([x]) => x)), Math.max(...stroke.corners.map(([x]) => x))]
              : [stroke.x, stroke.x];
      expect(left).toBeGreaterThanOrEqual(10);
      expect(right).toBeLessThanOrEqual(widthMm - 8);
      expect(stroke.y).toBeLessThan(heightMm - 10);
    }
    const bars = strokes.flatMap((stroke) => (stroke.kind === 'rect' && stroke.height === 2 ? [stroke.width] : []));
    expect(bars).toEqual([85.6, 100]);
  });
  it('is a file of the paper’s size', async () => {
    expect(chartSvg(name, paper)).toContain(
      `width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}"`,
    );
    const read = await PDFDocument.load(await chartPdf(name, paper));
    const { width, height } = read.getPage(0).getSize();
    expect((width * 25.4) / 72).toBeCloseTo(widthMm, 6);
    expect((height * 25.4) / 72).toBeCloseTo(heightMm, 6);
  });
});

describe('the ruler to print', () => {
  it('has a tick every millimetre, each fifth and tenth longer', () => {
    const ticks = CHARTS.ruler
      .draw(PAPERS.a4)
      .flatMap((stroke) => (stroke.kind === 'rect' && stroke.width < 0.2 ? [stroke] : []));
    const first = ticks.slice(0, 181);
    first.forEach((tick, mm) => {
      expect(tick.x + tick.width / 2).toBeCloseTo(15 + mm, 9);
      expect(tick.height).toBe(mm % 10 === 0 ? 7 : mm % 5 === 0 ? 5.4 : 4);
    });
  });
  it('makes up for a printer that shrinks', () => {
    expect(printScale(100, 97.5) * 97.5).toBeCloseTo(100, 12);
    expect(chartSvg('ruler', 'a4', 1.0256)).toContain('scale(1.0256)');
  });
});

describe('what sharpness is measured on', () => {
  const shapes = (name: 'edges' | 'star') =>
    CHARTS[name].draw(PAPERS.a4).flatMap((stroke) => (stroke.kind === 'shape' ? [stroke.corners] : []));
  it('has squares all over the page, turned by 6 to 7°, apart from each other', () => {
    const squares = shapes('edges');
    expect(squares).toHaveLength(20);
    for (const [a, b, c] of squares) {
      const [dx, dy] = [b![0] - a![0], b![1] - a![1]];
      expect(Math.hypot(dx, dy)).toBeCloseTo(26, 9);
      expect(Math.hypot(c![0] - b![0], c![1] - b![1])).toBeCloseTo(26, 9);
      expect([6, 7]).toContain(Math.round(Math.abs((Math.atan2(dy, dx) * 180) / Math.PI)));
    }
    const rows = squares.map((corners) => Math.max(...corners.map(([, y]) => y)));
    const bars = CHARTS.edges.draw(PAPERS.a4).find((stroke) => stroke.kind === 'rect')!;
    expect(Math.max(...rows)).toBeLessThan(bars.y - 6);
  });
  it('has bars as wide as the gaps between them, meeting in the middle', () => {
    const bars = shapes('star');
    expect(bars).toHaveLength(36);
    const turn = ([x, y]: readonly [number, number]) => Math.atan2(y - 109, x - 105);
    for (const bar of bars) {
      expect(bar[0]).toEqual([105, 109]);
      const width = ((turn(bar[5]!) - turn(bar[1]!) + 2 * Math.PI) % (2 * Math.PI)) * 36;
      expect(width).toBeCloseTo(Math.PI, 9);
    }
  });
});
