import { useMemo, useState } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import type { Outing } from '@/contract/schemas/outing';
import { piecesOf, type Kit } from '@/core/bag/pieces';
import { isCertain } from '@/core/bag/readKit';
import type { BagOrder, PackedBag } from '@/core/outing/bagOrder';
import { setupNamesOf } from '@/core/outing/cardWords';
import { carriedSum } from '@/core/kit/carried';
import { VERDICT_MARK } from '@/core/output/verdictWords';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { useBagWork } from '@/data/outing/useBagWork';
import { useCounting } from '@/data/outing/useCounting';
import { useOutingWants } from '@/data/outing/useOutingPlan';
import { usePreferences } from '@/data/preferences';
import { replaceRow } from '@/data/rowActions';
import { useKit } from '@/data/useKit';
import { Figure } from '@/ui/Figure';
import { Page } from '@/ui/Page';
import { CheckBox } from '@/ui/rne';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useGo } from '@/features/kit/useGo';
import { useWhy } from '../../desk/useWhy';
import { LadderChart } from '@/ui/chart/LadderChart';
import { OutingGate } from './OutingGate';
import { PlanProgress } from './PlanProgress';

/** The lightest bag of the kit for the pictures of an outing, and what more weight buys. */
export default function LightestPage({ id }: { id: string }) {
  return <OutingGate id={id}>{(row) => <Ladder key={row.id} row={row} />}</OutingGate>;
}

function Ladder({ row }: { row: StoredOf<'outings'> }) {
  const styles = useStyles();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const go = useGo();
  const { kit } = useKit();
  const { loading, pictures, bagKit } = useOutingWants(row);
  const counting = useCounting();
  const [everyWay, setEveryWay] = useState(false);
  const order = useMemo((): BagOrder | null => {
    if (loading || !pictures.length) return null;
    const tried = everyWay ? bagKit : { ...bagKit, seldom: [] };
    return { kind: 'pack', kit: tried, wants: pictures, by: counting };
  }, [loading, pictures, bagKit, counting, everyWay]);
  const work = useBagWork(order);
  const found = work.state === 'done' && work.answer.kind === 'packed' ? work.answer : null;
  const nameOf = (wantId: string) => row.data.wants.find(({ id }) => id === wantId)?.name ?? '';
  const take = ({ pieces }: PackedBag) => {
    const typeOf = (id: string): Outing['bag'][number]['type'] =>
      kit.bodies.some((each) => each.id === id)
        ? 'body'
        : kit.optics.some((each) => each.id === id)
          ? 'optic'
          : 'adapter';
    replaceRow('outings', row, { ...row.data, bag: pieces.map((id) => ({ type: typeOf(id), id })) });
    go(`/book/outings/${row.id}`);
  };
  return (
    <Page title="The lightest bag" up={`/book/outings/${row.id}`}>
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        {order ? (
          <CheckBox
            title="Also lenses turned round, coupled, behind an eyepiece or objective"
            checked={everyWay}
            onPress={() => setEveryWay(!everyWay)}
            role="checkbox"
            aria-checked={everyWay}
            aria-label="Also lenses turned round, coupled, behind an eyepiece or objective"
          />
        ) : null}
        <PlanProgress work={work} />
        {found ? (
          <View style={wide ? styles.beside : styles.below}>
            <View style={wide ? styles.left : styles.below}>
              <Txt kind="small" tone="soft" role="status">
                {`${formatFixed(found.tried)} set-ups of the kit tried on ${formatFixed(pictures.length)} ${pictures.length === 1 ? 'picture' : 'pictures'}.`}
              </Txt>
              {found.bags.length > 1 ? (
                <LadderChart
                  of={pictures.length}
                  bags={found.bags.map((bag) => ({
                    weightG: weightOf(bagKit, bag)?.value ?? 0,
                    reached: bag.reached.length,
                  }))}
                />
              ) : null}
              {found.outOfReach.map(({ wantId, best }) => (
                <Txt key={wantId} kind="small" tone="caution">
                  {best
                    ? `${nameOf(wantId)} is out of reach of the kit: ${setupNamesOf(best).join(' + ')} gives most, ${formatFigures(best.counted)} of ${formatFigures(best.needed)}\u202f${best.unit}.`
                    : `${nameOf(wantId)} is out of reach of the kit: nothing of it focuses there and shows it whole.`}
                </Txt>
              ))}
            </View>
            <View role="list" aria-label="Bags, the lightest first" style={styles.list}>
              {found.bags.map((bag, i) => (
                <OneBag
                  key={bag.pieces.join()}
                  bag={bag}
                  first={i === 0}
                  kit={bagKit}
                  nameOf={nameOf}
                  onTake={() => take(bag)}
                />
              ))}
            </View>
          </View>
        ) : null}
        {order === null && !loading ? <Txt tone="soft">Add a picture to the outing first.</Txt> : null}
      </ScrollView>
    </Page>
  );
}

/** What a bag weighs; nothing where none of its pieces was weighed. */
const weightOf = (kit: Kit, { pieces }: PackedBag) =>
  carriedSum(
    'Weight of the bag',
    'g',
    piecesOf(kit)
      .filter(({ id }) => pieces.includes(id))
      .map(({ name, weightG }) => ({ name, value: weightG })),
  );

interface BagProps {
  bag: PackedBag;
  first: boolean;
  kit: Kit;
  nameOf: (wantId: string) => string;
  onTake: () => void;
}

function OneBag({ bag, first, kit, nameOf, onTake }: BagProps) {
  const styles = useStyles();
  const units = usePreferences((state) => state.units);
  const { ask, sheetFor } = useWhy();
  const weight = weightOf(kit, bag);
  const names = (pieces: { name: string }[]) => pieces.map(({ name }) => name).join(' · ');
  const { moreG, gains, loses, adds, leaves } = bag.step;
  const more = first
    ? ''
    : [
        `${formatFixed(moreG)}\u202fg more`,
        `+ ${gains.map(({ id }) => nameOf(id)).join(', ')}`,
        loses.length ? `without ${loses.map(({ id }) => nameOf(id)).join(', ')}` : '',
      ]
        .filter(Boolean)
        .join(' · ');
  return (
    <View role="listitem" style={styles.bag}>
      <View style={styles.head}>
        {weight ? (
          <Figure label="Weight" quantity={weight} units={units} name="weight" onWhy={ask} />
        ) : (
          <Txt tone="soft">Nothing of it was weighed</Txt>
        )}
        <View style={styles.grow}>
          <Txt kind="strong">
            {bag.reached
              .map(
                ({ wantId, served }) =>
                  `${nameOf(wantId)}${isCertain(served) ? '' : `\u202f${VERDICT_MARK.borderline} with luck`}`,
              )
              .join(' · ')}
          </Txt>
          {more ? <Txt kind="small">{more}</Txt> : null}
        </View>
        <Key title="Pack this" icon="work-outline" onPress={onTake} />
      </View>
      <Txt kind="small">{names(piecesOf(kit).filter(({ id }) => bag.pieces.includes(id)))}</Txt>
      {first ? null : (
        <Txt kind="small" tone="soft">
          {[adds.length ? `comes along: ${names(adds)}` : '', leaves.length ? `stays: ${names(leaves)}` : '']
            .filter(Boolean)
            .join(' · ')}
        </Txt>
      )}
      {bag.missed.length ? <Txt kind="small" tone="needle">{`▽ not ${bag.missed.map(nameOf).join(', ')}`}</Txt> : null}
      {sheetFor({ weight })}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 1180, marginHorizontal: 'auto' },
  below: { gap: space.page },
  beside: { flexDirection: 'row', gap: space.wide, alignItems: 'flex-start' },
  left: { width: 420, gap: space.page },
  list: { flexShrink: 1, flexGrow: 1 },
  bag: { gap: space.small, paddingVertical: space.large, borderTopWidth: 1, borderColor: palette.hairline },
  head: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.medium },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 160 },
}));
