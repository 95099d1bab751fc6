import { useRouter, type Href } from 'expo-router';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import { leastSwaps } from '@/core/near/leastSwaps';
import { rankRatioRoutes, type RatioOrder, type RatioRoute } from '@/core/near/ratioRoutes';
import { type RatioPlan } from '@/core/near/planRatio';
import { formatFigures, formatFixed, formatRatio, formatStops } from '@/core/quantity/format';
import { showSubjectMm, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { useInHand } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { ratioKitOf, seekRatios, storedLinks } from '@/data/ratioPlans';
import { createRow } from '@/data/rowActions';
import type { Kit } from '@/data/situation';
import { TableFactsOf } from '@/ui/take/tableFacts';
import { Board } from '@/ui/board/Board';
import type { BoardColumn } from '@/ui/board/boardTypes';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { NumbersField } from '@/ui/controls/NumbersField';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { NearPage, type NearPageParts } from './NearPage';
import { Search } from './RatioSearch';

const AIMS = [
  { value: 'ratio', name: 'A ratio' },
  { value: 'share', name: 'A share of the frame' },
  { value: 'round', name: 'Several ratios' },
] as const;
const ORDERS: { value: RatioOrder; name: string }[] = [
  { value: 'swaps', name: 'Few swaps' },
  { value: 'workingDistance', name: 'Room in front' },
  { value: 'light', name: 'Much light' },
  { value: 'error', name: 'Sure of it' },
];
/** More lines than this nobody compares. */
const MOST_SHOWN = 12;

/** Every combination of the kit that reaches a ratio, in the order of what one cares for. */
export default function RatioPlanPage() {
  return (
    <NearPage title="Plan for a ratio" worksWithout fills>
      {(parts) => <Plan {...parts} />}
    </NearPage>
  );
}

const partName = (kit: Kit, id: string): string =>
  [...kit.optics, ...kit.adapters].find((row) => row.id === id)?.data.name ?? '?';
const linkText = (kit: Kit, route: RatioRoute): string =>
  route.links
    .map(({ id, usedMm, extensionMm }) => {
      const set = usedMm?.map((mm) => formatFigures(mm)).join(' + ') ?? (extensionMm && formatFigures(extensionMm));
      return `${partName(kit, id)}${set ? ` ${set} mm` : ''}`;
    })
    .join(' + ');

function Plan({ situation, system, kit }: NearPageParts) {
  const [aim, setAim] = useState<(typeof AIMS)[number]['value']>('ratio');
  const [ratio, setRatio] = useState(2.2);
  const [share, setShare] = useState(70);
  const [several, setSeveral] = useState<number[]>([0.5, 1, 2]);
  const [order, setOrder] = useState<RatioOrder>('swaps');
  const { subject } = situation;
  const axis = SUBJECT_KINDS[subject.kind].axis;
  const side = axis === 'width' ? system.used.widthMm : system.used.heightMm;
  const wanted = useMemo(
    () => (aim === 'ratio' ? [ratio] : aim === 'share' ? [((share / 100) * side) / subject.sizeMm] : several),
    [aim, ratio, share, several, side, subject.sizeMm],
  );
  const body = situation.setup.body;
  const [done, setDone] = useState<{ for: number[]; plans: RatioPlan[] } | null>(null);
  const [progress, setProgress] = useState<{ for: number[]; share: number } | null>(null);
  const [stopped, setStopped] = useState<number[] | null>(null);
  const [failed, setFailed] = useState<number[] | null>(null);
  const present = situation.links;
  useEffect(() => {
    if (stopped === wanted) return;
    return seekRatios(
      { ...ratioKitOf(kit, body), ratios: wanted, present },
      (share) => setProgress({ for: wanted, share }),
      (plans) => setDone({ for: wanted, plans }),
      () => {
        setFailed(wanted);
        setStopped(wanted);
      },
    );
  }, [wanted, kit, body, present, stopped]);
  const plans = done?.for === wanted ? done.plans : null;
  const isLens = (id: string) => kit.optics.some((row) => row.id === id && row.data.kind === 'lens');
  const controls = (
    <>
      <Choice label="What I want" options={AIMS} value={aim} onChange={setAim} />
      {aim === 'ratio' ? (
        <NumberField
          label="Ratio"
          value={ratio}
          unit="ratio"
          shownUnit=": 1"
          minimum={0.02}
          maximum={50}
          onChange={(value) => value !== null && setRatio(value)}
          testID="wanted-ratio"
        />
      ) : null}
      {aim === 'share' ? (
        <>
          <NumberField
            label={`${subject.name} across the frame’s ${axis}`}
            value={share}
            unit="none"
            shownUnit="%"
            minimum={1}
            maximum={500}
            onChange={(value) => value !== null && setShare(value)}
          />
          <Txt kind="small" tone="soft">
            {`${formatFigures(subject.sizeMm, 3)} mm across ${formatFigures(share, 3)} % of ${formatFigures(side, 3)} mm needs ${formatRatio(wanted[0] ?? 1)}.`}
          </Txt>
        </>
      ) : null}
      {aim === 'round' ? (
        <NumbersField label="Ratios, such as 0.5 + 1 + 2" value={several} onChange={setSeveral} />
      ) : (
        <Choice label="What I care for" options={ORDERS} value={order} onChange={setOrder} />
      )}
    </>
  );
  const where = { kit, bodyId: situation.setupRow.data.bodyId, modeId: situation.setup.modeId };
  const search = (
    <Search
      share={progress?.for === wanted ? progress.share : 0}
      stopped={stopped === wanted}
      failed={failed === wanted}
      onStop={() => setStopped(wanted)}
      onGoOn={() => {
        setFailed(null);
        setStopped(null);
      }}
    />
  );
  const round = (plans: RatioPlan[]) => (
    <Round
      stops={leastSwaps(
        plans.map((plan, i) => ({ wanted: wanted[i]!, routes: plan.routes })),
        present,
        isLens,
      )}
      {...where}
    />
  );
  const one = aim === 'round' ? undefined : plans?.[0];
  return (
    <Routes
      plan={one ?? null}
      instead={one ? undefined : plans ? round(plans) : search}
      order={order}
      wanted={wanted[0]!}
      controls={controls}
      {...where}
    />
  );
}

/** A combination with what it weighs and costs, where that is entered for every piece. */
type CarriedRoute = RatioRoute & { weightG?: number; price?: number };

function carried(kit: Kit, route: RatioRoute): Pick<CarriedRoute, 'weightG' | 'price'> {
  const parts = route.links.map((link) => [...kit.optics, ...kit.adapters].find((row) => row.id === link.id)?.data);
  const sum = (of: 'weightG' | 'price') => {
    const values = parts.map((part) => part?.[of]);
    return values.every((value) => value !== undefined) ? values.reduce((all, value) => all + value, 0) : undefined;
  };
  const [weightG, price] = [sum('weightG'), sum('price')];
  return { ...(weightG === undefined ? {} : { weightG }), ...(price === undefined ? {} : { price }) };
}

const known = (value: number | undefined): string => (value === undefined ? '–' : formatFixed(value));

/** What combinations are compared by. */
const columnsOf = (units: UnitSystem): BoardColumn<CarriedRoute>[] => [
  {
    id: 'highest',
    name: 'Up to, : 1',
    value: ({ highest }) => highest,
    text: ({ highest }) => formatRatio(highest),
    better: 'more',
    axisText: (value) => formatFigures(value, 2),
  },
  {
    id: 'error',
    name: 'Sure to',
    value: ({ errorShare }) => errorShare,
    text: ({ errorShare, measured }) =>
      `±\u202f${formatFigures(errorShare * 100, 1)}\u202f%${measured ? ', measured' : ''}`,
    better: 'less',
  },
  {
    id: 'room',
    name: 'Room in front',
    value: ({ workingMm }) => workingMm,
    text: ({ workingMm }) =>
      workingMm === undefined ? '–' : workingMm <= 0 ? 'none' : shownText(showSubjectMm(workingMm, units, 2)),
    better: 'more',
  },
  {
    id: 'light',
    name: 'Light lost, stops',
    value: ({ stops }) => Math.max(0, -stops),
    text: ({ stops }) => formatFigures(Math.max(0, -stops), 2),
    better: 'less',
    axisText: (value) => formatFigures(value, 2),
  },
  {
    id: 'swaps',
    name: 'To swap',
    value: ({ swaps }) => swaps,
    text: ({ swaps }) => (swaps ? formatFixed(swaps) : 'nothing'),
    better: 'less',
  },
  {
    id: 'weight',
    name: 'Weight, g',
    value: ({ weightG }) => weightG,
    text: ({ weightG }) => known(weightG),
    better: 'less',
    axisText: formatFixed,
  },
  {
    id: 'price',
    name: 'Price',
    value: ({ price }) => price,
    text: ({ price }) => known(price),
    better: 'less',
    axisText: formatFixed,
  },
];

interface Where {
  kit: Kit;
  bodyId: string;
  modeId: string;
}

interface RoutesProps extends Where {
  /** Null while it is sought, or where several are. */
  plan: RatioPlan | null;
  instead: ReactNode;
  order: RatioOrder;
  wanted: number;
  controls: ReactNode;
}

function Routes({ plan, instead, order, wanted, controls, ...where }: RoutesProps) {
  const { kit } = where;
  const units = usePreferences((state) => state.units);
  const rows = useMemo(
    () =>
      rankRatioRoutes(plan?.routes ?? [], order).map((route) => ({
        key: JSON.stringify(route.links),
        // There is no room for the subject: nobody can use it.
        neverBest: route.workingMm !== undefined && route.workingMm <= 0,
        name: linkText(kit, route),
        of: { ...route, ...carried(kit, route) },
      })),
    [plan, order, kit],
  );
  const columns = useMemo(() => columnsOf(units), [units]);
  return (
    <TableFactsOf facts={{ 'Ratio wanted': formatRatio(wanted) }}>
      <Board
        label="Combinations"
        nameHead="Combination"
        columns={columns}
        rows={rows}
        offers="highest"
        asks={['weight', 'price', 'light']}
        most={MOST_SHOWN}
        instead={instead}
        controls={
          <>
            {controls}
            {plan ? <HowMany plan={plan} wanted={wanted} kit={kit} /> : null}
          </>
        }
        card={({ of }) => <OneRoute route={of} {...where} />}
      />
    </TableFactsOf>
  );
}

/** How much of the kit the list is. */
function HowMany({ plan, wanted, kit }: { plan: RatioPlan; wanted: number; kit: Kit }) {
  const wide = useWindowDimensions().width >= WIDE_FROM;
  return (
    <>
      <Txt kind="small" tone="soft" role="status" testID="plan-count">
        {plan.reaching === 0
          ? `Nothing of the kit reaches ${formatRatio(wanted)} on this body. A tube, a close-up lens or a reversing ring would extend it.`
          : `${formatFixed(plan.reaching)} of ${formatFixed(plan.tried)} combinations reach ${formatRatio(wanted)}${plan.reaching > MOST_SHOWN && !wide ? `; the first ${MOST_SHOWN} shown` : ''}.`}
      </Txt>
      {kit.adapters.some(({ data }) => data.kind === 'bellows' && !data.retired) ? (
        <Txt kind="small" tone="soft">
          Bellows are not among them: put them in by a lever and set their extension on the desk.
        </Txt>
      ) : null}
    </>
  );
}

function Round({ stops, ...where }: Where & { stops: ReturnType<typeof leastSwaps> }) {
  if (!stops) return <Txt tone="caution">One of these ratios is out of the kit’s reach on this body.</Txt>;
  const total = stops.reduce((sum, stop) => sum + stop.swaps, 0);
  return (
    <>
      <Txt role="status">{`${total === 0 ? 'No piece' : total === 1 ? 'One piece' : `${total} pieces`} to take off or put on, in this order:`}</Txt>
      <View role="list" aria-label="Round">
        {stops.map((stop) => (
          <OneRoute key={stop.wanted} route={{ ...stop.route, swaps: stop.swaps }} {...where} />
        ))}
      </View>
    </>
  );
}

function OneRoute({ route, kit, bodyId, modeId }: Where & { route: RatioRoute }) {
  const styles = useStyles();
  const router = useRouter();
  const units = usePreferences((state) => state.units);
  const names = linkText(kit, route);
  const take = () => {
    const chain = storedLinks(route.links, kit);
    const { chooseSetup, setNearRatio } = useInHand.now();
    const known = kit.setups.find(
      (row) =>
        row.data.bodyId === bodyId &&
        row.data.modeId === modeId &&
        JSON.stringify(row.data.chain) === JSON.stringify(chain),
    );
    chooseSetup(known ? known.id : createRow('setups', { name: names.slice(0, 120), bodyId, modeId, chain }));
    setNearRatio(route.ratio);
    router.push('/near' as Href);
  };
  const room =
    route.workingMm === undefined
      ? ''
      : route.workingMm <= 0
        ? 'no room in front'
        : `${shownText(showSubjectMm(route.workingMm, units, 2))} in front`;
  const range =
    route.highest / route.lowest < 1.005
      ? 'this ratio only'
      : `from ${formatRatio(Math.max(route.lowest, 0.01))} to ${formatRatio(route.highest)}`;
  return (
    <View role="listitem" style={styles.route}>
      <View style={styles.words}>
        <Txt kind="strong">{names}</Txt>
        <Txt kind="small">
          {[
            `${formatRatio(route.ratio)} ± ${formatFigures(route.errorShare * 100, 1)} %${route.measured ? ', measured' : ''}`,
            room,
            `${formatStops(Math.min(0, route.stops))}`,
          ]
            .filter((word) => word !== '')
            .join(' · ')}
        </Txt>
        <Txt
          kind="small"
          tone="soft"
        >{`${route.swaps === 0 ? 'no swap' : route.swaps === 1 ? '1 piece to swap' : `${route.swaps} pieces to swap`} · ${range}`}</Txt>
      </View>
      <Key title={`Take ${names}`} icon="check" iconOnly onPress={take} />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  route: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    paddingVertical: space.medium,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  words: { flex: 1, gap: 2 },
}));
