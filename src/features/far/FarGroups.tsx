import { View } from 'react-native';
import type { Quantity } from '@/core/quantity/quantity';
import type { FarReading } from '@/core/far/readFar';
import { converterStops } from '@/core/optics/equivalence';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { formatStops } from '@/core/quantity/format';
import type { UnitSystem } from '@/core/quantity/units';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { quantityText, showFNumber } from '@/core/quantity/quantityText';

interface Props {
  system: EffectiveSystem;
  reading: FarReading;
  units: UnitSystem;
  onWhy: (name: string) => void;
  /** Starts with the groups open, where there is room. */
  open?: boolean;
}

/** The three figures that stand directly under the verdict. */
export function KeyFigures({ system, reading, units, onWhy }: Props) {
  return (
    <FigureRow>
      <Figure
        label="Share of frame"
        quantity={reading.shareOfFrame}
        units={units}
        name="shareOfFrame"
        onWhy={onWhy}
        testID="share"
      />
      <Figure
        label="Equivalent"
        quantity={system.equivalentFocalMm}
        beside={showFNumber(system.equivalentFNumber.value)}
        units={units}
        name="equivalentFocalMm"
        onWhy={onWhy}
        testID="equivalent"
      />
      <Figure
        label="Sampling reach"
        quantity={reading.reachPxPerMrad}
        units={units}
        name="reachPxPerMrad"
        onWhy={onWhy}
      />
    </FigureRow>
  );
}

/** The other readings, in groups that open. */
export function FarGroups({ system, reading, units, onWhy, open = false }: Props) {
  const figure = (label: string, key: string, quantity: Quantity | undefined) =>
    quantity ? <Figure key={key} label={label} quantity={quantity} units={units} name={key} onWhy={onWhy} /> : null;
  const light = converterStops(system.cropFactor.value);
  return (
    <View>
      <Group title="Frame" startsOpen={open} brief={`${quantityText(reading.fieldWidthM, units)} wide at the subject`}>
        <FigureRow>
          {figure('Width seen', 'fieldWidthM', reading.fieldWidthM)}
          {figure('Height seen', 'fieldHeightM', reading.fieldHeightM)}
          {figure('Angle, width', 'angleWidthDeg', reading.angleWidthDeg)}
          {figure('Angle, height', 'angleHeightDeg', reading.angleHeightDeg)}
          {figure('Reproduction ratio', 'ratio', reading.ratio)}
          {figure('Megapixels', 'megapixels', reading.megapixels)}
        </FigureRow>
      </Group>
      <Group
        title="Light and equivalents"
        startsOpen={open}
        brief={`crop factor ${quantityText(system.cropFactor, units)}`}
      >
        <FigureRow>
          {figure('Focal length', 'focalMm', system.focalMm)}
          {figure('f-number for the exposure', 'fNumber', system.fNumber)}
          {figure('Equivalent focal length', 'equivalentFocalMm', system.equivalentFocalMm)}
          {figure('Equivalent f-number', 'equivalentFNumber', system.equivalentFNumber)}
          {figure('ISO 100 here is like', 'equivalentIso', system.equivalentIso)}
          {figure('Crop factor', 'cropFactor', system.cropFactor)}
          {figure('Entrance pupil', 'entrancePupilMm', system.entrancePupilMm)}
        </FigureRow>
        <Txt kind="small" tone="soft">
          For the exposure {showFNumber(system.fNumber.value)} stays what it is. For depth, blur and total light it acts
          like {showFNumber(system.equivalentFNumber.value)} on 36 × 24: {formatStops(light)} on the whole picture.
        </Txt>
        <Txt kind="small" tone="soft">
          Autofocus:{' '}
          {{ works: 'works', slow: 'works slowly', off: 'does not work', unknown: 'not known' }[system.autofocus.state]}{' '}
          ({system.autofocus.reason}).
        </Txt>
      </Group>
      <Group
        title="Detail"
        startsOpen={open}
        brief={`${quantityText(reading.resolvedShare, units)} of the pixels resolved`}
      >
        <FigureRow>
          {figure('Resolved share', 'resolvedShare', reading.resolvedShare)}
          {figure('Smallest detail on it', 'smallestDetailMm', reading.smallestDetailMm)}
          {figure('Resolved megapixels', 'resolvedMegapixels', reading.resolvedMegapixels)}
          {figure('Detail limit', 'detailLimitLpPerMm', reading.detailLimitLpPerMm)}
          {figure('Optics, 50 % frequency', 'lens50LpPerMm', system.lens50LpPerMm)}
          {figure('Pixel pitch', 'pitchUm', system.pitchUm)}
          {figure('Pixel scale', 'pixelScaleArcsec', reading.pixelScaleArcsec)}
        </FigureRow>
      </Group>
      {system.weightG || system.price ? (
        <Group title="Carry" {...(system.weightG ? { brief: `${quantityText(system.weightG, units)} in all` } : {})}>
          <FigureRow>
            {figure('Weight', 'weightG', system.weightG)}
            {figure('Price', 'price', system.price)}
          </FigureRow>
        </Group>
      ) : null}
    </View>
  );
}
