import { focusAt } from '@/core/far/focusAt';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatRatio } from '@/core/quantity/format';
import { fail, ok, type Result } from '@/core/quantity/result';
import type { FileOrder, SimulatedFormat } from '@/core/simulate/fileOrder';
import { blurPx, type Order } from '@/core/simulate/take';
import type { SkyOptions } from '@/data/skyOptions';
import { situationOf, type Chosen, type Kit, type Situation } from '@/data/situation';
import { pointingFrom } from '../sky/skyWays';

/** Pictures are taken at most this wide: as cameras do that save a smaller size. */
const WIDEST_PX = 2800;
/** How wide the planet stands in the sky, ″: the largest near its closest. */
const PLANET_ARCSEC = 44;
/** Electrons a square µm of a pixel holds, customary; at a raised ISO a quarter is used. */
const ELECTRONS_PER_UM2 = 1200;
const RAISED_ISO = 4;
/** Stars are exposed for so long where nothing is set under Stars, s. */
const STAR_EXPOSURE_S = 15;

/** The ratio a scene is drawn at: a ruler as near as it goes, a subject at its distance. */
function ratioFor(scene: Order['scene'], system: EffectiveSystem, situation: Situation): number | null {
  if (scene === 'disc' || scene === 'edge' || scene === 'stars') return 1;
  if (scene === 'ruler') return system.ratioAtClosest?.value ?? null;
  const focus = focusAt(system, situation.distanceM * 1000);
  return focus.ok ? focus.value.ratio : null;
}

/** How a scene will be photographed. */
function sceneWords(scene: Order['scene'], { discMm, ratio, sky }: Order): string {
  if (scene === 'disc') return `${formatFigures(discMm, 3)} mm wide on the sensor`;
  if (scene === 'stars')
    return `${formatFigures(sky.exposureS, 3)} s, declination ${formatFigures(sky.declinationDeg, 3)}°`;
  return scene === 'edge' ? 'an edge, 5 to 11° off straight' : `at ${formatRatio(ratio)}`;
}

/** What the simulated camera is asked for with what is in hand; with what it will be, in words. */
export function simulatedOrder(
  kit: Kit,
  chosen: Chosen,
  scene: Order['scene'],
  format: SimulatedFormat,
  seed: number,
  sky: SkyOptions,
): Result<FileOrder & { words: string }> {
  const situation = situationOf(kit, chosen);
  if (typeof situation === 'string')
    return fail('simulate.missing', 'There is no set-up in hand: bring the demo kit, or make one.');
  const folded = foldSystem(situation.setup, situation.convention);
  if (!folded.ok) return folded;
  const system = folded.value;
  const ratio = ratioFor(scene, system, situation);
  if (ratio === null)
    return fail(
      'simulate.ratio',
      scene === 'ruler'
        ? 'How large this set-up draws at its closest is not known: enter it in the kit, or take another set-up.'
        : 'This set-up forms no picture of the subject from there: step back, or take another set-up.',
    );
  const smaller = Math.max(1, Math.ceil(system.used.columns / WIDEST_PX));
  const pitchUm = system.pitchUm.value * smaller;
  const order: Order = {
    scene,
    columns: Math.round(system.used.columns / smaller),
    rows: Math.round(system.used.rows / smaller),
    pitchUm,
    ratio,
    discMm: (PLANET_ARCSEC * system.focalMm.value) / 206_265,
    fNumber: system.fNumber.value,
    lens50LpPerMm: system.lens50LpPerMm.value,
    defocusMm: 0.004,
    shakeMm: 0.002,
    fullWell: (ELECTRONS_PER_UM2 * pitchUm * pitchUm) / RAISED_ISO,
    sky: {
      exposureS: sky.exposureS ?? STAR_EXPOSURE_S,
      focalMm: system.focalMm.value,
      ...pointingFrom(sky),
    },
    subject: { kind: situation.subject.kind, sizeMm: situation.subject.sizeMm },
    seed,
  };
  if (scene === 'disc' && order.discMm / (pitchUm / 1000) < 12)
    return fail('simulate.small', 'A planet is less than 12 px wide with this set-up: take a longer one.');
  const { body } = situation.setup;
  const lens = system.lens.name;
  return ok({
    order,
    format,
    exif: {
      maker: 'Jauge',
      model: body.name,
      lens,
      focalMm: system.markedFocalMm,
      fNumber: system.fNumber.value,
      exposureS: scene === 'stars' ? order.sky.exposureS : 1 / 250,
      iso: 100 * RAISED_ISO,
    },
    words: `${situation.setupRow.data.name}: ${order.columns} × ${order.rows} px${smaller > 1 ? `, saved ${smaller} times smaller` : ''}; ${sceneWords(scene, order)}; blurred by ${formatFigures(blurPx(order), 2)} px.`,
  });
}
