import { SUBJECT_KINDS, type SubjectKind } from '../../kit/subjects';
import { computed, given, input, type Quantity } from '../../quantity/quantity';
import { blurPx } from '../../simulate/take';
import type { chance } from '../../simulate/chance';
import type { PhotoOrder } from '../exercise';

/** Shown so large, in points of the picture; and so many of them for one pixel of the coarser view. */
const [SHOWN_WIDTH, SHOWN_HEIGHT] = [330, 220];
const PIXEL_POINTS = 3;
/** How much of the picture's width or height the subject takes. */
const FILLED = 0.62;
/** A sharp lens on pixels as usual, wide open. */
const LENS = { pitchUm: 4, fNumber: 5.6, lens50LpPerMm: 90, defocusMm: 0.002, shakeMm: 0.001 };

type SubjectOrder = Extract<PhotoOrder, { make: 'subject' }>;

/** The same subject, shown equally large however many pixels lie on it. */
export interface Views {
  kind: SubjectKind;
  /** Pixels on the subject in the coarser view. */
  pixels: number;
  coarse: (noiseSeed: number) => SubjectOrder;
  /** Drawn so many times as large on the sensor. */
  magnified: (noiseSeed: number, times: number) => SubjectOrder;
}

/** A subject by chance, as one camera sees it, and with a longer lens. */
export function viewsOf({ oneOf, between }: ReturnType<typeof chance>, sceneSeed: number): Views {
  const kind = oneOf(['wader', 'perchingBird', 'smallMammal', 'butterfly'] as const);
  const { usualMm, axis, aspect } = SUBJECT_KINDS[kind];
  const [columns, rows] = [SHOWN_WIDTH / PIXEL_POINTS, SHOWN_HEIGHT / PIXEL_POINTS];
  const along =
    FILLED * Math.min(axis === 'width' ? columns : columns / aspect, axis === 'width' ? rows * aspect : rows);
  const turnDeg = between(-6, 6);
  const dark = between(0, 1) < 0.5;
  const common = {
    make: 'subject',
    kind,
    sizeMm: usualMm,
    light: dark ? 0.1 : 0.5,
    ground: dark ? 0.4 : 0.16,
    sceneSeed,
    turnDeg,
    fullWell: 6000,
  } as const;
  const pxPerMm = along / usualMm;
  const coarse = (noiseSeed: number): SubjectOrder => ({
    ...common,
    noiseSeed,
    columns: Math.round(columns),
    rows: Math.round(rows),
    pxPerMm,
    sigmaPx: blurPx(LENS),
    enlarge: PIXEL_POINTS,
  });
  return {
    kind,
    pixels: along,
    coarse,
    magnified: (noiseSeed, times) => ({
      ...coarse(noiseSeed),
      columns: Math.round(columns * times),
      rows: Math.round(rows * times),
      pxPerMm: pxPerMm * times,
      sigmaPx: blurPx({ ...LENS, fNumber: LENS.fNumber * times, lens50LpPerMm: LENS.lens50LpPerMm / Math.sqrt(times) }),
      fullWell: 6000 / times ** 2,
      enlarge: PIXEL_POINTS / times,
    }),
  };
}

/** Pixels on the subject after it was drawn so many times as large; an enlargement draws nothing larger. */
export function pixelsAfter(pixels: number, times: number, magnified: boolean): Quantity {
  const before = given(Math.round(pixels), 'px', 'Pixels on the subject before', 'counted in the first picture');
  const drawnLarger = given(
    magnified ? times : 1,
    '×',
    'Drawn larger on the sensor',
    magnified ? 'by the optics' : 'not at all: only shown larger',
  );
  return computed(Math.round(pixels) * (magnified ? times : 1), 'px', () => ({
    name: 'Pixels that see the subject',
    formula: 'n · k',
    inputs: [input('n', 'pixels on it before', before), input('k', 'drawn larger', drawnLarger)],
    source: 'only what is drawn larger on the sensor falls on more of its pixels',
  }));
}
