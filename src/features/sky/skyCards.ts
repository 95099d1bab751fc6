import { noteWords, quantityText, showError } from '@/core/quantity/quantityText';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { STAND_WORDS, type PlanetReading } from '@/core/sky/planet';
import type { DeepObject } from '@/core/sky/catalogue';
import { SEEING_WORDS } from '@/core/sky/mosaic';
import type { DeepReading } from '@/core/sky/readDeep';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures } from '@/core/quantity/format';
import type { CardContent } from '@/ui/take/pictureCard';
import { DEEP_FIGURES, SEEING_MARKS, fitText, titleOf } from './deep/deepWords';
import { PLANET_FIGURES, STAND_MARKS } from './planetWords';

interface Desk {
  situation: { setup: { chain: readonly { part: { name: string } }[] } };
  system: Pick<EffectiveSystem, 'body'>;
}

/** The gear in words: body and chain. */
const gearOf = ({ situation: { setup }, system }: Desk): string =>
  [system.body.name, ...setup.chain.map(({ part }) => part.name)].join(' + ');

const rowsOf = <N extends string>(
  figures: readonly { name: N; label: string }[],
  reading: Record<N, Quantity>,
  units: UnitSystem,
): CardContent['rows'] =>
  figures.map(({ name, label }) => {
    const quantity = reading[name];
    return {
      name: label,
      values: [
        [noteWords(quantity), quantityText(quantity, units), showError(quantity, units)].filter(Boolean).join(' '),
      ],
    };
  });

/** A planet's reading as one picture. */
export const planetCard = (desk: Desk, planet: string, reading: PlanetReading, units: UnitSystem): CardContent => ({
  title: `${planet}, ${quantityText(reading.discPx, units)} across`,
  lines: [gearOf(desk)],
  judgement: `${STAND_MARKS[reading.stand]} Sampling ${STAND_WORDS[reading.stand]}`,
  rows: rowsOf(PLANET_FIGURES, reading, units),
});

/** A deep object's reading as one picture. */
export const deepCard = (desk: Desk, object: DeepObject, reading: DeepReading, units: UnitSystem): CardContent => ({
  title: fitText(object, reading.plan),
  lines: [titleOf(object), gearOf(desk)],
  judgement: `${SEEING_MARKS[reading.stand]} ${formatFigures(reading.pixelScaleArcsec.value, 3)}″ a pixel: ${SEEING_WORDS[reading.stand]}`,
  rows: rowsOf(DEEP_FIGURES, reading, units),
});
