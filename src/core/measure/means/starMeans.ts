import { given, computed, input, measured, type Quantity } from '../../quantity/quantity';
import { drawnAt, type StarSetup } from '../stars/predictedTrail';
import type { StarsFound, Trail } from '../stars/findStars';

/** How far stars ran, and what was to be expected. */
export interface StarMeans {
  centre: Quantity;
  corner: Quantity;
  worst: Quantity;
  fwhm: Quantity;
  /** Only with the set-up. */
  predicted?: Quantity | undefined;
  factor?: Quantity | undefined;
  lensWorst?: Quantity | undefined;
  /** At the output's size. */
  centreInOutput?: Quantity | undefined;
  worstInOutput?: Quantity | undefined;
}

const SOURCE = 'strokes fitted star by star; squared lengths averaged over the picture';

const ran = (name: string, { lengthPx, plusMinus }: Pick<Trail, 'lengthPx' | 'plusMinus'>): Quantity =>
  measured(lengthPx, 'px', () => ({ name, formula: '', inputs: [], source: SOURCE }), plusMinus);

/** The longest run of the four corners. */
export const cornerOf = ({ corners }: StarsFound): Trail =>
  corners.reduce((most, each) => (each.lengthPx > most.lengthPx ? each : most));

/** A run as it is seen when the picture is shown so many px wide. */
function inOutput(name: string, run: Quantity, columns: number, outputPx: number | null): Quantity | undefined {
  if (outputPx === null) return undefined;
  const share = outputPx / columns;
  return computed(
    run.value * share,
    'px',
    () => ({
      name,
      formula: 'b · n_out / n',
      inputs: [
        input('b', 'run at 100 %', run),
        input('n_out', 'along the output', given(outputPx, 'px', 'Pixels along the output', 'what the picture is for')),
        input('n', 'along the picture', given(columns, 'px', 'Pixels along the picture', 'the file')),
      ],
      source: 'a smaller picture hides a longer run',
    }),
    (run.plusMinus ?? 0) * share,
  );
}

interface Asked {
  found: StarsFound;
  width: number;
  height: number;
  setup: StarSetup | null;
  /** Pixels along the long side of what the picture is for. */
  outputPx: number | null;
}

/** What the strokes of a picture mean. */
export function starMeans({ found, width, height, setup, outputPx }: Asked): StarMeans {
  const centre = ran('Run in the middle', found.centre);
  const worst = ran('Run where it is longest', found.worst);
  const longSide = Math.max(width, height);
  const own: StarMeans = {
    centre,
    corner: ran('Run in the worst corner', cornerOf(found)),
    worst,
    fwhm: ran('Blur of a star, full width at half maximum', { lengthPx: found.fwhmPx, plusMinus: found.fwhmError }),
    centreInOutput: inOutput('Run in the middle, in the output', centre, longSide, outputPx),
    worstInOutput: inOutput('Longest run, in the output', worst, longSide, outputPx),
  };
  const vector = setup && drawnAt(setup, { width, height })((width - 1) / 2, (height - 1) / 2);
  if (!setup || !vector) return own;
  const predicted = computed(Math.hypot(...vector), 'px', () => ({
    name: 'Run in the middle, predicted',
    formula: 'both ends of the exposure projected',
    inputs: [
      input('f', 'focal length', given(setup.focalMm, 'mm', 'Focal length', 'the picture, or the set-up')),
      input('t', 'exposure', given(setup.exposureS, 's', 'Exposure', 'the picture')),
      input('δ', 'declination', given(setup.declinationDeg, '°', 'Declination of the middle', 'as set')),
      input('p', 'pixel pitch', given(setup.pitchUm, 'µm', 'Pixel pitch', 'body')),
    ],
    source: 'the sky turns 15.0411″ a second',
  }));
  return {
    ...own,
    predicted,
    factor: found.factor
      ? measured(
          found.factor.value,
          '×',
          () => ({
            name: 'Measured against predicted',
            formula: '√(b² ÷ b₀²)',
            inputs: [input('b₀', 'predicted', predicted)],
            source:
              'fitted over all stars together with faults of the lens along the radius; 1 proves exposure, focal length and pitch',
          }),
          found.factor.plusMinus,
        )
      : undefined,
    lensWorst: measured(
      found.lensWorstPx,
      'px',
      () => ({
        name: 'Drawn out by the lens, at most',
        formula: '',
        inputs: [],
        source: 'what remains of the strokes when the sky’s part is taken off',
      }),
      found.worst.plusMinus,
    ),
  };
}
