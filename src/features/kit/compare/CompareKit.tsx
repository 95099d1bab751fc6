import { ScrollView, View, useWindowDimensions } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { useKit } from '@/data/useKit';
import { SensorDrawing } from '@/ui/finder/SensorDrawing';
import { Txt } from '@/ui/Txt';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { Page } from '@/ui/Page';
import { bodiesTable, opticsTable, type ComparedRow } from './tables';

/** Line patterns and letters tell the frames apart; no colour is needed. */
const DASHES = ['', '8 4', '2 3', '10 3 2 3'];
const LETTERS = ['A', 'B', 'C', 'D'];

/** Bodies or optics beside each other; bodies also drawn to scale over each other. */
export default function CompareKit({ what, ids }: { what: string; ids: string[] }) {
  const styles = useStyles();
  const { width } = useWindowDimensions();
  const { kit } = useKit();
  const units = usePreferences((state) => state.units);
  const bodies = what === 'bodies' ? ids.flatMap((id) => kit.bodies.find((row) => row.id === id)?.data ?? []) : [];
  const optics = what === 'optics' ? ids.flatMap((id) => kit.optics.find((row) => row.id === id)?.data ?? []) : [];
  const names = [...bodies, ...optics].map((each) => each.name);
  const rows = bodies.length ? bodiesTable(bodies) : optics.length ? opticsTable(optics, units) : [];
  const drawing = Math.min(width - 2 * space.page - (width >= WIDE_FROM ? 84 : 0), 640);
  return (
    <Page title={what === 'optics' ? 'Optics beside each other' : 'Bodies beside each other'} up="/kit">
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        {names.length < 2 ? (
          <Txt>Tick two to four bodies, or two to four optics, on the Kit page; then press Compare.</Txt>
        ) : null}
        {bodies.length > 1 ? (
          <SensorDrawing
            frames={bodies.map((body, i) => ({
              name: LETTERS[i] ?? '',
              widthMm: body.sensor.widthMm,
              heightMm: body.sensor.heightMm,
              dash: DASHES[i] ?? '',
              strong: i === 0,
            }))}
            width={drawing}
            maxHeight={320}
            description={`Sensors to scale over each other: ${bodies.map((body) => `${body.name} ${body.sensor.widthMm} by ${body.sensor.heightMm} mm`).join(', ')}`}
          />
        ) : null}
        {rows.length ? <Table names={names} rows={rows} /> : null}
      </ScrollView>
    </Page>
  );
}

function Table({ names, rows }: { names: string[]; rows: ComparedRow[] }) {
  const styles = useStyles();
  return (
    <View role="table" aria-label={`Comparison of ${names.join(', ')}`}>
      <View role="row" style={styles.names}>
        {names.map((name, i) => (
          <View key={name} role="columnheader" style={styles.cell}>
            <Txt kind="figure" tone="press">
              {LETTERS[i]}
            </Txt>
            <Txt kind="strong">{name}</Txt>
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
              <View key={i} role="cell" style={styles.cell}>
                <Txt kind={row.best === i ? 'strong' : 'body'}>
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
      <Txt kind="fine" tone="soft" style={styles.legend}>
        ◆ best of these, where more or less is plainly better · – not entered
      </Txt>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 960, marginHorizontal: 'auto' },
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
  legend: { paddingTop: space.small },
}));
