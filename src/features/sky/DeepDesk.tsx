import { ScrollView, View, useWindowDimensions } from 'react-native';
import { angleOfViewDeg } from '@/core/optics/angleOfView';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { skyCamera } from '@/core/sky/camera';
import { DEEP_KIND_NAMES, DEEP_OBJECTS, type DeepObject } from '@/core/sky/catalogue';
import { ofDate } from '@/core/sky/ephemeris';
import { longestTimeS } from '@/core/sky/longestTime';
import { SEEING_WORDS, bestRollDeg, planMosaic, seeingStand, unguidedS } from '@/core/sky/mosaic';
import { bestWindow } from '@/core/sky/night';
import { starGrid, worstPoint } from '@/core/sky/worstPoint';
import { clock } from '@/data/localTime';
import { useSky } from '@/data/sky';
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
import { secondsText } from './starWords';
import { useNight } from './useNight';
import type { SkyDesk } from './useSkyDesk';

type Ready = Extract<SkyDesk, { status: 'ready' }>;

/** Deep sky: does it fit, in how many frames, how fine, how long without guiding. */
export default function DeepDesk() {
  return <SkyDeskGate here="/sky/deep">{(desk) => <Deep desk={desk} />}</SkyDeskGate>;
}

const degreesText = (degrees: number): string => (degrees >= 1 ? `${formatFigures(degrees, 3)}°` : `${formatFigures(degrees * 60, 3)}′`);
const titleOf = (object: DeepObject): string => `${object.name}, ${DEEP_KIND_NAMES[object.kind]}`;

function Deep({ desk }: { desk: Ready }) {
  const styles = useStyles();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const sky = useSky();
  const { system } = desk;
  const object = DEEP_OBJECTS.find((each) => each.id === sky.targetId) ?? DEEP_OBJECTS[0]!;
  const { used } = system;
  const focalMm = system.focalMm.value;
  const field = { widthDeg: angleOfViewDeg(used.widthMm, focalMm), heightDeg: angleOfViewDeg(used.heightMm, focalMm) };
  const plan = planMosaic(object, field, sky.frameRollDeg, sky.overlap);
  const best = bestRollDeg(object, field, sky.overlap);
  const bestPlan = planMosaic(object, field, best, sky.overlap);
  const pixelArcsec = (206.265 * system.pitchUm.value) / focalMm;
  const stand = seeingStand(pixelArcsec, sky.seeingArcsec);
  const grid = starGrid(skyCamera('rectilinear', focalMm, { declinationDeg: object.declinationDeg, rollDeg: sky.frameRollDeg }), used.widthMm, used.heightMm);
  const still = longestTimeS((seconds) => worstPoint(grid, seconds).mm * (1000 / system.pitchUm.value), sky.tolerancePx);
  const following = unguidedS(sky.tolerancePx, pixelArcsec, sky.mountArcsecPerMin);
  const night = useNight();
  const window = night ? bestWindow(ofDate(object.raHours, object.declinationDeg, night.midnightMs), night.site, night.night) : null;
  const px = (arcmin: number) => formatFixed((arcmin * 60) / pixelArcsec);

  const list = <ObjectList targetId={object.id} onChoose={(targetId) => sky.set({ targetId })} />;
  const reading = (
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
        {plan.panels === 1 ? `${object.name} fits: it fills ${formatFixed(plan.fill * 100)}\u202f% of the frame` : `${object.name} needs ${plan.panels} frames, ${plan.columns} × ${plan.rows}`}
      </Txt>
      <Txt tone="soft">
        {`${DEEP_KIND_NAMES[object.kind]}, ${formatFigures(object.lengthArcmin, 3)} × ${formatFigures(object.widthArcmin, 3)} arcmin, ${px(object.lengthArcmin)} × ${px(object.widthArcmin)}\u202fpx; the frame takes in ${degreesText(field.widthDeg)} × ${degreesText(field.heightDeg)}${plan.panels > 1 ? `, all together ${degreesText(plan.totalWidthDeg)} × ${degreesText(plan.totalHeightDeg)}` : ''}. Catalogue size, good to some ten per cent.`}
      </Txt>
      {bestPlan.panels < plan.panels || (bestPlan.panels === plan.panels && bestPlan.fill < plan.fill * 0.9) ? (
        <Key title={`Turn the frame to ${best}°: ${bestPlan.panels < plan.panels ? (bestPlan.panels === 1 ? 'one frame' : `${bestPlan.panels} frames`) : `fills ${formatFixed(bestPlan.fill * 100)}\u202f%`}`} icon="rotate-right" onPress={() => sky.set({ frameRollDeg: best })} />
      ) : null}
      <FieldRow>
        <NumberField label="Frame turned, north to east" value={sky.frameRollDeg} unit="none" shownUnit="°" minimum={-180} maximum={360} onChange={(value) => value !== null && sky.set({ frameRollDeg: value })} testID="roll-field" />
        <NumberField label="Overlap of frames" value={Math.round(sky.overlap * 100)} unit="none" shownUnit="%" minimum={0} maximum={80} onChange={(value) => value !== null && sky.set({ overlap: value / 100 })} testID="overlap-field" />
      </FieldRow>
      <Txt kind="title" tone={stand === 'right' ? 'press' : 'caution'} level={2} testID="seeing">
        {`${{ fine: '▲', right: '●', coarse: '▽' }[stand]} ${formatFigures(pixelArcsec, 3)}″ a pixel: ${SEEING_WORDS[stand]}`}
      </Txt>
      <FieldRow>
        <NumberField label="Seeing, width of a star" value={sky.seeingArcsec} unit="none" shownUnit="″" minimum={0.3} maximum={20} onChange={(value) => value !== null && sky.set({ seeingArcsec: value })} testID="seeing-field" />
        <NumberField label="A star may run" value={sky.tolerancePx} unit="none" shownUnit="px" minimum={0.1} maximum={500} onChange={(value) => value !== null && sky.set({ tolerancePx: value })} />
        <NumberField label="Mount’s error, unguided" value={sky.mountArcsecPerMin} unit="none" shownUnit="″/min" minimum={0.01} maximum={1000} onChange={(value) => value !== null && sky.set({ mountArcsecPerMin: value })} />
      </FieldRow>
      <Txt testID="unguided">
        {`Without guiding: on a tripod ${secondsText(still)} at the worst point of the frame; on a mount that follows ${secondsText(Math.min(3600, following))}, an estimate from its error.`}
      </Txt>
      {night ? (
        <Txt testID="deep-window">
          {window
            ? `Best tonight from ${clock(window.fromMs, night.site.zone)} to ${clock(window.toMs, night.site.zone)} at ${night.site.name}, up to ${formatFixed(window.highestDeg)}° high${window.moonDisturbs ? `; the Moon, ${formatFixed(window.moonFromDeg)}° away, brightens the sky` : ''}.`
            : `It does not stand above 30° in the dark that night at ${night.site.name}.`}
        </Txt>
      ) : (
        <SiteLine />
      )}
    </View>
  );
  return wide ? (
    <View style={styles.columns}>
      <ScrollView style={styles.main} contentContainerStyle={styles.content}>
        {reading}
      </ScrollView>
      <ScrollView style={styles.side} contentContainerStyle={styles.content}>
        {list}
      </ScrollView>
    </View>
  ) : (
    <ScrollView contentContainerStyle={styles.content}>
      {reading}
      {list}
    </ScrollView>
  );
}

function ObjectList({ targetId, onChoose }: { targetId: string; onChoose: (id: string) => void }) {
  const styles = useStyles();
  return (
    <View style={styles.block}>
      <Choice label="Objects, by catalogue number" value={targetId} options={DEEP_OBJECTS.map((each) => ({ value: each.id, name: each.name, gloss: `${DEEP_KIND_NAMES[each.kind]}, ${formatFigures(each.lengthArcmin, 2)} arcmin` }))} onChange={onChoose} />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  columns: { flex: 1, flexDirection: 'row' },
  main: { flex: 1 },
  side: { width: 400, flexGrow: 0, borderLeftWidth: 1, borderColor: palette.hairline },
  content: { padding: space.page, gap: space.page, maxWidth: 860, width: '100%', marginHorizontal: 'auto' },
  block: { gap: space.medium },
}));
