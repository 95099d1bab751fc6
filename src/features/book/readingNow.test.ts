import { demoKit } from '@/demo/demoKit';
import { demoReadings } from '@/demo/readings';
import { readAsKept, readAsNow } from './readingNow';

const kept = demoReadings()[0]!.data;
const value = <T>(result: { ok: true; value: T } | { ok: false; problem: { message: string } } | null): T => {
  if (!result?.ok) throw new Error(result?.problem.message ?? 'gone');
  return result.value;
};

it('works a kept reading out again to the very numbers that were kept', () => {
  const { reading, system } = value(readAsKept(kept));
  expect(reading.pixelsOnSubject.value).toBe(kept.result.pixelsOnSubject);
  expect(reading.resolvedPixels.value).toBe(kept.result.resolvedPixels);
  expect(system.equivalentFNumber.value).toBe(kept.result.equivalentFNumber);
});

it('reads the same situation with the kit of today', () => {
  expect(value(readAsNow(kept, demoKit())).reading.pixelsOnSubject.value).toBeCloseTo(kept.result.pixelsOnSubject, 9);
  const kit = demoKit();
  const bodies = kit.bodies.map((row) => ({ ...row, data: { ...row.data, sensor: { ...row.data.sensor, columns: row.data.sensor.columns * 2, rows: row.data.sensor.rows * 2 } } }));
  expect(value(readAsNow(kept, { ...kit, bodies })).reading.pixelsOnSubject.value).toBeCloseTo(2 * kept.result.pixelsOnSubject, 6);
});

it('has nothing to say of today when the set-up, the subject or the output is gone', () => {
  const kit = demoKit();
  expect(readAsNow(kept, { ...kit, setups: [] })).toBeNull();
  expect(readAsNow(kept, { ...kit, subjects: [] })).toBeNull();
  expect(readAsNow(kept, { ...kit, outputs: [] })).toBeNull();
  expect(readAsNow({ ...kept, setupId: undefined }, kit)).toBeNull();
});

it('keeps saying what was read when the kit is empty', () => {
  expect(value(readAsKept(kept)).reading.verdict).toBe(kept.result.verdict);
});
