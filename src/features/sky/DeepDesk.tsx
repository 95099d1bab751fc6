import { ScrollView, View, useWindowDimensions } from 'react-native';
import { foldSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { DEEP_KIND_NAMES, DEEP_OBJECTS, type DeepObject } from '@/core/sky/catalogue';
import { ofDate } from '@/core/sky/ephemeris';
import { SEEING_WORDS, bestRollDeg, planMosaic } from '@/core/sky/mosaic';
import { bestWindow } from '@/core/sky/night';
import { readDeep } from '@/core/sky/readDeep';
import { clock } from '@/data/localTime';
import { usePreferences } from '@/data/preferences';
import { useSky } from '@/data/inHand';
import { Figure } from '@/ui/Figure';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { FieldRow } from '@/ui/controls/FieldRow';
import { NumberField } from '@/ui/controls/NumberField';
import { MosaicDrawing } from '@/ui/finder/MosaicDrawing';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { SiteLine } from './SiteLine';
import { SkyDeskGate } from './SkyDeskGate';
import { useNight } from './useNight';
import type { SkyDesk } from './useSkyDesk';
import { quantitiesOf, useWhy } from '../desk/useWhy';

type Ready = Extract<SkyDesk, { status: 'ready' }>;

/** Deep sky: does it fit, in how many frames, how fine, how long without guiding. */
export default function DeepDesk() {
  return <SkyDeskGate here="/sky/deep">{(desk) => <Deep desk={desk} />}</SkyDeskGate>;
}

const degreesText = (degrees: number): string =>
  degrees >= 1 ? `${formatFigures(degrees, 3)}°` : `${formatFigures(degrees * 60, 3)}′`;
const titleOf = (object: DeepObject): string => `${object.name}, ${DEEP_KIND_NAMES[object.kind]}`;

function Deep({ desk }: { desk: Ready }) {
  const styles = useStyles();
  const { width, height } = useWindowDimensions();
  const units = usePreferences((state) => state.units);
  const { ask: setAsked, sheetFor } = useWhy();
  const wide = width >= WIDE_FROM;
  const sky = useSky();
  const { system } = desk;
  const object = DEEP_OBJECTS.find((each) => each.id === sky.targetId) ?? DEEP_OBJECTS[0]!;
  const reading = readDeep({
    system,
    object,
    rollDeg: sky.frameRollDeg,
    overlap: sky.overlap,
    seeingArcsec: sky.seeingArcsec,
    tolerancePx: sky.tolerancePx,
    mountArcsecPerMin: sky.mountArcsecPerMin,
  });
  const { plan, stand } = reading;
  const field = { widthDeg: reading.fieldWidthDeg.value, heightDeg: reading.fieldHeightDeg.value };
  const best = bestRollDeg(object, field, sky.overlap);
  const bestPlan = planMosaic(object, field, best, sky.overlap);
  const night = useNight();
  const window = night
    ? bestWindow(ofDate(object.raHours, object.declinationDeg, night.midnightMs), night.site, night.night)
    : null;

  const sheet = sheetFor(quantitiesOf(reading));
  const list = <ObjectList targetId={object.id} onChoose={(targetId) => sky.set({ targetId })} />;
  const block = (
    <View style={styles.block}>
      <MosaicDrawing
        lengthDeg={object.lengthArcmin / 60}
        widthDeg={object.widthArcmin / 60}
        turnDeg={(object.positionAngleDeg ?? 0) - sky.frameRollDeg}
        fieldWidthDeg={field.widthDeg}
        fieldHeightDeg={field.heightDeg}
        centres={plan.centres}
        northDeg={sky.frameRollDeg}
        maxHeight={height * (wide ? 0.46 : 0.32)}
        description={`${titleOf(object)}: ${formatFigures(object.lengthArcmin, 3)} by ${formatFigures(object.widthArcmin, 3)} arcminutes against a field of ${degreesText(field.widthDeg)} by ${degreesText(field.heightDeg)}, in ${plan.panels} ${plan.panels === 1 ? 'frame' : 'frames'}.`}
      />
      <Txt kind="title" level={1} testID="deep-fit">
        {plan.panels === 1
          ? `${object.name} fits: it fills ${formatFixed(plan.fill * 100)}\u202f% of the frame`
          : `${object.name} needs ${plan.panels} frames, ${plan.columns} × ${plan.rows}`}
      </Txt>
      <Txt tone="soft">
        {`${DEEP_KIND_NAMES[object.kind]}, ${formatFigures(object.lengthArcmin, 3)} × ${formatFigures(object.widthArcmin, 3)} arcmin${plan.panels > 1 ? `; all frames together take in ${degreesText(plan.totalWidthDeg)} × ${degreesText(plan.totalHeightDeg)}` : ''}. Catalogue size, good to some ten per cent.`}
      </Txt>
      <View style={styles.row}>
        <Figure
          label="Field"
          quantity={reading.fieldWidthDeg}
          beside={`× ${degreesText(reading.fieldHeightDeg.value)}`}
          units={units}
          name="fieldWidthDeg"
          onWhy={setAsked}
          testID="deep-field"
        />
        <Figure label="It fills" quantity={reading.fillPercent} units={units} name="fillPercent" onWhy={setAsked} />
        <Figure label="Its length" quantity={reading.lengthPx} units={units} name="lengthPx" onWhy={setAsked} />
        <Figure
          label="A pixel"
          quantity={reading.pixelScaleArcsec}
          units={units}
          name="pixelScaleArcsec"
          onWhy={setAsked}
        />
        <Figure
          label="Against the seeing"
          quantity={reading.pixelToSeeing}
          units={units}
          name="pixelToSeeing"
          onWhy={setAsked}
        />
        <Figure
          label="On a tripod"
          quantity={reading.tripodS}
          units={units}
          name="tripodS"
          onWhy={setAsked}
          testID="tripod"
        />
        <Figure
          label="Mount, unguided"
          quantity={reading.unguidedS}
          units={units}
          name="unguidedS"
          onWhy={setAsked}
          testID="unguided"
        />
      </View>
      {bestPlan.panels < plan.panels || (bestPlan.panels === plan.panels && bestPlan.fill < plan.fill * 0.9) ? (
        <Key
          title={`Turn the frame to ${best}°: ${bestPlan.panels < plan.panels ? (bestPlan.panels === 1 ? 'one frame' : `${bestPlan.panels} frames`) : `fills ${formatFixed(bestPlan.fill * 100)}\u202f%`}`}
          icon="rotate-right"
          onPress={() => sky.set({ frameRollDeg: best })}
        />
      ) : null}
      <FieldRow>
        <NumberField
          label="Frame turned, north to east"
          value={sky.frameRollDeg}
          unit="none"
          shownUnit="°"
          minimum={-180}
          maximum={360}
          onChange={(value) => value !== null && sky.set({ frameRollDeg: value })}
          testID="roll-field"
        />
        <NumberField
          label="Overlap of frames"
          value={Math.round(sky.overlap * 100)}
          unit="none"
          shownUnit="%"
          minimum={0}
          maximum={80}
          onChange={(value) => value !== null && sky.set({ overlap: value / 100 })}
          testID="overlap-field"
        />
      </FieldRow>
      <Txt kind="title" tone={stand === 'right' ? 'press' : 'caution'} level={2} testID="seeing">
        {`${{ fine: '▲', right: '●', coarse: '▽' }[stand]} ${formatFigures(reading.pixelScaleArcsec.value, 3)}″ a pixel: ${SEEING_WORDS[stand]}`}
      </Txt>
      <FieldRow>
        <NumberField
          label="Seeing, width of a star"
          value={sky.seeingArcsec}
          unit="none"
          shownUnit="″"
          minimum={0.3}
          maximum={20}
          onChange={(value) => value !== null && sky.set({ seeingArcsec: value })}
          testID="seeing-field"
        />
        <NumberField
          label="A star may run"
          value={sky.tolerancePx}
          unit="none"
          shownUnit="px"
          minimum={0.1}
          maximum={500}
          onChange={(value) => value !== null && sky.set({ tolerancePx: value })}
        />
        <NumberField
          label="Mount’s error, unguided"
          value={sky.mountArcsecPerMin}
          unit="none"
          shownUnit="″/min"
          minimum={0.01}
          maximum={1000}
          onChange={(value) => value !== null && sky.set({ mountArcsecPerMin: value })}
        />
      </FieldRow>
      {night ? (
        <Txt testID="deep-window">
          {window
            ? `Best tonight from ${clock(window.fromMs, night.site.zone)} to ${clock(window.toMs, night.site.zone)} at ${night.site.name}, up to ${formatFixed(window.highestDeg)}° high${window.moonDisturbs ? `; the Moon, ${formatFixed(window.moonFromDeg)}° away, brightens the sky` : ''}.`
            : `It does not stand above 30° in the dark that night at ${night.site.name}.`}
        </Txt>
      ) : (
        <SiteLine />
      )}
      <OtherSetups desk={desk} object={object} />
    </View>
  );
  return wide ? (
    <View style={styles.columns}>
      <ScrollView style={styles.main} contentContainerStyle={styles.content}>
        {block}
      </ScrollView>
      <ScrollView style={styles.side} contentContainerStyle={styles.content}>
        {list}
      </ScrollView>
      {sheet}
    </View>
  ) : (
    <ScrollView contentContainerStyle={styles.content}>
      {block}
      {list}
      {sheet}
    </ScrollView>
  );
}

/** The other set-ups on the same object. */
function OtherSetups({ desk, object }: { desk: Ready; object: DeepObject }) {
  const sky = useSky();
  const { situation } = desk;
  const rows = [{ name: situation.setupRow.data.name, setup: situation.setup }, ...situation.kit.setups].flatMap(
    ({ name, setup }) => {
      const folded = foldSystem(setup, situation.convention);
      if (!folded.ok || folded.value.optics.state.far.ratio > 0) return [];
      const reading = readDeep({
        system: folded.value,
        object,
        rollDeg: sky.frameRollDeg,
        overlap: sky.overlap,
        seeingArcsec: sky.seeingArcsec,
        tolerancePx: sky.tolerancePx,
        mountArcsecPerMin: sky.mountArcsecPerMin,
      });
      const { panels } = reading.plan;
      return [
        {
          key: name,
          cells: [
            name,
            panels === 1 ? 'fits' : formatFixed(panels),
            `${formatFixed(reading.fillPercent.value)}\u202f%`,
            `${formatFigures(reading.pixelScaleArcsec.value, 2)}″`,
            { fine: 'too fine', right: 'right', coarse: 'coarse' }[reading.stand],
          ],
          strong: name === situation.setupRow.data.name,
        },
      ];
    },
  );
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="title" level={2}>
        With the other set-ups
      </Txt>
      <Table label="Other set-ups" heads={['Set-up', 'Frames', 'Fills', 'A pixel', 'For the air']} rows={rows} />
    </View>
  );
}

function ObjectList({ targetId, onChoose }: { targetId: string; onChoose: (id: string) => void }) {
  const styles = useStyles();
  return (
    <View style={styles.block}>
      <Choice
        label="Objects, by catalogue number"
        value={targetId}
        options={DEEP_OBJECTS.map((each) => ({
          value: each.id,
          name: each.name,
          gloss: `${DEEP_KIND_NAMES[each.kind]}, ${formatFigures(each.lengthArcmin, 2)} arcmin`,
        }))}
        onChange={onChoose}
      />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  columns: { flex: 1, flexDirection: 'row' },
  main: { flex: 1 },
  side: { width: 400, flexGrow: 0, borderLeftWidth: 1, borderColor: palette.hairline },
  content: { padding: space.page, gap: space.page, maxWidth: 860, width: '100%', marginHorizontal: 'auto' },
  block: { gap: space.medium },
  row: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.page, rowGap: space.small },
}));
