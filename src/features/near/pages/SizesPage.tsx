import { View, useWindowDimensions } from 'react-native';
import { readNear } from '@/core/near/readNear';
import { WHOLE_SENSOR_ID } from '@/core/kit/body';
import { foldSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatFixed, formatRatio } from '@/core/quantity/format';
import { quantityText, showSubjectMm, shownText } from '@/core/quantity/quantityText';
import { usePreferences } from '@/data/preferences';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { NumberField } from '@/ui/controls/NumberField';
import { FramesInRow } from '@/ui/finder/FramesInRow';
import { ThreeSizesDrawing } from '@/ui/finder/ThreeSizesDrawing';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { TakeDrawing } from '@/ui/take/TakeDrawing';
import { NearPage, type NearPageParts } from './NearPage';

/** The three sizes people mix up, drawn at one scale, and the same subject on every body of the kit. */
export default function SizesPage() {
  return <NearPage title="Three sizes">{(parts) => <Sizes {...parts} />}</NearPage>;
}

function Sizes({ situation, system, reading, kit, ways }: NearPageParts) {
  const units = usePreferences((state) => state.units);
  const prefer = usePreferences((state) => state.prefer);
  const { width } = useWindowDimensions();
  if (!reading) return null;
  const { subject } = situation;
  const ratio = reading.ratio.value;
  const onSensor = ratio * subject.sizeMm;
  const onScreen = reading.screenMagnification.value * subject.sizeMm;
  const length = (mm: number) => shownText(showSubjectMm(mm, units, 3));
  const drawn = Math.min(width - 2 * space.page - (width >= WIDE_FROM ? 84 : 0), 828);
  // The same optics at the same ratio on every body: only the frame and the pixels change.
  const bodies = kit.bodies
    .filter((row) => !row.data.retired)
    .flatMap((row) => {
      const folded = foldSystem({ ...situation.setup, body: row.data, modeId: WHOLE_SENSOR_ID }, situation.convention);
      const own = folded.ok
        ? readNear({
            ...situation,
            ...ways,
            system: { ...folded.value, optics: system.optics },
            ratio,
            fNumber: situation.nearFNumber,
          })
        : null;
      return own?.ok ? [{ row, reading: own.value }] : [];
    });
  const alike = bodies.filter(
    (each) => Math.abs(each.reading.pixelsOnSubject.value / reading.pixelsOnSubject.value - 1) < 0.03,
  ).length;
  return (
    <>
      <TakeDrawing title={`${subject.name} in three sizes`}>
        <ThreeSizesDrawing
          kind={subject.kind}
          subjectMm={subject.sizeMm}
          onSensorMm={onSensor}
          onScreenMm={onScreen}
          frameWidthMm={system.used.widthMm}
          frameHeightMm={system.used.heightMm}
          width={drawn}
          texts={[
            `real, ${length(subject.sizeMm)}`,
            `on the sensor, ${length(onSensor)}`,
            `on the screen, ${length(onScreen)}`,
          ]}
          description={`${subject.name} at one scale: ${length(subject.sizeMm)} in reality, ${length(onSensor)} on the sensor of ${formatFigures(system.used.widthMm)} mm, ${length(onScreen)} on a screen ${formatFigures(ways.screenWidthMm)} mm wide.`}
        />
      </TakeDrawing>
      <View style={{ gap: space.medium }}>
        <Size
          name="Reproduction ratio"
          value={formatRatio(ratio)}
          words={`Size on the sensor ÷ real size. It belongs to the optics and is the same on every body.`}
        />
        <Size
          name="Framed magnification"
          value={`${formatFigures(reading.framedMagnification.value, 3)}\u202f×`}
          words={`Ratio × crop factor ${formatFigures(system.cropFactor.value, 3)}: how tightly it is framed. A smaller sensor shows a smaller piece; nothing is drawn larger.`}
        />
        <Size
          name="On the screen"
          value={`${formatFigures(reading.screenMagnification.value, 3)}\u202f×`}
          words={`The screen enlarges the sensor’s picture, a small sensor’s more.${reading.cameraScreenMagnification ? ` On the camera’s own screen ${formatFigures(reading.cameraScreenMagnification.value, 2)}\u202f×.` : ''} The pixels stay: ${quantityText(reading.pixelsOnSubject, units)}.`}
        />
      </View>
      <NumberField
        label="Width of the screen or print"
        value={ways.screenWidthMm}
        unit="mm"
        shownUnit="mm"
        minimum={10}
        maximum={20_000}
        onChange={(value) => value !== null && prefer({ screenWidthMm: value })}
      />
      <Txt kind="title" level={2}>
        {`The same ${formatRatio(ratio)} on every body`}
      </Txt>
      <TakeDrawing title={`${subject.name} at ${formatRatio(ratio)} on every body`}>
        <FramesInRow
          kind={subject.kind}
          onSensorMm={onSensor}
          width={drawn}
          frames={bodies.map(({ row, reading: own }) => ({
            key: row.id,
            widthMm: row.data.sensor.widthMm,
            heightMm: row.data.sensor.heightMm,
            texts: [row.data.name, quantityText(own.pixelsOnSubject, units)],
          }))}
          description={`The sensors of ${bodies.map(({ row }) => row.data.name).join(', ')} at one scale, with the same picture of ${subject.name}, ${length(onSensor)}, on each.`}
        />
      </TakeDrawing>
      <Table
        label="The same subject on every body"
        heads={['Body', 'Pixels on it', 'Field', 'Framed', 'On screen']}
        rows={bodies.map(({ row, reading: own }) => ({
          key: row.id,
          strong: row.id === situation.setupRow.data.bodyId,
          cells: [
            row.data.name,
            formatFixed(own.pixelsOnSubject.value),
            length(own.fieldWidthMm.value),
            `${formatFigures(own.framedMagnification.value, 2)}\u202f×`,
            `${formatFigures(own.screenMagnification.value, 2)}\u202f×`,
          ],
        }))}
      />
      <Txt kind="small" tone="soft">
        {`The same millimetres fall on every sensor. Pixels differ only with the pixel pitch${alike > 1 ? `: ${alike} bodies here have nearly the same number on it, whatever their screens suggest` : ''}. Bodies of another mount take the same optics only through an adapter.`}
      </Txt>
    </>
  );
}

function Size({ name, value, words }: { name: string; value: string; words: string }) {
  return (
    <View>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline' }}>
        <Txt kind="strong">{name}</Txt>
        <Txt kind="figure">{value}</Txt>
      </View>
      <Txt kind="small" tone="soft">
        {words}
      </Txt>
    </View>
  );
}
