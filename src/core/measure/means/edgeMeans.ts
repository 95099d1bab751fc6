import { detailLimit } from '../../detail/detailLimit';
import { systemResponse, type DetailParts } from '../../detail/response';
import { computed, given, input, measured, type Quantity } from '../../quantity/quantity';
import { root } from '../../quantity/root';
import type { EdgeFound, Frequency } from '../edge/measureEdge';
import { fallsBelow } from '../edge/response';

/** What a measured edge means. In lp/mm where the pitch is known, else in cycles/px. */
export interface EdgeMeans {
  half: Quantity | undefined;
  fifth: Quantity | undefined;
  tenth: Quantity | undefined;
  /** Finest detail kept, at the threshold. */
  limit: Quantity | undefined;
  /** The same as Jauge predicts them for the set-up. */
  predictedHalf?: Quantity | undefined;
  predictedLimit?: Quantity | undefined;
  /** Measured half of the contrast against the predicted, %. */
  offPercent?: Quantity | undefined;
  /** The lens's own 50 % frequency: diffraction, pixel and filter divided out. */
  lens50?: Quantity | undefined;
}

interface Asked {
  found: EdgeFound;
  pitchUm: Quantity | null;
  /** What limits detail in the set-up, as it is predicted; its lens is what is solved for. */
  parts: DetailParts | null;
  threshold: number;
}

const PERCENT = 100;

/** A frequency on the sensor, as a quantity. */
function onSensor(name: string, frequency: Frequency | null, pitchUm: Quantity | null): Quantity | undefined {
  if (!frequency) return undefined;
  const perPx = measured(
    frequency.value,
    'cycles/px',
    () => ({
      name: `${name}, in pixels`,
      formula: '',
      inputs: [],
      source: 'response of a slanted edge (ISO 12233), along its normal',
    }),
    frequency.plusMinus,
  );
  if (!pitchUm) return perPx;
  const perMm = 1000 / pitchUm.value;
  return measured(
    frequency.value * perMm,
    'lp/mm',
    () => ({
      name,
      formula: '1000 · ν / p',
      inputs: [input('ν', 'cycles a pixel', perPx), input('p', 'pixel pitch', pitchUm)],
      source: 'a line pair is one cycle',
    }),
    frequency.plusMinus * perMm,
  );
}

/** The measured limit at a threshold, with the error of the response there. */
function limitOf({ mtf, mtfError, frequencies }: EdgeFound, threshold: number): Frequency | null {
  const value = fallsBelow(mtf, threshold);
  if (value === null) return null;
  const k = Math.max(1, Math.min(mtf.length - 1, Math.ceil(value / (frequencies[1]! - frequencies[0]!))));
  const slope = Math.max(0.2, (mtf[k - 1]! - mtf[k]!) / (frequencies[k]! - frequencies[k - 1]!));
  return { value, plusMinus: mtfError[k]! / slope };
}

/** Contrast is solved by where there is enough of it to be measured, and enough lost to tell something. */
const TELLING: readonly [number, number] = [0.15, 0.92];

/**
 * The 50 % frequency of a lens whose response falls as a Gaussian: the measured response, divided by that of all the rest, over
 * all frequencies that tell.
 *
 * @returns lp/mm with its error; nothing where the rest alone keeps no more than was measured
 * @source ln(measured ÷ rest) = −ln 2 · (ν/ν_L)²
 */
export function lensAlone({ mtf, mtfError, frequencies }: EdgeFound, parts: DetailParts): Frequency | null {
  const others = { ...parts, lens50LpPerMm: 1e9 };
  const perMm = 1000 / parts.pitchUm;
  let [above, below] = [0, 0];
  let error = 0;
  for (let k = 1; k < mtf.length; k++) {
    const value = mtf[k]!;
    if (value < TELLING[0]) break;
    if (value > TELLING[1]) continue;
    const nu = frequencies[k]! * perMm;
    const rest = systemResponse(nu, others);
    if (rest < 0.05) break;
    const own = mtfError[k]! / value;
    const weight = 1 / (own * own + 0.01 ** 2);
    const x = Math.LN2 * nu * nu;
    above += weight * x * -Math.log(value / rest);
    below += weight * x * x;
    error += weight * x * own;
  }
  if (!(below > 0)) return null;
  // 1/ν_L² is what is solved for; the errors of neighbouring frequencies are one error, and add up.
  const inverse = above / below;
  const inverseError = error / below;
  if (inverse <= inverseError / 2) return null;
  const value = 1 / Math.sqrt(inverse);
  return { value, plusMinus: (value / 2) * (inverseError / inverse) };
}

/** What a measured edge means for the set-up it was taken with. */
export function edgeMeans({ found, pitchUm, parts, threshold }: Asked): EdgeMeans {
  const own: EdgeMeans = {
    half: onSensor('Half of the contrast', found.mtf50, pitchUm),
    fifth: onSensor('A fifth of the contrast', found.mtf20, pitchUm),
    tenth: onSensor('A tenth of the contrast', found.mtf10, pitchUm),
    limit: onSensor('Detail limit', limitOf(found, threshold), pitchUm),
  };
  if (!pitchUm || !parts) return own;
  return { ...own, ...againstPredicted(own, found, parts, threshold) };
}

function againstPredicted(
  { half }: EdgeMeans,
  found: EdgeFound,
  parts: DetailParts,
  threshold: number,
): Partial<EdgeMeans> {
  const inputs = () => [
    input('p', 'pixel pitch', given(parts.pitchUm, 'µm', 'Pixel pitch', 'body')),
    input('N', 'f-number', given(parts.workingFNumber, 'f/', 'f-number', 'the picture, or the set-up')),
    input(
      'ν_L',
      '50 % frequency of the lens',
      given(parts.lens50LpPerMm, 'lp/mm', '50 % frequency of the lens', 'lens'),
    ),
  ];
  const predicted = (name: string, value: number) =>
    computed(value, 'lp/mm', () => ({
      name,
      formula: 'diffraction · pixel · filter · lens',
      inputs: inputs(),
      source: 'the response Jauge reckons every detail limit with',
      neglects: 'Focus, shake and sharpening.',
    }));
  const halfAt = root((frequency) => systemResponse(frequency, parts) - 0.5, 0, 1000 / parts.pitchUm);
  const predictedHalf = predicted('Half of the contrast, predicted', halfAt);
  const lens = lensAlone(found, parts);
  return {
    predictedHalf,
    predictedLimit: predicted('Detail limit, predicted', detailLimit(parts, threshold).limitLpPerMm),
    offPercent:
      half &&
      computed(
        (half.value / halfAt - 1) * PERCENT,
        '%',
        () => ({
          name: 'Measured against predicted',
          formula: '(ν / ν₀ − 1) · 100',
          inputs: [input('ν', 'measured', half), input('ν₀', 'predicted', predictedHalf)],
          source: 'definition',
        }),
        ((half.plusMinus ?? 0) / halfAt) * PERCENT,
      ),
    lens50: lens
      ? measured(
          lens.value,
          'lp/mm',
          () => ({
            name: '50 % frequency of the lens alone',
            formula: 'ln(measured ÷ rest) = −ln 2 · (ν/ν_L)²',
            inputs: inputs().slice(0, 2),
            source:
              'diffraction, pixel and filter divided out, over all frequencies between 92 and 15 % of the contrast',
            neglects: 'What focus, shake and sharpening did counts as the lens.',
          }),
          lens.plusMinus,
        )
      : undefined,
  };
}
