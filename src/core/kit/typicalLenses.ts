import type { LensSpec } from '../chain/kinds/lens';
import type { TelescopeSpec } from '../chain/kinds/telescope';
import type { BuiltInSpec } from '../chain/kinds/builtIn';
import { zoomName } from './plainName';

/** What one wants to photograph first. */
export type Aim = 'far' | 'near' | 'sky';

/** A lens as lenses of its class usually are, where only the class is known. */
export interface TypicalLens {
  id: string;
  /** For what it is usually taken; the first is where it is offered first. */
  aims: readonly Aim[];
  spec: LensSpec | TelescopeSpec;
}

type Numbers = Pick<LensSpec, 'closestFocusM' | 'closestRatio' | 'lengthMm' | 'weightG'>;

const zoom = (
  id: string,
  aims: readonly Aim[],
  [focalWideMm, focalTeleMm]: [number, number],
  [fNumberWide, fNumberTele]: [number, number],
  numbers: Numbers,
): TypicalLens => ({
  id,
  aims,
  spec: {
    kind: 'lens',
    name: zoomName({ focalWideMm, focalTeleMm, fNumberWide, fNumberTele }),
    focalWideMm,
    focalTeleMm,
    fNumberWide,
    fNumberTele,
    detailClass: 'good',
    autofocus: true,
    assumed: true,
    ...numbers,
  },
});
const prime = (id: string, aims: readonly Aim[], focalMm: number, fNumber: number, numbers: Numbers): TypicalLens =>
  zoom(id, aims, [focalMm, focalMm], [fNumber, fNumber], numbers);
const telescope = (id: string, apertureMm: number, focalMm: number, obstructionShare?: number): TypicalLens => ({
  id,
  aims: ['sky'],
  spec: {
    kind: 'telescope',
    name: `Telescope ${apertureMm}/${focalMm}`,
    apertureMm,
    focalMm,
    detailClass: 'good',
    assumed: true,
    ...(obstructionShare === undefined ? {} : { obstructionShare }),
  },
});

/** Classes of lenses with the closest focus, ratio, length and weight usual in each; all marked as assumed. */
export const TYPICAL_LENSES: readonly TypicalLens[] = [
  zoom('t-70-300', ['far'], [70, 300], [4.5, 5.6], { closestFocusM: 1.2, closestRatio: 0.25, weightG: 700 }),
  zoom('t-100-400', ['far'], [100, 400], [4.5, 5.6], { closestFocusM: 1, closestRatio: 0.31, weightG: 1500 }),
  zoom('t-150-600', ['far'], [150, 600], [5, 6.3], { closestFocusM: 2.7, closestRatio: 0.2, weightG: 2000 }),
  prime('t-300', ['far'], 300, 4, { closestFocusM: 1.4, closestRatio: 0.24, weightG: 1200 }),
  prime('t-400', ['far'], 400, 5.6, { closestFocusM: 3, closestRatio: 0.14, weightG: 1300 }),
  prime('t-500', ['far'], 500, 5.6, { closestFocusM: 3, closestRatio: 0.18, weightG: 1500 }),
  prime('t-600', ['far'], 600, 4, { closestFocusM: 4.4, closestRatio: 0.14, weightG: 3200 }),
  prime('t-60-macro', ['near'], 60, 2.8, { closestFocusM: 0.185, closestRatio: 1, weightG: 420 }),
  prime('t-100-macro', ['near'], 100, 2.8, { closestFocusM: 0.3, closestRatio: 1, weightG: 620 }),
  prime('t-180-macro', ['near'], 180, 3.5, { closestFocusM: 0.48, closestRatio: 1, weightG: 1100 }),
  prime('t-50', ['near', 'sky'], 50, 1.8, { closestFocusM: 0.45, closestRatio: 0.15, weightG: 200 }),
  prime('t-14', ['sky'], 14, 2.8, { closestFocusM: 0.28, closestRatio: 0.06, weightG: 650 }),
  prime('t-20', ['sky'], 20, 1.8, { closestFocusM: 0.2, closestRatio: 0.2, weightG: 400 }),
  prime('t-35', ['sky', 'near'], 35, 1.4, { closestFocusM: 0.3, closestRatio: 0.2, weightG: 650 }),
  telescope('t-80-480', 80, 480),
  telescope('t-200-1200', 200, 1200, 0.3),
];

/** Those for an aim first, then the others that serve it less. */
export const lensesFor = (aim: Aim): TypicalLens[] => TYPICAL_LENSES.filter((each) => each.aims.includes(aim));

/** The lens that comes with a body whose lens cannot be taken off, by its format. */
export const BUILT_IN_LENSES: Readonly<Record<string, BuiltInSpec>> = {
  'phone-main': builtIn('Phone’s main lens', [6.8, 6.8], [1.8, 1.8], 0.12),
  'phone-tele': builtIn('Phone’s tele lens', [14, 14], [2.8, 2.8], 0.4),
  superzoom: builtIn('Built-in 4.3–215 f/2.8–5.9', [4.3, 215], [2.8, 5.9], 2),
};

function builtIn(
  name: string,
  [focalWideMm, focalTeleMm]: [number, number],
  [fNumberWide, fNumberTele]: [number, number],
  closestFocusM: number,
): BuiltInSpec {
  return {
    kind: 'builtIn',
    name,
    focalWideMm,
    focalTeleMm,
    fNumberWide,
    fNumberTele,
    closestFocusM,
    detailClass: 'fair',
    autofocus: true,
    assumed: true,
  };
}
