import { View } from 'react-native';
import type { FocalRow } from '@/core/kit/focalTable';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { showFNumber } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { Figure } from '@/ui/Figure';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

interface Props {
  system: EffectiveSystem;
  rows: FocalRow[];
  units: UnitSystem;
  onWhy: (name: string) => void;
}

/** What the chain becomes together: the numbers every desk reads, and how they run along a zoom. */
export function Together({ system, rows, units, onWhy }: Props) {
  const figure = (label: string, name: keyof EffectiveSystem) => {
    const quantity = system[name] as Quantity | undefined;
    return quantity ? (
      <Figure key={name} label={label} quantity={quantity} units={units} name={name} onWhy={onWhy} />
    ) : null;
  };
  return (
    <View style={{ gap: space.medium }}>
      <View style={row}>
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
        {figure('Largest ratio', 'ratioAtClosest')}
        {figure('Ratio at infinity setting', 'ratioAtInfinity')}
        {figure('Optics, 50 % frequency', 'lens50LpPerMm')}
        {figure('Weight', 'weightG')}
        {figure('Price', 'price')}
      </View>
      {rows.length > 1 ? <AlongTheZoom rows={rows} /> : null}
    </View>
  );
}

function AlongTheZoom({ rows }: { rows: FocalRow[] }) {
  const styles = useStyles();
  return (
    <Group title="Along the zoom" brief="focal length, f-number, equivalents, coverage">
      <View role="table" aria-label="The set-up along the zoom range">
        <View role="row" style={styles.line}>
          {['Set to', 'Acts as', 'Looks like', 'Covered'].map((head) => (
            <Txt key={head} kind="fine" tone="soft" role="columnheader" style={styles.cell}>
              {head}
            </Txt>
          ))}
        </View>
        {rows.map(({ markedFocalMm, system, coveredShare, cleanCropFactor }) => (
          <View key={markedFocalMm} role="row" style={styles.line}>
            <Txt kind="small" role="cell" style={styles.cell}>
              {formatFigures(markedFocalMm)} mm
            </Txt>
            <Txt kind="small" role="cell" style={styles.cell}>
              {formatFigures(system.focalMm.value)} {showFNumber(system.fNumber.value)}
            </Txt>
            <Txt kind="small" role="cell" style={styles.cell}>
              {formatFigures(system.equivalentFocalMm.value)} {showFNumber(system.equivalentFNumber.value)}
            </Txt>
            <Txt
              kind="small"
              tone={coveredShare !== undefined && coveredShare < 1 ? 'caution' : 'ink'}
              role="cell"
              style={styles.cell}
            >
              {coveredShare === undefined
                ? 'not known'
                : coveredShare >= 1
                  ? '✓ all'
                  : `⚠ ${formatFixed(coveredShare * 100)} %, clean from ×${formatFigures(cleanCropFactor ?? 1)}`}
            </Txt>
          </View>
        ))}
      </View>
    </Group>
  );
}

const row = { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.page, rowGap: space.small } as const;

const useStyles = stylesOf((palette) => ({
  line: {
    flexDirection: 'row',
    gap: space.medium,
    paddingVertical: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  cell: { flex: 1 },
}));
