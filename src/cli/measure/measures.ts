import { findDisc } from '@/core/measure/disc/findDisc';
import { findSubject } from '@/core/measure/findSubject';
import { edgesOnMosaic, type EdgeByColour } from '@/core/measure/edge/edgesByColour';
import { findEdges } from '@/core/measure/edge/findEdges';
import type { EdgeFound, Frequency } from '@/core/measure/edge/measureEdge';
import { mosaicOf } from '@/core/formats/pictures/mosaic';
import { measureLength } from '@/core/measure/measureLength';
import { findRuler } from '@/core/measure/ruler/findRuler';
import { ok, type Result } from '@/core/quantity/result';
import type { Measure, MeasureOptions } from './options';
import type { PictureFile } from './pictureFile';
import { brief, place, printed } from './printed';

/** A measure of one picture. */
export type Measuring = (picture: PictureFile, asked: MeasureOptions, pitchUm: number | null) => Result<object>;

const ruler: Measuring = ({ grey }, { tickMm }, pitchUm) => {
  const found = findRuler(grey, { tickMm });
  if (!found.ok) return found;
  const { pxPerMm, pxPerMmError, tickNormalDeg, tickNormalError, finestTickMm, ticks } = found.value;
  return ok({
    pxPerMm: printed(pxPerMm, 'px/mm', pxPerMmError),
    tickNormalDeg: printed(tickNormalDeg, '°', tickNormalError),
    finestTickMm: { value: finestTickMm, unit: 'mm', plusMinus: 0 },
    ticks,
    ...(pitchUm === null ? {} : { ratio: printed((pxPerMm * pitchUm) / 1000, ':1', (pxPerMmError * pitchUm) / 1000) }),
  });
};

const length: Measuring = ({ grey }, { ends }) => {
  const found = measureLength(grey, ends!);
  if (!found.ok) return found;
  return ok({
    lengthPx: printed(found.value.lengthPx, 'px', found.value.plusMinus),
    ends: found.value.ends.map(place),
    ...(found.value.kinds.includes('byHand') ? { byHand: true } : {}),
  });
};

const disc: Measuring = ({ grey }) => {
  const found = findDisc(grey);
  if (!found.ok) return found;
  const { equatorialDiameterPx, polarDiameterPx, diameterError, polarError, equatorDeg, equatorError, centre, phase } =
    found.value;
  return ok({
    equatorialDiameterPx: printed(equatorialDiameterPx, 'px', diameterError),
    polarDiameterPx: printed(polarDiameterPx, 'px', polarError),
    equatorDeg: equatorDeg === null ? null : printed(equatorDeg, '°', equatorError),
    centre: place(centre),
    phase,
    ...(found.value.clipped ? { clipped: true } : {}),
  });
};

const subject: Measuring = ({ grey }) => {
  const found = findSubject(grey);
  if (!found.ok) return found;
  const { longestPx, plusMinus, ends, box } = found.value;
  return ok({
    longestPx: printed(longestPx, 'px', plusMinus),
    ends: ends.map(place),
    box: box.map((value) => Number(value.toFixed(1))),
  });
};

const frequency = (found: Frequency | null) => found && printed(found.value, 'cycles/px', found.plusMinus);

/** One edge, or the same in one colour. */
const edgeLine = (edge: EdgeFound) => ({
  mtf50: frequency(edge.mtf50),
  mtf20: frequency(edge.mtf20),
  mtf10: frequency(edge.mtf10),
});

const edge: Measuring = ({ grey, decoded }, { part }) => {
  const mosaic = mosaicOf(decoded);
  const found = mosaic ? edgesOnMosaic(grey, mosaic, { frame: part }) : findEdges(grey, { frame: part });
  if (!found.ok) return found;
  const { edges } = found.value;
  const [first] = edges as [EdgeFound];
  const colours = mosaic ? (found.value as { colours?: EdgeByColour[] }).colours?.[0] : undefined;
  return ok({
    ...edgeLine(first),
    frequencies: first.frequencies,
    mtf: first.mtf.map(brief),
    mtfPlusMinus: first.mtfError.map(brief),
    edgeDeg: printed(first.edgeDeg, '°', first.edgeDegError),
    ends: first.ends.map(place),
    warnings: first.warnings,
    ...(colours
      ? {
          colours: Object.fromEntries(
            Object.entries(colours).map(([name, own]) => [name, own && edgeLine(own as EdgeFound)]),
          ),
        }
      : {}),
    edges: edges.map((each) => ({
      ...edgeLine(each),
      edgeDeg: brief(each.edgeDeg),
      ends: each.ends.map(place),
      warnings: each.warnings,
    })),
  });
};

/** Every measure of one picture, by the word it is called with. */
export const MEASURING = { ruler, length, disc, subject, edge } satisfies Partial<Record<Measure, Measuring>>;
