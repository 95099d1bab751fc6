import { useLocalSearchParams } from 'expo-router';
import { ScrollView, useWindowDimensions } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { useKit } from '@/data/useKit';
import { SensorDrawing } from '@/ui/finder/SensorDrawing';
import { Txt } from '@/ui/Txt';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { Page } from '@/ui/Page';
import { ComparedTable } from '@/ui/ComparedTable';
import { TakeDrawing } from '@/ui/take/TakeDrawing';
import { bodiesTable, opticsTable } from './tables';

/** Line patterns and letters tell the frames apart; no colour is needed. */
const DASHES = ['', '8 4', '2 3', '10 3 2 3'];
const LETTERS = ['A', 'B', 'C', 'D'];

/** The page: what is compared stands in its address. */
export default function ComparePage() {
  const { what = 'bodies', ids = '' } = useLocalSearchParams<{ what?: string; ids?: string }>();
  const named = ids.split(',').filter((id) => id !== '');
  return <CompareKit what={what} ids={named.slice(0, 4)} />;
}

/** Bodies or optics beside each other; bodies also drawn to scale over each other. */
export function CompareKit({ what, ids }: { what: string; ids: string[] }) {
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
          <TakeDrawing title={`Sensors of ${names.join(', ')}`}>
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
          </TakeDrawing>
        ) : null}
        {rows.length ? (
          <>
            <ComparedTable
              label={`Comparison of ${names.join(', ')}`}
              columns={names.map((name, i) => ({ key: `${i} ${name}`, letter: LETTERS[i] ?? '', name }))}
              rows={rows}
            />
            <Txt kind="fine" tone="soft">
              ◆ best of these, where more or less is plainly better · – not entered
            </Txt>
          </>
        ) : null}
      </ScrollView>
    </Page>
  );
}

const useStyles = stylesOf(() => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 960, marginHorizontal: 'auto' },
}));
