import { useMemo } from 'react';
import { Pressable, ScrollView, View, useWindowDimensions } from 'react-native';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { camerasCompared, type Recording as RecordingOrder } from '@/core/sky/cameras';
import { USUAL_DISC_ARCSEC, discOnSensor, type DiscOnSensor } from '@/core/sky/discOnSensor';
import { sunBlock } from '@/core/sky/sunGuard';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { showFNumber } from '@/core/quantity/quantityText';
import { planCapture, rateOf, type CaptureInput, type CapturePlan } from '@/core/sky/capture';
import { captureQuantities, type CaptureQuantities } from '@/core/sky/captureQuantities';
import { discsOf, planetOn } from '@/core/sky/ephemeris';
import { bestWindow } from '@/core/sky/night';
import {
  PLANETS,
  PLANET_NAMES,
  STAND_WORDS,
  discPx,
  readPlanet,
  widthInDiscs,
  type PlanetName,
} from '@/core/sky/planet';
import { usePreferences } from '@/data/preferences';
import { clock } from '@/data/localTime';
import { useSky } from '@/data/inHand';
import type { SkyOptions } from '@/data/skyOptions';
import { Figure } from '@/ui/Figure';
import { Group } from '@/ui/Group';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { FieldRow } from '@/ui/controls/FieldRow';
import { NumberField } from '@/ui/controls/NumberField';
import { PlanetDrawing } from '@/ui/finder/PlanetDrawing';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { BarlowList } from './BarlowList';
import { SiteLine } from './SiteLine';
import { SkyDeskGate } from './SkyDeskGate';
import { NEAR_SUN_DEG, SUN_WARNING } from '@/core/sky/sunWarning';
import { LIMIT_WORDS, bytesText } from './planetWords';
import { secondsText } from './starWords';
import { useNight } from './useNight';
import type { SkyDesk } from './useSkyDesk';
import { quantitiesOf, useWhy } from '../desk/useWhy';

type Ready = Extract<SkyDesk, { status: 'ready' }>;

/** What is recorded, as it is set; what depends on the body comes with it. */
const recordingOf = (
  { margin, exposureMs, linkMbPerS, bits, cardGb }: SkyOptions,
  durationS: number,
): RecordingOrder => ({ margin, exposureS: exposureMs / 1000, linkMbPerS, durationS, bits, cardGb });

/** Planets: disc, sampling, Barlow, recording. */
export default function PlanetsDesk() {
  return <SkyDeskGate here="/sky/planets">{(desk) => <Planets desk={desk} />}</SkyDeskGate>;
}

function Planets({ desk }: { desk: Ready }) {
  const styles = useStyles();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const units = usePreferences((state) => state.units);
  const sky = useSky();
  const { ask: setAsked, sheetFor } = useWhy();
  const { system } = desk;
  const night = useNight();
  const { planet } = sky;
  const here = useMemo(() => (night ? planetOn(planet, night.site, night.midnightMs) : null), [night, planet]);
  const window = useMemo(() => (night && here ? bestWindow(here, night.site, night.night) : null), [night, here]);
  const discs = useMemo(
    () =>
      night ? discsOf(night.site, night.midnightMs) : { moonArcsec: USUAL_DISC_ARCSEC, sunArcsec: USUAL_DISC_ARCSEC },
    [night],
  );
  const discArcsec = here?.discArcsec ?? PLANETS[planet].usualArcsec;
  const reading = useMemo(
    () => readPlanet({ system, planet, discArcsec, blurPx: sky.blurPx }),
    [system, planet, discArcsec, sky.blurPx],
  );
  const durationS = sky.captureS ?? Math.min(3600, reading.longestCaptureS.value);
  const order: CaptureInput = {
    ...recordingOf(sky, durationS),
    body: system.body,
    discPx: reading.discPx.value * widthInDiscs(planet),
  };
  const capture = planCapture(order);
  const recorded = captureQuantities(order, capture);
  const sheet = sheetFor(quantitiesOf(system, recorded, reading));
  const drawing = (
    <PlanetDrawing
      discPx={reading.discPx.value}
      ringed={planet === 'Saturn'}
      sensorColumns={system.used.columns}
      sensorRows={system.used.rows}
      window={{
        columns: Math.min(capture.columns, system.used.columns),
        rows: Math.min(capture.rows, system.used.rows),
      }}
      maxHeight={height * 0.24}
      description={`${planet} at ${formatFixed(reading.discPx.value)} pixels across, beside the whole sensor of ${system.used.columns} by ${system.used.rows}; the window read out is ${capture.columns} by ${capture.rows}.`}
    />
  );
  const head = (
    <View style={styles.block}>
      <Choice
        label="Planet"
        hideLabel
        value={planet}
        options={PLANET_NAMES.map((value) => ({ value, name: value }))}
        onChange={(value: PlanetName) => sky.set({ planet: value, captureS: null })}
      />
      {here && here.fromSunDeg < NEAR_SUN_DEG ? (
        <Txt kind="strong" tone="needle" role="alert" testID="sun-warning">
          {`⚠ ${planet} stands only ${formatFixed(here.fromSunDeg)}° from the Sun. ${SUN_WARNING}`}
        </Txt>
      ) : null}
      {drawing}
      <View style={styles.numbers}>
        <View>
          <Txt kind="huge" testID="disc-px">
            {formatFixed(reading.discPx.value)}
            <Txt kind="large">{'\u202fpx'}</Txt>
          </Txt>
          <Txt kind="fine" tone="soft">
            {`${planet}’s disc, ${formatFigures(discArcsec, 3)}″${here ? '' : ' at its usual best'}`}
          </Txt>
        </View>
        <View style={styles.right}>
          <Txt kind="large" testID="f-over-p">
            {`${formatFigures(reading.fNumberOverPitch.value, 2)}\u202f× p`}
          </Txt>
          <Txt kind="fine" tone="soft">
            {`${showFNumber(system.fNumber.value)} against ${formatFigures(system.pitchUm.value, 3)}\u202fµm`}
          </Txt>
        </View>
      </View>
      <Txt
        kind="title"
        tone={reading.stand === 'customary' || reading.stand === 'fineSeeing' ? 'press' : 'caution'}
        testID="stand"
      >
        {`${{ coarse: '▽', customary: '●', fineSeeing: '●', empty: '▲' }[reading.stand]} Sampling ${STAND_WORDS[reading.stand]}`}
      </Txt>
      <View style={styles.row}>
        <Figure label="Disc" quantity={reading.discPx} units={units} name="discPx" onWhy={setAsked} />
        <Figure
          label="Scale"
          quantity={reading.pixelScaleArcsec}
          units={units}
          name="pixelScaleArcsec"
          onWhy={setAsked}
        />
        <Figure
          label="All the detail at"
          quantity={reading.criticalFNumber}
          units={units}
          name="criticalFNumber"
          onWhy={setAsked}
        />
        <Figure
          label="Against the pixel"
          quantity={reading.fNumberOverPitch}
          units={units}
          name="fNumberOverPitch"
          onWhy={setAsked}
        />
        <Figure
          label="Opening’s finest detail"
          quantity={reading.smallestDetailArcsec}
          units={units}
          name="smallestDetailArcsec"
          onWhy={setAsked}
        />
        <Figure
          label="Holds still for"
          quantity={reading.longestCaptureS}
          units={units}
          name="longestCaptureS"
          onWhy={setAsked}
          testID="longest-capture"
        />
      </View>
      {here && night ? (
        <Txt testID="planet-night">
          {`${window ? `Above 30° in the dark from ${clock(window.fromMs, night.site.zone)} to ${clock(window.toMs, night.site.zone)} at ${night.site.name}, highest ${formatFixed(window.highestDeg)}° at ${clock(window.highestMs, night.site.zone)}` : `Not above 30° in the dark that night at ${night.site.name}: the air is thick there`}; ${formatFixed(here.fromSunDeg)}° from the Sun, magnitude ${formatFixed(here.magnitude, 1)}, ${formatFixed(here.litShare * 100)}\u202f% lit.`}
        </Txt>
      ) : null}
      {here ? null : (
        <>
          <Txt kind="small" tone="soft">
            With a place and a night the disc and its height are those of that night.
          </Txt>
          <SiteLine />
        </>
      )}
    </View>
  );
  const recording = (
    <Recording
      order={order}
      capture={capture}
      recorded={recorded}
      durationS={durationS}
      blurPx={sky.blurPx}
      onWhy={setAsked}
    />
  );
  const rest = (
    <>
      <BarlowList desk={desk} discArcsec={discArcsec} />
      <Group title="Cameras compared" brief="window, rate, compression, weight" startsOpen={wide}>
        <Cameras desk={desk} discArcsec={discArcsec} durationS={durationS} />
      </Group>
      <Group
        title="Moon and Sun on this sensor"
        startsOpen={wide}
        brief={`${formatFixed(discPx(discs.moonArcsec, system.focalMm.value, system.pitchUm.value))}\u202fpx`}
      >
        <MoonAndSun system={system} moonArcsec={discs.moonArcsec} sunArcsec={discs.sunArcsec} onWhy={setAsked} />
      </Group>
    </>
  );
  return (
    <View style={styles.host}>
      {wide ? (
        <View style={styles.columns}>
          <ScrollView style={styles.main} contentContainerStyle={styles.content}>
            {head}
          </ScrollView>
          <ScrollView style={styles.side} contentContainerStyle={styles.content}>
            {recording}
            {rest}
          </ScrollView>
        </View>
      ) : (
        <ScrollView contentContainerStyle={styles.content}>
          {head}
          {recording}
          {rest}
        </ScrollView>
      )}
      {sheet}
    </View>
  );
}

interface RecordingProps {
  order: CaptureInput;
  capture: CapturePlan;
  recorded: CaptureQuantities;
  durationS: number;
  blurPx: number;
  onWhy: (name: string) => void;
}

function Recording({ order, capture, recorded, durationS, blurPx, onWhy }: RecordingProps) {
  const styles = useStyles();
  const units = usePreferences((state) => state.units);
  const sky = useSky();
  return (
    <View style={styles.block}>
      <Txt kind="title" level={2}>
        Recording
      </Txt>
      <Txt testID="capture">
        {`${formatFixed(capture.frames)} frames in ${secondsText(durationS)} at ${formatFigures(capture.framesPerSecond, 3)} frames/s, ${LIMIT_WORDS[capture.limit]}; window ${capture.columns} × ${capture.rows}${capture.fits ? '' : ', which cuts the disc'}, ${bytesText(capture.fileBytes)}; a ${formatFixed(sky.cardGb)}\u202fGB card holds ${formatFigures(capture.cardMinutes, 2)}\u202fmin.`}
      </Txt>
      <View style={styles.row}>
        <Figure
          label="Rate"
          quantity={recorded.framesPerSecond}
          units={units}
          name="framesPerSecond"
          onWhy={onWhy}
          testID="rate"
        />
        <Figure label="Frames" quantity={recorded.frames} units={units} name="frames" onWhy={onWhy} />
        <Figure label="File" quantity={recorded.fileGb} units={units} name="fileGb" onWhy={onWhy} />
        <Figure label="Card holds" quantity={recorded.cardMinutes} units={units} name="cardMinutes" onWhy={onWhy} />
      </View>
      <FieldRow>
        <NumberField
          label="Exposure"
          value={sky.exposureMs}
          unit="none"
          shownUnit="ms"
          minimum={0.1}
          maximum={10_000}
          onChange={(value) => value !== null && sky.set({ exposureMs: value })}
          testID="frame-exposure"
        />
        <NumberField
          label="Record for"
          value={Number(durationS.toPrecision(3))}
          unit="none"
          shownUnit="s"
          minimum={0.1}
          maximum={36_000}
          onChange={(value) => value !== null && sky.set({ captureS: value })}
        />
        <NumberField
          label="Smear allowed"
          value={blurPx}
          unit="none"
          shownUnit="px"
          minimum={0.1}
          maximum={20}
          onChange={(value) => value !== null && sky.set({ blurPx: value, captureS: null })}
          testID="smear-field"
        />
        <NumberField
          label="Window against the disc"
          value={sky.margin}
          unit="none"
          shownUnit="×"
          minimum={1}
          maximum={10}
          onChange={(value) => value !== null && sky.set({ margin: value })}
        />
        <NumberField
          label="Cable or card takes"
          value={sky.linkMbPerS}
          unit="none"
          shownUnit="MB/s"
          minimum={1}
          maximum={10_000}
          onChange={(value) => value !== null && sky.set({ linkMbPerS: value })}
        />
        <NumberField
          label="Card"
          value={sky.cardGb}
          unit="none"
          shownUnit="GB"
          minimum={1}
          maximum={20_000}
          onChange={(value) => value !== null && sky.set({ cardGb: value })}
        />
      </FieldRow>
      <Choice
        label="Bits of a pixel"
        value={String(sky.bits)}
        options={[
          { value: '8', name: '8' },
          { value: '16', name: '16' },
        ]}
        onChange={(bits) => sky.set({ bits: bits === '8' ? 8 : 16 })}
      />
      {order.body.readoutWindows?.length ? (
        <Table
          label="Read-out windows"
          heads={['Window', 'Read-out', 'As set', 'Held by']}
          rows={order.body.readoutWindows.map(({ columns, rows, framesPerSecond }) => {
            const rate = rateOf(order, columns, rows, framesPerSecond);
            return {
              key: `${columns} ${rows}`,
              cells: [
                `${columns} × ${rows}`,
                `${formatFigures(framesPerSecond, 3)}/s`,
                `${formatFigures(rate.framesPerSecond, 3)}/s`,
                { exposure: 'exposure', link: 'link', readout: 'read-out', unknown: '?' }[rate.limit],
              ],
              strong: columns === capture.columns && rows === capture.rows,
            };
          })}
        />
      ) : null}
      <Txt kind="small" tone="soft">
        Sizes are those of an open SER file: a header of 178 bytes, uncompressed frames, eight bytes of time for each.
      </Txt>
    </View>
  );
}

/** The same optics on every body of the kit: what a recording would be. */
function Cameras({ desk, discArcsec, durationS }: { desk: Ready; discArcsec: number; durationS: number }) {
  const sky = useSky();
  const { kit, situation } = desk;
  const bodies = kit.bodies.flatMap((row) => (row.data.retired ? [] : [{ id: row.id, body: row.data }]));
  const order = recordingOf(sky, durationS);
  const rows = camerasCompared(situation.setup, bodies, discArcsec, order, situation.convention);
  const held = situation.setupRow.data.bodyId;
  return (
    <View style={{ gap: space.small }}>
      <Table
        label="Cameras compared"
        heads={['Body', 'Disc, px', 'Window']}
        rows={rows.map((row) => ({
          key: row.id,
          cells: [
            row.name,
            formatFixed(row.discPx),
            row.window ? `${row.window.columns} × ${row.window.rows}` : 'whole',
          ],
          strong: row.id === held,
        }))}
      />
      <Table
        label="What they record"
        heads={['Body', 'Frames/s', 'Compressed', 'Weight']}
        rows={rows.map((row) => ({
          key: row.id,
          cells: [
            row.name,
            formatFigures(row.framesPerSecond, 3),
            row.packed,
            row.weightG === undefined ? '?' : `${formatFixed(row.weightG)}\u202fg`,
          ],
          strong: row.id === held,
        }))}
      />
      <Txt kind="small" tone="soft">
        What counts is the disc’s pixels and how many sharp frames come in before it turns. A small camera reads a
        window fast and keeps every bit, and weighs little; a photographic one enlarges nothing by its large sensor,
        compresses its video, and needs a firmer mount, but one has it already, and it takes the Moon whole.
      </Txt>
    </View>
  );
}

/** Moon and Sun as they fall on the sensor; the Sun only behind a certified filter. */
function MoonAndSun({
  system,
  moonArcsec,
  sunArcsec,
  onWhy,
}: {
  system: EffectiveSystem;
  moonArcsec: number;
  sunArcsec: number;
  onWhy: (quantity: Quantity) => void;
}) {
  const moon = discOnSensor(system, 'the Moon', moonArcsec);
  const sun = discOnSensor(system, 'the Sun', sunArcsec);
  const block = sunBlock(system.chain);
  const line = (name: string, { diameterMm, diameterPx, fits }: DiscOnSensor, testID: string) => (
    <Pressable role="button" aria-label={`${name} on the sensor. Why?`} onPress={() => onWhy(diameterPx)}>
      <Txt
        testID={testID}
      >{`${name} is ${formatFigures(diameterMm.value, 3)}\u202fmm, ${formatFixed(diameterPx.value)}\u202fpx, ${fits ? 'fits the frame' : 'is cut by the frame'}.`}</Txt>
    </Pressable>
  );
  return (
    <View style={{ gap: space.small }}>
      {line('The Moon', moon, 'moon-size')}
      {block ? <Txt testID="sun-block">{block.message}</Txt> : line('The Sun', sun, 'sun-size')}
      <Txt kind="strong" tone="needle" role="alert">
        ⚠ {SUN_WARNING}
      </Txt>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  host: { flex: 1 },
  columns: { flex: 1, flexDirection: 'row' },
  main: { flex: 1 },
  side: { width: 420, flexGrow: 0, borderLeftWidth: 1, borderColor: palette.hairline },
  content: { padding: space.page, gap: space.page, maxWidth: 760, width: '100%', marginHorizontal: 'auto' },
  block: { gap: space.medium },
  numbers: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'flex-end', gap: space.page },
  right: { alignItems: 'flex-end' },
  row: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.page, rowGap: space.small },
}));
