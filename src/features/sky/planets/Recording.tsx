import { View } from 'react-native';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { rateOf } from '@/core/sky/capture';
import { useSky } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { FieldRow } from '@/ui/controls/FieldRow';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { LIMIT_WORDS, bytesText } from '../planetWords';
import { secondsText } from '../starWords';
import type { PlanetState } from './usePlanet';

interface Props {
  state: PlanetState;
  onWhy: (name: string) => void;
}

/** What a recording would be: frames, file, card, and what holds the rate down. */
export function Recording({ state: { order, capture, recorded, durationS }, onWhy }: Props) {
  const styles = useStyles();
  const units = usePreferences((preferences) => preferences.units);
  const cardGb = useSky((sky) => sky.cardGb);
  return (
    <View style={styles.block}>
      <Txt testID="capture">
        {`${formatFixed(capture.frames)} frames in ${secondsText(durationS)} at ${formatFigures(capture.framesPerSecond, 3)} frames/s, ${LIMIT_WORDS[capture.limit]}; window ${capture.columns} × ${capture.rows}${capture.fits ? '' : ', which cuts the disc'}, ${bytesText(capture.fileBytes)}; a ${formatFixed(cardGb)}\u202fGB card holds ${formatFigures(capture.cardMinutes, 2)}\u202fmin.`}
      </Txt>
      <FigureRow>
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
      </FigureRow>
      <RecordingSettings durationS={durationS} />
      <Windows order={order} capture={capture} />
      <Txt kind="small" tone="soft">
        Sizes are those of an open SER file: a header of 178 bytes, uncompressed frames, eight bytes of time for each.
      </Txt>
    </View>
  );
}

/** What is set for it. */
function RecordingSettings({ durationS }: { durationS: number }) {
  const sky = useSky();
  return (
    <>
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
          value={sky.blurPx}
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
    </>
  );
}

/** The windows the body reads out, and what holds each of them. */
function Windows({ order, capture }: Pick<PlanetState, 'order' | 'capture'>) {
  if (!order.body.readoutWindows?.length) return null;
  return (
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
  );
}

const useStyles = stylesOf(() => ({
  block: { gap: space.medium },
}));
