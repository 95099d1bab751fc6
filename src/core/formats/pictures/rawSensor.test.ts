import { greyOf } from './decoded';
import { decodedOfSensor, type RawSensor } from './rawSensor';

/** Red green over green blue, in all eight rows of the code: 0, 1, 3 (the second green), 2. */
const RGGB =
  [0, 1, 2, 3].reduce((code, pair) => code + (0 + (1 << 2) + (3 << 4) + (2 << 6)) * 2 ** (8 * pair), 0) >>> 0;

const sensor = (change: Partial<RawSensor> = {}): RawSensor => {
  const [rawColumns, rawRows] = [8, 6];
  return {
    rawColumns,
    rawRows,
    left: 2,
    top: 2,
    width: 6,
    height: 4,
    data: Uint16Array.from({ length: rawColumns * rawRows }, (_, i) => 100 + i),
    black: 100,
    white: 4095,
    filters: RGGB,
    flip: 0,
    ...change,
  };
};

describe('the numbers of a sensor', () => {
  it('lose their borders, and keep the colours of their squares', () => {
    const decoded = decodedOfSensor(sensor())!;
    expect(decoded.mosaic).toEqual([0, 1, 1, 2]);
    expect(Array.from(decoded.codes).slice(0, 8)).toEqual([118, 119, 120, 121, 122, 123, 126, 127]);
    expect(decoded).toMatchObject({ width: 6, height: 4, black: 100, white: 4095, tone: 'linear', bits: 12 });
  });
  it('are turned upright, a mosaic too', () => {
    const grey = greyOf(decodedOfSensor(sensor({ flip: 6 }))!);
    expect([grey.width, grey.height]).toEqual([4, 6]);
    // To the right: what was at the left is at the top.
    const lying = greyOf(decodedOfSensor(sensor())!);
    expect(grey.data[0]).toBeCloseTo(lying.data[3 * 6]!, 6);
    const upsideDown = greyOf(decodedOfSensor(sensor({ flip: 3 }))!);
    expect(upsideDown.data[0]).toBeCloseTo(lying.data[lying.data.length - 1]!, 6);
  });
  it('without a mosaic are a grey picture', () => {
    expect(decodedOfSensor(sensor({ filters: 0 }))!.mosaic).toBeUndefined();
  });
  it('are refused where the pattern is not of two by two, or something is missing', () => {
    expect(decodedOfSensor(sensor({ filters: 9 }))).toBeNull();
    expect(decodedOfSensor(sensor({ filters: (RGGB ^ 0x0f000000) >>> 0 }))).toBeNull();
    expect(decodedOfSensor(sensor({ data: new Uint16Array(10) }))).toBeNull();
    expect(decodedOfSensor(sensor({ white: 100 }))).toBeNull();
    expect(decodedOfSensor(sensor({ left: 5 }))).toBeNull();
  });
});
