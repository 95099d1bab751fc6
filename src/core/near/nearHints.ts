import { formatRatio } from '../quantity/format';
import type { Quantity } from '../quantity/quantity';
import { showSubjectMm, shownText } from '../quantity/quantityText';
import type { Problem } from '../quantity/result';
import type { UnitSystem } from '../quantity/units';
import type { NearState } from './nearState';
import { SHADOW_MM, SHY_MM } from './workingDistance';

const LIVE = 'No chilling, gluing or killing for a picture; protected species need a permit.';

/** What to mind in front of the glass, where the room there is known. */
function roomHint(workingMm: number | undefined, units: UnitSystem): Problem[] {
  const length = (mm: number) => shownText(showSubjectMm(mm, units, 2));
  if (workingMm === undefined || workingMm >= SHY_MM) return [];
  if (workingMm <= 0)
    return [
      {
        code: 'near.touches',
        message:
          'By the estimate the subject would touch the front, or lie inside the lens. Take a tube off, or measure what really comes out.',
      },
    ];
  return workingMm < SHADOW_MM
    ? [
        {
          code: 'near.shadow',
          message: `About ${length(workingMm)} in front of the glass: the lens stands in the light and live insects leave. A longer lens gives more room. ${LIVE}`,
        },
      ]
    : [
        {
          code: 'near.shy',
          message: `About ${length(workingMm)} in front of the glass: shy insects may leave. ${LIVE}`,
        },
      ];
}

/** How well the ratio is known. */
function ratioHint({ setting, ratio: m }: NearState, ratio: Quantity): Problem[] {
  if (setting.ratioUnsure > 0.02 * m)
    return [
      {
        code: 'near.behindConverter',
        message:
          'Tubes behind a converter: what they add depends on the converter’s own focal length, which is not published. Photograph a ruler once and enter what you see.',
      },
    ];
  return ratio.kind !== 'measured' && ratio.plusMinus !== undefined && ratio.plusMinus > 0.1 * ratio.value
    ? [
        {
          code: 'near.rough',
          message: 'The ratio is a rough estimate. Photograph a ruler once and enter what you see.',
        },
      ]
    : [];
}

/** What to mind close up: too near, shadow, above what the hand holds, a ratio hardly known. */
export function nearHints(
  state: NearState,
  workingMm: number | undefined,
  handHoldRatio: number,
  ratio: Quantity,
  units: UnitSystem,
): Problem[] {
  return [
    ...roomHint(workingMm, units),
    ...(state.ratio > handHoldRatio * (1 + 1e-9)
      ? [
          {
            code: 'near.hand',
            message: `${formatRatio(state.ratio)} is above the ${formatRatio(handHoldRatio)} you hold by hand: rail and flash. Mind the glare for eyes, and warm lamps near animals.`,
          },
        ]
      : []),
    ...(state.ratio < 0.1
      ? [
          {
            code: 'near.far',
            message: 'Below 1 : 10 the depth here is too small a figure; the Far desk reckons it exactly.',
          },
        ]
      : []),
    ...ratioHint(state, ratio),
  ];
}
