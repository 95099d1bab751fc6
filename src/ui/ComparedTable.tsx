import { View } from 'react-native';
import { Txt } from './Txt';
import { TakeTable } from './take/TakeTable';
import { space } from './theme/measures';
import { stylesOf } from './theme/theme';

/** What is compared, with the letter it has on a scale or a drawing. */
export interface ComparedColumn {
  key: string;
  letter: string;
  name: string;
}

/** One thing compared: its value for each column, and which of them is plainly the best. */
export interface ComparedLine {
  name: string;
  values: string[];
  best?: number | undefined;
}

interface Props {
  label: string;
  columns: readonly ComparedColumn[];
  rows: readonly ComparedLine[];
  /** What holds for all of it, in the file: a column each. */
  facts?: Readonly<Record<string, string>> | undefined;
}

/** Things beside each other: one column each, every line headed by its name, so that four fit on a phone. */
export function ComparedTable({ label, columns, rows, facts }: Props) {
  const styles = useStyles();
  return (
    <View>
      <View role="table" aria-label={label}>
        <View role="row" style={styles.names}>
          {columns.map(({ key, letter, name }) => (
            <View key={key} role="columnheader" style={styles.cell}>
              <Txt kind="strong">
                <Txt kind="strong" tone="press">
                  {letter}
                </Txt>
                {` ${name}`}
              </Txt>
            </View>
          ))}
        </View>
        {rows.map((row) => (
          <View key={row.name} role="row" style={styles.row}>
            <Txt kind="fine" tone="soft" role="rowheader">
              {row.name}
            </Txt>
            <View style={styles.values}>
              {row.values.map((value, i) => (
                <View key={columns[i]?.key ?? i} role="cell" style={styles.cell}>
                  <Txt kind={row.best === i ? 'strong' : 'small'}>
                    {value}
                    {row.best === i ? (
                      <Txt kind="fine" tone="press">
                        {'  ◆'}
                      </Txt>
                    ) : null}
                  </Txt>
                </View>
              ))}
            </View>
          </View>
        ))}
      </View>
      <TakeTable
        title={label}
        // One row for each of them, so that a column holds values of one kind.
        heads={['Name', ...rows.map(({ name }) => name)]}
        rows={columns.map(({ letter, name }, i) => [`${letter} ${name}`, ...rows.map(({ values }) => values[i] ?? '')])}
        facts={facts}
      />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  names: {
    flexDirection: 'row',
    gap: space.medium,
    borderBottomWidth: 2,
    borderColor: palette.ink,
    paddingBottom: space.small,
  },
  row: { borderBottomWidth: 1, borderColor: palette.hairline, paddingVertical: space.small },
  values: { flexDirection: 'row', gap: space.medium },
  cell: { flex: 1, minWidth: 0 },
}));
