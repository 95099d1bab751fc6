import { useWindowDimensions } from 'react-native';
import { formatFigures, formatFixed, formatRatio } from '@/core/quantity/format';
import { quantityText, showFNumber } from '@/core/quantity/quantityText';
import { useInHand } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { ApertureChart } from '@/ui/chart/ApertureChart';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { TakeDrawing } from '@/ui/take/TakeDrawing';
import { NearDock } from '../NearControls';
import { NearPage, type NearPageParts } from './NearPage';

/** Detail and depth against the f-number. */
export default function AperturePage() {
  return <NearPage title="Which f-number">{(parts) => <Aperture {...parts} />}</NearPage>;
}

function Aperture({ situation, system, reading }: NearPageParts) {
  const units = usePreferences((state) => state.units);
  const setNearFNumber = useInHand((state) => state.setNearFNumber);
  const { width } = useWindowDimensions();
  if (!reading) return null;
  const { curve } = reading;
  const drawn = Math.min(width - 2 * space.page - (width >= WIDE_FROM ? 84 : 0), 828);
  const set = reading.setFNumber.value;
  const best = curve.best.fNumber;
  if (curve.points.length < 2) return <Txt>These optics have one aperture: nothing to choose.</Txt>;
  return (
    <>
      <Txt>
        {curve.enough
          ? `At ${formatRatio(reading.ratio.value)} stop down to ${showFNumber(best)}: ${formatFigures(curve.best.depthMm, 2)} mm deep, and ${situation.output.name} still gets its ${quantityText(reading.neededPixels, 'metric')} on ${situation.subject.name}.`
          : `At ${formatRatio(reading.ratio.value)} no f-number gives ${situation.output.name} its ${quantityText(reading.neededPixels, 'metric')}. ${showFNumber(curve.sharpest.fNumber)} resolves most.`}
      </Txt>
      <TakeDrawing title="Detail and depth against the f-number">
        <ApertureChart
          points={curve.points}
          needed={reading.neededPixels.value}
          neededName={situation.output.name}
          setFNumber={set}
          bestFNumber={best}
          width={drawn}
          height={width >= WIDE_FROM ? 360 : 300}
          description={`Pixels that count and depth against the f-number; set to ${showFNumber(set)}, best ${showFNumber(best)}.`}
        />
      </TakeDrawing>
      <NearDock now={{ situation, system, reading, problem: null }} />
      <Key
        title={`Set ${showFNumber(best)}`}
        onPress={() => setNearFNumber(best)}
        disabled={Math.abs(best / set - 1) < 0.01}
        why="it is set"
      />
      <Table
        label="Detail and depth at each f-number"
        heads={['f-number', 'Pixels', 'Detail, µm', 'Depth, mm']}
        rows={curve.points
          .filter((point, i) => i % 3 === 0 || point.fNumber === best || point.fNumber === set)
          .map((point) => ({
            key: String(point.fNumber),
            strong: point.fNumber === best,
            cells: [
              `${showFNumber(point.fNumber)}${point.fNumber === best ? ' ●' : ''}`,
              formatFixed(point.counted),
              formatFigures(point.smallestDetailUm, 2),
              formatFigures(point.depthMm, 2),
            ],
          }))}
      />
      <Txt kind="small" tone="soft">
        {`Depth by ${reading.cocMm.why.name.toLowerCase()}, ${quantityText(reading.cocMm, units)}. The working f-number is ${formatFigures(reading.workingFNumber.value / set, 3)} times the one on the lens.`}
      </Txt>
    </>
  );
}
