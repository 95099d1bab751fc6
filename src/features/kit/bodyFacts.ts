import type { Body } from '@/contract/schemas/body';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import { carried, keep, unit, type Fact } from './facts';

/** What is entered of a body besides its sensor and modes. */
export function bodyFacts(body: Body): Fact[] {
  return [
    ...keep([
      ['Anti-aliasing filter', body.antiAliasFilter],
      ['Bits per sample', body.bitsPerSample === undefined ? null : String(body.bitsPerSample)],
      ['Year of design', body.designYear === undefined ? null : String(body.designYear)],
      ...(body.light ?? []).map(({ iso, fullWellE, readNoiseE }): [string, string] => [
        `Noise at ISO ${formatFigures(iso)}`,
        `${formatFigures(readNoiseE, 2)}\u202fe⁻, full at ${formatFigures(fullWellE, 3)}\u202fe⁻`,
      ]),
      ['Autofocus up to', body.autofocusLimitFNumber === undefined ? null : showFNumber(body.autofocusLimitFNumber)],
      [
        'Slowly up to',
        body.slowAutofocusLimitFNumber === undefined ? null : showFNumber(body.slowAutofocusLimitFNumber),
      ],
      [
        'Fastest shutter speed',
        body.fastestShutterPerS === undefined ? null : `1/${formatFixed(body.fastestShutterPerS)}\u202fs`,
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
