import type { SubjectKind } from '../kit/subjects';
import { blurred } from './blurred';
import { chance } from './chance';
import { discScene } from './discScene';
import { edgePicture, edgeResponse, type EdgeMade } from './edgeScene';
import { evenFrame } from './evenSurface';
import { takeFlat, type FlatThing } from './flatThing';
import { noisy } from './noisy';
import { rulerScene } from './rulerScene';
import { drawn, type Scene } from './scene';
import { skyView, starPicture, type StarsMade } from './starScene';
import { longestOf, subjectScene } from './subjectScene';
import type { View } from './view';

/** What the simulated camera is to photograph, and with what. */
export interface Order {
  scene: 'ruler' | 'subject' | 'disc' | 'edge' | 'stars' | 'flat' | 'even';
  /** Size of the picture, and what one of its pixels stands for on the sensor, µm. */
  columns: number;
  rows: number;
  pitchUm: number;
  /** Size on the sensor ÷ real size; for a disc of the sky what it is wide on the sensor, mm. */
  ratio: number;
  discMm: number;
  fNumber: number;
  lens50LpPerMm: number;
  /** How far the plane of focus is off, as diameter of the blur on the sensor, mm; and how far the camera shook, mm there. */
  defocusMm: number;
  shakeMm: number;
  /** Electrons a pixel holds at full light: fewer at a higher ISO. */
  fullWell: number;
  subject: { kind: SubjectKind; sizeMm: number };
  /** Of stars: how long the shutter is open, s, with what focal length, mm, and where the middle looks. */
  sky: { exposureS: number; focalMm: number; declinationDeg: number; rollDeg: number };
  /** Of a flat thing, and of an even surface. */
  thing?: FlatThing;
  even?: EvenLight;
  seed: number;
}

/** An even surface before the lens, or its cap. */
export interface EvenLight {
  /** Share of what fills the file; 0 with the cap on. */
  exposure: number;
  /** Electrons of noise of reading. */
  readNoise: number;
  /** Pixels of this sensor differ in the same way in every frame. */
  sensorSeed: number;
}

/** What is true of a simulated picture. */
export interface Truth {
  pxPerMm?: number;
  lengthPx?: number;
  diameterPx?: number;
  /** Where half of the contrast is left, cycles/px, and how far stars run in the middle, px. */
  halfCyclesPerPx?: number;
  centrePx?: number;
  /** Electrons a code of 16 bits, and of noise of reading. */
  electronsPerCode?: number;
  readNoiseE?: number;
}

export interface Taken {
  light: Float32Array;
  truth: Truth;
}

const WAVELENGTH_MM = 0.00055;
/** A Gaussian as wide as the core of the diffraction disc, in wavelengths times f-number. */
const DIFFRACTION = 0.42;
/** A Gaussian that keeps half of the contrast at ν has a deviation of this ÷ ν. */
const AT_HALF = Math.sqrt(Math.log(2) / 2) / Math.PI;
/** Deviation of a disc of even light, and of a stroke, as shares of their width. */
const DISC = 1 / 4;
const STROKE = 1 / Math.sqrt(12);

/** The blur of all parts together, px: diffraction, lens, focus and shake, added as squares. */
export function blurPx({
  pitchUm,
  fNumber,
  lens50LpPerMm,
  defocusMm,
  shakeMm,
}: Pick<Order, 'pitchUm' | 'fNumber' | 'lens50LpPerMm' | 'defocusMm' | 'shakeMm'>): number {
  const parts = [DIFFRACTION * WAVELENGTH_MM * fNumber, AT_HALF / lens50LpPerMm, DISC * defocusMm, STROKE * shakeMm];
  return Math.hypot(...parts) / (pitchUm / 1000);
}

function sceneOf(order: Order, pxPerMm: number): { scene: Scene; middleMm: [number, number]; truth: Truth } {
  const { between, oneOf } = chance(order.seed);
  if (order.scene === 'ruler') {
    const scale = pxPerMm > 40 ? oneOf(['millimetre', 'half'] as const) : 'millimetre';
    const made = {
      scale,
      ground: between(0.6, 0.8),
      ink: between(0.04, 0.1),
      desk: between(0.12, 0.35),
      grain: 0.08,
      brushed: 0,
      tickWidthMm: scale === 'half' ? 0.1 : 0.18,
      jitterMm: 0.003,
      shortestMm: Math.min(scale === 'half' ? 1.6 : 3.2, (0.22 * order.rows) / pxPerMm),
      heightMm: 30,
      unevenInk: 0.15,
      digits: true,
      scratches: 4,
    };
    return {
      scene: rulerScene(made, order.seed),
      middleMm: [between(-5, 5), 1.2 * made.shortestMm],
      truth: { pxPerMm },
    };
  }
  if (order.scene === 'subject') {
    const { kind, sizeMm } = order.subject;
    const light = oneOf([0.08, 0.5]);
    const made = { kind, sizeMm, light, ground: light < 0.2 ? 0.3 : 0.14, unevenGround: 0.08 };
    return {
      scene: subjectScene(made, order.seed),
      middleMm: [0, 0],
      truth: { lengthPx: longestOf(kind) * sizeMm * pxPerMm },
    };
  }
  const diameterPx = order.discMm / (order.pitchUm / 1000);
  const made = {
    radiusMm: diameterPx / pxPerMm / 2,
    flattening: 0.935,
    darkening: 0.75,
    light: 0.75,
    ground: 0.01,
    belts: 0.25,
    phaseDeg: 0,
  };
  return { scene: discScene(made, order.seed), middleMm: [0, 0], truth: { diameterPx } };
}

/** A slanted edge, worked out from the response of pixel and blur. */
function takeEdge(order: Order): Taken {
  const { columns, rows, seed, fullWell } = order;
  const { between, oneOf } = chance(seed);
  const sigma = blurPx(order);
  const made: EdgeMade = {
    edgeDeg: oneOf([0, 90]) + between(5, 11) * oneOf([1, -1]),
    offsetPx: between(-0.1, 0.1) * rows,
    dark: 0.12,
    light: 0.62,
    optics: (frequency) => Math.exp(-2 * (Math.PI * sigma * frequency) ** 2),
    cutoff: 2,
  };
  let half = 0;
  while (half < 1 && edgeResponse(made, half) > 0.5) half += 1e-4;
  const light = edgePicture(made, columns, rows);
  return { light: noisy(light, { fullWell, readNoise: 4 }, seed + 2), truth: { halfCyclesPerPx: half } };
}

/** Stars of the whole frame; in the corners the lens draws them out a little. */
function takeStars(order: Order): Taken {
  const { columns, rows, pitchUm, seed, fullWell, sky } = order;
  const made: StarsMade = {
    width: columns,
    height: rows,
    pitchUm,
    ...sky,
    stars: 400,
    sigma: Math.max(0.8, blurPx(order)),
    comaPx: chance(seed).between(0, 3),
    sky: 0.006,
    brightest: 12,
  };
  const { light } = starPicture(made, seed + 1);
  const view = skyView(made);
  const ends = [-0.5, 0.5].map((share) => view((columns - 1) / 2, (rows - 1) / 2, share * sky.exposureS));
  const centrePx = Math.hypot(ends[1]![0] - ends[0]![0], ends[1]![1] - ends[0]![1]);
  return { light: noisy(light, { fullWell, readNoise: 4 }, seed + 2), truth: { centrePx } };
}

function takeThing(order: Order, thing: FlatThing): Taken {
  const { columns, rows, fullWell, seed } = order;
  return { light: takeFlat(thing, { columns, rows, sigmaPx: blurPx(order), fullWell, seed }), truth: {} };
}

/** Codes of 16 bits, and where they begin. */
const WHITE = 65_535;
const BLACK = 2048;

/** A frame of nothing but light, or of nothing. */
function takeEven({ columns, rows, fullWell, seed }: Order, even: EvenLight): Taken {
  const electronsPerCode = fullWell / (WHITE - BLACK);
  const codes = evenFrame(
    {
      width: columns,
      height: rows,
      gain: electronsPerCode,
      black: BLACK,
      white: WHITE,
      falloff: 0.15,
      unequal: 0.006,
      ...even,
    },
    seed,
  );
  return {
    light: Float32Array.from(codes, (code) => code / WHITE),
    truth: { electronsPerCode, readNoiseE: even.readNoise },
  };
}

/**
 * Takes a picture with a camera that is only reckoned: the scene as it lies before the lens, drawn on the pixels, blurred by
 * diffraction, lens, focus and shake, with the noise of its light. Every part of the blur counts as a Gaussian of its width.
 */
export function take(order: Order): Taken {
  if (order.scene === 'edge') return takeEdge(order);
  if (order.scene === 'stars') return takeStars(order);
  if (order.thing) return takeThing(order, order.thing);
  if (order.even) return takeEven(order, order.even);
  const { columns, rows, pitchUm, seed } = order;
  const pxPerMm = order.scene === 'disc' ? 1 : (order.ratio * 1000) / pitchUm;
  const { between } = chance(seed + 1);
  const { scene, middleMm, truth } = sceneOf(order, pxPerMm);
  const askew = order.scene === 'ruler' ? between(-8, 8) : between(-4, 4);
  const view: View = {
    pxPerMm,
    turnDeg: askew,
    tiltAlongDeg: 0,
    tiltAcrossDeg: 0,
    middleMm,
    focalPx: 4 * columns,
    distortion: order.scene === 'ruler' ? between(-0.002, 0.002) : 0,
  };
  const sharp = drawn(scene, view, columns, rows, columns * rows > 2e6 ? 2 : 3);
  const light = blurred(sharp, columns, rows, blurPx(order));
  return { light: noisy(light, { fullWell: order.fullWell, readNoise: 4 }, seed + 2), truth };
}
