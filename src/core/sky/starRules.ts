/** The schools of how long a shutter may stay open under the stars. */
export type StarRule =
  | 'worst'
  | 'centre'
  | 'c600'
  | 'c500'
  | 'c400'
  | 'c300'
  | 'small300'
  | 'pitchShort'
  | 'pitchFull1'
  | 'pitchFull2'
  | 'pitchFull3'
  | 'ceiling'
  | 'own';

export interface RuleInput {
  focalMm: number;
  equivalentFocalMm: number;
  fNumber: number;
  pitchUm: number;
  declinationDeg: number;
  ceilingS: number;
}

export interface RuleInfo {
  name: string;
  formula: string;
  /** Who swears by it, and what it leaves out. */
  gloss: string;
  seconds: (from: RuleInput) => number;
}

const full =
  (q: number) =>
  ({ focalMm, fNumber, pitchUm, declinationDeg }: RuleInput): number => {
    // Towards the pole the rule runs away; it is held at what it gives one degree from it.
    const cosD = Math.max(Math.cos((declinationDeg * Math.PI) / 180), 0.0175);
    return (q * (16.856 * fNumber + 0.0997 * focalMm + 13.713 * pitchUm)) / (focalMm * cosD);
  };
const over =
  (constant: number) =>
  ({ equivalentFocalMm }: RuleInput) =>
    constant / equivalentFocalMm;

/** Whether a text names a rule. */
export const isStarRule = (text: string): text is StarRule =>
  text === 'worst' || text === 'centre' || text === 'own' || Object.hasOwn(STAR_RULES, text);

/**
 * Rules of thumb, each with its formula; f focal length and f_eq equivalent focal length in mm, N f-number, p pixel pitch in
 * µm, δ declination.
 *
 * @source docs/physics.md, “Stars”
 */
export const STAR_RULES: Record<Exclude<StarRule, 'worst' | 'centre' | 'own'>, RuleInfo> = {
  c600: {
    name: '600 rule',
    formula: '600 / f_eq',
    gloss: 'from the days of film; knows no pixels',
    seconds: over(600),
  },
  c500: {
    name: '500 rule',
    formula: '500 / f_eq',
    gloss: 'the common one; knows neither pixels nor where one points',
    seconds: over(500),
  },
  c400: { name: '400 rule', formula: '400 / f_eq', gloss: 'the same, stricter', seconds: over(400) },
  c300: { name: '300 rule', formula: '300 / f_eq', gloss: 'the same, for large prints', seconds: over(300) },
  small300: {
    name: '300 ÷ focal length',
    formula: '300 / f',
    gloss: 'for small sensors, by the real focal length',
    seconds: ({ focalMm }) => 300 / focalMm,
  },
  pitchShort: {
    name: 'Aperture and pitch, short',
    formula: '(35 · N + 30 · p) / f',
    gloss: 'knows the pixel and the blur of the opening, not where one points',
    seconds: ({ fNumber, pitchUm, focalMm }) => (35 * fNumber + 30 * pitchUm) / focalMm,
  },
  pitchFull1: {
    name: 'Aperture and pitch, full',
    formula: '(16.856 · N + 0.0997 · f + 13.713 · p) / (f · cos δ)',
    gloss: 'points to the eye at 100 %',
    seconds: full(1),
  },
  pitchFull2: { name: 'The same, twice', formula: '2 · (…)', gloss: 'a slight run allowed', seconds: full(2) },
  pitchFull3: { name: 'The same, three times', formula: '3 · (…)', gloss: 'a run one sees at 100 %', seconds: full(3) },
  ceiling: {
    name: 'My ceiling',
    formula: 'as set',
    gloss: 'never longer; rather a higher ISO',
    seconds: ({ ceilingS }) => ceilingS,
  },
};
