import fs from 'node:fs';
import { demoSubjects } from '@/demo/kit';
import { DESKS } from '../registry';

const example = () => JSON.parse(fs.readFileSync('docs/examples/learned.json', 'utf8')) as { groups: object[] };
const answer = (input: object) => {
  const result = DESKS.learned.read(input as never);
  if (!result.ok) throw new Error(result.problem.message);
  return JSON.parse(JSON.stringify(result.value)) as Record<string, { of: string; state: string; cases: number }[]> & {
    groups: number;
    judged: number;
  };
};

describe('what was learned, on the command line', () => {
  it('tells each limit with its cases and range, and no case twice', () => {
    const told = answer(example());
    expect(told).toMatchObject({ desk: 'learned', groups: 30, judged: 30 });
    expect(told.stars).toMatchObject([{ of: 'Ostrel 20 f/1.8', state: 'known', cases: 7 }]);
    expect(told.hand).toMatchObject([{ of: 'Quillon C26', secondsTimesMm: { value: expect.any(Number) as number } }]);
    expect(JSON.stringify(told)).not.toContain('"from"');
    for (const limit of [...told.stars!, ...told.iso!, ...told.pixels!] as {
      value?: number;
      low?: number;
      high?: number;
    }[])
      if (limit.value !== undefined) {
        expect(limit.low).toBeLessThanOrEqual(limit.value);
        expect(limit.high).toBeGreaterThanOrEqual(limit.value);
      }
  });
  it('takes what was measured and judged elsewhere', () => {
    const told = answer({
      ...example(),
      held: [{ bodyName: 'Ostrel R45', limitS: 0.01, plusMinus: 0.002, focalMm: 400 }],
      stars: [{ lensName: 'Ostrel 20 f/1.8', seconds: 9, good: true }],
      byHand: [{ ratio: 0.5, good: true }],
    });
    expect(told.hand!.map(({ of }) => of)).toEqual(['Ostrel R45', 'Quillon C26']);
    expect(told.stars).toMatchObject([{ cases: 8, alsoCases: 1 }]);
    expect(told.ratio).toMatchObject([{ cases: 4, alsoCases: 1 }]);
  });
  it('puts subjects of a kind together, where it is told their kinds', () => {
    const subjects = [demoSubjects.curlew.data, demoSubjects.redshank.data];
    const told = answer({ ...example(), subjects });
    expect(told.distances![0]).toMatchObject({ of: 'Wader, all', cases: 4, ofKind: true });
    expect(answer(example()).distances!.some(({ of }) => of === 'Wader, all')).toBe(false);
  });
  it('is empty where nothing was judged', () => {
    expect(answer({ groups: [] })).toMatchObject({ judged: 0, hand: [], stars: [], converters: [] });
  });
});
