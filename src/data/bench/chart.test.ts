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
