import { useMemo } from 'react';
import { ScrollView, useWindowDimensions } from 'react-native';
import { logDistancesM, plannerCurve, reachM } from '@/core/far/plannerCurve';
import { farthestDistanceM, nearestDistanceM } from '@/core/far/focusAt';
import { readFar } from '@/core/far/readFar';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import { neededPixels } from '@/core/output/needs';
import { quantityText, showLengthM, shownText } from '@/core/quantity/quantityText';
import { useInHand } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { PlannerChart } from '@/ui/chart/PlannerChart';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { Ruler } from '@/ui/controls/Ruler';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { TakeDrawing } from '@/ui/take/TakeDrawing';
import { Table } from '@/ui/Table';
import { Chooser } from './Chooser';
import { useContenders } from './useContenders';

const POINTS = 400;
const FROM_M = 1;
const TO_M = 500;
const walked = (metres: number): number => Number(metres.toFixed(metres < 20 ? 1 : 0));

/** Pixels against distance for the set-ups compared, with what the outputs need and from where each set-up gives it. */
export default function PlanPage() {
  const styles = useStyles();
  const { width } = useWindowDimensions();
  const contest = useContenders();
  const units = usePreferences((state) => state.units);
  const setDistanceM = useInHand((state) => state.setDistanceM);
  const { situation, contenders, kit, letterOf } = contest;
  const convention = situation?.convention ?? 'usual';
  const systems = useMemo(
    () =>
      contenders.flatMap((each) => {
        const folded = foldSystem(each.setup, convention);
        return folded.ok ? [{ ...each, system: folded.value }] : [];
      }),
    [contenders, convention],
  );
  const distances = useMemo(() => logDistancesM(FROM_M, TO_M, POINTS), []);
  const sizeMm = situation?.subject.sizeMm ?? 100;
  const judgeBy = situation?.judgeBy ?? 'resolved';
  const curves = useMemo(
    () =>
      systems.map((each) => ({
        letter: letterOf(each.id),
        values: plannerCurve(each.system, sizeMm, distances, judgeBy).counted,
      })),
    [systems, letterOf, sizeMm, distances, judgeBy],
  );
  const levels = useMemo(
    () => kit.outputs.map((row) => ({ name: row.data.name, value: neededPixels(row.data, sizeMm) })),
    [kit.outputs, sizeMm],
  );
  const text = (metres: number) => shownText(showLengthM(metres, units));
  const drawing = Math.min(width - 2 * space.page - (width >= WIDE_FROM ? 84 : 0), 860);
  if (!situation) {
    return (
      <Page title="Planner curve" up="/far">
        <Txt style={styles.content}>{contest.loading ? 'Opening …' : 'Take a set-up and a subject in hand first.'}</Txt>
      </Page>
    );
  }
  const at = situation.distanceM;
  // The curve is drawn through points; what is written is the desk's own reading.
  const countedAt = (system: EffectiveSystem): string => {
    if (at < nearestDistanceM(system)) return 'too near';
    if (at > farthestDistanceM(system)) return 'too far';
    const read = readFar({ ...situation, system });
    return read.ok ? quantityText(read.value.countedPixels, units) : 'no picture';
  };
  const { keepDistanceM } = situation.subject;
  const reachCell = (system: EffectiveSystem, needed: number) => {
    const reach = reachM(system, sizeMm, needed, judgeBy, 2000);
    if (reach === null) return { text: 'never', tone: 'caution' } as const;
    return keepDistanceM !== undefined && reach < keepDistanceM
      ? ({ text: `⚠ ${text(reach)}`, tone: 'caution' } as const)
      : text(reach);
  };
  return (
    <Page title="Planner curve" up="/far">
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        <Txt kind="small" tone="soft">
          {judgeBy === 'resolved' ? 'Resolved pixels' : 'Pixels'} on {situation.subject.name} against distance. Pull
          over the curve, or at the rule below it.
        </Txt>
        <TakeDrawing title={`Planner curve, ${situation.subject.name}`}>
          <PlannerChart
            distancesM={distances}
            curves={curves}
            levels={levels}
            atM={at}
            onPick={(metres) => setDistanceM(walked(metres))}
            distanceText={text}
            width={drawing}
            height={width >= WIDE_FROM ? 380 : 320}
            description={`Pixels on ${situation.subject.name} against distance for ${systems.map((each) => `${letterOf(each.id)} ${each.name}`).join(', ')}; at ${text(at)}: ${systems.map((each) => `${letterOf(each.id)} ${countedAt(each.system)}`).join(', ')}`}
          />
        </TakeDrawing>
        <Ruler
          label="Distance"
          value={at}
          minimum={FROM_M}
          maximum={TO_M}
          valueText={text(at)}
          rounded={walked}
          onChange={setDistanceM}
        />
        <Table
          label="From where each set-up is enough"
          facts={{ Subject: situation.subject.name, Distance: text(at) }}
          heads={['Enough up to', ...levels.map(({ name }) => name), `at ${text(at)}`]}
          rows={systems.map((each) => ({
            key: each.id,
            cells: [
              `${letterOf(each.id)} ${each.name}`,
              ...levels.map((level) => reachCell(each.system, level.value)),
              countedAt(each.system),
            ],
          }))}
        />
        {situation.subject.keepDistanceM !== undefined ? (
          <Txt kind="small" tone="caution">
            ⚠ nearer than the {text(situation.subject.keepDistanceM)} to keep here. Law and site decide, not the curve.
          </Txt>
        ) : (
          <Txt kind="small" tone="soft">
            A curve is no permission: keep the distance that law and site ask for.
          </Txt>
        )}
        <Chooser contest={contest} />
      </ScrollView>
    </Page>
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 920, marginHorizontal: 'auto' },
  names: {
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
  },
  first: { flex: 1.4 },
  cell: { flex: 1, textAlign: 'right' },
}));
