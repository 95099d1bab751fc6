import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View, useWindowDimensions } from 'react-native';
import type { Setup } from '@/contract/schemas/setup';
import { isCarried } from '@/core/levers/carrying';
import { rankRoutes, routesTo, type Route, type RouteWish } from '@/core/far/routes';
import { readFar } from '@/core/far/readFar';
import { isFactor, type FactorPart, type Part } from '@/core/chain/parts';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import { neededPixels } from '@/core/output/needs';
import { formatChange, formatFigures, formatFixed } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { quantityText, showFNumber, showLengthM, showQuantity, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { useChosen } from '@/data/useChosen';
import { useInHand } from '@/data/inHand';
import { useCarrying, usePreferences } from '@/data/preferences';
import { createRow } from '@/data/rowActions';
import { situationOf, type Kit, type Situation } from '@/data/situation';
import { useKit } from '@/data/useKit';
import { TableFactsOf, type TableFacts } from '@/ui/take/tableFacts';
import { deskFacts } from '../../desk/deskFacts';
import { Board } from '@/ui/board/Board';
import type { BoardColumn } from '@/ui/board/boardTypes';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

type Link = Setup['chain'][number];

const WISHES: { value: RouteWish; name: string }[] = [
  { value: 'weight', name: 'Light to carry' },
  { value: 'price', name: 'Cheap' },
  { value: 'light', name: 'Much light' },
  { value: 'detail', name: 'Most pixels' },
];
const AIMS = [
  { value: 'pixels', name: 'Pixels on the subject' },
  { value: 'equivalent', name: 'An equivalent lens' },
] as const;
/** More lines than this nobody compares. */
const MOST_SHOWN = 12;

const shelf = <T extends { wish?: boolean | undefined; retired?: boolean | undefined }>(rows: { data: T }[]) =>
  rows.filter((row) => !row.data.retired).map((row) => ({ part: row.data, wished: row.data.wish === true }));

/** The desk's own count, with its error: written to the figures it is good for, as everywhere. */
function countedOf(situation: Situation, system: EffectiveSystem): Quantity | null {
  const read = readFar({ ...situation, system });
  return read.ok ? read.value.countedPixels : null;
}

/** A route with the desk's own count. */
type CountedRoute = Route & { quantity: Quantity | null };

const nameOf = (route: Route): string => [route.body.name, ...route.parts.map((part) => part.name)].join(' + ');

/** What routes are compared by. */
const columnsOf = (units: UnitSystem): BoardColumn<CountedRoute>[] => [
  {
    id: 'pixels',
    name: 'Pixels',
    value: ({ counted }) => counted,
    text: ({ quantity, counted }) => (quantity ? quantityText(quantity, units) : formatFixed(counted)),
    better: 'more',
    axisText: (value) => formatFixed(value),
  },
  {
    id: 'equivalent',
    name: 'Like',
    value: ({ system }) => system.equivalentFocalMm.value,
    text: ({ system }) => `${formatFixed(system.equivalentFocalMm.value)} mm`,
    better: 'more',
  },
  {
    id: 'light',
    name: 'f/ for the exposure',
    value: ({ system }) => system.fNumber.value,
    text: ({ system }) => showFNumber(system.fNumber.value),
    better: 'less',
    axisText: showFNumber,
  },
  {
    id: 'weight',
    name: 'Weight, g',
    value: ({ weightG }) => weightG,
    text: ({ weightG }) => (weightG === undefined ? '–' : formatFixed(weightG)),
    better: 'less',
    axisText: (value) => formatFixed(value),
  },
  {
    id: 'price',
    name: 'Price',
    value: ({ price }) => price,
    text: ({ price }) => (price === undefined ? '–' : formatFixed(price)),
    better: 'less',
    axisText: (value) => formatFixed(value),
  },
  {
    id: 'buy',
    name: 'Still to buy',
    value: ({ stillToBuy }) => stillToBuy,
    text: ({ stillToBuy }) => (stillToBuy ? formatFixed(stillToBuy) : 'nothing'),
    better: 'less',
  },
];

/** Every route of the kit and the wish list that gets as many pixels, in the order of what one cares for. */
export default function RoutesPage() {
  const styles = useStyles();
  const { kit, loading } = useKit();
  const chosen = useChosen();
  const units = usePreferences((state) => state.units);
  const [wish, setWish] = useState<RouteWish>('weight');
  const [typed, setTyped] = useState<number | null>(null);
  const [aim, setAim] = useState<'pixels' | 'equivalent'>('pixels');
  const [focalMm, setFocalMm] = useState(800);
  const [fNumber, setFNumber] = useState(11);
  const found = situationOf(kit, chosen);
  const situation = typeof found === 'string' ? null : found;
  const needed = situation ? neededPixels(situation.output, situation.subject.sizeMm) : 0;
  const wanted = typed ?? needed;
  const now = useMemo(() => {
    if (!situation) return null;
    const folded = foldSystem(situation.setup, situation.convention);
    return folded.ok ? countedOf(situation, folded.value) : null;
  }, [situation]);
  const routes = useMemo(() => {
    if (!situation) return [];
    const adapters = kit.adapters.filter((row) => !row.data.retired).map((row) => row.data as Part);
    return routesTo({
      ...situation,
      bodies: shelf(kit.bodies),
      optics: shelf(kit.optics),
      factors: shelf(kit.adapters).filter((each): each is { part: FactorPart & { wish?: boolean }; wished: boolean } =>
        isFactor(each.part as Part),
      ),
      afocal: adapters.find((part) => part.kind === 'afocal') ?? null,
      mountAdapters: adapters.filter(
        (part): part is Extract<Part, { kind: 'mountAdapter' }> => part.kind === 'mountAdapter',
      ),
      target: aim === 'pixels' ? { kind: 'pixels', pixels: wanted } : { kind: 'equivalent', focalMm, fNumber },
    });
  }, [situation, kit, wanted, aim, focalMm, fNumber]);
  const carrying = useCarrying();
  const rows = useMemo(
    () =>
      situation
        ? rankRoutes(routes, wish)
            .filter((route) => isCarried(carrying, { body: route.body, chain: route.parts }))
            .map((route, i) => ({
              key: `${i} ${nameOf(route)}`,
              name: nameOf(route),
              of: { ...route, quantity: countedOf(situation, route.system) },
            }))
        : [],
    [routes, wish, situation, carrying],
  );
  const columns = useMemo(() => columnsOf(units), [units]);
  const wide = useWindowDimensions().width >= WIDE_FROM;
  if (!situation) {
    return (
      <Page title="Another way to it" up="/far">
        <Txt style={styles.content}>{loading ? 'Opening …' : 'Take a set-up and a subject in hand first.'}</Txt>
      </Page>
    );
  }
  const wishFacts: TableFacts =
    aim === 'pixels'
      ? { 'Pixels wanted': `${formatFixed(wanted)} px` }
      : { 'Equivalent wanted': `${formatFigures(focalMm)} mm`, 'f-number wanted': showFNumber(fNumber) };
  const controls = (
    <>
      <Choice label="What it must reach" options={AIMS} value={aim} onChange={setAim} />
      {aim === 'equivalent' ? (
        <View style={styles.row}>
          <View style={styles.half}>
            <NumberField
              label="Equivalent of at least"
              value={focalMm}
              unit="none"
              shownUnit="mm"
              minimum={1}
              maximum={100_000}
              onChange={(value) => value !== null && setFocalMm(value)}
            />
          </View>
          <View style={styles.half}>
            <NumberField
              label="Equivalent f/ of at most"
              value={fNumber}
              unit="none"
              minimum={0.3}
              maximum={500}
              onChange={(value) => value !== null && setFNumber(value)}
            />
          </View>
        </View>
      ) : (
        <>
          <Txt>
            {formatFixed(wanted)} {situation.judgeBy === 'resolved' ? 'resolved pixels' : 'pixels'} on{' '}
            {situation.subject.name} from {shownText(showLengthM(situation.distanceM, units))};{' '}
            {now ? `in hand there are ${showQuantity(now, units).number}.` : 'what is in hand does not focus there.'}
          </Txt>
          <View style={styles.row}>
            <View style={styles.half}>
              <NumberField
                label="Wanted pixels"
                value={wanted}
                unit="none"
                shownUnit="px"
                minimum={1}
                maximum={1e6}
                onChange={setTyped}
              />
            </View>
            <Key
              title={`What ${situation.output.name} needs`}
              onPress={() => setTyped(null)}
              disabled={typed === null}
              why="is what is sought"
            />
            <Key
              title="As many as in hand"
              onPress={() => now && setTyped(Math.floor(now.value))}
              disabled={!now}
              why="nothing is in focus there"
            />
          </View>
        </>
      )}
      <Choice label="What I care for" options={WISHES} value={wish} onChange={setWish} />
      <Txt kind="small" tone="soft" role="status">
        {rows.length === 0
          ? 'No route of the kit gets there from this spot. Come closer where that is allowed, or settle for fewer pixels.'
          : `${rows.length} routes${rows.length > MOST_SHOWN && !wide ? `, the first ${MOST_SHOWN} shown` : ''}.`}
      </Txt>
    </>
  );
  return (
    <Page title="Another way to it" up="/far">
      <TableFactsOf facts={{ ...deskFacts('far', situation, units), ...wishFacts }}>
        <Board
          label="Routes"
          nameHead="Route"
          columns={columns}
          rows={rows}
          offers="pixels"
          asks={['weight', 'price', 'light']}
          controls={controls}
          card={({ name, of }) => (
            <OneRoute name={name} route={of} wanted={aim === 'pixels' ? wanted : null} kit={kit} />
          )}
          most={MOST_SHOWN}
        />
      </TableFactsOf>
    </Page>
  );
}

interface RouteProps {
  name: string;
  route: CountedRoute;
  /** Pixels wanted, where pixels are what is sought. */
  wanted: number | null;
  kit: Kit;
}

/** A route in words, what it gives up, and the key that takes it. */
function OneRoute({ name: names, route, wanted, kit }: RouteProps) {
  const styles = useStyles();
  const router = useRouter();
  const chooseSetup = useInHand((state) => state.chooseSetup);
  const { system, quantity } = route;
  const units = usePreferences((state) => state.units);
  const take = () => {
    const body = kit.bodies.find((row) => row.data === route.body);
    const chain = route.parts.flatMap((part): Link[] => {
      const optic = kit.optics.find((row) => row.data === part);
      if (optic) return [{ type: 'optic', id: optic.id }];
      const adapter = kit.adapters.find((row) => row.data === part);
      return adapter ? [{ type: 'adapter', id: adapter.id }] : [];
    });
    if (!body) return;
    const known = kit.setups.find(
      (row) =>
        row.data.bodyId === body.id &&
        row.data.modeId === 'whole' &&
        JSON.stringify(row.data.chain.map((link) => link.id)) === JSON.stringify(chain.map((link) => link.id)),
    );
    chooseSetup(
      known
        ? known.id
        : createRow('setups', {
            name: names.slice(0, 120),
            namedAfterParts: true,
            bodyId: body.id,
            modeId: 'whole',
            chain,
          }),
    );
    router.push('/far');
  };
  return (
    <View role="listitem" style={styles.route}>
      <View style={styles.words}>
        <Txt kind="strong">{names}</Txt>
        <Txt kind="small">
          {quantity ? quantityText(quantity, units) : ''}
          {wanted === null ? '' : ` (${formatChange(route.counted / wanted)})`} · like{' '}
          {formatFigures(system.equivalentFocalMm.value)} mm {showFNumber(system.equivalentFNumber.value)} · f/
          {system.fNumber.value.toFixed(1)} for the exposure
        </Txt>
        <Txt kind="small" tone="soft">
          {[
            route.weightG === undefined ? '' : `${formatFixed(route.weightG)} g`,
            route.price === undefined ? '' : `price ${formatFixed(route.price)}`,
            route.stillToBuy ? `${formatFixed(route.stillToBuy)} still to buy` : '',
          ]
            .filter((word) => word !== '')
            .join(' · ')}
        </Txt>
        {route.givesUp.length ? (
          <Txt kind="small" tone="caution">
            Gives up: {route.givesUp.join(', ')}
          </Txt>
        ) : null}
      </View>
      <Key title={`Take ${names}`} icon="check" iconOnly onPress={take} />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: space.medium },
  half: { flexGrow: 1, flexBasis: 140 },
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
