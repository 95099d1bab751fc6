import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Ratio } from '@/contract/schemas/ratio';
import {
  RULER_PLUS_MINUS_MM,
  impliedByTubesMm,
  impliedFocalMm,
  measureByMarks,
  measureByRuler,
} from '@/core/near/measureRatio';
import { tubesLengthMm } from '@/core/chain/kinds/tubes';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatRatio } from '@/core/quantity/format';
import { measuredWith } from '@/data/chainLinks';
import { createRow, removeRow } from '@/data/rowActions';
import { PageLinks } from '@/ui/PageLinks';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { NearPage, type NearPageParts } from './NearPage';

const METHODS = [
  { value: 'ruler', name: 'Ruler across the frame', gloss: 'zero at the left edge' },
  { value: 'marks', name: 'Two marks', gloss: 'pixels between them' },
] as const;
const ENDS = [
  { value: 'closest', name: 'Lens at its closest' },
  { value: 'infinity', name: 'Lens at infinity' },
] as const;

/** Measures the ratio of the chain in hand; the measurement takes the place of the estimate from then on. */
export default function MeasurePage() {
  return (
    <NearPage title="Measure the ratio" worksWithout>
      {(parts) => <Measure {...parts} />}
    </NearPage>
  );
}

/** Focal length the measurement implies, where the thin lens can tell. */
function impliedText(
  system: EffectiveSystem,
  ratio: number,
  distanceM: number | null,
  at: 'closest' | 'infinity',
): string {
  const { lens, optics, arrangement } = system;
  const tubes = arrangement.back.reduce((sum, part) => sum + (part.kind === 'tubes' ? tubesLengthMm(part) : 0), 0);
  const only = arrangement.front.length === 0 && !arrangement.reversed && optics.state.factor === 1;
  if (distanceM !== null)
    return `With ${formatFigures(distanceM, 3)} m from sensor to ruler a thin lens would have ${formatFigures(impliedFocalMm(ratio, distanceM * 1000), 3)} mm of focal length there.`;
  if (only && tubes === 0 && at === 'closest' && lens.closestFocusM !== undefined)
    return `At its closest focus of ${formatFigures(lens.closestFocusM, 3)} m that means ${formatFigures(impliedFocalMm(ratio, lens.closestFocusM * 1000), 3)} mm of focal length there, against ${formatFigures(system.markedFocalMm, 3)} mm engraved.`;
  const bare = at === 'infinity' ? 0 : lens.closestRatio;
  const implied = only && tubes > 0 && bare !== undefined ? impliedByTubesMm(ratio, bare, tubes) : null;
  return implied === null
    ? ''
    : `The tubes of ${formatFigures(tubes, 3)} mm then mean ${formatFigures(implied, 3)} mm of focal length there.`;
}

function Measure({ situation, system, kit }: NearPageParts) {
  const router = useRouter();
  const [method, setMethod] = useState<Ratio['method']>('ruler');
  const [at, setAt] = useState<Ratio['at']>('closest');
  const [visibleMm, setVisible] = useState<number | null>(null);
  const [readingError, setReadingError] = useState(RULER_PLUS_MINUS_MM);
  const [pixels, setPixels] = useState<number | null>(null);
  const [realMm, setReal] = useState<number | null>(null);
  const [distanceM, setDistance] = useState<number | null>(null);
  const frameWidthMm = system.used.widthMm;
  const pitchUm = system.pitchUm.value;
  const found =
    method === 'ruler'
      ? visibleMm === null
        ? null
        : measureByRuler(frameWidthMm, visibleMm, readingError)
      : pixels === null || realMm === null
        ? null
        : measureByMarks(pixels, pitchUm, realMm);
  const estimate = at === 'closest' ? system.ratioAtClosest : system.ratioAtInfinity;
  const names = system.chain.map((part) => part.name).join(' + ');
  const kept = kit.ratios.filter((row) => measuredWith(situation.links, [row]).length > 0);
  const save = () => {
    if (!found?.ok) return;
    const { ratio, plusMinus } = found.value;
    createRow('ratios', {
      name: names.slice(0, 240),
      chain: situation.links,
      ...(system.lens.focalTeleMm > system.lens.focalWideMm ? { focalMm: system.markedFocalMm } : {}),
      at,
      method,
      ...(method === 'ruler'
        ? { frameWidthMm, visibleMm: visibleMm!, visiblePlusMinusMm: readingError }
        : { pixels: pixels!, pitchUm, realMm: realMm! }),
      ...(distanceM === null ? {} : { distanceM }),
      ratio,
      plusMinus,
      measuredAt: new Date().toISOString(),
    });
    router.push('/near' as Href);
  };
  return (
    <>
      <Txt>
        {names}
        {system.lens.focalTeleMm > system.lens.focalWideMm ? ` at ${formatFigures(system.markedFocalMm, 3)} mm` : ''}
      </Txt>
      <Txt kind="small" tone="soft">
        Turn the lens to the end named below, move the camera until a millimetre ruler is sharp, and take a picture
        square on. Measuring beats every reckoning: where the principal planes lie is not published.
      </Txt>
      <PageLinks
        label="Measure it from the picture"
        pages={[
          {
            href: '/bench',
            name: 'Let the picture tell',
            gloss: 'the bench finds the ticks by itself, far finer than by eye',
          },
        ]}
      />
      <Choice label="End of the lens’s own focus" options={ENDS} value={at} onChange={setAt} />
      <Choice label="How" options={METHODS} value={method} onChange={setMethod} />
      {method === 'ruler' ? (
        <>
          <NumberField
            label={`Millimetres seen across the frame (${system.mode.name}, ${formatFigures(frameWidthMm, 3)} mm wide)`}
            value={visibleMm}
            unit="mm"
            shownUnit="mm"
            minimum={0.01}
            maximum={10_000}
            optional
            onChange={setVisible}
            testID="visible-field"
          />
          <NumberField
            label="Read to within"
            value={readingError}
            unit="mm"
            shownUnit="mm"
            minimum={0.001}
            maximum={100}
            onChange={(value) => value !== null && setReadingError(value)}
          />
        </>
      ) : (
        <>
          <NumberField
            label="Pixels between the marks, picture at full size"
            value={pixels}
            unit="none"
            shownUnit="px"
            minimum={1}
            maximum={1e6}
            optional
            onChange={setPixels}
          />
          <NumberField
            label="Real distance between the marks"
            value={realMm}
            unit="mm"
            shownUnit="mm"
            minimum={0.001}
            maximum={10_000}
            optional
            onChange={setReal}
          />
        </>
      )}
      <NumberField
        label="Sensor to ruler, if you measured it too"
        value={distanceM}
        unit="m"
        shownUnit="m"
        minimum={0.01}
        maximum={100}
        optional
        onChange={setDistance}
      />
      {found && !found.ok ? (
        <Txt tone="needle" role="alert">
          {found.problem.message}
        </Txt>
      ) : null}
      {found?.ok ? (
        <View role="status" style={{ gap: space.small }} testID="measured">
          <Txt kind="large">{formatRatio(found.value.ratio)}</Txt>
          <Txt>
            {`± ${formatFigures((found.value.plusMinus / found.value.ratio) * 100, 2)} %${found.value.nominal === undefined ? ', too fine a reading for a round ratio' : `; the round ratio ${formatRatio(found.value.nominal)} lies within it`}.`}
            {estimate
              ? ` By reckoning ${formatRatio(estimate.value)}: ${formatFigures((found.value.ratio / estimate.value - 1) * 100, 2)} % off.`
              : ''}
          </Txt>
          <Txt kind="small" tone="soft">
            {impliedText(system, found.value.ratio, distanceM, at)}
          </Txt>
        </View>
      ) : null}
      <Key
        title="Use this ratio for this chain"
        weight="strong"
        onPress={save}
        disabled={!found?.ok}
        why="needs two readings of the ruler"
      />
      {kept.length ? (
        <View role="list" aria-label="Measured with this chain">
          <Txt kind="title" level={2}>
            Measured with this chain
          </Txt>
          {kept.map((row) => (
            <View
              key={row.id}
              role="listitem"
              style={{ flexDirection: 'row', alignItems: 'center', gap: space.medium }}
            >
              <Txt style={{ flex: 1 }}>
                {`${formatRatio(row.data.ratio)} ± ${formatFigures((row.data.plusMinus / row.data.ratio) * 100, 2)} %, ${row.data.at === 'closest' ? 'at its closest' : 'at infinity'}, ${row.data.measuredAt.slice(0, 10)}`}
              </Txt>
              <Key
                title="Forget it"
                icon="delete-outline"
                iconOnly
                weight="plain"
                onPress={() => removeRow('ratios', row, formatRatio(row.data.ratio))}
              />
            </View>
          ))}
        </View>
      ) : null}
    </>
  );
}
