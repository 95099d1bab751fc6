import fs from 'node:fs';
import { demoBodies, demoOptics, demoOutputs } from '@/demo/kit';
import { DESKS } from '../registry';

interface Told {
  value: number;
  unit: string;
  plusMinus?: number;
}
interface Answer {
  reading: { perPixel: Told; perOutputPixel: Told; rangeStops: Told; known: string };
  against: { name: string; iso: Told; stops: Told; alikeIso?: Told; known: string }[];
}

const read = (input: unknown): Answer => {
  const result = DESKS.noise.read(input as never);
  if (!result.ok) throw new Error(result.problem.message);
  return JSON.parse(JSON.stringify(result.value)) as Answer;
};
const output = Object.values(demoOutputs).find(({ data }) => data.kind === 'screen')!.data;
const setup = (body: object) => ({ body, modeId: 'whole', chain: [demoOptics.tele300.data] });
const ostrel = demoBodies.ostrel.data;

describe('noise on the command line', () => {
  it('is that of the example, measured, with its units and errors', () => {
    const { reading, against } = read(JSON.parse(fs.readFileSync('docs/examples/noise.json', 'utf8')));
    // Between ISO 800 and 6,400 evenly in stops: a third of the way.
    const full = 6470 * (809 / 6470) ** (1 / 3);
    const noise = 2.1 * (1.6 / 2.1) ** (1 / 3);
    const signal = 0.18 * full;
    expect(reading.known).toBe('measured');
    expect(reading.perPixel.value).toBeCloseTo(signal / Math.sqrt(signal + noise ** 2), 6);
    expect(reading.perPixel.plusMinus).toBeGreaterThan(0);
    expect(reading.rangeStops).toMatchObject({ unit: 'stops' });
    expect(against[0]?.name).toMatch(/^Light bag/);
    expect(against[1]?.name).toMatch(/^Dune walk at 400.mm/);
    for (const { known, stops } of against) {
      expect(known).toBe('class');
      expect(stops.plusMinus).toBeGreaterThan(0.3);
    }
  });
  it('is alike for the same set-up, at whatever exposure', () => {
    const input = { ...setup(ostrel), output, iso: 400, setups: [{ name: 'the same', setup: setup(ostrel) }] };
    const [same] = read(input).against;
    expect(same?.stops.value).toBeCloseTo(0, 9);
    expect(same?.alikeIso?.value).toBeCloseTo(400, 6);
    const under = read({ ...input, overStops: -1 });
    expect(under.reading.perPixel.value).toBeLessThan(read(input).reading.perPixel.value);
    expect(under.against[0]?.alikeIso?.value).toBeCloseTo(400, 6);
  });
  it('compares at the same f-number where asked, wide open otherwise', () => {
    const open = { ...setup(ostrel), chain: [demoOptics.tele600.data] };
    const input = { ...setup(ostrel), output, iso: 400, setups: [{ name: 'longer', setup: open }] };
    const [wide] = read(input).against;
    expect(wide?.iso.value).toBeCloseTo(400 * (5.6 / 4) ** 2, 0);
    expect(read({ ...input, sameFNumber: true }).against[0]?.iso.value).toBe(400);
  });
  it('says what keeps a set-up from working', () => {
    const broken = DESKS.noise.read({ ...setup(ostrel), modeId: 'gone', output, iso: 400 } as never);
    expect(broken.ok ? '' : broken.problem.message).toContain('no such mode');
  });
});
