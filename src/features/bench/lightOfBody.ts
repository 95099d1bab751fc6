import type { Body } from '@/contract/schemas/body';
import type { PhotonTransfer } from '@/core/measure/light/photonTransfer';

type MeasuredLight = NonNullable<Body['light']>[number];

/** Figures kept of a measurement: one more than its error allows. */
const FIGURES = 5;
const kept = (value: number): number => Number(value.toPrecision(FIGURES));

/** A body with what was measured of its sensor at an ISO; what was known of that ISO before is replaced. */
export function withLight(
  body: Body,
  iso: number,
  { fullWell, readNoise }: Pick<PhotonTransfer, 'fullWell' | 'readNoise'>,
): Body {
  const row: MeasuredLight = {
    iso,
    fullWellE: kept(fullWell.value),
    readNoiseE: kept(readNoise.value),
    fullWellPlusMinusE: kept(fullWell.plusMinus),
    readNoisePlusMinusE: kept(readNoise.plusMinus),
  };
  const others = (body.light ?? []).filter((each) => each.iso !== iso);
  return { ...body, light: [...others, row].sort((a, b) => a.iso - b.iso) };
}
