import { findDisc } from '@/core/measure/disc/findDisc';
import { findSubject } from '@/core/measure/findSubject';
import { measureLength } from '@/core/measure/measureLength';
import { findRuler } from '@/core/measure/ruler/findRuler';
import type { Grey } from '@/core/picture/grey';
import { ok, type Result } from '@/core/quantity/result';
import type { Measure, MeasureOptions } from './options';

/** A measured number as it is printed. */
interface Printed {
  value: number;
  unit: string;
  plusMinus: number;
}

/** No more digits than the error allows, and a hundredth of it beyond. */
function rounded(value: number, plusMinus: number): number {
  if (!(plusMinus > 0)) return value;
  const places = Math.max(0, Math.min(12, Math.ceil(-Math.log10(plusMinus)) + 3));
  return Number(value.toFixed(places));
}

const printed = (value: number, unit: string, plusMinus: number): Printed => ({
  value: rounded(value, plusMinus),
  unit,
  plusMinus: Number(plusMinus.toPrecision(3)),
});
const place = ([x, y]: [number, number]): [number, number] => [Number(x.toFixed(3)), Number(y.toFixed(3))];

type Asked = Pick<MeasureOptions, 'ends' | 'tickMm'>;
type Measuring = (grey: Grey, asked: Asked, pitchUm: number | null) => Result<object>;

const ruler: Measuring = (grey, { tickMm }, pitchUm) => {
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

const length: Measuring = (grey, { ends }) => {
  const found = measureLength(grey, ends!);
  if (!found.ok) return found;
  return ok({
    lengthPx: printed(found.value.lengthPx, 'px', found.value.plusMinus),
    ends: found.value.ends.map(place),
    ...(found.value.kinds.includes('byHand') ? { byHand: true } : {}),
  });
};

const disc: Measuring = (grey) => {
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

const subject: Measuring = (grey) => {
  const found = findSubject(grey);
  if (!found.ok) return found;
  const { longestPx, plusMinus, ends, box } = found.value;
  return ok({
    longestPx: printed(longestPx, 'px', plusMinus),
    ends: ends.map(place),
    box: box.map((value) => Number(value.toFixed(1))),
  });
};

/** Every measure, by the word it is called with. */
export const MEASURING: Record<Measure, Measuring> = { ruler, length, disc, subject };
