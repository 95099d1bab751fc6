import { PDFDocument, StandardFonts, rgb } from 'pdf-lib';
import { CHARTS, PAPERS, type ChartName, type PaperName } from '@/core/charts/chart';

/** Points of PDF a millimetre. */
const POINTS_PER_MM = 72 / 25.4;

/** A chart as a PDF file at true size. @param scale how much larger it is drawn, against a printer that shrinks */
export async function chartPdf(name: ChartName, paper: PaperName, scale = 1): Promise<Uint8Array> {
  const { widthMm, heightMm } = PAPERS[paper];
  const file = await PDFDocument.create();
  file.setTitle(`Jauge · ${CHARTS[name].name}`);
  const font = await file.embedFont(StandardFonts.Helvetica);
  const page = file.addPage([widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM]);
  const black = rgb(0, 0, 0);
  const points = (mm: number) => mm * scale * POINTS_PER_MM;
  const up = (mm: number) => heightMm * POINTS_PER_MM - points(mm);
  for (const stroke of CHARTS[name].draw(PAPERS[paper])) {
    if (stroke.kind === 'rect')
      page.drawRectangle({
        x: points(stroke.x),
        y: up(stroke.y + stroke.height),
        width: points(stroke.width),
        height: points(stroke.height),
        color: black,
      });
    else if (stroke.kind === 'disc')
      page.drawCircle({ x: points(stroke.x), y: up(stroke.y), size: points(stroke.radius), color: black });
    else if (stroke.kind === 'shape') {
      const path = stroke.corners.map(([x, y], i) => `${i ? 'L' : 'M'}${x * scale} ${y * scale}`).join('');
      // Paths of PDF pages are given with y downwards from the place named.
      page.drawSvgPath(`${path}Z`, { x: 0, y: heightMm * POINTS_PER_MM, scale: POINTS_PER_MM, color: black });
    } else {
      const size = points(stroke.sizeMm);
      const shift = stroke.middle ? font.widthOfTextAtSize(stroke.words, size) / 2 : 0;
      page.drawText(stroke.words, { x: points(stroke.x) - shift, y: up(stroke.y), size, font, color: black });
    }
  }
  return file.save();
}
