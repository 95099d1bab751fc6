import type { Problem } from '../quantity/result';
import { diagonal } from '../sensor/diagonal';
import { sensorDoubts } from '../sensor/plausibility';
import { coverage } from './coverage';
import type { EffectiveSystem } from './foldSystem';
import { misfits } from './mountPath';

const round = (value: number, figures = 3): string => String(Number(value.toPrecision(figures)));

/** Words a part that does not fit its neighbour. */
export function misfitText({ name, has, onto, needs, builtIn }: ReturnType<typeof misfits>[number]): string {
  return builtIn ? `${name} is built into its own camera (${has}) and does not come off: take that body.` : `${name} does not mount: it has the mount ${has}, ${onto} takes ${needs}.`;
}

/** Doubts that every desk must show: parts that do not fit, dark corners, no focus at infinity, odd sensor data. */
export function systemWarnings(system: EffectiveSystem): Problem[] {
  const { body, chain, used, optics, imageCircleMm } = system;
  const warnings: Problem[] = sensorDoubts(body.sensor);
  for (const misfit of misfits(body, chain)) warnings.push({ code: 'mount.mismatch', message: misfitText(misfit), field: 'chain' });
  if (imageCircleMm) {
    const cover = coverage(imageCircleMm.value, used.widthMm, used.heightMm);
    if (!cover.covered) {
      warnings.push({
        code: 'coverage.dark',
        message: `Dark corners: the image circle of ${round(imageCircleMm.value)} mm covers ${Math.round(cover.areaShare * 100)} % of this mode’s ${round(diagonal(used.widthMm, used.heightMm))} mm frame. A crop of ${round(cover.cleanCropFactor)} or stronger is clean.`,
        field: 'modeId',
      });
    }
  }
  if (optics.unknownRatio !== undefined) {
    warnings.push({ code: 'ratio.unknown', message: `How large it draws cannot be worked out without the ${optics.unknownRatio}. Enter them, or measure with a ruler.`, field: 'chain' });
  } else if (optics.flangeErrorMm > 0) {
    warnings.push({ code: 'focus.flange', message: `Lens and sensor stand ${round(optics.flangeErrorMm, 2)} mm too far apart: it acts like an extension tube and does not reach infinity.`, field: 'chain' });
  }
  return warnings;
}
