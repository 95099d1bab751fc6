import { useMemo } from 'react';
import { useWindowDimensions } from 'react-native';
import { readStars } from '@/core/sky/readStars';
import { planStrokes } from '@/core/sky/strokes';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { useSky } from '@/data/inHand';
import { Txt } from '@/ui/Txt';
import { FieldRow } from '@/ui/controls/FieldRow';
import { NumberField } from '@/ui/controls/NumberField';
import { StarField } from '@/ui/finder/StarField';
import { TakeDrawing } from '@/ui/take/TakeDrawing';
import { SkyPage } from '../SkyPage';
import { starWays, useLensRecord } from '../skyWays';
import { strokesOf } from '../starDrawing';
import { secondsText } from '../starWords';
import type { SkyDesk } from '../useSkyDesk';

/** Strokes that are wanted: many exposures for an arc about the pole. */
export default function StrokesPage() {
  return <SkyPage title="Wanted strokes">{(desk) => <Strokes desk={desk} />}</SkyPage>;
}

const duration = (seconds: number): string =>
  seconds >= 3600
    ? `${Math.floor(seconds / 3600)}\u202fh ${formatFixed((seconds % 3600) / 60)}\u202fmin`
    : `${formatFigures(seconds / 60, 2)}\u202fmin`;

function Strokes({ desk }: { desk: Extract<SkyDesk, { status: 'ready' }> }) {
  const sky = useSky();
  const { height } = useWindowDimensions();
  const { situation, system } = desk;
  const record = useLensRecord(situation, system.markedFocalMm);
  const reading = useMemo(
    () => readStars({ system, output: situation.output, ...starWays(sky, record) }),
    [system, situation.output, sky, record],
  );
  const { arcDeg, exposureS, gapS, batteryMin } = sky.strokes;
  const plan = planStrokes({ arcDeg, exposureS, gapS, fileSizeMb: system.fileSizeMb, batteryMin });
  const set = (change: Partial<typeof sky.strokes>) => sky.set({ strokes: { ...sky.strokes, ...change } });
  const strokes = strokesOf(reading, system.used.widthMm, system.used.heightMm, plan.totalS);
  return (
    <>
      <TakeDrawing title="Strokes about the pole">
        <StarField
          widthMm={system.used.widthMm}
          heightMm={system.used.heightMm}
          strokes={strokes}
          worst={reading.worst}
          maxHeight={height * 0.4}
          description={`The frame after ${duration(plan.totalS)}: strokes of ${formatFigures(arcDeg, 3)} degrees about the pole.`}
        />
      </TakeDrawing>
      <FieldRow>
        <NumberField
          label="Arc about the pole"
          value={arcDeg}
          unit="none"
          shownUnit="°"
          minimum={0.1}
          maximum={180}
          onChange={(value) => value !== null && set({ arcDeg: value })}
          testID="arc-field"
        />
        <NumberField
          label="One exposure"
          value={exposureS}
          unit="none"
          shownUnit="s"
          minimum={1}
          maximum={3600}
          onChange={(value) => value !== null && set({ exposureS: value })}
        />
        <NumberField
          label="Gap between two"
          value={gapS}
          unit="none"
          shownUnit="s"
          minimum={0}
          maximum={600}
          onChange={(value) => value !== null && set({ gapS: value })}
        />
        <NumberField
          label="One battery lasts about"
          value={batteryMin}
          unit="none"
          shownUnit="min"
          minimum={1}
          maximum={3000}
          onChange={(value) => value !== null && set({ batteryMin: value })}
        />
      </FieldRow>
      <Txt kind="title" level={2} testID="strokes-plan">
        {`${formatFixed(plan.frames)} pictures of ${secondsText(exposureS)} in ${duration(plan.totalS)}`}
      </Txt>
      <Txt>
        {[
          plan.cardMb === undefined
            ? 'Enter the file size of the body in the kit to know the card.'
            : `${plan.cardMb >= 1000 ? `${formatFigures(plan.cardMb / 1000, 3)}\u202fGB` : `${formatFixed(plan.cardMb)}\u202fMB`} on the card.`,
          `About ${formatFixed(plan.batteries ?? 1)} ${plan.batteries === 1 ? 'battery' : 'batteries'}, an estimate: cold takes a third or more.`,
          plan.gapShare > 0.05
            ? `The gaps are ${formatFigures(plan.gapShare * 100, 2)}\u202f% of a stroke: shorten them, or they show as dashes.`
            : `The gaps, ${formatFigures(plan.gapShare * 100, 2)}\u202f% of a stroke, close when stacked.`,
        ].join(' ')}
      </Txt>
      <Txt kind="small" tone="caution">
        ⚠ You will stand there for {duration(plan.totalS)}: mind tide, cold and battery, keep to paths you know, and
        tell someone.
      </Txt>
    </>
  );
}
