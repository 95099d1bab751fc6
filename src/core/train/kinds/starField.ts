import { outputLongSidePx } from '../../output/needs';
import { viewedPixels } from '../../output/viewedPixels';
import { foldSystem, type EffectiveSystem } from '../../optics/foldSystem';
import { formatFigures, formatFixed } from '../../quantity/format';
import { starsFromPlain } from '../../sky/plainStars';
import { starLimits } from '../../sky/readStars';
import { chance, type Chance } from '../../simulate/chance';
import { skyView } from '../../simulate/starScene';
import { apartAt, type Exercise, type Making, type PhotoOrder, type TrainKit } from '../exercise';
import { PLAIN_OUTPUT } from '../farSpot';

const [WIDTH, HEIGHT] = [110, 110];
/** One pixel of the output is shown as so many points. */
const ENLARGE = 2;
/** Wide lenses are what stars are taken with. */
const MOST_FOCAL_MM = 60;

/** A set-up of the kit that takes the sky, or a plain one. */
function skySystem(kit: TrainKit, { oneOf }: Chance): { name: string; system: EffectiveSystem } | null {
  const wide = kit.setups.flatMap(({ name, setup }) => {
    const system = foldSystem(setup);
    return system.ok && system.value.focalMm.value <= MOST_FOCAL_MM && system.value.farthestFocusM === undefined
      ? [{ name, system: system.value }]
      : [];
  });
  if (wide.length) return oneOf(wide);
  const plain = foldSystem({
    body: {
      name: 'Full frame 45 MP',
      sensor: { widthMm: 36, heightMm: 24, columns: 8256, rows: 5504 },
      antiAliasFilter: 'none',
      cropModes: [],
    },
    modeId: 'whole',
    chain: [
      {
        kind: 'lens',
        name: '20 mm f/1.8',
        focalWideMm: 20,
        focalTeleMm: 20,
        fNumberWide: 1.8,
        fNumberTele: 1.8,
        detailClass: 'good',
        autofocus: true,
      },
    ],
  });
  return plain.ok ? { name: 'Full frame 45 MP, 20\u202fmm f/1.8', system: plain.value } : null;
}

const NAMES = ['A', 'B', 'C'] as const;

/** Three star fields at the output's size: which is the longest that still passes? */
export function starField({ kit, level, seed }: Making): Exercise | null {
  const random = chance(seed);
  const found = skySystem(kit, random);
  if (!found) return null;
  const { name, system } = found;
  // A record of a ring asks for no sky.
  const outputs = kit.outputs.filter(({ kind }) => kind !== 'identification');
  const output = outputs.length ? random.oneOf(outputs) : PLAIN_OUTPUT;
  const declinationDeg = Math.round(random.between(-10, 60) / 5) * 5;
  const { centreS, centreTolerancePx } = starLimits(starsFromPlain(system, { output, declinationDeg }));
  const acrossPx = Math.max(system.used.columns, system.used.rows);
  const perOutput = acrossPx / (outputLongSidePx(output) ?? viewedPixels(output));
  const passing = random.oneOf([0, 1, 2]);
  // Neighbours lie as far apart as the level has it, the limit halfway between the last that passes and the next.
  const exposures = NAMES.map((_, i) => centreS.value * apartAt(level) ** (i - passing - 0.5));
  const places = random.shuffled(NAMES);
  const sky = (exposureS: number) => ({
    width: WIDTH,
    height: HEIGHT,
    pitchUm: system.pitchUm.value * perOutput,
    focalMm: system.focalMm.value,
    exposureS,
    declinationDeg,
    rollDeg: 0,
    stars: 60,
    sigma: 0.7,
    comaPx: 0,
    sky: 0.008,
    brightest: 40,
  });
  const order = (exposureS: number): PhotoOrder => ({
    make: 'stars',
    sky: sky(exposureS),
    seed: seed + 1,
    enlarge: ENLARGE,
  });
  const shownAs = (i: number) => NAMES[places.indexOf(NAMES[i]!)]!;
  const { focalMm } = system;
  const view = skyView(sky(exposures[passing]!));
  const [x, y] = view((WIDTH - 1) / 2, (HEIGHT - 1) / 2, exposures[passing]!);
  const runPx = Math.hypot(x - (WIDTH - 1) / 2, y - (HEIGHT - 1) / 2);
  return {
    kind: 'starField',
    level,
    seed,
    given: `${name}, ${formatFigures(focalMm.value, 3)}\u202fmm, pointed to declination ${formatFixed(declinationDeg)}°. Shown pixel by pixel of “${output.name}”; a run of 1.5 of its pixels passes.`,
    question: 'Which is the longest exposure that still passes?',
    plates: places.map((field, at) => ({
      kind: 'photo',
      label: NAMES[at]!,
      order: order(exposures[NAMES.indexOf(field)]!),
    })),
    ask: {
      type: 'choice',
      options: NAMES.map((each) => ({ id: each, text: each })),
      right: shownAs(passing),
    },
    told: `${shownAs(passing)}: ${formatFigures(exposures[passing]!, 2)}\u202fs, a run of ${formatFigures(runPx, 2)} pixels of the output (${formatFigures(centreTolerancePx.value, 2)}\u202fpx at 100 % may be run). ${NAMES.map((_, i) => `${shownAs(i)} was ${formatFigures(exposures[i]!, 2)}\u202fs`).join(', ')}.`,
    why: centreS,
  };
}
