import type { Part } from '@/core/chain/parts';
import { DESIGN_WORDS, FORMAT_WORDS } from '@/core/kit/words';
import type { Body } from '@/contract/schemas/body';
import { formatFigures, formatFixed, formatRatio } from '@/core/quantity/format';
import { showFNumber, showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';

/** A fact about a part: its name and its value in words. */
export type Fact = readonly [name: string, value: string];

const unit = (value: number | undefined, sign: string, figures = 4): string | null =>
  value === undefined ? null : `${formatFigures(value, figures)}\u202f${sign}`;
const yesNo = (value: boolean | undefined): string | null => (value === undefined ? null : value ? 'yes' : 'no');
const keep = (facts: (readonly [string, string | null | undefined])[]): Fact[] =>
  facts.filter((fact): fact is Fact => fact[1] !== null && fact[1] !== undefined && fact[1] !== '');

function carried(part: {
  maker?: string | undefined;
  mount?: string | undefined;
  weightG?: number | undefined;
  price?: number | undefined;
  note?: string | undefined;
}): Fact[] {
  return keep([
    ['Maker', part.maker],
    ['Mount', part.mount],
    ['Weight', part.weightG === undefined ? null : `${formatFixed(part.weightG)}\u202fg`],
    ['Price', part.price === undefined ? null : formatFixed(part.price)],
    ['Note', part.note],
  ]);
}

/** What is entered of a part, in words. */
export function partFacts(
  part: Part & { maker?: string | undefined; note?: string | undefined },
  units: UnitSystem,
): Fact[] {
  const length = (metres: number | undefined) => (metres === undefined ? null : shownText(showLengthM(metres, units)));
  const frequency = unit(part.lens50LpPerMm, 'lp/mm');
  switch (part.kind) {
    case 'lens':
    case 'builtIn': {
      const zoom = part.focalTeleMm > part.focalWideMm;
      const pupil = part.focalTeleMm / part.fNumberTele;
      return [
        ...keep([
          [
            'Focal length',
            zoom
              ? `${formatFigures(part.focalWideMm, 4)}–${formatFigures(part.focalTeleMm, 4)}\u202fmm`
              : unit(part.focalWideMm, 'mm'),
          ],
          [
            'Widest aperture',
            zoom
              ? `${showFNumber(part.fNumberWide)} to ${showFNumber(part.fNumberTele)}`
              : showFNumber(part.fNumberWide),
          ],
          ['Entrance pupil', `${formatFigures(pupil)}\u202fmm${zoom ? ' at the long end' : ''}`],
          ['Closest focus', length(part.closestFocusM)],
          ['Ratio there', part.closestRatio === undefined ? null : formatRatio(part.closestRatio)],
          [
            'Image circle',
            part.imageCircleWideMm === undefined
              ? null
              : `${formatFigures(part.imageCircleWideMm)}${part.imageCircleTeleMm === undefined ? '' : ` to ${formatFigures(part.imageCircleTeleMm)}`}\u202fmm`,
          ],
          ['50 % frequency', frequency ?? `class “${part.detailClass}”`],
          ['… in the corner', unit(part.lens50CornerLpPerMm, 'lp/mm')],
          ['Autofocus', yesNo(part.autofocus)],
        ]),
        ...(part.kind === 'lens'
          ? keep([
              ['Design', part.design ? DESIGN_WORDS[part.design] : null],
              [
                'Central obstruction',
                part.obstructionShare === undefined
                  ? null
                  : `${formatFixed(part.obstructionShare * 100)} % of the diameter`,
              ],
              ['One aperture only', part.fixedAperture ? 'yes' : null],
              ['Made for', part.madeFor ? FORMAT_WORDS[part.madeFor] : null],
              ['A converter goes in', yesNo(part.takesConverters)],
              ['Stabiliser', unit(part.stabiliserStops, 'stops')],
              ['Length', unit(part.lengthMm, 'mm')],
              ['Flange distance', unit(part.flangeMm, 'mm')],
            ])
          : []),
        ...carried(part),
      ];
    }
    case 'telescope':
      return [
        ...keep([
          ['Aperture', unit(part.apertureMm, 'mm')],
          ['Focal length', unit(part.focalMm, 'mm')],
          ['f-number', showFNumber(part.focalMm / part.apertureMm)],
          [
            'Central obstruction',
            part.obstructionShare === undefined
              ? null
              : `${formatFixed(part.obstructionShare * 100)} % of the diameter`,
          ],
          ['Back focus', unit(part.backFocusMm, 'mm')],
          ['Image circle', unit(part.imageCircleMm, 'mm')],
          ['50 % frequency', frequency ?? `class “${part.detailClass}”`],
        ]),
        ...carried(part),
      ];
    case 'scope':
      return [
        ...keep([
          ['Objective', unit(part.objectiveMm, 'mm')],
          [
            'Magnification',
            part.magnificationHigh > part.magnificationLow
              ? `${formatFigures(part.magnificationLow)}–${formatFigures(part.magnificationHigh)}\u202f×`
              : unit(part.magnificationLow, '×'),
          ],
          [
            'Exit pupil',
            `${formatFigures(part.objectiveMm / part.magnificationLow)}${part.magnificationHigh > part.magnificationLow ? ` to ${formatFigures(part.objectiveMm / part.magnificationHigh)}` : ''}\u202fmm`,
          ],
          ['Eye relief', unit(part.eyeReliefMm, 'mm')],
          ['Apparent field', part.apparentFieldDeg === undefined ? null : `${formatFigures(part.apparentFieldDeg)}°`],
          ['Closest focus', length(part.closestFocusM)],
        ]),
        ...carried(part),
      ];
    case 'objective':
      return [
        ...keep([
          ['Magnification', unit(part.magnification, '×')],
          ['Numerical aperture', formatFigures(part.numericalAperture)],
          ['Corrected for', part.correction === 'infinity' ? 'infinity' : 'a finite tube'],
          ['Tube length', unit(part.tubeLengthMm, 'mm')],
          ['Made for a tube lens of', unit(part.designTubeFocalMm, 'mm')],
          ['Working distance', unit(part.workingDistanceMm, 'mm')],
          ['Field number', unit(part.fieldNumberMm, 'mm')],
        ]),
        ...carried(part),
      ];
    case 'converter':
    case 'reducer':
      return [
        ...keep([
          ['Factor', `×${formatFigures(part.factor)}`],
          ['Light', `${formatFigures(-2 * Math.log2(part.factor), 2).replace('-', '−')} stops`],
          ['Needs a circle of', part.kind === 'reducer' ? unit(part.neededCircleMm, 'mm') : null],
          ['Lens’s side', part.kind === 'reducer' ? part.lensMount : null],
          ['Keeps autofocus', yesNo(part.autofocus)],
          ['50 % frequency', frequency],
        ]),
        ...carried(part),
      ];
    case 'barlow':
      return [
        ...keep([
          ['Factor', `×${formatFigures(part.factor)}`],
          ['50 % frequency', frequency],
        ]),
        ...carried(part),
      ];
    case 'tubes':
      return [
        ...keep([
          ['Tubes', part.lengthsMm.map((each) => formatFigures(each)).join(' + ') + '\u202fmm'],
          [
            'All together',
            unit(
              part.lengthsMm.reduce((a, b) => a + b, 0),
              'mm',
            ),
          ],
          ['Keeps autofocus', yesNo(part.autofocus)],
        ]),
        ...carried(part),
      ];
    case 'closeUp':
      return [
        ...keep([
          ['Power', `${formatFigures(part.dioptres)} dioptres`],
          ['Focal length', unit(1000 / part.dioptres, 'mm', 3)],
          ['50 % frequency', frequency],
        ]),
        ...carried(part),
      ];
    case 'tubeLens':
      return [
        ...keep([
          ['Focal length', unit(part.focalMm, 'mm')],
          ['Image circle', unit(part.imageCircleMm, 'mm')],
          ['50 % frequency', frequency],
        ]),
        ...carried(part),
      ];
    case 'reversing':
      return [...keep([['Length', unit(part.lengthMm, 'mm')]]), ...carried(part)];
    case 'mountAdapter':
      return [
        ...keep([
          ['Lens’s side', part.lensMount],
          ['Adds', unit(part.addsMm, 'mm')],
          ['Keeps autofocus', yesNo(part.autofocus)],
        ]),
        ...carried(part),
      ];
    case 'coupling':
    case 'afocal':
      return carried(part);
  }
}

/** What is entered of a body besides its sensor and modes. */
export function bodyFacts(body: Body): Fact[] {
  return [
    ...keep([
      ['Anti-aliasing filter', body.antiAliasFilter],
      ['Bits per sample', body.bitsPerSample === undefined ? null : String(body.bitsPerSample)],
      ['Autofocus up to', body.autofocusLimitFNumber === undefined ? null : showFNumber(body.autofocusLimitFNumber)],
      [
        'Slowly up to',
        body.slowAutofocusLimitFNumber === undefined ? null : showFNumber(body.slowAutofocusLimitFNumber),
      ],
      ['Stabiliser', unit(body.stabiliserStops, 'stops')],
      ['Burst buffer', unit(body.burstBufferMb, 'MB')],
      ['Writes to the card', unit(body.cardWriteMbPerS, 'MB/s')],
      [
        'Screen',
        body.screenWidthMm !== undefined && body.screenHeightMm !== undefined
          ? `${formatFigures(body.screenWidthMm)} × ${formatFigures(body.screenHeightMm)}\u202fmm`
          : unit(body.screenDiagonalMm, 'mm'),
      ],
      ['Flange distance', unit(body.flangeMm, 'mm')],
    ]),
    ...carried(body),
  ];
}
