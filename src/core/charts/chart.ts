import { escaped } from '../formats/escaped';

/** Papers a chart is printed on, mm. */
export const PAPERS = {
  a4: { name: 'A4', widthMm: 210, heightMm: 297 },
  letter: { name: 'Letter', widthMm: 215.9, heightMm: 279.4 },
} as const;
export type PaperName = keyof typeof PAPERS;

/** What a chart is drawn of; all lengths in mm from the top left, y down. Black on white. */
export type Stroke =
  | { kind: 'rect'; x: number; y: number; width: number; height: number; light?: number }
  | { kind: 'disc'; x: number; y: number; radius: number }
  /** Corners, x and y by turns; it stands at the first. */
  | { kind: 'shape'; x: number; y: number; corners: readonly (readonly [number, number])[] }
  | { kind: 'text'; x: number; y: number; sizeMm: number; words: string; middle?: boolean };

/** A sheet to print and photograph. */
export interface Chart {
  name: string;
  about: string;
  draw: (paper: { widthMm: number; heightMm: number }) => Stroke[];
}

const MARGIN = 15;
const LINE_MM = 0.15;

/** A line of a rule, square to it: as a thin bar, so that its breadth is known. */
const bar = (x: number, y: number, width: number, height: number): Stroke => ({ kind: 'rect', x, y, width, height });

/** Check bars: of a bank card's width (ISO/IEC 7810, ID-1) and of 100 mm, to be measured after printing. */
function checkBars(y: number): Stroke[] {
  const rows: { length: number; words: string }[] = [
    { length: 85.6, words: '85.60 mm: a bank card is as wide' },
    { length: 100, words: '100 mm' },
  ];
  return [
    {
      kind: 'text',
      x: MARGIN,
      y: y - 3,
      sizeMm: 3.4,
      words: 'Measure a bar after printing and enter what you find: printers shrink pages.',
    },
    ...rows.flatMap(({ length, words }, i): Stroke[] => [
      bar(MARGIN, y + 9 * i, length, 2),
      { kind: 'text', x: MARGIN + length + 3, y: y + 9 * i + 2, sizeMm: 3.4, words },
    ]),
  ];
}

/** A millimetre rule of a length, its edge at y, ticks downwards. */
function rule(x: number, y: number, lengthMm: number): Stroke[] {
  const strokes: Stroke[] = [bar(x - 1, y - 0.3, lengthMm + 2, 0.3)];
  for (let mm = 0; mm <= lengthMm; mm++) {
    const long = mm % 10 === 0 ? 7 : mm % 5 === 0 ? 5.4 : 4;
    strokes.push(bar(x + mm - LINE_MM / 2, y + 0.6, LINE_MM, long));
    if (mm % 10 === 0)
      strokes.push({ kind: 'text', x: x + mm, y: y + 11.5, sizeMm: 3.2, words: String(mm / 10), middle: true });
  }
  return strokes;
}

/** A square that stands askew about its middle. */
function slanted(x: number, y: number, side: number, turnDeg: number): Stroke {
  const turn = (turnDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(turn) * (side / 2), Math.sin(turn) * (side / 2)];
  const corners = [
    [x - c + s, y - s - c],
    [x + c + s, y + s - c],
    [x + c - s, y + s + c],
    [x - c - s, y - s + c],
  ] as const;
  return { kind: 'shape', x: corners[0][0], y: corners[0][1], corners };
}

/** Squares all over the page, each with four edges to measure; turned by turns one way and the other. */
function slantedSquares(widthMm: number, heightMm: number): Stroke[] {
  const side = 26;
  const [across, down] = [4, 5];
  const [left, top] = [MARGIN + side / 2 + 4, 40];
  const stepX = (widthMm - 2 * left) / (across - 1);
  const stepY = (heightMm - 62 - top) / (down - 1);
  return Array.from({ length: across * down }, (_, k) => {
    const [i, j] = [k % across, Math.floor(k / across)];
    return slanted(left + i * stepX, top + j * stepY, side, (i + j) % 2 ? 7 : -6);
  });
}

/** Bars that run into one point: where they melt into grey detail ends. */
function starOfBars(x: number, y: number, radius: number, pairs: number): Stroke[] {
  return Array.from({ length: pairs }, (_, k) => {
    const [from, to] = [((2 * k) / pairs) * Math.PI, ((2 * k + 1) / pairs) * Math.PI];
    const arc = Array.from({ length: 5 }, (_unused, i): readonly [number, number] => {
      const turn = from + ((to - from) * i) / 4;
      return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)];
    });
    return { kind: 'shape', x, y, corners: [[x, y], ...arc] };
  });
}

export const CHARTS = {
  ruler: {
    name: 'Millimetre ruler',
    about: 'photograph it across the frame, square to the lens',
    draw: ({ widthMm, heightMm }) => {
      const length = Math.floor((widthMm - 2 * MARGIN) / 10) * 10;
      return [
        { kind: 'text', x: MARGIN, y: 14, sizeMm: 5, words: 'Jauge · millimetre ruler' },
        ...rule(MARGIN, 24, length),
        ...rule(MARGIN, 60, length),
        ...checkBars(heightMm - 34),
      ];
    },
  },
  discs: {
    name: 'Discs',
    about: 'round things of known width, for ratio and distance',
    draw: ({ heightMm }) => {
      const widths = [50, 30, 20, 10, 5];
      let x = MARGIN;
      const discs = widths.flatMap((width): Stroke[] => {
        const at = x + width / 2;
        x += width + 9;
        return [
          { kind: 'disc', x: at, y: 60, radius: width / 2 },
          { kind: 'text', x: at, y: 92, sizeMm: 3.4, words: `${width} mm`, middle: true },
        ];
      });
      return [
        { kind: 'text', x: MARGIN, y: 14, sizeMm: 5, words: 'Jauge · discs' },
        ...discs,
        ...checkBars(heightMm - 34),
      ];
    },
  },
  edges: {
    name: 'Slanted edges',
    about: 'for sharpness: fill the frame with it, square to the lens',
    draw: ({ widthMm, heightMm }) => [
      { kind: 'text', x: MARGIN, y: 14, sizeMm: 5, words: 'Jauge · slanted edges' },
      ...slantedSquares(widthMm, heightMm),
      ...checkBars(heightMm - 34),
    ],
  },
  star: {
    name: 'A star of bars',
    about: 'for focus, and for which of two pictures has more',
    draw: ({ widthMm, heightMm }) => [
      { kind: 'text', x: MARGIN, y: 14, sizeMm: 5, words: 'Jauge · star of bars' },
      ...starOfBars(widthMm / 2, 24 + 85, 84, 36),
      ...checkBars(heightMm - 34),
    ],
  },
} as const satisfies Record<string, Chart>;
export type ChartName = keyof typeof CHARTS;

const number = (value: number): string => String(Number(value.toFixed(4)));

function svgOf(stroke: Stroke): string {
  if (stroke.kind === 'rect')
    return `<rect x="${number(stroke.x)}" y="${number(stroke.y)}" width="${number(stroke.width)}" height="${number(stroke.height)}"/>`;
  if (stroke.kind === 'disc')
    return `<circle cx="${number(stroke.x)}" cy="${number(stroke.y)}" r="${number(stroke.radius)}"/>`;
  if (stroke.kind === 'shape')
    return `<polygon points="${stroke.corners.map(([x, y]) => `${number(x)},${number(y)}`).join(' ')}"/>`;
  return `<text x="${number(stroke.x)}" y="${number(stroke.y)}" font-size="${number(stroke.sizeMm)}" font-family="sans-serif"${stroke.middle ? ' text-anchor="middle"' : ''}>${escaped(stroke.words)}</text>`;
}

/** A chart as an SVG file at true size. @param scale what the printer makes of 1 mm is divided by this beforehand */
export function chartSvg(name: ChartName, paper: PaperName, scale = 1): string {
  const { widthMm, heightMm } = PAPERS[paper];
  const strokes = CHARTS[name].draw(PAPERS[paper]).map(svgOf).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}"><rect width="${widthMm}" height="${heightMm}" fill="#fff"/><g transform="scale(${number(scale)})" fill="#000">${strokes}</g></svg>`;
}

/** How much larger to draw, when a bar of a length came out of the printer as another. */
export const printScale = (drawnMm: number, foundMm: number): number => drawnMm / foundMm;
