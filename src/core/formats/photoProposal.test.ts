import fc from 'fast-check';
import { photoProposal, type PhotoTags } from './photoProposal';

const fullFrame: PhotoTags = {
  maker: 'Ostrel',
  model: 'R45',
  exifColumns: 8256,
  exifRows: 5504,
  focalLengthMm: 400,
  focalLength35Mm: 400,
  focalPlaneXResolution: (8256 / 36) * 10,
  focalPlaneYResolution: (5504 / 24) * 10,
  focalPlaneUnit: 3,
  fNumber: 5.6,
};
const propose = (change: Partial<PhotoTags>) => photoProposal({ ...fullFrame, ...change })!;
const codes = (change: Partial<PhotoTags>) => propose(change).doubts.map((doubt) => doubt.code);

it('reads the size from the pixels per length and finds the equivalent agreeing', () => {
  const proposal = propose({});
  expect(proposal.sensor).toEqual({ widthMm: 36, heightMm: 24, columns: 8256, rows: 5504 });
  expect(proposal).toMatchObject({
    from: 'focalPlane',
    format: { id: 'full-frame' },
    doubts: [],
    lens: { focalWideMm: 400, focalTeleMm: 400, setFNumber: 5.6, fNumberWide: null },
  });
  expect(proposal.disagreementPercent!).toBeLessThan(0.5);
});

it.each([
  [2, 25.4],
  [3, 10],
  [4, 1],
  [5, 0.001],
])('takes the unit %p as %p mm', (unit, mm) => {
  expect(
    propose({ focalPlaneUnit: unit, focalPlaneXResolution: (8256 / 36) * mm, focalPlaneYResolution: (5504 / 24) * mm })
      .sensor!.widthMm,
  ).toBeCloseTo(36, 2);
});

it('takes an inch when the unit is missing, as the standard says', () => {
  expect(
    propose({ focalPlaneUnit: undefined, focalPlaneXResolution: (8256 / 36) * 25.4, focalPlaneYResolution: undefined })
      .sensor!.widthMm,
  ).toBeCloseTo(36, 2);
  expect(codes({ focalPlaneUnit: 1 })).toContain('photo.noUnit');
});

it('proposes a plain format from the 35-mm equivalent alone', () => {
  const proposal = propose({
    focalPlaneXResolution: undefined,
    focalLengthMm: 50,
    focalLength35Mm: 75,
    exifColumns: 6000,
    exifRows: 4000,
  });
  expect(proposal).toMatchObject({
    from: 'equivalent',
    format: { id: 'aps-c-15' },
    sensor: { widthMm: 23.5, columns: 6000 },
  });
  expect(proposal.ways[0]!.plusMinusMm).toBeGreaterThan(0);
});

it('says when the two contradict each other, and takes the equivalent', () => {
  // A picture halved in the camera that kept the pixels per length of the full one.
  const proposal = propose({ exifColumns: 4128, exifRows: 2752 });
  expect(proposal.doubts.map((doubt) => doubt.code)).toEqual(['photo.contradiction']);
  expect(proposal.disagreementPercent!).toBeCloseTo(50, 0);
  expect(proposal.sensor!.widthMm).toBeCloseTo(36, 1);
});

it('takes the digital zoom out of the equivalent', () => {
  expect(
    propose({ focalPlaneXResolution: undefined, focalLength35Mm: 800, digitalZoomRatio: 2 }).sensor!.widthMm,
  ).toBeCloseTo(36, 1);
});

it('lays an upright picture down, and notices one made smaller', () => {
  expect(propose({ exifColumns: 5504, exifRows: 8256 })).toMatchObject({ columns: 8256, rows: 5504 });
  expect(codes({ fileColumns: 2048, fileRows: 1365 })).toContain('photo.resized');
  expect(codes({ fileColumns: 8256, fileRows: 5504 })).toEqual([]);
});

it('refuses a sensor no camera has, and says what is missing', () => {
  expect(codes({ focalPlaneXResolution: 2, focalPlaneYResolution: 2 })).toContain('photo.implausible');
  expect(codes({ exifColumns: undefined, exifRows: undefined })).toContain('photo.noPixels');
  expect(codes({ focalPlaneXResolution: undefined, focalLength35Mm: 0 })).toContain('photo.noSize');
  expect(photoProposal({})).toBeNull();
});

describe('the lens', () => {
  it('takes range, f-numbers and name from the lens data', () => {
    const { lens } = propose({
      lensModel: 'Quillon zoom',
      lensRange: { focalWideMm: 100, focalTeleMm: 400, fNumberWide: 4.5, fNumberTele: 5.6 },
    });
    expect(lens).toMatchObject({
      name: 'Quillon zoom',
      focalWideMm: 100,
      focalTeleMm: 400,
      fNumberWide: 4.5,
      fNumberTele: 5.6,
      setFocalMm: 400,
    });
    expect(lens!.missing).toEqual(['how near it focuses, and how large it draws there']);
    expect(propose({ lensRange: { focalWideMm: 100, focalTeleMm: 400 } }).lens).toMatchObject({
      name: '100–400 mm lens',
      fNumberWide: null,
      fNumberTele: null,
    });
  });

  it('takes them from the name where the fields are missing, and says what is not told', () => {
    expect(propose({ lensModel: 'Quillon 100-400mm F4.5-5.6' }).lens).toMatchObject({
      focalWideMm: 100,
      focalTeleMm: 400,
      fNumberWide: 4.5,
      fNumberTele: 5.6,
    });
    expect(propose({ lensModel: 'Merrow 70–300 mm f/4' }).lens).toMatchObject({
      focalWideMm: 70,
      focalTeleMm: 300,
      fNumberWide: 4,
      fNumberTele: 4,
    });
    const { lens } = propose({ lensModel: 'Merrow prime' });
    expect([lens!.focalWideMm, lens!.focalTeleMm]).toEqual([400, 400]);
    expect(lens!.missing.join(' ')).toMatch(/may be a zoom.*may open further/);
  });
});

it('gives finite numbers or none, whatever the tags say', () => {
  const value = fc.option(fc.oneof(fc.double({ noNaN: false }), fc.integer({ min: -5, max: 20000 })), {
    nil: undefined,
  });
  fc.assert(
    fc.property(
      fc.record({
        exifColumns: value,
        exifRows: value,
        fileColumns: value,
        fileRows: value,
        focalLengthMm: value,
        focalLength35Mm: value,
        focalPlaneXResolution: value,
        focalPlaneYResolution: value,
        focalPlaneUnit: value,
        fNumber: value,
        digitalZoomRatio: value,
      }),
      (tags) => {
        const proposal = photoProposal({ model: 'X', ...tags })!;
        for (const way of proposal.ways)
          for (const each of [way.widthMm, way.heightMm, way.plusMinusMm]) expect(Number.isFinite(each)).toBe(true);
        if (proposal.sensor)
          for (const each of Object.values(proposal.sensor)) expect(Number.isFinite(each)).toBe(true);
      },
    ),
  );
});
