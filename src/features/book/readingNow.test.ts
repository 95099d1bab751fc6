import { demoKit } from '@/demo/demoKit';
import { demoReadings } from '@/demo/readings';
import type { NearReadingKept } from '@/contract/schemas/reading';
import { demoAdapters, demoOptics, demoSetups } from '@/demo/kit';
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

describe('a reading kept close up', () => {
  const near = demoReadings().find((row) => row.data.desk === 'near')!.data as NearReadingKept;

  it('comes out again at its ratio and f-number', () => {
    const again = value(readAsKept(near));
    if (again.desk !== 'near') throw new Error('read on the wrong desk');
    expect(again.reading.ratio.value).toBe(near.result.ratio);
    expect(again.reading.depthMm.value).toBe(near.result.depthMm);
    expect(again.reading.setFNumber.value).toBe(8);
  });

  it('is read today with the chain it was kept with, and with what was measured since', () => {
    const closest = { ...near, input: { ...near.input, ratio: undefined } };
    const kit = demoKit();
    const estimate = value(readAsNow(closest, kit));
    const chain = demoSetups.heath.data.chain;
    const measured = { id: 'r', version: 1, createdAt: '', updatedAt: '', data: { name: 'heath', chain, at: 'closest' as const, method: 'ruler' as const, ratio: 1.31, plusMinus: 0.02, measuredAt: '2026-09-01T10:00:00Z' } };
    const now = value(readAsNow(closest, { ...kit, ratios: [measured] }));
    expect(estimate.reading.ratio.value).toBeCloseTo(1.2667, 3);
    expect([now.reading.ratio.kind, now.reading.ratio.value]).toEqual(['measured', 1.31]);
    // Another chain tried at the time stays the one it was kept with, not the set-up's own.
    const longer = [{ type: 'optic' as const, id: demoOptics.macro100.id }, { type: 'adapter' as const, id: demoAdapters.tubes.id, usedMm: [20, 36] }];
    const tried = value(readAsNow({ ...closest, chain: longer }, kit));
    expect(tried.reading.ratio.value).toBeGreaterThan(1.5);
  });

  it('keeps its measured ratio although the kit forgets it', () => {
    const kept: NearReadingKept = { ...near, input: { ...near.input, ratio: undefined, measured: [{ at: 'closest', ratio: 1.31, plusMinus: 0.02 }] } };
    expect(value(readAsKept(kept)).reading.ratio).toMatchObject({ kind: 'measured', value: 1.31 });
    expect(value(readAsNow(kept, demoKit())).reading.ratio.kind).toBe('computed');
  });
});
