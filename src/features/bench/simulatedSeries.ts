import type { Body } from '@/contract/schemas/body';
import { formatFigures } from '@/core/quantity/format';
import { fail, ok, type Result } from '@/core/quantity/result';
import type { FileOrder } from '@/core/simulate/fileOrder';
import type { FlatThing } from '@/core/simulate/flatThing';
import type { Order } from '@/core/simulate/take';
import { pitchUm } from '@/core/sensor/pitch';
import type { SkyOptions } from '@/data/skyOptions';
import type { Chosen, Kit } from '@/data/situation';
import { simulatedOrder } from './simulatedOrder';

/** What the simulated camera takes several pictures of. */
export type SeriesKind = 'mode' | 'zoom' | 'bodies' | 'even' | 'shaken';

/** One picture of a series: what it is called, and what is true of it, in words. */
export type SeriesOrder = FileOrder & { name: string; truth: string };

/** Pairs, and frames of a series, are taken at most this wide, px. */
const PAIR_PX = 1200;
const FRAME_PX = 800;
const HAND_PX = 520;
/** Pixels that differ by this factor make a difference that can be seen. */
const UNLIKE = 1.12;
/** Electrons of noise of reading. */
const READ_NOISE_E = 6;
/** How fast a hand moves the picture, in px of a frame a second, and how much that differs from frame to frame. */
const HAND_PX_PER_S = 70;
const HAND_TIMES_S = [1 / 250, 1 / 125, 1 / 60, 1 / 30];
const FRAMES_EACH = 3;
const HAND_SPREAD = [0.5, 0.9, 1.5];

/** A body's pixels. */
interface Sensor {
  name: string;
  pitchUm: number;
  columns: number;
  rows: number;
}

interface Base {
  order: Order;
  exif: FileOrder['exif'];
}

/** The picture everything starts from, no wider than so many px, of a thing that fills it. */
function ofWidth({ order, exif }: Base, most: number, seed: number): Base & { order: Order & { thing: FlatThing } } {
  const smaller = Math.max(1, order.columns / most);
  const columns = Math.round(order.columns / smaller);
  const thing: FlatThing = {
    seed,
    pxPerMm: columns / 60,
    turnDeg: 0,
    middleMm: [0, 0],
    shakenPx: 0,
    enlarged: 1,
  };
  const rows = Math.round(order.rows / smaller);
  const pitchUm = order.pitchUm * smaller;
  return { exif, order: { ...order, scene: 'flat', columns, rows, pitchUm, fullWell: 20_000, thing, seed } };
}

const jpeg = (base: Base, name: string, truth: string): SeriesOrder => ({ ...base, format: 'jpeg', name, truth });

/** The whole frame, and the middle of it as a crop mode takes it, or as a zoom without a lens enlarges it. */
function cropPair(base: Base, factor: number, zoomed: boolean, seed: number): SeriesOrder[] {
  const whole = ofWidth(base, PAIR_PX, seed);
  const { order, exif } = whole;
  const moved = { ...order.thing, turnDeg: 0.4, middleMm: [0.3, -0.2] as [number, number] };
  const second: Order = zoomed
    ? { ...order, seed: seed + 7, thing: { ...moved, enlarged: factor } }
    : {
        ...order,
        seed: seed + 7,
        columns: Math.round(order.columns / factor),
        rows: Math.round(order.rows / factor),
        thing: moved,
      };
  const words = zoomed
    ? `the second is the middle of the first, enlarged ${formatFigures(factor, 3)} times by the camera: it shows nothing a later crop does not`
    : `the second is the middle of the first, ${formatFigures(factor, 3)} times: the same pixels on the same thing`;
  return [
    jpeg(whole, 'whole frame', words),
    jpeg({ order: second, exif }, zoomed ? 'zoomed in the camera' : 'crop mode', words),
  ];
}

/** The same thing from the same place by another body with the same lens; both pictures saved by the same factor. */
function bodiesPair(base: Base, own: Sensor, other: Sensor, seed: number): SeriesOrder[] {
  const first = ofWidth(base, PAIR_PX, seed);
  const { order, exif } = first;
  const savedBy = order.pitchUm / own.pitchUm;
  const scale = own.pitchUm / other.pitchUm;
  const second: Order = {
    ...order,
    columns: Math.round(other.columns / savedBy),
    rows: Math.round(other.rows / savedBy),
    pitchUm: other.pitchUm * savedBy,
    // A smaller pixel holds less.
    fullWell: order.fullWell / (scale * scale),
    seed: seed + 7,
    thing: { ...order.thing, pxPerMm: order.thing.pxPerMm * scale, turnDeg: -0.3, middleMm: [0.2, 0.1] },
  };
  const words = `the second body’s pixels are ${formatFigures(other.pitchUm, 3)} µm against ${formatFigures(own.pitchUm, 3)} µm, behind the same lens`;
  return [
    jpeg(first, 'first body', words),
    jpeg({ order: second, exif: { ...exif, model: other.name } }, 'second body', words),
  ];
}

/** Two frames of an even surface and two with the cap on, as a sensor counts them. */
function evenFrames({ order, exif }: Base, seed: number): SeriesOrder[] {
  const fullWell = order.fullWell;
  const truth = `noise of reading was ${formatFigures(READ_NOISE_E, 2)} electrons, and ${formatFigures(fullWell, 3)} filled it`;
  return [0.5, 0.5, 0, 0].map((exposure, k) => ({
    order: {
      ...order,
      scene: 'even' as const,
      columns: FRAME_PX,
      rows: Math.round((FRAME_PX * order.rows) / order.columns),
      fullWell,
      even: { exposure, readNoise: READ_NOISE_E, sensorSeed: seed },
      seed: seed + k,
    },
    exif,
    format: 'dng' as const,
    name: exposure ? `even ${k + 1}` : `dark ${k - 1}`,
    truth,
  }));
}

/** A hand that moves evenly, at several shutter times. */
function shakenFrames(base: Base, seed: number): SeriesOrder[] {
  const still = ofWidth(base, HAND_PX, seed);
  const { order, exif } = still;
  return HAND_TIMES_S.flatMap((exposureS, t) =>
    HAND_SPREAD.slice(0, FRAMES_EACH).map((spread, k) => {
      const shakenPx = HAND_PX_PER_S * spread * exposureS;
      const own = seed + 10 * t + k;
      return jpeg(
        { exif: { ...exif, exposureS }, order: { ...order, seed: own, thing: { ...order.thing, shakenPx } } },
        `by hand ${t + 1}${'abc'[k]}`,
        `the hand moved this frame by ${formatFigures(shakenPx, 2)} px, ${HAND_PX_PER_S} a second on average`,
      );
    }),
  );
}

const sensorOf = ({ name, sensor }: Body): Sensor => ({
  name,
  pitchUm: pitchUm(sensor.widthMm, sensor.columns),
  columns: sensor.columns,
  rows: sensor.rows,
});

/** Another body of the kit whose pixels differ by enough to be seen: one of a set-up. */
function otherBody(kit: Kit, own: Sensor): Sensor | null {
  const inSetups = kit.bodies.filter(({ id }) => kit.setups.some(({ data }) => data.bodyId === id));
  const others = inSetups.map(({ data }) => sensorOf(data));
  return others.find((each) => Math.abs(Math.log(each.pitchUm / own.pitchUm)) > Math.log(UNLIKE)) ?? null;
}

/** The orders of a series, with what it will be in words. */
export function simulatedSeries(
  kit: Kit,
  chosen: Chosen,
  kind: SeriesKind,
  seed: number,
  sky: SkyOptions,
): Result<{ orders: SeriesOrder[]; words: string }> {
  const made = simulatedOrder(kit, chosen, 'edge', 'jpeg', seed, sky);
  if (!made.ok) return made;
  const base: Base = { order: made.value.order, exif: made.value.exif };
  const body = kit.bodies.find(({ data }) => data.name === base.exif.model)?.data;
  if (kind === 'even')
    return ok({ orders: evenFrames(base, seed), words: 'Two frames of an even surface, two with the cap on; DNG.' });
  if (kind === 'shaken')
    return ok({
      orders: shakenFrames(base, seed),
      words: `${HAND_TIMES_S.length * FRAMES_EACH} frames by hand, from 1/250 to 1/30 s; JPEG.`,
    });
  if (kind === 'bodies') {
    const own = body && sensorOf(body);
    const other = own && otherBody(kit, own);
    if (!other) return fail('simulate.body', 'The kit has no other body with other pixels: add one in a set-up.');
    return ok({
      orders: bodiesPair(base, own, other, seed),
      words: `${own.name} and ${other.name} with the same lens before the same thing; JPEG.`,
    });
  }
  const factor = body?.cropModes.find((mode) => mode.factor !== undefined && mode.factor > 1.3)?.factor ?? 1.5;
  return ok({
    orders: cropPair(base, factor, kind === 'zoom', seed),
    words:
      kind === 'zoom'
        ? `The whole frame, and the camera’s own zoom of ${formatFigures(factor, 3)}; JPEG.`
        : `The whole frame, and a crop mode of ${formatFigures(factor, 3)}; JPEG.`,
  });
}
