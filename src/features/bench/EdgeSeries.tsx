import { useMemo } from 'react';
import { View } from 'react-native';
import type { EdgeFound } from '@/core/measure/edge/measureEdge';
import { lensAlone } from '@/core/measure/means/edgeMeans';
import { fNumberSeries } from '@/core/measure/means/fNumberSeries';
import { formatFigures } from '@/core/quantity/format';
import { askPicture, type BenchPicture } from '@/data/bench/pictures';
import { useNotice } from '@/data/notice';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { partsOfPicture, placeOf } from './edgeOfPicture';
import { CORNER, type LensMeasured } from './sharpnessOfLens';
import { giveLens, lensOf } from './useLens';
import { useAllTakenWith, type TakenAlone, type TakenWith } from './useTakenWith';

/**
 * What each picture taken with a lens tells of it alone; of those at one f-number and focal length the sharpest, as the others
 * were focused worse.
 */
function lensMeasured(
  pictures: readonly BenchPicture[],
  taken: readonly TakenAlone[],
  lensId: string | undefined,
): LensMeasured[] {
  const best = new Map<string, LensMeasured>();
  for (const [i, picture] of pictures.entries()) {
    const fNumber = picture.tags?.fNumber;
    const [with_, edge] = [taken[i]!, picture.found?.measure === 'edge' ? picture.found.value.edges[0] : undefined];
    const parts = partsOfPicture(picture, with_);
    if (!edge || !parts || !fNumber || !with_.system || lensOf(with_)?.row.id !== lensId) continue;
    const alone = lensAlone(edge, parts);
    const key = `${fNumber} ${with_.system.markedFocalMm}`;
    if (!alone || alone.value <= (best.get(key)?.lpPerMm ?? 0)) continue;
    best.set(key, {
      focalMm: with_.system.markedFocalMm,
      fNumber,
      lpPerMm: alone.value,
      plusMinus: alone.plusMinus,
      corner: placeOf(edge, picture).share > CORNER,
    });
  }
  return [...best.values()].sort((a, b) => a.fNumber - b.fNumber);
}

const lensText = (found: LensMeasured | undefined): string =>
  found ? `${formatFigures(found.lpPerMm, 3)} ± ${formatFigures(found.plusMinus, 1)}` : '–';

/** Gives the lens all that the series told of it. */
function GiveAll({ taken, lens }: { taken: TakenWith; lens: LensMeasured[] }) {
  const show = useNotice((state) => state.show);
  const found = lensOf(taken);
  if (!found || !lens.length) return null;
  const give = () => {
    giveLens(found.row, found.lens, lens);
    show({ text: `${found.lens.name} is reckoned with what was measured at ${lens.length} f-numbers.` });
  };
  return (
    <Key
      title={`Use them for ${found.lens.name}`}
      icon="check"
      weight="strong"
      disabled={!found.alone}
      why="A converter or a lens in front had its share: take it off to measure the lens alone."
      onPress={give}
      testID="use-series"
    />
  );
}

/** The same edge at several f-numbers: which is sharpest, and where diffraction takes over. */
export function EdgeSeries({ pictures, taken }: { pictures: BenchPicture[]; taken: TakenWith }) {
  const pitchUm = taken.pitchUm?.value ?? null;
  const known = useMemo(() => pictures.filter(({ tags }) => tags?.fNumber), [pictures]);
  const measured = known.flatMap(({ found, tags }) => {
    const half = found?.measure === 'edge' ? (found.value.edges[0] as EdgeFound).mtf50 : null;
    return half ? [{ fNumber: tags!.fNumber!, half }] : [];
  });
  const series = fNumberSeries(measured, pitchUm);
  const lens = lensMeasured(known, useAllTakenWith(known), lensOf(taken)?.row.id);
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
            heads={[
              'f-number',
              pitchUm ? 'Half, lp/mm' : 'Half, cycles/px',
              'Of diffraction’s limit',
              'Lens alone, lp/mm',
            ]}
            rows={series.points.map(({ fNumber, half, ofLimit }) => ({
              key: String(fNumber),
              strong: fNumber === series.best.fNumber,
              cells: [
                `f/${formatFigures(fNumber, 2)}${fNumber === series.best.fNumber ? ' ●' : ''}`,
                `${formatFigures(half.value * perMm, 3)} ± ${formatFigures(half.plusMinus * perMm, 1)}`,
                ofLimit === null ? '–' : `${formatFigures(100 * ofLimit, 2)} %`,
                lensText(lens.find((each) => each.fNumber === fNumber)),
              ],
            }))}
          />
          <Txt testID="edge-series">{series.sentence}</Txt>
          <GiveAll taken={taken} lens={lens} />
        </>
      ) : null}
    </View>
  );
}
