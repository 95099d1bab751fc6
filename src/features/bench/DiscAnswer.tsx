import { useState } from 'react';
import { View } from 'react-native';
import type { DiscFound } from '@/core/measure/disc/findDisc';
import { discMeans } from '@/core/measure/means/discMeans';
import { formatFigures } from '@/core/quantity/format';
import { given, type Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { FigureList, type NamedFigure } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { Told } from './Told';
import { WidthInSky } from './WidthInSky';
import type { TakenWith } from './useTakenWith';

const WHAT = [
  { value: 'sky', name: 'Of the sky', gloss: 'how wide it stood' },
  { value: 'thing', name: 'A thing', gloss: 'how wide it is' },
] as const;

interface Props {
  found: DiscFound;
  /** When the picture was taken, where it says so. */
  takenAt: string | undefined;
  taken: TakenWith;
  units: UnitSystem;
  ask: (quantity: Quantity) => void;
}

/** What a disc measures, and what that means: the focal length and Barlow at work, or the ratio. */
export function DiscAnswer({ found, takenAt, taken, units, ask }: Props) {
  const [what, setWhat] = useState<'sky' | 'thing'>('sky');
  const [arcsec, setArcsec] = useState<Quantity | null>(null);
  const [sizeMm, setSize] = useState<number | null>(null);
  const means = discMeans({
    found,
    pitchUm: taken.pitchUm,
    system: taken.system,
    arcsec: what === 'sky' ? arcsec : null,
    sizeMm: what === 'thing' && sizeMm !== null ? given(sizeMm, 'mm', 'Real width') : null,
  });
  const flattened = found.polarDiameterPx < found.equatorialDiameterPx;
  const figures: NamedFigure[] = [
    { name: 'Pixel scale', quantity: means.pixelScaleArcsec },
    { name: 'Focal length at work', quantity: means.effectiveFocalMm },
    { name: 'The chain enlarges', quantity: means.barlowFactor },
    { name: 'Expected', quantity: means.predictedPx },
    { name: 'Measured against expected', quantity: means.offPercent },
    { name: 'Ratio', quantity: means.ratio },
  ];
  return (
    <View style={{ gap: space.page }}>
      <Told
        label={flattened ? 'Diameter, the longer' : 'Diameter'}
        quantity={means.diameterPx}
        onWhy={() => ask(means.diameterPx)}
        units={units}
        sentence={[
          flattened
            ? `${formatFigures(found.polarDiameterPx, 4)} px the shorter way: flattened to ${formatFigures(found.polarDiameterPx / found.equatorialDiameterPx, 3)}.`
            : '',
          found.phase ? 'Not fully lit: a circle through the bright part of its limb.' : '',
          found.clipped ? 'Part of it is as bright as the file goes: expose less.' : '',
          `The limb is blurred by ${formatFigures(found.blurPx, 2)} px.`,
          `${found.evidence.agreeing} of ${found.evidence.samples} places along it fall like a limb; chance would do so less than once in a million pictures.`,
        ]
          .filter(Boolean)
          .join(' ')}
      />
      <FigureList figures={figures} units={units} ask={ask} />
      <Choice label="What is it?" options={WHAT} value={what} onChange={setWhat} />
      {what === 'sky' ? (
        <>
          <WidthInSky takenAt={takenAt} onChange={setArcsec} />
          <Txt kind="small" tone="caution">
            Never point anything at the Sun without a certified filter in front.
          </Txt>
        </>
      ) : (
        <NumberField
          label="How wide it is"
          value={sizeMm}
          unit="mm"
          shownUnit="mm"
          minimum={0.001}
          maximum={1e5}
          optional
          onChange={setSize}
        />
      )}
    </View>
  );
}
