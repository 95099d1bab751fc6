import { memo } from 'react';
import { View } from 'react-native';
import { PROJECTIONS, PROJECTION_NAMES, type Projection } from '@/core/sky/projection';
import type { StarsReading } from '@/core/sky/readStars';
import { tradeOff } from '@/core/sky/starExposure';
import { TOLERANCE_NAMES, type ToleranceKind } from '@/core/sky/tolerance';
import { DEEP_OBJECTS } from '@/core/sky/catalogue';
import { formatFigures, formatFixed, formatStops } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { createRow } from '@/data/rowActions';
import { useSky } from '@/data/inHand';
import { Group } from '@/ui/Group';
import { PageLinks } from '@/ui/PageLinks';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { FieldRow } from '@/ui/controls/FieldRow';
import { NumberField } from '@/ui/controls/NumberField';
import { NoiseGroup } from '../desk/NoiseGroup';
import { OwnGroup } from '../desk/OwnGroup';
import { AimKey } from './AimKey';
import { SiteLine } from './SiteLine';
import { lensIdOf, pointingFrom, type LensRecord } from './skyWays';
import { secondsText } from './starWords';
import type { SkyDesk } from './useSkyDesk';

const PAGES = [
  {
    href: '/sky/schools',
    name: 'Schools side by side',
    gloss: 'what each rule really gives, in the centre and in the corner',
  },
  { href: '/sky/series', name: 'Test series', gloss: 'judge your own pictures; your tolerance is learned from it' },
  { href: '/sky/strokes', name: 'Wanted strokes', gloss: 'frames, time, card and battery for an arc' },
] as const;

interface Props {
  desk: Extract<SkyDesk, { status: 'ready' }>;
  reading: StarsReading;
  record: LensRecord;
  open: boolean;
  units: UnitSystem;
  onWhy: (what: string | Quantity) => void;
}

/** Where the camera points, what passes for a point, the lens, the light; and the pages beyond. */
export const StarGroups = memo(function StarGroups({ desk, reading, record, open, units, onWhy }: Props) {
  const sky = useSky();
  const { system, situation } = desk;
  const pointing = pointingFrom(sky);
  const object = DEEP_OBJECTS.find((each) => each.id === sky.targetId);
  const trade = tradeOff(sky.reference, reading.exposureS.value, reading.aperture.value);
  const noteCorners = (px: number) => {
    const opticId = lensIdOf(situation);
    if (opticId)
      createRow('starTests', {
        name: system.lens.name,
        opticId,
        focalMm: system.markedFocalMm,
        frames: [],
        cornerStretchPx: px,
        takenAt: new Date().toISOString(),
      });
  };
  return (
    <View>
      <Group title="Where it points" startsOpen={open} brief={`declination ${formatFixed(pointing.declinationDeg)}°`}>
        <Choice
          label="Pointing given as"
          value={sky.pointBy}
          options={[
            { value: 'declination', name: 'Declination' },
            { value: 'horizon', name: 'Azimuth and altitude' },
            { value: 'object', name: object?.name ?? 'Object' },
          ]}
          onChange={(pointBy) => sky.set({ pointBy })}
        />
        {sky.pointBy === 'declination' ? (
          <FieldRow>
            <NumberField
              label="Declination of the centre"
              value={sky.declinationDeg}
              unit="none"
              shownUnit="°"
              minimum={-90}
              maximum={90}
              onChange={(value) => value !== null && sky.set({ declinationDeg: value })}
              testID="declination-field"
            />
            <NumberField
              label="Frame turned, north to east"
              value={sky.rollDeg}
              unit="none"
              shownUnit="°"
              minimum={-180}
              maximum={360}
              onChange={(value) => value !== null && sky.set({ rollDeg: value })}
            />
          </FieldRow>
        ) : null}
        {sky.pointBy === 'horizon' ? (
          <>
            <SiteLine />
            <AimKey />
            <FieldRow>
              <NumberField
                label="Azimuth, from north by east"
                value={sky.azimuthDeg}
                unit="none"
                shownUnit="°"
                minimum={0}
                maximum={360}
                onChange={(value) => value !== null && sky.set({ azimuthDeg: value })}
              />
              <NumberField
                label="Altitude"
                value={sky.altitudeDeg}
                unit="none"
                shownUnit="°"
                minimum={-10}
                maximum={90}
                onChange={(value) => value !== null && sky.set({ altitudeDeg: value })}
              />
            </FieldRow>
          </>
        ) : null}
        <Txt kind="small" tone="soft">
          {sky.pointBy === 'object'
            ? `${object?.name ?? ''} stands at declination ${formatFixed(pointing.declinationDeg)}°; another object is chosen on the Deep sky desk.`
            : `Declination ${formatFixed(pointing.declinationDeg, 1)}°, the frame turned ${formatFixed(pointing.rollDeg)}°. At the equator of the sky stars run fastest.`}
        </Txt>
      </Group>
      <Group
        title="What passes for a point"
        startsOpen={open}
        brief={`${formatFigures(reading.centreTolerancePx.value, 2)}\u202fpx`}
      >
        <Choice
          label="Judged"
          value={sky.toleranceKind}
          options={(Object.keys(TOLERANCE_NAMES) as ToleranceKind[]).map((value) => ({
            value,
            name: TOLERANCE_NAMES[value],
            ...(value === 'own' && !record.learned ? { gloss: 'not learned yet' } : {}),
          }))}
          onChange={(toleranceKind) => sky.set({ toleranceKind, exposureS: null })}
        />
        {sky.toleranceKind === 'pixels' || (sky.toleranceKind === 'own' && !record.learned) ? (
          <NumberField
            label="A star may run, at 100 %"
            value={sky.tolerancePx}
            unit="none"
            shownUnit="px"
            minimum={0.1}
            maximum={500}
            onChange={(value) => value !== null && sky.set({ tolerancePx: value })}
            testID="tolerance-field"
          />
        ) : null}
        {sky.toleranceKind === 'output' ? (
          <NumberField
            label={`A star may run, of the pixels of “${situation.output.name}”`}
            value={sky.toleranceOutputPx}
            unit="none"
            shownUnit="px"
            minimum={0.1}
            maximum={100}
            onChange={(value) => value !== null && sky.set({ toleranceOutputPx: value })}
          />
        ) : null}
        {sky.toleranceKind === 'eye' ? (
          <NumberField
            label={`A star may run, seen on “${situation.output.name}”`}
            value={sky.toleranceArcmin}
            unit="none"
            shownUnit="arcmin"
            minimum={0.1}
            maximum={100}
            onChange={(value) => value !== null && sky.set({ toleranceArcmin: value })}
          />
        ) : null}
        {sky.toleranceKind === 'own' ? (
          <Txt kind="small" tone="soft" testID="own-tolerance">
            {record.learned
              ? `Learned from ${record.learned.pictures} pictures with ${system.lens.name}: ${formatFigures(record.learned.centrePx, 2)}\u202fpx in the centre, ${formatFigures(record.learned.cornerPx, 2)}\u202fpx in the corners.`
              : `Nothing is learned for ${system.lens.name} yet: take a test series and judge it; until then the pixels above count.`}
          </Txt>
        ) : null}
      </Group>
      <Group title="Lens" brief={PROJECTION_NAMES[sky.projection].toLowerCase()}>
        <Choice
          label="How it draws"
          value={sky.projection}
          options={PROJECTIONS.map((value) => ({ value, name: PROJECTION_NAMES[value] }))}
          onChange={(projection: Projection) => sky.set({ projection })}
        />
        <NumberField
          label="Corner stars drawn out by the lens itself: corners fail before drift"
          value={record.cornerStretchPx}
          unit="none"
          shownUnit="px"
          minimum={0}
          maximum={200}
          onChange={(value) => value !== null && noteCorners(value)}
          testID="stretch-field"
        />
        <Txt kind="small" tone="soft">
          {record.cornerStretchPx > 0
            ? `Noted for ${system.lens.name}: ${formatFigures(reading.cornerTolerancePx.value, 2)}\u202fpx are left for drift in the corners, so the time for the whole frame is shorter.`
            : 'Count them on a short exposure at 100 %; the time for the whole frame shortens by it. Kept with the lens.'}
        </Txt>
      </Group>
      <Group
        title="ISO and stops"
        brief={`ISO ${formatFixed(Number(trade.iso.toPrecision(2)))} at ${secondsText(reading.exposureS.value)}`}
      >
        <FieldRow>
          <NumberField
            label="An exposure that was right"
            value={sky.reference.seconds}
            unit="none"
            shownUnit="s"
            minimum={0.001}
            maximum={3600}
            onChange={(seconds) => seconds !== null && sky.set({ reference: { ...sky.reference, seconds } })}
          />
          <NumberField
            label="at f-number"
            value={sky.reference.fNumber}
            unit="none"
            shownUnit=""
            minimum={0.5}
            maximum={64}
            onChange={(fNumber) => fNumber !== null && sky.set({ reference: { ...sky.reference, fNumber } })}
          />
          <NumberField
            label="at ISO"
            value={sky.reference.iso}
            unit="none"
            shownUnit=""
            minimum={10}
            maximum={1_000_000}
            onChange={(iso) => iso !== null && sky.set({ reference: { ...sky.reference, iso } })}
          />
        </FieldRow>
        <Txt testID="trade-off">
          {`At ${secondsText(reading.exposureS.value)} and ${showFNumber(reading.aperture.value)} the same brightness takes ISO ${formatFixed(Number(trade.iso.toPrecision(2)))}; the sensor gets ${formatStops(trade.lightStops)} of light against it.`}
        </Txt>
        <NumberField
          label={`f-number set; ${showFNumber(system.fNumber.value)} is wide open`}
          value={sky.fNumber}
          unit="none"
          minimum={system.fNumber.value * 0.999}
          maximum={64}
          limits={`from ${showFNumber(system.fNumber.value)} to f/64`}
          optional
          onChange={(fNumber) => sky.set({ fNumber })}
          testID="star-fnumber"
        />
        <NumberField
          label="My ceiling: rather a higher ISO than longer"
          value={sky.ceilingS}
          unit="none"
          shownUnit="s"
          minimum={0.1}
          maximum={3600}
          onChange={(value) => value !== null && sky.set({ ceilingS: value })}
          testID="ceiling-field"
        />
      </Group>
      <NoiseGroup
        system={system}
        output={situation.output}
        others={situation.kit.setups}
        convention={situation.convention}
        lightFNumber={(system.lightFNumber * reading.aperture.value) / system.fNumber.value}
        exposed={{
          iso: trade.iso,
          words: `ISO ${formatFixed(Number(trade.iso.toPrecision(2)))} follows from the exposure chosen, above`,
        }}
        units={units}
        onWhy={onWhy}
      />
      <OwnGroup desk="stars" situation={situation} system={system} units={units} onWhy={onWhy} />
      <PageLinks label="More about stars" pages={PAGES} />
    </View>
  );
});
