import { useState } from 'react';
import { View } from 'react-native';
import { systemResponse } from '@/core/detail/response';
import type { FoundOf } from '@/core/measure/benchTalk';
import type { EdgeFound, EdgeWarning } from '@/core/measure/edge/measureEdge';
import { edgeMeans } from '@/core/measure/means/edgeMeans';
import { formatFigures } from '@/core/quantity/format';
import { quantityText } from '@/core/quantity/quantityText';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { askPicture, setEnds, type BenchPicture } from '@/data/bench/pictures';
import { Key } from '@/ui/controls/Key';
import { DEFAULT_THRESHOLD as threshold } from '@/core/detail/detailLimit';
import { FigureList, type NamedFigure } from '@/ui/FigureRow';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { ResponseChart } from '@/ui/chart/ResponseChart';
import { space } from '@/ui/theme/measures';
import { firstEnds } from './Questions';
import { curveOf, partsOfPicture, placeOf, useOtherCurves } from './edgeOfPicture';
import { frameBetween } from './frameBetween';
import { Told } from './Told';
import { UseSharpness } from './UseSharpness';
import type { TakenWith } from './useTakenWith';

const WARNINGS: Record<EdgeWarning, string> = {
  sharpened: 'The picture was sharpened: this measures the sharpening, not the lens. Bring a raw file, or one without.',
  clipped: 'Part of it is black or as bright as the file goes: expose for the middle.',
  angle: 'It stands along the pixels, or at a simple slope: tilt it by 5 to 12°.',
  empty: 'Its slope leaves gaps between the pixels: tilt it by 5 to 12°.',
  short: 'It is short: 60 px and more tell better.',
  bent: 'It is bent: the bend was taken off.',
  faint: 'Its two tones are near each other: the error is large.',
  narrow: 'Little is free beside it: leave 12 px and more on each side.',
};

interface Props {
  picture: BenchPicture;
  found: FoundOf['edge'];
  taken: TakenWith;
  units: UnitSystem;
  ask: (quantity: Quantity) => void;
}

/** How sharp an edge is, against what was predicted, and how sharp the others are. */
export function EdgeAnswer({ picture, found, taken, units, ask }: Props) {
  const [width, setWidth] = useState(0);
  const [edge] = found.edges as [EdgeFound];
  const { pitchUm } = taken;
  const others = useOtherCurves(picture, pitchUm !== null);
  const parts = partsOfPicture(picture, taken);
  const means = edgeMeans({ found: edge, pitchUm, parts, threshold });
  const perMm = pitchUm ? 1000 / pitchUm.value : 1;
  const unit = pitchUm ? 'lp/mm' : 'cycles a pixel';
  const points = curveOf(edge, perMm);
  const figures: NamedFigure[] = [
    { name: 'Detail limit', quantity: means.limit },
    { name: '20 % left at', quantity: means.fifth },
    { name: '10 % left at', quantity: means.tenth },
    { name: 'Expected at half', quantity: means.predictedHalf },
    { name: 'Measured against expected', quantity: means.offPercent },
    { name: 'The lens alone, at half', quantity: means.lens50 },
  ];
  return (
    <View style={{ gap: space.page }}>
      {means.half ? (
        <Told
          label="Half of the contrast is left at"
          quantity={means.half}
          units={units}
          onWhy={() => ask(means.half!)}
          sentence={sentenceOf(edge, found.edges.length)}
        />
      ) : (
        <Txt role="status">More than half of the contrast is left as far as pixels can tell.</Txt>
      )}
      {edge.warnings.map((warning) => (
        <Txt key={warning} tone="caution">{`⚠ ${WARNINGS[warning]}`}</Txt>
      ))}
      <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)} testID="edge-chart">
        {width > 0 ? (
          <ResponseChart
            measured={{ points, name: 'measured', errors: edge.mtfError }}
            predicted={
              parts && {
                points: points.map(([frequency]): [number, number] => [frequency, systemResponse(frequency, parts)]),
                name: 'predicted',
              }
            }
            others={others}
            threshold={threshold}
            nyquist={0.5 * perMm}
            unit={unit}
            width={width}
            height={width > 500 ? 280 : 220}
            description={`Contrast kept against fineness; ${means.half ? `half at ${quantityText(means.half, units)}` : 'never half'}${means.predictedHalf ? `, predicted ${quantityText(means.predictedHalf, units)}` : ''}.`}
          />
        ) : null}
        {others.length ? (
          <Txt kind="fine" tone="soft" testID="other-curves">
            {`Thin: ${others.map(({ mark, name, half }) => `${mark} ${name}${half === null ? '' : `, half at ${formatFigures(half, 3)}`}`).join(' · ')}.`}
          </Txt>
        ) : null}
        {parts ? (
          <Txt kind="fine" tone="soft">
            {`Strong: measured, with its error. Dashed: predicted for ${taken.setupRow?.data.name} at f/${formatFigures(parts.workingFNumber, 2)}.`}
          </Txt>
        ) : null}
      </View>
      <FigureList figures={figures} units={units} ask={ask} />
      {means.lens50 && isSure(means.lens50) ? (
        <UseSharpness
          taken={taken}
          lens50={means.lens50}
          place={placeOf(edge, picture)}
          fNumber={picture.tags?.fNumber}
        />
      ) : null}
      <FrameKey picture={picture} />
      <Colours found={found} perMm={perMm} unit={unit} />
      <Fields found={found} picture={picture} perMm={perMm} unit={unit} />
    </View>
  );
}

/** A lens is offered what is known to better than this share. */
const SURE = 0.3;
const isSure = ({ value, plusMinus = 0 }: Quantity): boolean => plusMinus < SURE * value;

const sentenceOf = (edge: EdgeFound, count: number): string =>
  `By an edge of ${formatFigures(edge.lengthPx, 3)} px that lies at ${formatFigures(edge.edgeDeg, 3)}°${count > 1 ? `, the surest of ${count}` : ''}.`;

const frequencyText = (frequency: EdgeFound['mtf50'] | undefined, perMm: number): string =>
  frequency ? `${formatFigures(frequency.value * perMm, 3)} ± ${formatFigures(frequency.plusMinus * perMm, 1)}` : '–';

/** Looks for edges between two handles only, or in all of the picture again. */
function FrameKey({ picture }: { picture: BenchPicture }) {
  const { id, opened, question } = picture;
  if (!opened) return null;
  const framed = question?.measure === 'edge' && question.frame !== undefined;
  const frameIt = () => {
    const ends = firstEnds(opened);
    const [[x0], [x1]] = ends;
    const corners: typeof ends = [
      [x0, Math.round(opened.height / 3)],
      [x1, Math.round((2 * opened.height) / 3)],
    ];
    setEnds(id, corners);
    void askPicture(id, { measure: 'edge', frame: frameBetween(corners) });
  };
  return (
    <Key
      title={framed ? 'Look in all of the picture' : 'Look only in a part'}
      icon={framed ? 'fullscreen' : 'crop'}
      weight="plain"
      onPress={() => (framed ? void askPicture(id, { measure: 'edge' }) : frameIt())}
      testID="frame-edge"
    />
  );
}

/** Of a raw file: the same edge in each colour, on the pixels of that colour alone. */
function Colours({ found, perMm, unit }: { found: FoundOf['edge']; perMm: number; unit: string }) {
  const colours = found.colours?.[0];
  if (!colours) return null;
  return (
    <Table
      label="The same edge, colour by colour"
      heads={['Colour', `Half, ${unit}`, `10 %, ${unit}`]}
      rows={(['red', 'green', 'blue'] as const).map((name) => ({
        key: name,
        cells: [name, frequencyText(colours[name]?.mtf50, perMm), frequencyText(colours[name]?.mtf10, perMm)],
      }))}
    />
  );
}

interface FieldsProps {
  found: FoundOf['edge'];
  picture: BenchPicture;
  perMm: number;
  unit: string;
}

const MOST_FIELDS = 12;

/** All edges of a chart, from its middle to its corners. */
function Fields({ found, picture, perMm, unit }: FieldsProps) {
  if (found.edges.length < 2) return null;
  const rows = found.edges
    .filter(({ mtf50 }) => mtf50)
    .slice(0, MOST_FIELDS)
    .map((edge, k) => ({ edge, k, where: placeOf(edge, picture) }))
    .sort((a, b) => a.where.share - b.where.share);
  return (
    <Table
      label="All edges, from the middle outwards"
      heads={['Where', `Half, ${unit}`, 'Direction']}
      rows={rows.map(({ edge, k, where }) => ({
        key: String(k),
        strong: k === 0,
        cells: [
          `${where.name}${edge.warnings.length ? ' ⚠' : ''}`,
          frequencyText(edge.mtf50, perMm),
          `${formatFigures(edge.edgeDeg, 3)}°`,
        ],
      }))}
    />
  );
}
