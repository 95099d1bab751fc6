import fc from 'fast-check';
import { CROP_CONVENTIONS, cropFactor } from './cropFactor';
import { cropPixels, usedArea } from './cropMode';
import { FORMATS, sensorOfFormat } from './formats';
import { pitchUm } from './pitch';
import { sensorDoubts } from './plausibility';

const side = fc.double({ min: 2, max: 60, noNaN: true });

describe('crop factor', () => {
  it('is the same in all conventions for a 3:2 format', () => {
    fc.assert(
      fc.property(side, (width) => {
        const factors = CROP_CONVENTIONS.map((convention) => cropFactor(width, width / 1.5, convention));
        for (const factor of factors) expect(factor).toBeCloseTo(36 / width, 9);
      }),
    );
  });

  it('by the same aspect equals dividing the diagonals of the reference cut to that aspect', () => {
    fc.assert(
      fc.property(side, side, (a, b) => {
        const [w, h] = [Math.max(a, b), Math.min(a, b)];
        const aspect = w / h;
        const cut = aspect >= 1.5 ? [36, 36 / aspect] : [24 * aspect, 24];
        expect(cropFactor(w, h, 'sameAspect')).toBeCloseTo(Math.hypot(cut[0]!, cut[1]!) / Math.hypot(w, h), 9);
      }),
    );
  });
});

describe('crop modes', () => {
  it('divide the megapixels by the factor squared', () => {
    const whole = cropPixels({ columns: 6000, rows: 4000 }, {});
    const crop = cropPixels({ columns: 6000, rows: 4000 }, { factor: 1.5 });
    expect((crop.columns * crop.rows) / (whole.columns * whole.rows)).toBeCloseTo(1 / 2.25, 12);
  });

  it('keep the pixel pitch and lie within the sensor', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 800, max: 12000 }),
        fc.integer({ min: 800, max: 12000 }),
        fc.double({ min: 1, max: 4, noNaN: true }),
        fc.double({ min: 0.5, max: 2.5, noNaN: true }),
        (columns, rows, factor, aspect) => {
          const sensor = { widthMm: columns * 0.004, heightMm: rows * 0.004, columns, rows };
          const used = usedArea(sensor, { factor, aspect });
          expect(used.columns).toBeLessThanOrEqual(columns);
          expect(used.rows).toBeLessThanOrEqual(rows);
          expect(pitchUm(used.widthMm, used.columns)).toBeCloseTo(4, 6);
        },
      ),
    );
  });

  it('take exact pixels when they are given, held to the sensor', () => {
    const sensor = { widthMm: 36, heightMm: 24, columns: 6000, rows: 4000 };
    expect(usedArea(sensor, { factor: 1.5, pixels: { columns: 3984, rows: 2656 } })).toMatchObject({
      columns: 3984,
      rows: 2656,
    });
    expect(usedArea(sensor, { pixels: { columns: 9000, rows: 2656 } }).columns).toBe(6000);
  });
});

describe('formats', () => {
  it('give square pixels and the megapixels asked for', () => {
    for (const format of FORMATS) {
      for (const megapixels of format.usualMegapixels) {
        const sensor = sensorOfFormat(format, megapixels);
        expect((sensor.columns * sensor.rows) / 1e6).toBeCloseTo(megapixels, 0);
        expect(sensorDoubts(sensor)).toEqual([]);
      }
    }
  });
});

describe('doubts about a sensor', () => {
  it('names swapped sides', () => {
    expect(sensorDoubts({ widthMm: 24, heightMm: 36, columns: 6000, rows: 4000 }).map((doubt) => doubt.code)).toEqual([
      'sensor.swapped',
    ]);
  });

  it('names pixels more than 2 % off square, and only those', () => {
    expect(sensorDoubts({ widthMm: 36, heightMm: 24, columns: 6000, rows: 3900 }).map((doubt) => doubt.code)).toEqual([
      'sensor.notSquare',
    ]);
    expect(sensorDoubts({ widthMm: 36, heightMm: 23.9, columns: 6000, rows: 4000 })).toEqual([]);
  });
});

it('takes the largest rectangle of a mode’s aspect, upright or lying, then divides by its factor', () => {
  const sensor = { columns: 6000, rows: 4000 };
  // Wider than the sensor: all its columns; narrower: all its rows; the same: both.
  expect(cropPixels(sensor, { aspect: 2 })).toEqual({ columns: 6000, rows: 3000 });
  expect(cropPixels(sensor, { aspect: 1.25 })).toEqual({ columns: 5000, rows: 4000 });
  expect(cropPixels(sensor, { aspect: 1.5 })).toEqual({ columns: 6000, rows: 4000 });
  expect(cropPixels(sensor, { aspect: 0.8, factor: 2 })).toEqual({ columns: 1600, rows: 2000 });
  expect(cropPixels(sensor, { factor: 1.5, pixels: { columns: 111, rows: 222 } })).toEqual({ columns: 111, rows: 222 });
});

it('makes sensors of whole, even pixels with the sides of their format', () => {
  for (const format of FORMATS) {
    for (const megapixels of format.usualMegapixels) {
      const { widthMm, heightMm, columns, rows } = sensorOfFormat(format, megapixels);
      expect([widthMm, heightMm]).toEqual([format.widthMm, format.heightMm]);
      expect([columns % 2, rows % 2]).toEqual([0, 0]);
      expect(columns / rows / (format.widthMm / format.heightMm)).toBeCloseTo(1, 2);
      expect((columns * rows) / 1e6 / megapixels).toBeCloseTo(1, 2);
    }
  }
  expect(sensorOfFormat({ ...FORMATS[0]!, widthMm: 36, heightMm: 24 }, 24)).toEqual({
    widthMm: 36,
    heightMm: 24,
    columns: 6000,
    rows: 4000,
  });
});

it('has a crop factor that turning the camera does not change', () => {
  for (const convention of CROP_CONVENTIONS) {
    for (const [a, b] of [
      [36, 24],
      [17.3, 13],
      [26.4, 14.85],
      [24, 36],
    ] as const) {
      expect(cropFactor(a, b, convention)).toBeCloseTo(cropFactor(b, a, convention), 12);
    }
  }
  expect(cropFactor(24, 36, 'width')).toBe(1);
  expect(cropFactor(24, 36, 'height')).toBe(1);
  expect(cropFactor(17.3, 13, 'height')).toBeCloseTo(24 / 13, 12);
});

it('says by how much pixels are off square, and of which field', () => {
  const [doubt] = sensorDoubts({ widthMm: 36, heightMm: 24, columns: 6000, rows: 3600 });
  expect(doubt).toMatchObject({
    code: 'sensor.notSquare',
    field: 'sensor.columns',
    message: expect.stringMatching(/10 % off square/) as string,
  });
  expect(sensorDoubts({ widthMm: 24, heightMm: 36, columns: 4000, rows: 6000 })).toEqual([]);
  const [swapped] = sensorDoubts({ widthMm: 36, heightMm: 24, columns: 4000, rows: 6000 });
  expect(swapped!.message).toMatch(/wider than high in millimetres but higher than wide in pixels/);
  expect(swapped!.field).toBe('sensor.heightMm');
});
