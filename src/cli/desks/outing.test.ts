import fs from 'node:fs';
import { learn } from '@/core/learned/learn';
import { DESKS } from '../registry';

interface Picture {
  want: string;
  enough: boolean;
  by: { body: string; parts: string[]; counted: number; needed: number } | null;
  swap: { body: string; takes: string[]; puts: string[] } | null;
  adds?: string[] | null;
  settings: {
    mode: string;
    isoHigh: { value: number; why: object };
    closer: { kind: string; atM: { value: number } }[];
  };
}
interface Answer {
  pictures: Picture[];
  stayHome: string[];
  weightG: { value: number };
  missing: string[];
  night: { sunriseOfDay: string; dark: { from: string; to: string } } | null;
  card: string;
  calendar: string;
}

const example = () => JSON.parse(fs.readFileSync('docs/examples/outing.json', 'utf8')) as Record<string, unknown>;
const read = (change: object = {}) => DESKS.outing.read({ ...example(), ...change } as never);
const answer = (change: object = {}): Answer => {
  const result = read(change);
  if (!result.ok) throw new Error(result.problem.message);
  return JSON.parse(JSON.stringify(result.value)) as Answer;
};
const problem = (change: object): string => {
  const result = read(change);
  return result.ok ? '' : result.problem.message;
};

describe('an outing on the command line', () => {
  const whole = answer();

  it('names for each picture the set-up of the bag, what is missing, and what to set', () => {
    const bag = example().bag as string[];
    expect(whole.pictures.map(({ want }) => want)).toEqual([
      'Curlew',
      'Marsh harrier',
      'Tiger beetle',
      'Winter triangle',
    ]);
    for (const { by, enough, settings } of whole.pictures) {
      expect([by!.body, ...by!.parts].every((name) => bag.includes(name))).toBe(true);
      expect(by!.counted >= by!.needed).toBe(enough);
      expect(settings.isoHigh.why).toBeDefined();
    }
    expect(whole.pictures[2]!.adds).toEqual(['Ostrel 100 f/2.8 macro']);
    expect(whole.pictures[1]!.settings.closer.map(({ kind }) => kind)).toContain('modeOff');
  });

  it('goes by what one’s own log says, where one has it and wants it', () => {
    const { groups } = JSON.parse(fs.readFileSync('docs/examples/learned.json', 'utf8')) as { groups: object[] };
    const iso = (change: object) => answer({ log: groups, ...change }).pictures[0]!.settings.isoHigh.value;
    const own = learn(groups as never).iso.find(({ of }) => of === whole.pictures[0]!.by!.body)!;
    expect(iso({})).toBeCloseTo(own.value!, 6);
    expect(iso({ isoBy: 'acceptable' })).toBe(whole.pictures[0]!.settings.isoHigh.value);
    const stars = (change: object) => {
      const { settings } = answer({ log: groups, ...change }).pictures[3]! as unknown as {
        settings: { longestS: { value: number } };
      };
      return settings.longestS.value;
    };
    expect(stars({ starRule: 'own' })).toBeCloseTo(learn(groups as never).stars[0]!.value!, 6);
    expect(stars({})).not.toBe(stars({ starRule: 'own' }));
  });

  it('gives the card and the calendar as text', () => {
    expect(whole.card).toMatch(/^# Marsh at first light/);
    expect(whole.calendar).toMatch(/^BEGIN:VCALENDAR\r\n[\s\S]*END:VCALENDAR/);
    expect(whole.night!.sunriseOfDay).toMatch(/^2026-12-05T07:5/);
  });

  it('does without coordinates, and then says so', () => {
    const bare = answer({ place: { name: 'Somewhere' } });
    expect(bare.night).toBeNull();
    expect(bare.missing.join(' ')).toMatch(/no coordinates/);
  });

  it.each([
    [{ day: '2026-02-30' }, 'There is no 2026-02-30. Give the day as YYYY-MM-DD.'],
    [{ place: { name: 'x', latitudeDeg: 1 } }, 'A place needs latitude and longitude, or neither.'],
    [{ bag: ['Ostrel 900'] }, '“Ostrel 900” is not among bodies, optics and adapters. Name it as it is named there.'],
    [
      { wants: [{ name: 'Nothing', output: (example().wants as { output: object }[])[0]!.output }] },
      '“Nothing” has neither a subject nor a part of the sky. Give it a subject, or declinationDeg and fieldDeg.',
    ],
  ])('says what to do about %j', (change, message) => {
    expect(problem(change)).toBe(message);
  });
});
