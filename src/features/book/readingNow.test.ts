import { countedPixels, countedPixelsText } from '@/data/countedPixelsText';
import { demoKit } from '@/demo/demoKit';
import { showQuantity } from '@/core/quantity/quantityText';
import { demoReadings } from '@/demo/readings';
import type { FarReadingKept, NearReadingKept, StarsReadingKept } from '@/contract/schemas/reading';
import { demoAdapters, demoOptics, demoSetups } from '@/demo/kit';
import { comparisonLines } from './comparisonLines';
import { entryWords } from './entryWords';
import { readAsKept, readAsNow, type Reread } from './readingNow';

const kept = demoReadings()[0]!.data as FarReadingKept;
/** The reading of a subject, which these are. */
const counted = (reread: Reread) => {
  if (reread.desk === 'stars') throw new Error('read on the wrong desk');
  return reread.reading;
};
const value = <T>(result: { ok: true; value: T } | { ok: false; problem: { message: string } } | null): T => {
  if (!result?.ok) throw new Error(result?.problem.message ?? 'gone');
  return result.value;
};

it('works a kept reading out again to the very numbers that were kept', () => {
  const { system, ...reread } = value(readAsKept(kept));
  const reading = counted({ system, ...reread } as Reread);
  expect(reading.pixelsOnSubject.value).toBe(kept.result.pixelsOnSubject);
  expect(reading.resolvedPixels.value).toBe(kept.result.resolvedPixels);
  expect(system.equivalentFNumber.value).toBe(kept.result.equivalentFNumber);
});

it('tells the pixels the verdict counts, to as many figures as the desk did, and so does the search', () => {
  const { pixelsPlusMinus, pixelsOnSubject, resolvedPixels } = kept.result;
  // The curlew is 550 ± 40 mm: the error is at least that share, so the tens say nothing.
  expect(pixelsPlusMinus!).toBeGreaterThanOrEqual((pixelsOnSubject * 40) / 550);
  const { resolvedPixels: asRead } = counted(value(readAsKept(kept)));
  expect(kept.input.judgeBy ?? 'resolved').toBe('resolved');
  const { figure, unit } = entryWords(kept, 'metric');
  expect([figure, unit]).toEqual([showQuantity(asRead, 'metric').number, 'px resolved']);
  expect(Number(figure.replace(',', '')) % 10).toBe(0);
  expect(countedPixelsText(kept)).toBe(`${figure}\u202fpx resolved`);
  const sampled = { ...kept, input: { ...kept.input, judgeBy: 'sampled' as const } };
  expect(countedPixels(sampled)).toEqual({
    number: showQuantity(counted(value(readAsKept(kept))).pixelsOnSubject, 'metric').number,
    unit: 'px',
  });
  const { pixelsPlusMinus: _, ...older } = kept.result;
  expect(entryWords({ ...kept, result: older }, 'metric').figure).toBe(
    Math.round(resolvedPixels).toLocaleString('en-GB'),
  );
});

it('reads the same situation with the kit of today', () => {
  expect(counted(value(readAsNow(kept, demoKit()))).pixelsOnSubject.value).toBeCloseTo(kept.result.pixelsOnSubject, 9);
  const kit = demoKit();
  const bodies = kit.bodies.map((row) => ({
    ...row,
    data: {
      ...row.data,
      sensor: { ...row.data.sensor, columns: row.data.sensor.columns * 2, rows: row.data.sensor.rows * 2 },
    },
  }));
  expect(counted(value(readAsNow(kept, { ...kit, bodies }))).pixelsOnSubject.value).toBeCloseTo(
    2 * kept.result.pixelsOnSubject,
    6,
  );
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
    const measured = {
      id: 'r',
      version: 1,
      createdAt: '',
      updatedAt: '',
      data: {
        name: 'heath',
        chain,
        at: 'closest' as const,
        method: 'ruler' as const,
        ratio: 1.31,
        plusMinus: 0.02,
        measuredAt: '2026-09-01T10:00:00Z',
      },
    };
    const now = value(readAsNow(closest, { ...kit, ratios: [measured] }));
    expect(counted(estimate).ratio.value).toBeCloseTo(1.2667, 3);
    expect([counted(now).ratio.kind, counted(now).ratio.value]).toEqual(['measured', 1.31]);
    // Another chain tried at the time stays the one it was kept with, not the set-up's own.
    const longer = [
      { type: 'optic' as const, id: demoOptics.macro100.id },
      { type: 'adapter' as const, id: demoAdapters.tubes.id, usedMm: [20, 36] },
    ];
    const tried = value(readAsNow({ ...closest, chain: longer }, kit));
    expect(counted(tried).ratio.value).toBeGreaterThan(1.5);
  });

  it('keeps its measured ratio although the kit forgets it', () => {
    const kept: NearReadingKept = {
      ...near,
      input: { ...near.input, ratio: undefined, measured: [{ at: 'closest', ratio: 1.31, plusMinus: 0.02 }] },
    };
    expect(counted(value(readAsKept(kept))).ratio).toMatchObject({ kind: 'measured', value: 1.31 });
    expect(counted(value(readAsNow(kept, demoKit()))).ratio.kind).toBe('computed');
  });
});

describe('a reading of the stars', () => {
  const stars = demoReadings().find((row) => row.data.desk === 'stars')!.data as StarsReadingKept;

  it('comes out again to the very seconds and runs that were kept', () => {
    const again = value(readAsKept(stars));
    if (again.desk !== 'stars') throw new Error('read on the wrong desk');
    expect(again.reading.limitS.value).toBe(stars.result.limitS);
    expect(again.reading.worstDriftPx.value).toBe(stars.result.worstRunPx);
    expect(again.reading.verdict).toBe(stars.result.verdict);
  });

  it('needs no subject of the kit to be read today, but its set-up and output', () => {
    const kit = demoKit();
    const [subject] = kit.subjects;
    const now = value(readAsNow(stars, { ...kit, subjects: [subject!] }));
    expect(now.desk === 'stars' && now.reading.limitS.value).toBeCloseTo(stars.result.limitS, 9);
    expect(readAsNow(stars, { ...kit, outputs: [] })).toBeNull();
  });

  it('is told in words like the others', () => {
    expect(entryWords(stars, 'metric')).toMatchObject({
      subject: 'Stars',
      where: 'at declination 40°',
      unit: 's',
      verdict: 'enough',
      judgement: expect.stringMatching(/^● Points everywhere at/) as string,
    });
    const lines = comparisonLines(stars, value(readAsKept(stars)), null, 'metric');
    expect(lines.map((line) => line.label)).toEqual([
      'Longest',
      'For the centre',
      'For the whole frame',
      'Run, centre',
      'Run, worst point',
    ]);
    expect(lines.every((line) => line.wasWhy !== undefined && line.now === undefined)).toBe(true);
    expect(entryWords(kept, 'metric')).toMatchObject({ subject: 'Curlew', where: 'at 64\u202fm', unit: 'px resolved' });
  });
});
