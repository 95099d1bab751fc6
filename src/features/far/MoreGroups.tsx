import { useMemo } from 'react';
import { View } from 'react-native';
import { neededPixels, type OutputSpec } from '@/core/output/needs';
import { verdictOf } from '@/core/output/verdict';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { farMore, type Background, type FarMore } from '@/core/far/farMore';
import { modesLadder } from '@/core/far/modesLadder';
import { freeZoom, zoomSteps } from '@/core/far/processedZoom';
import type { FarReading } from '@/core/far/readFar';
import { engravedShutterS } from '@/core/far/shutter';
import { modeTable } from '@/core/kit/modeTable';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import { RESTRICTION_WORDS } from '@/core/kit/words';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatFixed, formatStops } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { quantityText, shutterText } from '@/core/quantity/quantityText';
import { feetToMetres, metresToFeet, type UnitSystem } from '@/core/quantity/units';
import { useFarOptions } from '@/data/farOptions';
import { useInHand } from '@/data/inHand';
import type { Situation } from '@/data/situation';
import { useKit } from '@/data/useKit';
import { useTableSettings } from '@/data/tableSettings';
import { Figure } from '@/ui/Figure';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

/** What a number of these groups is asked for by, so that its derivation stays current. */
export function useFarMore(situation: Situation, system: EffectiveSystem | null, reading: FarReading | null): FarMore | null {
  const background = useFarOptions((state) => state.background);
  const speed = useFarOptions((state) => state.speedMPerS);
  const cocSchool = useInHand((state) => state.cocSchool);
  return useMemo(
    () => (system && reading ? farMore({ system, reading, subject: situation.subject, output: situation.output, cocSchool, background, speedMPerS: speed ?? speedOf(situation) }) : null),
    [system, reading, situation, cocSchool, background, speed],
  );
}

const speedOf = ({ subject }: Situation): number => subject.speedMPerS ?? SUBJECT_KINDS[subject.kind].speedMPerS;

interface Props {
  situation: Situation;
  system: EffectiveSystem;
  more: FarMore;
  units: UnitSystem;
  onWhy: (name: string | Quantity) => void;
}

/** Depth, shutter, card, modes and read-out: what decides besides the pixels. */
export function MoreGroups({ situation, system, more, units, onWhy }: Props) {
  const figure = (label: string, key: keyof FarMore) => {
    const quantity = more[key];
    return quantity ? <Figure key={key} label={label} quantity={quantity} units={units} name={key} onWhy={onWhy} /> : null;
  };
  const blur = more.backgroundBlur;
  return (
    <View>
      <Group title="Depth and background" brief={`${more.depthM ? quantityText(more.depthM, units) : 'to infinity'} deep, background ${quantityText(blur, units)} blurred`}>
        <View style={row}>
          {figure('Sharp from', 'nearLimitM')}
          {figure('Sharp to', 'farLimitM')}
          {figure('Depth of field', 'depthM')}
          {figure('Circle of confusion', 'cocMm')}
          {figure('Background at', 'backgroundM')}
          {figure('Blur disc, of the width', 'backgroundBlur')}
        </View>
        <BackgroundFields units={units} />
      </Group>
      <Group title="Shutter and motion" brief={`1/${formatFixed(1 / Math.max(1e-6, more.longestShutterOutputS.value))} s for ${situation.output.name}`}>
        <View style={row}>
          {figure('Speed over the pixels', 'motionPxPerS')}
          {figure('Seconds to cross the frame', 'secondsToCross')}
          {figure('Longest, sharp at 100 %', 'longestShutter100S')}
          {figure(`Longest for ${situation.output.name}`, 'longestShutterOutputS')}
          {figure('Hand-hold, customary', 'handHoldRuleS')}
          {figure('Hand-hold, by pixels', 'handHoldPixelS')}
        </View>
        <ShutterAdvice more={more} output={situation.output} />
        <SpeedField situation={situation} units={units} />
      </Group>
      {situation.otherSetups.length ? (
        <Group title="Light from the subject" brief="against the other set-ups">
          <LightContent situation={situation} system={system} />
        </Group>
      ) : null}
      <Group title="Card and value" brief="files, burst, weight and price a pixel">
        <CardContent situation={situation} system={system} more={more} units={units} onWhy={onWhy} />
      </Group>
      {situation.setup.body.cropModes.length ? (
        <Group title="Crop in the camera or later?" brief="the same pixels in every mode">
          <ModesContent situation={situation} />
        </Group>
      ) : null}
      {system.body.videoModes?.length ? (
        <Group title="Video read-out and processed zoom" brief={`${system.body.videoModes.length} modes`}>
          <ReadoutContent system={system} />
        </Group>
      ) : null}
    </View>
  );
}

function ShutterAdvice({ more, output }: { more: FarMore; output: OutputSpec }) {
  const strict = engravedShutterS(more.longestShutter100S.value);
  const enough = engravedShutterS(more.longestShutterOutputS.value);
  const hand = engravedShutterS(more.handHoldPixelS.value);
  return (
    <Txt kind="small" tone="soft">
      {strict === null ? 'Faster than any shutter: pan with it.' : `Set ${shutterText(strict)} to freeze it at 100 %${enough !== null && enough !== strict ? `, ${shutterText(enough)} is enough for ${output.name}` : ''}.`}
      {hand === null ? '' : ` By hand ${shutterText(hand)} or shorter.`}
    </Txt>
  );
}

const GROUND: Background = { kind: 'ground', cameraHeightM: 1.5, subjectHeightM: 0.25 };

function BackgroundFields({ units }: { units: UnitSystem }) {
  const { background, set } = useFarOptions();
  const imperial = units === 'imperial';
  const length = (label: string, value: number, minimum: number, maximum: number, change: (metres: number) => Background) => (
    <View style={half}>
      <NumberField label={label} value={value} unit="m" shownUnit={imperial ? 'ft' : 'm'} perUnit={imperial ? metresToFeet(1) : 1} minimum={minimum} maximum={maximum} onChange={(next) => next !== null && set({ background: change(next) })} />
    </View>
  );
  return (
    <View style={{ gap: space.medium }}>
      <Choice
        label="What stands behind it"
        options={[{ value: 'ground', name: 'Ground or water' }, { value: 'distance', name: 'At a distance' }]}
        value={background.kind}
        onChange={(kind) => set({ background: kind === 'ground' ? GROUND : { kind: 'distance', distanceM: imperial ? feetToMetres(300) : 90 } })}
      />
      <View style={row}>
        {background.kind === 'ground' ? (
          <>
            {length('Camera height', background.cameraHeightM, 0.01, 500, (cameraHeightM) => ({ ...background, cameraHeightM }))}
            {length('Height of its eye', background.subjectHeightM, 0, 500, (subjectHeightM) => ({ ...background, subjectHeightM }))}
          </>
        ) : (
          length('Distance of the background', background.distanceM, 0.05, 100_000, (distanceM) => ({ kind: 'distance', distanceM }))
        )}
      </View>
      {background.kind === 'ground' ? (
        <Txt kind="small" tone="soft">
          {background.cameraHeightM <= background.subjectHeightM ? 'At or below its eye the background is as far away as the view goes: the softest there is.' : 'Lower the camera towards its eye: the ground behind moves away and blurs more.'}
        </Txt>
      ) : null}
    </View>
  );
}

function SpeedField({ situation }: { situation: Situation; units: UnitSystem }) {
  const { speedMPerS, set } = useFarOptions();
  return (
    <View style={row}>
      <View style={half}>
      <NumberField label="Speed across the view" value={speedMPerS ?? speedOf(situation)} unit="none" shownUnit="m/s" minimum={0} maximum={500} onChange={(value) => set({ speedMPerS: value })} />
      </View>
    </View>
  );
}

/** Light the set-ups gather from the subject in the same time, whatever their sensors: it goes with the opening's area. */
function LightContent({ situation, system }: { situation: Situation; system: EffectiveSystem }) {
  const styles = useStyles();
  const rows = useMemo(
    () =>
      situation.otherSetups.flatMap((other) => {
        const folded = foldSystem(other.setup, situation.convention);
        return folded.ok ? [{ id: other.id, name: other.name, pupilMm: folded.value.entrancePupilMm, stops: 2 * Math.log2(system.entrancePupilMm.value / folded.value.entrancePupilMm.value) }] : [];
      }),
    [situation.otherSetups, situation.convention, system.entrancePupilMm],
  );
  return (
    <>
      {rows.map((each) => (
        <View key={each.id} style={styles.line}>
          <Txt kind="small" style={styles.wideCell}>
            against {each.name} (opening {quantityText(each.pupilMm, 'metric')})
          </Txt>
          <Txt kind="small" style={styles.cell}>
            {formatStops(each.stops)}
          </Txt>
        </View>
      ))}
      <Txt kind="small" tone="soft">
        From the same spot in the same time: the opening of {quantityText(system.entrancePupilMm, 'metric')} decides, not the f-number and not the sensor.
      </Txt>
    </>
  );
}

function CardContent({ situation, system, more, units, onWhy }: Props) {
  const { cardGb, pixelsPerInch } = useTableSettings();
  const mode = useMemo(() => modeTable({ body: situation.setup.body, cardGb, pixelsPerInch, outputs: [] }).find((each) => each.mode.id === system.mode.id), [situation.setup.body, cardGb, pixelsPerInch, system.mode.id]);
  if (!mode) return null;
  const figure = (label: string, quantity: Quantity | undefined) => (quantity ? <Figure label={label} quantity={quantity} units={units} name={label} onWhy={() => onWhy(quantity)} /> : null);
  return (
    <View style={row}>
      {figure('File', mode.fileSizeMb)}
      {figure(`Pictures on ${formatFigures(cardGb)} GB`, mode.picturesOnCard)}
      {figure('Burst', mode.burstSeconds)}
      {figure('Pixels as an area', more.pixelArea)}
      {figure('Weight per 1,000 px', more.gramsPerKilopixel)}
      {figure('Price per 1,000 px', more.pricePerKilopixel)}
    </View>
  );
}

function ModesContent({ situation }: { situation: Situation }) {
  const styles = useStyles();
  const speed = useFarOptions((state) => state.speedMPerS) ?? speedOf(situation);
  const ladder = useMemo(() => modesLadder({ ...situation, speedMPerS: speed }), [situation, speed]);
  const { kit } = useKit();
  if (ladder.rungs.length < 2) return null;
  const later = ladder.rungs[0];
  const counted = later?.reading.countedPixels.value ?? 0;
  const verdicts = kit.outputs.map(({ data }) => {
    const verdict = verdictOf(counted, neededPixels(data, situation.subject.sizeMm));
    return `${VERDICT_MARK[verdict]} ${VERDICT_WORDS[verdict](data.name)}`;
  });
  return (
    <>
      <Txt testID="crop-advice">{ladder.advice}</Txt>
      <View role="table" aria-label="The modes on this subject">
        <View role="row" style={styles.line}>
          {['Mode', 'On it', 'Of frame', 'Hidden', 'Per s'].map((head) => (
            <Txt key={head} kind="fine" tone="soft" role="columnheader" style={head === 'Mode' ? styles.wideCell : styles.cell}>
              {head}
            </Txt>
          ))}
        </View>
        {ladder.rungs.map(({ mode, reading, hidden, overflows, system }) => (
          <View key={mode.id} role="row" style={styles.line}>
            <Txt kind="small" role="cell" style={styles.wideCell}>
              {mode.id === situation.setup.modeId ? '● ' : ''}
              {mode.name}
            </Txt>
            <Txt kind="small" role="cell" style={styles.cell}>
              {formatFixed(reading.pixelsOnSubject.value)} px
            </Txt>
            <Txt kind="small" role="cell" tone={overflows ? 'needle' : 'ink'} style={styles.cell}>
              {overflows ? '✕ ' : ''}
              {formatFixed(reading.shareOfFrame.value)} %
            </Txt>
            <Txt kind="small" role="cell" style={styles.cell}>
              {formatFixed(hidden * 100)} %
            </Txt>
            <Txt kind="small" role="cell" style={styles.cell}>
              {system.framesPerSecond === undefined ? '–' : formatFigures(system.framesPerSecond)}
            </Txt>
          </View>
        ))}
        {later ? (
          <View role="row" style={styles.line}>
            <Txt kind="small" role="cell" style={styles.wideCell}>
              Whole, cropped later
            </Txt>
            <Txt kind="small" role="cell" style={styles.cell}>
              {formatFixed(later.reading.pixelsOnSubject.value)} px
            </Txt>
            <Txt kind="small" role="cell" style={styles.cell}>
              as you like
            </Txt>
            <Txt kind="small" role="cell" style={styles.cell}>
              nothing
            </Txt>
            <Txt kind="small" role="cell" style={styles.cell}>
              {later.system.framesPerSecond === undefined ? '–' : formatFigures(later.system.framesPerSecond)}
            </Txt>
          </View>
        ) : null}
      </View>
      <Txt kind="small" tone="soft">
        In every one of them: {verdicts.join(' · ')}.
      </Txt>
    </>
  );
}

/** Video read-outs and processed zoom: how far it is free, and what each tenth beyond invents. */
function ReadoutContent({ system }: { system: EffectiveSystem }) {
  const styles = useStyles();
  const { kit } = useKit();
  const modes = system.body.videoModes ?? [];
  if (modes.length === 0) return null;
  const { focalWideMm, focalTeleMm } = system.lens;
  const lenses = kit.optics.flatMap(({ data }) => (data.kind === 'lens' && !data.retired && data.name !== system.lens.name && data.mount !== undefined && data.mount === system.body.mount ? [data] : []));
  /** Equivalent range by width in a read-out, with the zoom the mode offers at the long end. */
  const rangeOf = (wide: number, tele: number, crop: number, limit: number) => {
    const byWidth = (36 / system.body.sensor.widthMm) * crop;
    return `${formatFixed(wide * byWidth)} to ${formatFixed(tele * byWidth * Math.max(1, limit))}\u202fmm`;
  };
  const factor = system.converterFactor.value;
  return (
    <>
      {modes.map((mode) => {
        const free = freeZoom(mode.sampledColumns, mode.recordedColumns);
        const limit = mode.processedZoomLimit ?? 1;
        const strip = mode.sampledColumns / system.body.sensor.columns;
        const crop = system.body.sensor.columns / mode.sampledColumns;
        const wide = focalWideMm * factor * (36 / system.body.sensor.widthMm) * crop;
        const tele = focalTeleMm * factor * (36 / system.body.sensor.widthMm) * crop;
        return (
          <View key={mode.id} style={styles.readout}>
            <Txt kind="strong">
              {mode.name} at {mode.framesPerSecond.map((rate) => formatFigures(rate)).join(', ')} frames/s
            </Txt>
            <View style={styles.sensorBar} role="img" aria-label={`Reads ${formatFixed(strip * 100)} per cent of the sensor’s width`}>
              <View style={[styles.stripBar, { width: `${Math.min(100, strip * 100)}%` }]} />
            </View>
            <Txt kind="small" tone="soft">
              reads {formatFixed(mode.sampledColumns)} of {formatFixed(system.body.sensor.columns)} columns, records {formatFixed(mode.recordedColumns)}; {free >= 1.005 ? `zoom is free up to ×${formatFigures(free)}` : 'nothing is left over for zoom: every zoom invents pixels'}.
            </Txt>
            <Txt kind="small" tone="soft">
              This lens by width: {formatFixed(wide)} to {formatFixed(tele * Math.max(1, limit))} mm equivalent{limit > 1 ? ` with zoom ×${formatFigures(limit)}` : ''}, {formatFixed(tele * Math.max(1, Math.min(limit, free)))} mm without loss.
            </Txt>
            {limit > 1 ? (
              <View style={styles.steps}>
                {zoomSteps(mode.sampledColumns, mode.recordedColumns, limit).map((step) => (
                  <Txt key={step.zoom} kind="fine" tone={step.realShare < 0.999 ? 'caution' : 'ink'} style={styles.step}>
                    ×{formatFigures(step.zoom)} {step.realShare < 0.999 ? `⚠ ${formatFixed(step.realShare * 100)} %` : '✓'}
                  </Txt>
                ))}
              </View>
            ) : null}
            {lenses.length ? (
              <Txt kind="small" tone="soft">
                Others that mount: {lenses.map((lens) => `${lens.name} ${rangeOf(lens.focalWideMm, lens.focalTeleMm, crop, limit)}`).join('; ')}.
              </Txt>
            ) : null}
            {mode.restrictions?.length ? (
              <Txt kind="small" tone="caution">
                ⚠ {mode.restrictions.map((each) => RESTRICTION_WORDS[each]).join(', ')}
              </Txt>
            ) : null}
          </View>
        );
      })}
      <Txt kind="small" tone="soft">
        ✓ real pixels only · ⚠ share of the picture that is real. Cropping later takes the same real pixels; a converter adds real ones and costs light.
      </Txt>
    </>
  );
}

const row = { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.page, rowGap: space.small } as const;
const half = { flexGrow: 1, flexBasis: 140 } as const;

const useStyles = stylesOf((palette) => ({
  line: { flexDirection: 'row', gap: space.small, paddingVertical: space.small, borderBottomWidth: 1, borderColor: palette.hairline },
  cell: { flex: 1, textAlign: 'right' },
  wideCell: { flex: 1.7 },
  readout: { gap: space.small, paddingBottom: space.medium },
  sensorBar: { height: 12, borderWidth: 1, borderColor: palette.ink, alignItems: 'center' },
  stripBar: { height: '100%', backgroundColor: palette.press },
  steps: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.large },
  step: { minWidth: 58 },
}));
