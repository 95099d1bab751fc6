import { useMemo } from 'react';
import { View } from 'react-native';
import type { FocalRow } from '@/core/kit/focalTable';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { ratioSpan } from '@/core/optics/ratioSpan';
import { formatFigures, formatFixed, formatRatio } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { showFNumber } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Group } from '@/ui/Group';
import { Table } from '@/ui/Table';
import { space } from '@/ui/theme/measures';

interface Props {
  system: EffectiveSystem;
  rows: FocalRow[];
  units: UnitSystem;
  onWhy: (what: string | Quantity) => void;
}

/** What the chain becomes together: the numbers every desk reads, and how they run along a zoom. */
export function Together({ system, rows, units, onWhy }: Props) {
  const span = useMemo(() => ratioSpan(system), [system]);
  const figure = (label: string, name: keyof EffectiveSystem) => {
    const quantity = system[name] as Quantity | undefined;
    return quantity ? (
      <Figure key={name} label={label} quantity={quantity} units={units} name={name} onWhy={onWhy} />
    ) : null;
  };
  return (
    <View style={{ gap: space.medium }}>
      <FigureRow>
        <Figure
          label="Focal length"
          quantity={system.focalMm}
          beside={showFNumber(system.fNumber.value)}
          units={units}
          name="focalMm"
          onWhy={onWhy}
          testID="together-focal"
        />
        <Figure
          label="Equivalent"
          quantity={system.equivalentFocalMm}
          beside={showFNumber(system.equivalentFNumber.value)}
          units={units}
          name="equivalentFocalMm"
          onWhy={onWhy}
          testID="together-equivalent"
        />
        {figure('Entrance pupil', 'entrancePupilMm')}
        {figure('Crop factor', 'cropFactor')}
        {figure('Crop factor × converters', 'systemCropFactor')}
        {figure('Image circle', 'imageCircleMm')}
        {figure('Closest focus', 'closestFocusM')}
        {figure('Farthest focus', 'farthestFocusM')}
        {figure(span ? 'Largest ratio as set' : 'Largest ratio', 'ratioAtClosest')}
        {span ? (
          <Figure
            label="Largest ratio of all settings"
            quantity={span.highest}
            beside={`smallest ${formatRatio(span.lowest.value)}`}
            units={units}
            name="ratioSpan"
            onWhy={() => onWhy(span.highest)}
          />
        ) : null}
        {figure('Ratio at infinity setting', 'ratioAtInfinity')}
        {figure('Optics, 50 % frequency', 'lens50LpPerMm')}
        {figure('Weight', 'weightG')}
        {figure('Price', 'price')}
      </FigureRow>
      {rows.length > 1 ? <AlongTheZoom rows={rows} /> : null}
    </View>
  );
}

/** How much of the frame the image circle covers. */
const coveredCell = ({ coveredShare, cleanCropFactor }: Pick<FocalRow, 'coveredShare' | 'cleanCropFactor'>) =>
  coveredShare === undefined
    ? 'not known'
    : coveredShare >= 1
      ? '✓ all'
      : ({
          text: `⚠ ${formatFixed(coveredShare * 100)} %, clean from ×${formatFigures(cleanCropFactor ?? 1)}`,
          tone: 'caution',
        } as const);

function AlongTheZoom({ rows }: { rows: FocalRow[] }) {
  return (
    <Group title="Along the zoom" brief="focal length, f-number, equivalents, coverage">
      <Table
        label="The set-up along the zoom range"
        heads={['Set to', 'Acts as', 'Looks like', 'Covered']}
        rows={rows.map(({ markedFocalMm, system, ...covered }) => ({
          key: String(markedFocalMm),
          cells: [
            `${formatFigures(markedFocalMm)} mm`,
            `${formatFigures(system.focalMm.value)} ${showFNumber(system.fNumber.value)}`,
            `${formatFigures(system.equivalentFocalMm.value)} ${showFNumber(system.equivalentFNumber.value)}`,
            coveredCell(covered),
          ],
        }))}
      />
    </Group>
  );
}
