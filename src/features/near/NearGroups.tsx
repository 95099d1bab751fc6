import { memo } from 'react';
import { View } from 'react-native';
import { objectiveCircleMm, objectiveSampling } from '@/core/near/objective';
import type { NearReading } from '@/core/near/readNear';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatRatio } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { quantityText, showFNumber, shutterText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { diagonal } from '@/core/sensor/diagonal';
import { usePreferences } from '@/data/preferences';
import type { Situation } from '@/data/situation';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Group } from '@/ui/Group';
import { PageLinks } from '@/ui/PageLinks';
import { Txt } from '@/ui/Txt';
import { NumberField } from '@/ui/controls/NumberField';
import { NoiseGroup } from '../desk/NoiseGroup';
import { OwnGroup } from '../desk/OwnGroup';
import { quantitiesOf } from '../desk/useWhy';
import { useLearnedHandHold, useNearWays } from './NearWays';

const PAGES = [
  {
    href: '/near/sizes',
    name: 'Three sizes',
    gloss: 'on the sensor, in the frame, on the screen; the same on every body',
  },
  { href: '/near/plan', name: 'Plan for a ratio', gloss: 'every combination of the kit that gets there' },
  { href: '/near/aperture', name: 'Which f-number', gloss: 'detail and depth against it, and the best for the output' },
  { href: '/near/stack', name: 'Focus stack', gloss: 'step, frames, time, and a table to read out loud' },
  { href: '/near/sensors', name: 'Sensors compared', gloss: 'same ratio, same field, same picture' },
  { href: '/near/measure', name: 'Measure the ratio', gloss: 'with a ruler; it replaces the estimate' },
] as const;

interface Props {
  system: EffectiveSystem;
  reading: NearReading;
  units: UnitSystem;
  onWhy: (what: string | Quantity) => void;
  open: boolean;
  situation: Situation;
}

/** The other readings close up, in groups that open, and the pages beyond them. */
export const NearGroups = memo(function NearGroups({ system, reading, units, onWhy, open, situation }: Props) {
  const all = quantitiesOf(system, reading);
  const figure = (label: string, name: string) => {
    const quantity = all[name];
    return quantity ? (
      <Figure key={name} label={label} quantity={quantity} units={units} name={name} onWhy={onWhy} />
    ) : null;
  };
  return (
    <View>
      <Group
        title="Depth and f-number"
        startsOpen={open}
        brief={`${quantityText(reading.depthMm, units)} deep at ${showFNumber(reading.setFNumber.value)}`}
      >
        <FigureRow>
          {figure('Depth of one frame', 'depthMm')}
          {figure('Best f-number', 'bestFNumber')}
          {figure('Working f-number', 'workingFNumber')}
          {figure('Circle of confusion', 'cocMm')}
          {figure('Of it by the nature of light', 'waveDepthMm')}
          {figure('Diffraction disc', 'airyPixels')}
        </FigureRow>
        <Txt kind="small" tone="soft">
          {reading.curve.enough
            ? `${showFNumber(reading.curve.best.fNumber)} is the smallest opening that leaves the output its pixels.`
            : `No f-number gives the output its pixels here; ${showFNumber(reading.curve.sharpest.fNumber)} resolves most.`}
        </Txt>
      </Group>
      <Group
        title="Room in front"
        startsOpen={open}
        brief={reading.workingDistanceMm ? `about ${quantityText(reading.workingDistanceMm, units)}` : 'not known'}
      >
        <FigureRow>
          {figure('Working distance', 'workingDistanceMm')}
          {figure('Sensor to subject', 'subjectDistanceM')}
        </FigureRow>
        {reading.workingDistanceMm ? null : (
          <Txt kind="small" tone="soft">
            For an estimate enter the length of the lens and the flange distance of the body in the kit.
          </Txt>
        )}
      </Group>
      <Group title="Light and shutter" brief={`${quantityText(reading.lightLossStops, units)} lost`}>
        <FigureRow>
          {figure('Light lost', 'lightLossStops')}
          {figure('Hand, without flash', 'handHoldS')}
        </FigureRow>
        <Txt kind="small" tone="soft">
          {`The meter sees the loss; a flash set by hand does not: give it ${formatFigures(2 ** reading.lightLossStops.value, 2)} times the light. Without flash ${shutterText(reading.handHoldS.value)} or shorter.`}
        </Txt>
        <HandField units={units} onWhy={onWhy} />
      </Group>
      <NoiseGroup
        system={system}
        output={situation.output}
        others={situation.kit.setups}
        convention={situation.convention}
        lightFNumber={null}
        units={units}
        onWhy={onWhy}
      />
      <OwnGroup
        desk="near"
        situation={situation}
        system={system}
        counted={reading.countedPixels}
        units={units}
        onWhy={onWhy}
      />
      <Group title="Detail" brief={`${quantityText(reading.smallestDetailUm, units)} told apart`}>
        <FigureRow>
          {figure('A pixel on it', 'subjectPixelUm')}
          {figure('Smallest detail', 'smallestDetailUm')}
          {figure('Resolved share', 'resolvedShare')}
          {figure('Resolved pixels', 'resolvedPixels')}
          {figure('Room to crop', 'roomToCrop')}
          {figure('Optics, 50 % frequency', 'lens50LpPerMm')}
        </FigureRow>
        <Objective system={system} reading={reading} />
      </Group>
      <PageLinks label="More about tiny subjects" pages={PAGES} />
    </View>
  );
});

/** Up to which ratio the hand holds: learned, with its reasons; else, or where one prefers it, as entered. */
function HandField({ units, onWhy }: Pick<Props, 'units' | 'onWhy'>) {
  const { handRatio } = useNearWays();
  const few = useLearnedHandHold();
  if (!handRatio?.why.schools) return <EnteredHand />;
  const learned = handRatio.kind === 'measured';
  return (
    <>
      <Figure label="Held by hand up to" quantity={handRatio} units={units} name="handRatio" onWhy={onWhy} />
      <Txt kind="small" testID="hand-hold">
        {learned && handRatio.plusMinus === undefined && few
          ? `You hold by hand up to ${formatRatio(few.ratio)}, learned from ${few.pictures} ${few.pictures === 1 ? 'picture' : 'pictures'} in the Book.`
          : `You hold by hand up to ${formatRatio(handRatio.value)}, ${learned ? 'as your own pictures say' : 'as entered; your own pictures are set aside'}.`}
      </Txt>
      {learned ? null : <EnteredHand />}
    </>
  );
}

function EnteredHand() {
  const handHoldRatio = usePreferences((state) => state.handHoldRatio);
  const prefer = usePreferences((state) => state.prefer);
  return (
    <NumberField
      label="I hold by hand up to a ratio of"
      value={handHoldRatio}
      unit="ratio"
      shownUnit=": 1"
      minimum={0.01}
      maximum={20}
      onChange={(value) => value !== null && prefer({ handHoldRatio: value })}
    />
  );
}

const SAMPLING_WORDS = {
  tooCoarse: 'The pixels are too coarse for all the objective resolves: more ratio would show more.',
  enough: 'The pixels take in all the objective resolves.',
  empty: 'More ratio than the objective has detail for: it only spreads what is there.',
} as const;

/** Whether pixels and objective go together, where there is one. */
function Objective({ system, reading }: { system: EffectiveSystem; reading: NearReading }) {
  const { arrangement } = system;
  const objective =
    arrangement.main.kind === 'objective'
      ? arrangement.main
      : arrangement.front.find((part) => part.kind === 'objective');
  if (!objective || objective.kind !== 'objective') return null;
  const sampling = objectiveSampling(objective.numericalAperture, reading.ratio.value, system.pitchUm.value);
  const circle =
    objective.fieldNumberMm === undefined
      ? null
      : objectiveCircleMm(objective.fieldNumberMm, objective.magnification, reading.ratio.value);
  const frame = diagonal(system.used.widthMm, system.used.heightMm);
  return (
    <Txt kind="small" tone={sampling.verdict === 'enough' ? 'soft' : 'caution'}>
      {`${SAMPLING_WORDS[sampling.verdict]} It tells ${formatFigures(sampling.smallestDetailUm, 2)} µm apart; a pixel is ${formatFigures(sampling.pixelUm, 2)} µm there, ${formatFigures(sampling.enoughUm, 2)} µm or less would do, from ${formatRatio(sampling.usefulRatio)} on.`}
      {circle === null
        ? ''
        : ` Its field fills ${formatFigures(circle, 3)} mm on the sensor: ${circle >= frame ? 'the whole frame' : `dark corners beyond ${formatFigures((circle / frame) * 100, 2)} % of the diagonal`}.`}
    </Txt>
  );
}
