import fs from 'node:fs';
import { DESKS } from '../registry';

interface Answer {
  tried: number;
  ladder: {
    pieces: string[];
    weightG: { value: number; unit: string };
    reached: {
      want: string;
      body: string;
      parts: string[];
      counted: number;
      plusMinus?: number;
      needed: number;
      verdict: string;
      certain: boolean;
    }[];
    missed: string[];
    step: { moreG: number; gains: string[]; loses: string[]; adds: string[]; leaves: string[] };
  }[];
  outOfReach: { want: string; best?: { counted: number; needed: number } }[];
  canStayHome?: string[];
}

const example = () => JSON.parse(fs.readFileSync('docs/examples/bag.json', 'utf8')) as Record<string, unknown>;
const read = (change: object = {}) => DESKS.bag.read({ ...example(), ...change } as never);
const answer = (change: object = {}): Answer => {
  const result = read(change);
  if (!result.ok) throw new Error(result.problem.message);
  return JSON.parse(JSON.stringify(result.value)) as Answer;
};
const problem = (change: object): string => {
  const result = read(change);
  return result.ok ? '' : result.problem.message;
};

describe('a bag on the command line', () => {
  it('weighs what its pieces weigh, and reaches all wanted at the top of the ladder', () => {
    const { bodies, optics, adapters, wants } = example() as Record<string, { name: string; weightG: number }[]>;
    const weightOf = new Map([...bodies!, ...optics!, ...adapters!].map(({ name, weightG }) => [name, weightG]));
    const { ladder, outOfReach } = answer();
    expect(outOfReach).toEqual([]);
    expect(
      ladder
        .at(-1)!
        .reached.map(({ want }) => want)
        .sort(),
    ).toEqual(wants!.map(({ name }) => name).sort());
    for (const { pieces, weightG, reached } of ladder) {
      expect(weightG.unit).toBe('g');
      expect(pieces.reduce((sum, name) => sum + weightOf.get(name)!, 0)).toBe(weightG.value);
      for (const each of reached) {
        expect([each.body, ...each.parts].every((name) => pieces.some((piece) => name.startsWith(piece)))).toBe(true);
        expect(each.verdict).not.toBe('notEnough');
        expect(each.counted).toBeGreaterThanOrEqual(each.needed);
        // For certain where its error leaves no doubt; else with luck.
        expect(each.certain).toBe(each.counted - (each.plusMinus ?? 0) >= each.needed * (1 - 1e-9));
      }
    }
  });

  it('tells what stays at home only when it is told what is carried', () => {
    expect(answer({ carried: undefined }).canStayHome).toBeUndefined();
    const carried = [...(example().carried as string[]), 'Ostrel ×1.4'];
    expect(answer({ carried }).canStayHome).toEqual(['Ostrel ×1.4']);
  });

  it('says what to do where a name is told twice or is none of the kit', () => {
    const wants = example().wants as object[];
    expect(problem({ wants: [wants[0], wants[0]] })).toBe('Two pictures wanted have one name. Give each its own.');
    expect(problem({ carried: ['Ostrel 900'] })).toBe(
      '“Ostrel 900” is not among bodies, optics and adapters. Name it as it is named there.',
    );
  });
});
