import { View } from 'react-native';
import type { EdgeFound } from '@/core/measure/edge/measureEdge';
import { fNumberSeries } from '@/core/measure/means/fNumberSeries';
import { formatFigures } from '@/core/quantity/format';
import { askPicture, type BenchPicture } from '@/data/bench/pictures';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

/** The same edge at several f-numbers: which is sharpest, and where diffraction takes over. */
export function EdgeSeries({ pictures, pitchUm }: { pictures: BenchPicture[]; pitchUm: number | null }) {
  const known = pictures.filter(({ tags }) => tags?.fNumber);
  const measured = known.flatMap(({ found, tags }) => {
    const half = found?.measure === 'edge' ? (found.value.edges[0] as EdgeFound).mtf50 : null;
    return half ? [{ fNumber: tags!.fNumber!, half }] : [];
  });
  const series = fNumberSeries(measured, pitchUm);
  const perMm = pitchUm ? 1000 / pitchUm : 1;
  return (
    <View style={{ gap: space.medium }}>
      <Txt kind="strong">Which f-number is sharpest?</Txt>
      <Txt kind="small" tone="soft">
        Pictures of one slanted edge at several f-numbers, each focused with care.
      </Txt>
      <Key
        title={`Measure the edge in all ${known.length}`}
        disabled={known.length < 2}
        why="At least two of them must say their f-number."
        onPress={() => known.forEach(({ id }) => void askPicture(id, { measure: 'edge' }))}
        testID="ask-edges"
      />
      {series ? (
        <>
          <Table
            label="Sharpness by f-number"
            heads={['f-number', pitchUm ? 'Half, lp/mm' : 'Half, cycles/px', 'Of diffraction’s limit']}
            rows={series.points.map(({ fNumber, half, ofLimit }) => ({
              key: String(fNumber),
              strong: fNumber === series.best.fNumber,
              cells: [
                `f/${formatFigures(fNumber, 2)}${fNumber === series.best.fNumber ? ' ●' : ''}`,
                `${formatFigures(half.value * perMm, 3)} ± ${formatFigures(half.plusMinus * perMm, 1)}`,
                ofLimit === null ? '–' : `${formatFigures(100 * ofLimit, 2)} %`,
              ],
            }))}
          />
          <Txt testID="edge-series">{series.sentence}</Txt>
        </>
      ) : null}
    </View>
  );
}
