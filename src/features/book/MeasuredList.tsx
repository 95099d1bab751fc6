import { Image, View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import type { Measurement } from '@/contract/schemas/measurement';
import { showError, showQuantity } from '@/core/quantity/quantityText';
import { formatRatio } from '@/core/quantity/format';
import { measured, type Unit } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { usePreferences } from '@/data/preferences';
import { removeRow } from '@/data/rowActions';
import { useRows } from '@/data/useRows';
import { Guard } from '@/ui/Guard';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { whenText } from './whenText';

/** One kept number in words, with its error. */
function numberText({ name, value, unit, plusMinus }: Measurement['found'][number], units: UnitSystem): string {
  const quantity = measured(value, unit as Unit, () => ({ name, formula: '', inputs: [], source: 'kept' }), plusMinus);
  const shown = showQuantity(quantity, units);
  const text = unit === ':1' ? formatRatio(value) : `${shown.number}\u202f${shown.unit}`;
  return `${text} ${showError(quantity, units)}`.trim();
}

/** What was measured from pictures and kept, newest first. */
export function MeasuredList() {
  const { rows } = useRows('measurements');
  const sorted = [...rows].sort((a, b) => b.data.measuredAt.localeCompare(a.data.measuredAt));
  const styles = useStyles();
  if (sorted.length === 0) return null;
  return (
    <View style={styles.list}>
      <Txt kind="title" level={2}>
        Measured from pictures
      </Txt>
      <View role="list" aria-label="Measured from pictures">
        {sorted.map((row) => (
          <Guard key={row.id} what="This measurement" resetKeys={[row]}>
            <Line row={row} />
          </Guard>
        ))}
      </View>
    </View>
  );
}

function Line({ row }: { row: StoredOf<'measurements'> }) {
  const styles = useStyles();
  const units = usePreferences((state) => state.units);
  const { found, thumbnail, setupName, pictureName, measuredAt, byHand, simulated, note } = row.data;
  const [first, ...others] = found;
  const remarks = [byHand ? 'put right by hand' : '', simulated ? 'of a simulated picture' : ''].filter(Boolean);
  if (!first) return null;
  return (
    <View role="listitem" style={styles.line}>
      {thumbnail ? (
        <Image
          source={{ uri: thumbnail }}
          style={styles.small}
          role="img"
          aria-label={`Small copy of ${pictureName ?? 'the picture'}`}
        />
      ) : null}
      <View style={styles.words}>
        <Txt kind="small" tone="soft">
          {whenText(measuredAt)}
        </Txt>
        <Txt kind="strong">{`${first.name}: ${numberText(first, units)}`}</Txt>
        {others.length ? (
          <Txt kind="small">{others.map((each) => `${each.name} ${numberText(each, units)}`).join(' · ')}</Txt>
        ) : null}
        <Txt kind="small" tone="soft">
          {[setupName, pictureName, ...remarks].filter(Boolean).join(' · ')}
        </Txt>
        {note ? <Txt kind="small">{note}</Txt> : null}
      </View>
      <Key
        title={`Delete ${first.name.toLowerCase()} of ${whenText(measuredAt)}`}
        icon="delete-outline"
        iconOnly
        weight="plain"
        onPress={() => removeRow('measurements', row, first.name)}
      />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  list: { gap: space.small, paddingHorizontal: space.page, paddingVertical: space.wide },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    paddingVertical: space.medium,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  small: { width: 72, height: 54, borderWidth: 1, borderColor: palette.hairline },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 0 },
}));
