import { Pressable, View } from 'react-native';
import { Txt } from '../Txt';
import { TakeTable } from '../take/TakeTable';
import { TARGET, space } from '../theme/measures';
import { stylesOf } from '../theme/theme';
import { rankOf, type BoardColumn, type BoardRow } from './boardTypes';

interface Props<T> {
  label: string;
  /** Head of the names. */
  nameHead: string;
  columns: readonly BoardColumn<T>[];
  rows: readonly BoardRow<T>[];
  /** The column it is sorted by; null: as the rows come. */
  sortedBy: string | null;
  onSort: (id: string) => void;
  openKey: string | null;
  onOpen: (key: string) => void;
}

/** The best of some ranks; none where all are alike. */
const bestRank = (ranks: number[]): number => {
  const [least, most] = [Math.min(...ranks), Math.max(...ranks)];
  return most > least ? most : NaN;
};

/** A table one can sort by pressing a head; a row opens, and the best of each column is marked. */
export function SortedTable<T>({ label, nameHead, columns, rows, sortedBy, onSort, openKey, onOpen }: Props<T>) {
  const styles = useStyles();
  const best = new Map(columns.map((column) => [column.id, bestRank(rows.map((row) => rankOf(column, row.of)))]));
  return (
    <View>
      <View role="table" aria-label={label}>
        <View role="row" style={styles.heads}>
          <Txt kind="fine" tone="soft" role="columnheader" style={styles.name}>
            {nameHead}
          </Txt>
          {columns.map(({ id, name, better }) => (
            <View
              key={id}
              role="columnheader"
              style={styles.cell}
              aria-sort={sortedBy === id ? (better === 'more' ? 'descending' : 'ascending') : 'none'}
            >
              <Pressable role="button" aria-label={`Sort by ${name}`} onPress={() => onSort(id)} style={styles.sort}>
                <Txt kind="fine" tone="press" style={styles.right}>
                  {`${name}${sortedBy === id ? (better === 'more' ? ' ▼' : ' ▲') : ''}`}
                </Txt>
              </Pressable>
            </View>
          ))}
        </View>
        {rows.map((row) => (
          <View key={row.key} role="row" style={[styles.row, row.key === openKey ? styles.opened : null]}>
            <View role="rowheader" style={styles.name}>
              <Pressable
                role="button"
                aria-expanded={row.key === openKey}
                onPress={() => onOpen(row.key)}
                style={styles.open}
              >
                <Txt kind="small" tone="press">
                  {row.name}
                </Txt>
              </Pressable>
            </View>
            {columns.map((column) => {
              const rank = rankOf(column, row.of);
              const isBest = rank > -Infinity && rank === best.get(column.id);
              return (
                <Txt key={column.id} kind={isBest ? 'strong' : 'small'} role="cell" style={[styles.cell, styles.right]}>
                  {`${isBest ? '◆\u00a0' : ''}${column.text(row.of)}`}
                </Txt>
              );
            })}
          </View>
        ))}
      </View>
      <TakeTable
        title={label}
        heads={[nameHead, ...columns.map(({ name }) => name)]}
        rows={rows.map((row) => [row.name, ...columns.map((column) => column.text(row.of))])}
      />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  heads: {
    flexDirection: 'row',
    gap: space.small,
    borderBottomWidth: 2,
    borderColor: palette.ink,
    alignItems: 'flex-end',
  },
  row: {
    flexDirection: 'row',
    gap: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
    alignItems: 'center',
  },
  opened: { backgroundColor: palette.raised, borderLeftWidth: 4, borderLeftColor: palette.press },
  name: { flex: 2.4, paddingLeft: space.small },
  open: { minHeight: TARGET, justifyContent: 'center' },
  sort: { minHeight: TARGET, justifyContent: 'flex-end', paddingBottom: space.small },
  cell: { flex: 1 },
  right: { textAlign: 'right' },
}));
