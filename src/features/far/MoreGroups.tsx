import { useMemo } from 'react';
import { View } from 'react-native';
import { neededPixels } from '@/core/output/needs';
import { verdictOf } from '@/core/output/verdict';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { farMore, type Background, type FarMore } from '@/core/far/farMore';
import { modesLadder } from '@/core/far/modesLadder';
import { equivalentRange, readOut } from '@/core/far/readOut';
import type { FarReading } from '@/core/far/readFar';
import { modeTable } from '@/core/kit/modeTable';
import { RESTRICTION_WORDS } from '@/core/kit/words';
import { lightAgainst } from '@/core/far/lightAgainst';
import { type EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatFixed, formatStops } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { quantityText } from '@/core/quantity/quantityText';
import { feetToMetres, metresToFeet, type UnitSystem } from '@/core/quantity/units';
import { useFarOptions } from '@/data/farOptions';
import { usePreferences } from '@/data/preferences';
import type { Situation } from '@/data/situation';
import { useKit } from '@/data/useKit';
import { useTableSettings } from '@/data/tableSettings';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Group } from '@/ui/Group';
import { sameMount } from '@/core/chain/mounts';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { AgainstLine } from '../desk/AgainstLine';
import { NoiseGroup } from '../desk/NoiseGroup';
import { HandAndShutter } from './HandAndShutter';
import { deskFacts } from '../desk/deskFacts';

/** What a number of these groups is asked for by, so that its derivation stays current. */
export function useFarMore(
  situation: Situation,
  system: EffectiveSystem | null,
  reading: FarReading | null,
): FarMore | null {
  const background = useFarOptions((state) => state.background);
  const speed = useFarOptions((state) => state.speedMPerS);
  const cocSchool = usePreferences((state) => state.cocSchool);
  return useMemo(
    () =>
      system && reading
        ? farMore({
            system,
            reading,
            subject: situation.subject,
            output: situation.output,
            cocSchool,
            background,
            speedMPerS: speed ?? situation.subject.speedMPerS,
          })
        : null,
    [system, reading, situation, cocSchool, background, speed],
  );
}

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
    return quantity ? (
      <Figure key={key} label={label} quantity={quantity} units={units} name={key} onWhy={onWhy} />
    ) : null;
  };
  const blur = more.backgroundBlur;
  return (
    <View>
      <Group
        title="Depth and background"
        brief={`${more.depthM ? quantityText(more.depthM, units) : 'to infinity'} deep, background ${quantityText(blur, units)} blurred`}
      >
        <FigureRow>
          {figure('Sharp from', 'nearLimitM')}
          {figure('Sharp to', 'farLimitM')}
          {figure('Depth of field', 'depthM')}
          {figure('Circle of confusion', 'cocMm')}
          {figure('Background at', 'backgroundM')}
          {figure('Blur disc, of the width', 'backgroundBlur')}
        </FigureRow>
        <BackgroundFields units={units} />
      </Group>
      <Group
        title="Shutter and motion"
        brief={
          more.speedMPerS.note === 'assumed'
            ? 'no speed entered'
            : `${quantityText(more.longestShutterOutputS, units)} for ${situation.output.name}`
        }
      >
        <FigureRow>
          {figure('Speed across the view', 'speedMPerS')}
          {figure('Speed over the pixels', 'motionPxPerS')}
          {figure('Seconds to cross the frame', 'secondsToCross')}
          {figure('Longest, sharp at 100 %', 'longestShutter100S')}
          {figure(`Longest for ${situation.output.name}`, 'longestShutterOutputS')}
          {figure('Hand-hold, customary', 'handHoldRuleS')}
          {figure('Hand-hold, by pixels', 'handHoldPixelS')}
        </FigureRow>
        <HandAndShutter more={more} system={system} output={situation.output} units={units} onWhy={onWhy} />
        <SpeedField situation={situation} units={units} />
      </Group>
      {situation.kit.setups.length ? (
        <Group title="Light from the subject" brief="against the other set-ups">
          <LightContent situation={situation} system={system} onWhy={onWhy} />
        </Group>
      ) : null}
      <NoiseGroup
        system={system}
        output={situation.output}
        others={situation.kit.setups}
        convention={situation.convention}
        lightFNumber={system.lightFNumber}
        units={units}
        onWhy={onWhy}
      />
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

const GROUND: Background = { kind: 'ground', cameraHeightM: 1.5, subjectHeightM: 0.25 };

function BackgroundFields({ units }: { units: UnitSystem }) {
  const { background, set } = useFarOptions();
  const imperial = units === 'imperial';
  const length = (
    label: string,
    value: number,
    minimum: number,
    maximum: number,
    change: (metres: number) => Background,
  ) => (
    <View style={half}>
      <NumberField
        label={label}
        value={value}
        unit="m"
        shownUnit={imperial ? 'ft' : 'm'}
        perUnit={imperial ? metresToFeet(1) : 1}
        minimum={minimum}
        maximum={maximum}
        onChange={(next) => next !== null && set({ background: change(next) })}
      />
    </View>
  );
  return (
    <View style={{ gap: space.medium }}>
      <Choice
        label="What stands behind it"
        options={[
          { value: 'ground', name: 'Ground or water' },
          { value: 'distance', name: 'At a distance' },
        ]}
        value={background.kind}
        onChange={(kind) =>
          set({
            background: kind === 'ground' ? GROUND : { kind: 'distance', distanceM: imperial ? feetToMetres(300) : 90 },
          })
        }
      />
      <FigureRow>
        {background.kind === 'ground' ? (
          <>
            {length('Camera height', background.cameraHeightM, 0.01, 500, (cameraHeightM) => ({
              ...background,
              cameraHeightM,
            }))}
            {length('Height of its eye', background.subjectHeightM, 0, 500, (subjectHeightM) => ({
              ...background,
              subjectHeightM,
            }))}
          </>
        ) : (
          length('Distance of the background', background.distanceM, 0.05, 100_000, (distanceM) => ({
            kind: 'distance',
            distanceM,
          }))
        )}
      </FigureRow>
      {background.kind === 'ground' ? (
        <Txt kind="small" tone="soft">
          {background.cameraHeightM <= background.subjectHeightM
            ? 'At or below its eye the background is as far away as the view goes: the softest there is.'
            : 'Lower the camera towards its eye: the ground behind moves away and blurs more.'}
        </Txt>
      ) : null}
    </View>
  );
}

function SpeedField({ situation, units }: { situation: Situation; units: UnitSystem }) {
  const { speedMPerS, set } = useFarOptions();
  const imperial = units === 'imperial';
  return (
    <FigureRow>
      <View style={half}>
        <NumberField
          label="Speed across the view"
          value={speedMPerS ?? situation.subject.speedMPerS ?? null}
          unit="none"
          shownUnit={imperial ? 'ft/s' : 'm/s'}
          perUnit={imperial ? metresToFeet(1) : 1}
          minimum={0}
          maximum={500}
          optional
          onChange={(value) => set({ speedMPerS: value })}
        />
      </View>
    </FigureRow>
  );
}

/** Light the set-ups gather from the subject in the same time, whatever their sensors. */
function LightContent({
  situation,
  system,
  onWhy,
}: {
  situation: Situation;
  system: EffectiveSystem;
  onWhy: (quantity: Quantity) => void;
}) {
  const rows = useMemo(
    () => lightAgainst(system, situation.kit.setups, situation.convention),
    [situation.kit.setups, situation.convention, system],
  );
  return (
    <>
      {rows.map((each) => (
        <AgainstLine
          key={each.id}
          name={each.name}
          gloss={`opening ${quantityText(each.openingMm, 'metric')}`}
          told={[{ text: formatStops(each.stops.value), quantity: each.stops }]}
          onWhy={onWhy}
        />
      ))}
      <Txt kind="small" tone="soft">
        From the same spot in the same time: the opening of {quantityText(system.entrancePupilMm, 'metric')} decides,
        not the f-number and not the sensor.
      </Txt>
    </>
  );
}

function CardContent({ situation, system, more, units, onWhy }: Props) {
  const { cardGb, pixelsPerInch } = useTableSettings();
  const mode = useMemo(
    () =>
      modeTable({ body: situation.setup.body, cardGb, pixelsPerInch, outputs: [] }).find(
        (each) => each.mode.id === system.mode.id,
      ),
    [situation.setup.body, cardGb, pixelsPerInch, system.mode.id],
  );
  if (!mode) return null;
  const figure = (label: string, quantity: Quantity | undefined) =>
    quantity ? (
      <Figure label={label} quantity={quantity} units={units} name={label} onWhy={() => onWhy(quantity)} />
    ) : null;
  return (
    <FigureRow>
      {figure('File', mode.fileSizeMb)}
      {figure(`Pictures on ${formatFigures(cardGb)} GB`, mode.picturesOnCard)}
      {figure('Burst', mode.burstSeconds)}
      {figure('Burst, pictures', mode.burstPictures)}
      {figure('Pixels as an area', more.pixelArea)}
      {figure('Weight per 1,000 px', more.gramsPerKilopixel)}
      {figure('Price per 1,000 px', more.pricePerKilopixel)}
    </FigureRow>
  );
}

const rateText = ({ framesPerSecond }: EffectiveSystem): string =>
  framesPerSecond === undefined ? '–' : formatFigures(framesPerSecond);

function ModesContent({ situation }: { situation: Situation }) {
  const units = usePreferences((state) => state.units);
  const speed = useFarOptions((state) => state.speedMPerS) ?? situation.subject.speedMPerS;
  const ladder = useMemo(() => modesLadder({ ...situation, speedMPerS: speed, units }), [situation, speed, units]);
  const { kit } = useKit();
  if (ladder.rungs.length < 2) return null;
  const later = ladder.rungs[0];
  const counted = later?.reading.countedPixels;
  const verdicts = kit.outputs.map(({ data }) => {
    const verdict = verdictOf(counted?.value ?? 0, neededPixels(data, situation.subject.sizeMm), counted?.plusMinus);
    return `${VERDICT_MARK[verdict]} ${VERDICT_WORDS[verdict](data.name)}`;
  });
  return (
    <>
      <Txt testID="crop-advice">{ladder.advice}</Txt>
      <Table
        label="The modes on this subject"
        facts={deskFacts('far', situation, units)}
        heads={['Mode', 'On it', 'Of frame', 'Hidden', 'Per s']}
        rows={[
          ...ladder.rungs.map(({ mode, reading, hidden, overflows, system }) => ({
            key: mode.id,
            cells: [
              `${mode.id === situation.setup.modeId ? '● ' : ''}${mode.name}`,
              quantityText(reading.pixelsOnSubject, units),
              overflows
                ? ({ text: `✕ ${formatFixed(reading.shareOfFrame.value)} %`, tone: 'needle' } as const)
                : `${formatFixed(reading.shareOfFrame.value)} %`,
              `${formatFixed(hidden * 100)} %`,
              rateText(system),
            ],
          })),
          ...(later
            ? [
                {
                  key: 'later',
                  cells: [
                    'Whole, cropped later',
                    quantityText(later.reading.pixelsOnSubject, units),
                    'as you like',
                    'nothing',
                    rateText(later.system),
                  ],
                },
              ]
            : []),
        ]}
      />
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
  const modes = readOut(system);
  if (modes.length === 0) return null;
  const lenses = kit.optics.flatMap(({ data }) =>
    data.kind === 'lens' &&
    !data.retired &&
    data !== system.lens &&
    data.mount !== undefined &&
    system.body.mount !== undefined &&
    sameMount(data.mount, system.body.mount)
      ? [data]
      : [],
  );
  const videoModes = system.body.videoModes ?? [];
  return (
    <>
      {modes.map((mode, i) => {
        const { freeZoom: free, zoomLimit: limit, widthShare: strip } = mode;
        const read = videoModes[i]!;
        const rangeOf = (wide: number, tele: number) => {
          const range = equivalentRange(wide, tele, mode);
          return `${formatFixed(range.equivalentWideMm)} to ${formatFixed(range.equivalentZoomedMm)}\u202fmm`;
        };
        return (
          <View key={mode.id} style={styles.readout}>
            <Txt kind="strong">
              {mode.name} at {mode.framesPerSecond.map((rate) => formatFigures(rate)).join(', ')} frames/s
            </Txt>
            <View
              style={styles.sensorBar}
              role="img"
              aria-label={`Reads ${formatFixed(strip * 100)} per cent of the sensor’s width`}
            >
              <View style={[styles.stripBar, { width: `${Math.min(100, strip * 100)}%` }]} />
            </View>
            <Txt kind="small" tone="soft">
              reads {formatFixed(read.sampledColumns)} of {formatFixed(system.body.sensor.columns)} columns, records{' '}
              {formatFixed(read.recordedColumns)};{' '}
              {free >= 1.005
                ? `zoom is free up to ×${formatFigures(free)}`
                : 'nothing is left over for zoom: every zoom invents pixels'}
              .
            </Txt>
            <Txt kind="small" tone="soft">
              This lens, same aspect: {formatFixed(mode.equivalentWideMm)} to {formatFixed(mode.equivalentZoomedMm)} mm
              equivalent{limit > 1 ? ` with zoom ×${formatFigures(limit)}` : ''}, {formatFixed(mode.equivalentFreeMm)}{' '}
              mm without loss.
            </Txt>
            {limit > 1 ? (
              <View style={styles.steps}>
                {mode.steps.map((step) => (
                  <Txt
                    key={step.zoom}
                    kind="fine"
                    tone={step.realShare < 0.999 ? 'caution' : 'ink'}
                    style={styles.step}
                  >
                    ×{formatFigures(step.zoom)}{' '}
                    {step.realShare < 0.999
                      ? `⚠ ${formatFixed(step.realShare * 100)} %, area ${formatFixed(step.realAreaShare * 100)} %`
                      : '✓'}
                  </Txt>
                ))}
              </View>
            ) : null}
            {lenses.length ? (
              <Txt kind="small" tone="soft">
                Others that mount:{' '}
                {lenses.map((lens) => `${lens.name} ${rangeOf(lens.focalWideMm, lens.focalTeleMm)}`).join('; ')}.
              </Txt>
            ) : null}
            {mode.restrictions.length ? (
              <Txt kind="small" tone="caution">
                ⚠ {mode.restrictions.map((each) => RESTRICTION_WORDS[each]).join(', ')}
              </Txt>
            ) : null}
          </View>
        );
      })}
      <Txt kind="small" tone="soft">
        ✓ real pixels only · ⚠ real pixels along the width, and of the area. Cropping later takes the same real pixels;
        a converter adds real ones and costs light.
      </Txt>
    </>
  );
}

const half = { flexGrow: 1, flexBasis: 140 } as const;

const useStyles = stylesOf((palette) => ({
  cell: { flex: 1, textAlign: 'right' },
  wideCell: { flex: 1.7 },
  readout: { gap: space.small, paddingBottom: space.medium },
  sensorBar: { height: 12, borderWidth: 1, borderColor: palette.ink, alignItems: 'center' },
  stripBar: { height: '100%', backgroundColor: palette.press },
  steps: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.large },
  step: { minWidth: 58 },
}));
