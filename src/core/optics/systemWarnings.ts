import type { Problem } from '../quantity/result';
import { diagonal } from '../sensor/diagonal';
import { sensorDoubts } from '../sensor/plausibility';
import { coverage } from './coverage';
import type { BodySpec } from '../kit/body';
import type { FoldedOptics } from '../chain/fold';
import type { EffectiveSystem } from './foldSystem';
import type { MainLens } from '../chain/asLens';
import { coneFactor, type Setting } from '../chain/opticState';
import { misfits } from '../chain/mountPath';

const round = (value: number, figures = 3): string => String(Number(value.toPrecision(figures)));

/** Words a part that does not fit its neighbour. */
export function misfitText({ name, has, onto, needs, builtIn }: ReturnType<typeof misfits>[number]): string {
  return builtIn
    ? `${name} is built into its own camera (${has}) and does not come off: take that body.`
    : `${name} does not mount: it has the mount ${has}, ${onto} takes ${needs}.`;
}

/** What to say of a lens that stands nearer to the sensor than it was made for, because its adapter is missing. */
export function standsTooNear(
  optics: FoldedOptics,
  lens: Pick<MainLens, 'name'>,
  body: Pick<BodySpec, 'name'>,
): string {
  const missing = round(-optics.flangeErrorMm, 3);
  const lead = `${lens.name} stands ${missing} mm too near to the sensor of ${body.name}`;
  const adapter = `An adapter ${missing} mm deep is missing between the two: put it in.`;
  return optics.neverFocuses
    ? `${lead}: nothing comes to focus, near or far. ${adapter}`
    : `${lead}: it focuses farther than its scale says, and its closest focus moves away. ${adapter}`;
}

/** Lens data whose closest focus and ratio no lens can have together. */
function contradiction({ lens, optics }: EffectiveSystem): Problem | null {
  const { closest } = optics.lensFocus;
  if (!closest || optics.measured || lens.closestFocusM === undefined || lens.closestRatio === undefined) return null;
  const thin = lens.focalTeleMm * (2 + lens.closestRatio + 1 / lens.closestRatio);
  const spacing = lens.closestFocusM * 1000 - thin;
  const share = (lens.closestFocusM * 1000) / thin;
  if (spacing <= MOST_SPACING_MM + MOST_SPACING_SHARE * lens.focalTeleMm && share >= LEAST_SHORTENED) return null;
  const what = spacing > 0 ? 'so near a ratio is not reached from so far' : 'so small a ratio is not left so near';
  return {
    code: 'lens.contradiction',
    message: `Closest focus and ratio of ${lens.name} do not go together: ${what}. Look both up again; close up, readings cannot be trusted until then.`,
    field: 'chain',
  };
}

/** Principal planes of long retrofocus lenses stand up to this far apart, mm, and this share of the focal length. */
const MOST_SPACING_MM = 200;
const MOST_SPACING_SHARE = 0.5;
/** The strongest internal focusing leaves about a sixth of the focal length. */
const LEAST_SHORTENED = 0.15;

/** Image circle, mm, where the chain is focused: as wide as the cone behind the lens has become. */
export function circleAtMm(
  system: Pick<EffectiveSystem, 'imageCircleMm' | 'optics'>,
  setting: Setting,
): number | undefined {
  return (
    system.imageCircleMm && (system.imageCircleMm.value * coneFactor(setting)) / coneFactor(system.optics.state.far)
  );
}

/** Whether the circle covers the mode's frame where the chain is focused. */
function darkCorners(system: EffectiveSystem, setting: Setting): Problem | null {
  const { used } = system;
  const circle = circleAtMm(system, setting);
  if (circle === undefined) return null;
  const cover = coverage(circle, used.widthMm, used.heightMm);
  if (cover.covered) return null;
  return {
    code: 'coverage.dark',
    message: `Dark corners: the image circle of ${round(circle)} mm covers ${Math.round(cover.areaShare * 100)} % of this mode’s ${round(diagonal(used.widthMm, used.heightMm))} mm frame. A crop of ${round(cover.cleanCropFactor)} or stronger is clean.`,
    field: 'modeId',
  };
}

/** A system's doubts where it is focused: focusing close widens the circle, and what was dark may be covered. */
export function warningsAt(system: EffectiveSystem, setting: Setting): Problem[] {
  if (!system.warnings.some((each) => each.code === 'coverage.dark')) return system.warnings;
  const here = darkCorners(system, setting);
  return system.warnings.flatMap((each) => (each.code !== 'coverage.dark' ? [each] : here ? [here] : []));
}

/** Doubts that every desk must show: parts that do not fit, dark corners, no focus at infinity, odd sensor data. */
export function systemWarnings(system: EffectiveSystem): Problem[] {
  const { body, chain, optics } = system;
  const warnings: Problem[] = sensorDoubts(body.sensor);
  for (const misfit of misfits(body, chain))
    warnings.push({ code: 'mount.mismatch', message: misfitText(misfit), field: 'chain' });
  const dark = darkCorners(system, optics.state.far);
  if (dark) warnings.push(dark);
  if (optics.unknownRatio !== undefined) {
    warnings.push({
      code: 'ratio.unknown',
      message: `How large it draws cannot be worked out without the ${optics.unknownRatio}. Enter ${optics.unknownRatio.includes(' and ') ? 'them' : 'it'}, or measure with a ruler.`,
      field: 'chain',
    });
  } else if (optics.flangeErrorMm < 0) {
    warnings.push({ code: 'focus.flange', message: standsTooNear(optics, system.lens, body), field: 'chain' });
  } else if (optics.flangeErrorMm > 0) {
    warnings.push({
      code: 'focus.flange',
      message: `Lens and sensor stand ${round(optics.flangeErrorMm, 2)} mm too far apart: it acts like an extension tube and does not reach infinity.`,
      field: 'chain',
    });
  }
  const contradicts = contradiction(system);
  if (contradicts) warnings.push(contradicts);
  return warnings;
}
