import type { Body } from '@/contract/schemas/body';
import type { Part } from '@/core/chain/parts';
import { FORMATS, sensorOfFormat } from '@/core/sensor/formats';
import type { SubjectSpec } from '@/core/kit/subjects';

export type Random = () => number;

/** A set-up drawn at random, of usual formats and lenses, with what its owner measured. */
export interface Drawn {
  body: Body;
  modeId: string;
  chain: Part[];
  subject: SubjectSpec;
  distanceM: number;
}

const oneOf = <T>(all: readonly T[], random: Random): T => all[Math.floor(random() * all.length)]!;
/** Evenly in the logarithm, as focal lengths and distances are spread. */
const spread = (from: number, to: number, random: Random): number => from * (to / from) ** random();

function drawBody(random: Random): Body {
  const format = oneOf(FORMATS, random);
  const fullWellE = spread(3000, 90_000, random);
  const readNoiseE = spread(1, 8, random);
  return {
    name: 'Drawn body',
    flangeMm: spread(15, 46, random),
    sensor: sensorOfFormat(format, oneOf(format.usualMegapixels, random)),
    antiAliasFilter: oneOf(['none', 'weak', 'standard'] as const, random),
    cropModes: random() < 0.5 ? [{ id: 'c15', name: 'Crop 1.5', factor: 1.5 }] : [],
    ...(random() < 0.5 ? { framesPerSecond: spread(2, 30, random), fileSizeMb: spread(10, 120, random) } : {}),
    ...(random() < 0.5 ? { stabiliserStops: Math.round(8 * random()) } : {}),
    bitsPerSample: 14,
    light: [
      {
        iso: 400,
        fullWellE,
        readNoiseE,
        fullWellPlusMinusE: fullWellE * spread(0.003, 0.08, random),
        readNoisePlusMinusE: readNoiseE * spread(0.01, 0.15, random),
      },
    ],
  };
}

function drawChain(random: Random): Part[] {
  const tele = spread(20, 800, random);
  const wide = random() < 0.4 ? tele / (1 + 3 * random()) : tele;
  const fNumber = spread(1.4, 8, random);
  const closestFocusM = Math.max((5 * tele) / 1000, spread(3, 9, random) * (tele / 1000));
  const lens: Part = {
    kind: 'lens',
    name: 'Drawn lens',
    focalWideMm: wide,
    focalTeleMm: tele,
    fNumberWide: fNumber,
    fNumberTele: fNumber,
    detailClass: oneOf(['excellent', 'good', 'fair', 'weak'] as const, random),
    autofocus: random() < 0.8,
    ...(random() < 0.7 ? { closestFocusM } : {}),
    ...(random() < 0.5 ? { closestRatio: spread(0.05, 0.22, random) } : {}),
    ...(random() < 0.5 ? { lens50LpPerMm: spread(25, 110, random) } : {}),
  };
  const factor = oneOf([1.4, 2], random);
  return random() < 0.3 ? [lens, { kind: 'converter', name: 'Drawn converter', factor, autofocus: true }] : [lens];
}

/** Draws one. */
export function drawSetup(random: Random): Drawn {
  const body = drawBody(random);
  const chain = drawChain(random);
  const sizeMm = spread(5, 3000, random);
  return {
    body,
    modeId: body.cropModes.length && random() < 0.3 ? 'c15' : 'whole',
    chain,
    subject: {
      name: 'Drawn subject',
      kind: 'wader',
      sizeMm,
      sizePlusMinusMm: sizeMm * spread(0.005, 0.2, random),
      distanceM: 30,
    },
    distanceM: spread(3, 300, random),
  };
}
