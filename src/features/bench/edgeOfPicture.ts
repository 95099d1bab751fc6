import { useMemo } from 'react';
import { detailPartsOf } from '@/core/detail/detailParts';
import type { DetailParts } from '@/core/detail/response';
import type { EdgeFound } from '@/core/measure/edge/measureEdge';
import { sharpAt } from '@/core/optics/sharpAt';
import { useBench, type BenchPicture } from '@/data/bench/pictures';
import { whereOn } from './whereOn';
import { useAllTakenWith, type TakenWith } from './useTakenWith';

/** Curves are drawn up to here, cycles/px; beyond twice what pixels carry there is only noise. */
export const DRAWN_TO = 0.75;

/** The response of an edge as it is drawn: frequency in lp/mm, or cycles/px where `perMm` is 1. */
export const curveOf = ({ frequencies, mtf }: EdgeFound, perMm: number): [number, number][] =>
  frequencies
    .map((frequency, k): [number, number] => [frequency * perMm, mtf[k]!])
    .filter(([frequency]) => frequency <= DRAWN_TO * perMm);

/**
 * What limits detail in a picture with the set-up it was taken with, at the f-number it tells. In one that was made smaller the
 * filter's dots lie as far apart on the sensor as before.
 */
export function partsOfPicture(
  { tags }: Pick<BenchPicture, 'tags'>,
  { system, pitchUm }: Pick<TakenWith, 'system' | 'pitchUm'>,
): DetailParts | null {
  if (!system || !pitchUm) return null;
  const sharp = sharpAt(system, tags?.fNumber ?? system.markedFNumber);
  const own = detailPartsOf(sharp, tags?.fNumber ?? system.fNumber.value);
  return { ...own, pitchUm: pitchUm.value, antiAliasPx: (own.antiAliasPx * own.pitchUm) / pitchUm.value };
}

/** Where on the picture an edge lies. */
export const placeOf = ({ ends: [a, b] }: EdgeFound, { opened }: Pick<BenchPicture, 'opened'>) =>
  whereOn([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], opened ?? { width: 1, height: 1 });

/** How many other measurements are drawn beside one. */
const MOST_OTHERS = 4;
const MARKS = 'ABCD';

interface OtherCurve {
  mark: string;
  name: string;
  points: [number, number][];
  /** Half of its contrast is left there, in the unit of the frequencies; nothing where more is left as far as pixels tell. */
  half: number | null;
}

/** What the other pictures on the bench answered about their sharpest edge, in the unit of this one. */
export function useOtherCurves({ id }: Pick<BenchPicture, 'id'>, inLpPerMm: boolean): OtherCurve[] {
  const pictures = useBench((bench) => bench.pictures);
  const others = useMemo(
    () => pictures.filter((each) => each.id !== id && each.found?.measure === 'edge').slice(0, MOST_OTHERS),
    [pictures, id],
  );
  const taken = useAllTakenWith(others);
  return useMemo(
    () =>
      others.flatMap(({ name, found }, i) => {
        const pitchUm = taken[i]?.pitchUm?.value;
        if (found?.measure !== 'edge' || (inLpPerMm && !pitchUm)) return [];
        const perMm = inLpPerMm && pitchUm ? 1000 / pitchUm : 1;
        const [edge] = found.value.edges as [EdgeFound];
        const half = edge.mtf50 ? edge.mtf50.value * perMm : null;
        return [{ mark: MARKS[i]!, name, points: curveOf(edge, perMm), half }];
      }),
    [others, taken, inLpPerMm],
  );
}
