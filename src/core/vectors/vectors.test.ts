import { detailLimit } from '../detail/detailLimit';
import { blurDiscMm, depthOfChain } from '../far/depth';
import { freeZoom, processedZoom } from '../far/processedZoom';
import type { LensSpec, Part } from '../chain/parts';
import { foldSystem } from '../optics/foldSystem';
import { pixelsOnSubject } from '../detail/pixelsOnSubject';
import { samplingReachPxPerMrad } from '../far/imaging';
import { angleOfViewDeg } from '../optics/angleOfView';
import { effectiveFocalAtClosest } from '../chain/lensFocus';
import { focusThinLens } from '../chain/thinLens';
import { cropFactor, type CropConvention } from '../sensor/cropFactor';
import { cropPixels } from '../sensor/cropMode';
import { megapixels } from '../sensor/diagonal';
import { pitchUm } from '../sensor/pitch';
import vectors from './physics.json';

interface Case {
  what: string;
  input: Record<string, number | null>;
  expect: number | Record<string, number | null>;
  relative_tolerance: number;
}

const cases = vectors.cases as unknown as Case[];
const casesOf = (what: string): Case[] => cases.filter((each) => each.what === what);

/** Checks a value against the reference within the case's own relative tolerance. */
function agree(actual: number, expected: number, tolerance: number): void {
  expect(Math.abs(actual - expected)).toBeLessThanOrEqual(Math.abs(expected) * tolerance);
}

const at = (record: Case['expect'], key: string): number => {
  const value = (record as Record<string, number | null>)[key];
  if (typeof value !== 'number') throw new Error(`no reference value ${key}`);
  return value;
};
const n = (value: number | null | undefined): number => {
  if (typeof value !== 'number') throw new Error('number expected');
  return value;
};

describe('reference values', () => {
  it.each(casesOf('pixel pitch µm'))('pixel pitch $input', ({ input, expect: expected, relative_tolerance }) => {
    agree(pitchUm(n(input.widthMm), n(input.columns)), expected as number, relative_tolerance);
  });

  it.each(casesOf('crop factor'))('crop factor $input', ({ input, expect: expected, relative_tolerance }) => {
    const names: Record<string, CropConvention> = {
      diagonal: 'diagonal',
      width: 'width',
      height: 'height',
      same_aspect: 'sameAspect',
    };
    for (const [key, convention] of Object.entries(names)) {
      agree(cropFactor(n(input.widthMm), n(input.heightMm), convention), at(expected, key), relative_tolerance);
    }
  });

  it.each(casesOf('crop mode pixels'))('crop mode $input', ({ input, expect: expected, relative_tolerance }) => {
    const mode = cropPixels(
      { columns: n(input.columns), rows: n(input.rows) },
      { factor: n(input.factor), aspect: input.aspect ?? undefined },
    );
    agree(mode.columns, at(expected, 'columns'), relative_tolerance);
    agree(mode.rows, at(expected, 'rows'), relative_tolerance);
    agree(megapixels(mode.columns, mode.rows), at(expected, 'megapixels'), relative_tolerance);
  });

  it.each(casesOf('pixels on subject'))(
    'pixels on subject $input',
    ({ input, expect: expected, relative_tolerance }) => {
      const focus = focusThinLens(n(input.focalMm), n(input.sensorToSubjectMm));
      if (!focus.ok) throw new Error(focus.problem.message);
      const pitch = pitchUm(n(input.widthMm), n(input.columns));
      agree(focus.value.uMm, at(expected, 'u'), relative_tolerance);
      agree(focus.value.vMm, at(expected, 'v'), relative_tolerance);
      agree(focus.value.ratio, at(expected, 'm'), relative_tolerance);
      agree(pixelsOnSubject(focus.value.ratio, n(input.subjectMm), pitch), at(expected, 'pixels'), relative_tolerance);
      agree(samplingReachPxPerMrad(n(input.focalMm), pitch), at(expected, 'pxPerMrad'), relative_tolerance);
      agree(angleOfViewDeg(n(input.widthMm), focus.value.vMm), at(expected, 'aovWidthDeg'), relative_tolerance);
    },
  );

  it.each(casesOf('detail limit and resolved share'))(
    'detail limit $input',
    ({ input, expect: expected, relative_tolerance }) => {
      const limit = detailLimit(
        {
          pitchUm: n(input.pitchUm),
          workingFNumber: n(input.workingFNumber),
          lens50LpPerMm: n(input.lens50LpPerMm),
          antiAliasPx: n(input.aaFilter),
          wavelengthUm: n(input.wavelengthUm),
        },
        n(input.threshold),
      );
      agree(limit.limitLpPerMm, at(expected, 'detailLimitLpPerMm'), relative_tolerance);
      agree(limit.resolvedShare, at(expected, 'resolvedShare'), relative_tolerance);
    },
  );

  it('knows the effective focal length at closest focus', () => {
    for (const { input, expect: expected, relative_tolerance } of casesOf(
      'reproduction ratio with extension and close-up lens',
    )) {
      if (typeof input.closestFocusMm !== 'number') continue;
      agree(
        effectiveFocalAtClosest(input.closestFocusMm, n(input.nativeRatio)),
        at(expected, 'effectiveFocalMm'),
        relative_tolerance,
      );
    }
  });

  it.each(casesOf('reproduction ratio with extension and close-up lens'))(
    'chain $input',
    ({ input, expect: expected, relative_tolerance }) => {
      const known = typeof input.closestFocusMm === 'number';
      const lens: LensSpec = {
        kind: 'lens',
        name: 'L',
        focalWideMm: n(input.focalMm ?? 100),
        focalTeleMm: n(input.focalMm ?? 100),
        fNumberWide: 4,
        fNumberTele: 4,
        detailClass: 'good',
        autofocus: true,
        ...(known ? { closestFocusM: n(input.closestFocusMm) / 1000, closestRatio: n(input.nativeRatio) } : {}),
      };
      const extension = n(input.extensionMm);
      const power = n(input.closeUpDioptres);
      const chain: Part[] = [
        ...(power ? [{ kind: 'closeUp' as const, name: 'C', dioptres: power }] : []),
        lens,
        ...(extension ? [{ kind: 'tubes' as const, name: 'T', lengthsMm: [extension], autofocus: true }] : []),
      ];
      const system = foldSystem({
        body: {
          name: 'B',
          sensor: { widthMm: 36, heightMm: 24, columns: 6000, rows: 4000 },
          antiAliasFilter: 'none',
          cropModes: [],
        },
        modeId: 'whole',
        chain,
      });
      if (!system.ok) throw new Error(system.problem.message);
      const { far, near } = system.value.optics.state;
      agree((near ?? far).ratio, at(expected, 'ratio'), relative_tolerance);
    },
  );

  it.each(casesOf('depth of field and background blur'))(
    'depth $input',
    ({ input, expect: expected, relative_tolerance }) => {
      const u = n(input.lensToSubjectMm);
      const focal = n(input.focalMm);
      const depth = depthOfChain(focal / n(input.fNumber), focal / (u - focal), n(input.cocMm), u);
      agree(depth.nearMm, at(expected, 'nearMm'), relative_tolerance);
      const far = (expected as Record<string, number | null>).farMm;
      if (far === null) expect(depth.farMm).toBe(Infinity);
      else agree(depth.farMm, n(far), relative_tolerance);
      agree(
        blurDiscMm(focal / n(input.fNumber), focal / (u - focal), u, n(input.lensToBackgroundMm)),
        at(expected, 'blurMm'),
        relative_tolerance,
      );
    },
  );

  it.each(casesOf('processed zoom'))('processed zoom $input', ({ input, expect: expected, relative_tolerance }) => {
    agree(
      freeZoom(n(input.sampledColumns), n(input.recordedColumns)),
      at(expected, 'losslessZoom'),
      relative_tolerance,
    );
    const step = processedZoom(n(input.sampledColumns), n(input.recordedColumns), n(input.zoom));
    agree(step.realColumns, at(expected, 'realColumns'), relative_tolerance);
    agree(step.realShare, at(expected, 'realShare'), relative_tolerance);
  });
});
