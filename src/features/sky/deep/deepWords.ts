import { formatFigures, formatFixed, formatStops } from '@/core/quantity/format';
import { DEEP_KIND_NAMES, type DeepObject } from '@/core/sky/catalogue';
import type { DeepLever } from '@/core/sky/deepLevers';
import { commonName } from '@/core/sky/findObjects';
import type { SeeingStand } from '@/core/sky/mosaic';
import type { DeepReading } from '@/core/sky/readDeep';
import type { LeverText } from '@/ui/levers/LeverRow';

/** An angle in degrees, or in arcminutes below one. */
export const degreesText = (degrees: number): string =>
  degrees >= 1 ? `${formatFigures(degrees, 3)}°` : `${formatFigures(degrees * 60, 3)}′`;

export const titleOf = (object: DeepObject): string =>
  [object.name, commonName(object), DEEP_KIND_NAMES[object.kind]].filter((word) => word !== undefined).join(', ');

/** What an object is and how large, in a line. */
export const objectBrief = (object: DeepObject): string =>
  `${commonName(object) ?? DEEP_KIND_NAMES[object.kind]}, ${formatFigures(object.lengthArcmin, 2)}′`;

/** The numbers of a deep object's reading, in their order, with their names. */
export const DEEP_FIGURES = [
  { name: 'fieldWidthDeg', label: 'Field, wide', testID: 'deep-field' },
  { name: 'fieldHeightDeg', label: 'Field, high' },
  { name: 'lengthPx', label: 'Its length' },
  { name: 'pixelScaleArcsec', label: 'A pixel' },
  { name: 'tripodS', label: 'On a tripod', testID: 'tripod' },
  { name: 'unguidedS', label: 'Mount, unguided', testID: 'unguided' },
] as const satisfies readonly { name: keyof DeepReading; label: string; testID?: string }[];

/** Whether it fits, in words. */
export const fitText = ({ name }: DeepObject, { panels, fill, columns, rows }: DeepReading['plan']): string =>
  panels === 1
    ? `${name} fits: it fills ${formatFixed(fill * 100)}\u202f% of the frame`
    : `${name} needs ${panels} frames, ${columns} × ${rows}`;

export const SEEING_MARKS: Record<SeeingStand, string> = { fine: '▲', right: '●', coarse: '▽' };
const SEEING_BRIEF: Record<SeeingStand, string> = {
  fine: 'finer than the air',
  right: 'right for the air',
  coarse: 'coarser than the air',
};

const framesText = (panels: number): string => (panels === 1 ? 'fits' : `${panels} frames`);

/** A lever on a deep object in words. */
export function deepLeverText({
  kind,
  name,
  removes,
  panels,
  fillPercent,
  pixelScaleArcsec,
  stand,
  stops,
}: DeepLever): LeverText {
  const title =
    kind === 'setup'
      ? `Take “${name}”`
      : kind === 'mode'
        ? removes
          ? 'Whole sensor'
          : name
        : `${removes ? 'Take off' : 'Put in'} ${name}`;
  return {
    title,
    gain: panels === 1 ? `it fills ${formatFixed(fillPercent)}\u202f% of the frame` : `${panels} frames to cover it`,
    price: `${formatFigures(pixelScaleArcsec, 2)}″ a pixel, ${SEEING_BRIEF[stand]} · ${Math.abs(stops) < 0.05 ? 'as much light' : `${formatStops(stops)} of light`}`,
    caution: '',
    mark: panels === 1 ? `● ${framesText(panels)}` : `▽ ${framesText(panels)}`,
  };
}
