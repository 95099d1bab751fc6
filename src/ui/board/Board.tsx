import { useMemo, useState, type ReactNode } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { bestOfEach } from '@/core/far/bestOfEach';
import { Txt } from '../Txt';
import { Choice } from '../controls/Choice';
import { WIDE_FROM, space } from '../theme/measures';
import { stylesOf } from '../theme/theme';
import { MeritPlot } from './MeritPlot';
import { SortedTable } from './SortedTable';
import { rankOf, type BoardColumn, type BoardRow } from './boardTypes';

interface Props<T> {
  label: string;
  nameHead: string;
  columns: readonly BoardColumn<T>[];
  /** In the order of what one cares for. */
  rows: readonly BoardRow<T>[];
  /** What is offered, up the plot, and what it may be set against. */
  offers: string;
  asks: readonly string[];
  /** What is sought, above all. */
  controls: ReactNode;
  /** What stands in place of plot and list, as while they are sought; the controls stay as they are, under finger and keys. */
  instead?: ReactNode;
  /** One of them in words, with what can be done with it. */
  card: (row: BoardRow<T>) => ReactNode;
  /** More lines than this nobody compares. */
  most: number;
}

/** Many ways to one end: on a wide screen a table to sort beside a plot to look at and the one that is open; on a phone the plot over a list. */
export function Board<T>(props: Props<T>) {
  const { label, nameHead, columns, rows, offers, asks, controls, instead, card, most } = props;
  const styles = useStyles();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const [openKey, setOpenKey] = useState<string | null>(null);
  const [sortedBy, setSortedBy] = useState<string | null>(null);
  const [against, setAgainst] = useState(asks[0] ?? '');
  const column = (id: string) => columns.find((each) => each.id === id);
  const sorted = useMemo(() => {
    const by = columns.find((each) => each.id === sortedBy);
    return by ? [...rows].sort((a, b) => rankOf(by, b.of) - rankOf(by, a.of)) : rows;
  }, [rows, columns, sortedBy]);
  const [x, y] = [column(against), column(offers)];
  const points = useMemo(() => (x && y ? pointsOf(rows, x, y) : []), [rows, x, y]);
  const open = rows.find((row) => row.key === openKey) ?? sorted[0];
  const plot =
    x && y && rows.length > 1 ? (
      <>
        <Choice
          label="Against"
          hideLabel
          options={asks.flatMap((id) => column(id) ?? []).map(({ id, name }) => ({ value: id, name }))}
          value={against}
          onChange={setAgainst}
        />
        <MeritPlot
          points={points}
          xName={x.name}
          yName={y.name}
          xText={x.axisText}
          yText={y.axisText}
          openKey={open?.key ?? null}
          onOpen={setOpenKey}
          height={wide ? 300 : 220}
        />
        <Txt kind="fine" tone="soft">
          ◆ nothing else has as much for less · tap a point to open it
        </Txt>
      </>
    ) : null;
  if (wide) {
    return (
      <View style={styles.row}>
        <ScrollView style={styles.table} contentContainerStyle={styles.content}>
          {controls}
          {rows.length && !instead ? (
            <SortedTable
              label={label}
              nameHead={nameHead}
              columns={columns}
              rows={sorted}
              sortedBy={sortedBy}
              onSort={setSortedBy}
              openKey={open?.key ?? null}
              onOpen={setOpenKey}
            />
          ) : null}
        </ScrollView>
        <ScrollView style={styles.side} contentContainerStyle={styles.content}>
          {instead ?? (
            <>
              {plot}
              {open ? (
                <View role="list" aria-label={label}>
                  {card(open)}
                </View>
              ) : null}
            </>
          )}
        </ScrollView>
      </View>
    );
  }
  const listed = sorted.slice(0, most);
  const beyond = open && !listed.includes(open) ? [open] : [];
  return (
    <ScrollView contentContainerStyle={styles.content}>
      {controls}
      {instead ?? (
        <>
          {plot}
          <View role="list" aria-label={label}>
            {/* What was tapped in the plot comes first. */}
            {[...beyond, ...listed].map((row) => (
              <View key={row.key} style={row.key === openKey ? styles.opened : null}>
                {card(row)}
              </View>
            ))}
          </View>
        </>
      )}
    </ScrollView>
  );
}

/** Where both are known, a point; what nothing beats is marked. */
function pointsOf<T>(rows: readonly BoardRow<T>[], x: BoardColumn<T>, y: BoardColumn<T>) {
  const best = bestOfEach(
    rows.map(({ of, neverBest }) => ({
      offers: neverBest ? undefined : rankOf(y, of),
      asks: x.better === 'less' ? x.value(of) : -rankOf(x, of),
    })),
  );
  return rows.flatMap(({ key, name, of }, i) => {
    const [atX, atY] = [x.value(of), y.value(of)];
    return atX === undefined || atY === undefined || !Number.isFinite(atX) || !Number.isFinite(atY)
      ? []
      : [{ key, name, x: atX, y: atY, best: best[i] ?? false }];
  });
}

const useStyles = stylesOf((palette) => ({
  row: { flex: 1, flexDirection: 'row' },
  table: { flex: 3 },
  side: { flex: 2, borderLeftWidth: 1, borderColor: palette.hairline },
  content: { padding: space.page, gap: space.page },
  opened: { borderLeftWidth: 4, borderColor: palette.press, paddingLeft: space.medium },
}));
