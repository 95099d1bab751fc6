import { View } from 'react-native';
import { Txt } from './Txt';
import { TakeTable } from './take/TakeTable';
import { space } from './theme/measures';
import { stylesOf } from './theme/theme';

interface Props {
  label: string;
  /** Heads of the columns; the first names the rows. */
  heads: string[];
  rows: { key: string; cells: Cell[]; strong?: boolean }[];
  /** Whether a key takes it along as CSV; not where the page saves a longer one itself. */
  takes?: boolean;
  /** What holds for all of it, in the file: a column each. */
  facts?: Readonly<Record<string, string>> | undefined;
}

/** What stands in a cell; with a tone where it is to be minded. */
type Cell = string | { text: string; tone: 'caution' | 'needle' };

const textOf = (cell: Cell): string => (typeof cell === 'string' ? cell : cell.text);

/** A small table of words and figures. The first column names the row and is wider. */
export function Table({ label, heads, rows, takes = true, facts }: Props) {
  const styles = useStyles();
  return (
    <View>
      <View role="table" aria-label={label}>
        <View role="row" style={styles.heads}>
          {heads.map((head, i) => (
            <Txt key={head} kind="fine" tone="soft" role="columnheader" style={i === 0 ? styles.first : styles.cell}>
              {head}
            </Txt>
          ))}
        </View>
        {rows.map((row) => (
          <View key={row.key} role="row" style={styles.row}>
            {row.cells.map((cell, i) => (
              <Txt
                key={heads[i]}
                tone={typeof cell === 'string' ? 'ink' : cell.tone}
                kind={row.strong ? 'strong' : 'small'}
                role={i === 0 ? 'rowheader' : 'cell'}
                style={i === 0 ? styles.first : styles.cell}
              >
                {textOf(cell)}
              </Txt>
            ))}
          </View>
        ))}
      </View>
      {takes ? (
        <TakeTable title={label} heads={heads} rows={rows.map((row) => row.cells.map(textOf))} facts={facts} />
      ) : null}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  heads: {
    flexDirection: 'row',
    gap: space.small,
    borderBottomWidth: 2,
    borderColor: palette.ink,
    paddingBottom: space.small,
    alignItems: 'flex-end',
  },
  row: {
    flexDirection: 'row',
    gap: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
    paddingVertical: space.small,
    alignItems: 'baseline',
  },
  first: { flex: 1.4 },
  cell: { flex: 1, textAlign: 'right' },
}));
