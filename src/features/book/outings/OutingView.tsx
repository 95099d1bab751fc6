import { useRouter, type Href } from 'expo-router';
import { Suspense, useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import type { Outing } from '@/contract/schemas/outing';
import type { OutingWords } from '@/core/outing/outingWords';
import { formatFixed } from '@/core/quantity/format';
import { dayText } from '@/data/localTime';
import { useOutingPlan } from '@/data/outing/useOutingPlan';
import { removeRow, replaceRow } from '@/data/rowActions';
import { usePreferences } from '@/data/preferences';
import { useRows } from '@/data/useRows';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { lazyPart } from '@/ui/lazyPart';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useWhy } from '../../desk/useWhy';
import { FactLines } from './FactLines';
import { OutingGate } from './OutingGate';
import { PictureBlock } from './PictureBlock';
import { PlanProgress } from './PlanProgress';

const FactsSheet = lazyPart(() => import('./FactsSheet'));
const WantSheet = lazyPart(() => import('./WantSheet'));
const BagSheet = lazyPart(() => import('./BagSheet'));

/** An outing: when and where, what is missing, each picture with what takes it, and the bag. */
export const OutingView = ({ id }: { id: string }) => (
  <OutingGate id={id}>{(row) => <Found key={row.id} row={row} />}</OutingGate>
);

type Open = { sheet: 'facts' | 'bag' } | { sheet: 'want'; id: string | null } | null;

function Found({ row }: { row: StoredOf<'outings'> }) {
  const styles = useStyles();
  const router = useRouter();
  const [open, setOpen] = useState<Open>(null);
  const { work, lost, words } = useOutingPlan(row);
  const { data } = row;
  const { rows: groups } = useRows('pictureGroups');
  const brought = groups.filter((group) => group.data.outingId === row.id).length;
  const change = (next: Partial<Outing>) => replaceRow('outings', row, { ...data, ...next });
  const close = () => setOpen(null);
  return (
    <Page
      title={data.name}
      up="/book/outings"
      keys={
        data.wants.length ? (
          <Key title="Card" icon="style" onPress={() => router.push(`/book/outings/${row.id}/card` as Href)} />
        ) : null
      }
    >
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        <WhenAndWhere words={words} data={data} onChange={() => setOpen({ sheet: 'facts' })} />
        <PlanProgress work={work} />
        {words ? <Missing words={words} lost={lost.map(({ name, lost: what }) => lostText(name, what))} /> : null}
        <View style={styles.part}>
          <Txt kind="title" level={2}>
            Pictures
          </Txt>
          {data.wants.map((want, i) => (
            <PictureBlock
              key={want.id}
              want={want}
              words={words?.pictures.find(({ wantId }) => wantId === want.id)}
              number={i + 1}
              onEdit={() => setOpen({ sheet: 'want', id: want.id })}
            />
          ))}
          {data.wants.length ? null : (
            <Txt tone="soft">No picture yet. Add what you hope for, in the order in which you will meet it.</Txt>
          )}
          <Key
            title="Add a picture"
            icon="add"
            weight={data.wants.length ? 'plain' : 'strong'}
            onPress={() => setOpen({ sheet: 'want', id: null })}
          />
        </View>
        <Bag
          words={words}
          empty={data.bag.length === 0}
          onPack={() => setOpen({ sheet: 'bag' })}
          onLightest={data.wants.length ? () => router.push(`/book/outings/${row.id}/bag` as Href) : null}
        />
        {words?.cautions.map((caution) => (
          <Txt key={caution} kind="small" tone="caution">
            {caution}
          </Txt>
        ))}
        <View style={styles.keys}>
          <Key
            title={brought ? `Log: ${formatFixed(brought)} groups` : 'Bring the pictures home'}
            icon="photo-library"
            onPress={() => router.push(`/book/outings/${row.id}/log` as Href)}
          />
          <Key
            title="Delete the outing"
            icon="delete-outline"
            weight="plain"
            onPress={() => {
              removeRow('outings', row, data.name);
              router.replace('/book/outings');
            }}
          />
        </View>
      </ScrollView>
      <Suspense fallback={null}>
        {open?.sheet === 'facts' ? <FactsSheet row={row} onClose={close} /> : null}
        {open?.sheet === 'bag' ? <BagSheet outing={data} onChange={change} onClose={close} /> : null}
        {open?.sheet === 'want' ? (
          <WantSheet key={open.id} outing={data} wantId={open.id} onChange={change} onClose={close} />
        ) : null}
      </Suspense>
    </Page>
  );
}

const lostText = (name: string, what: 'subject' | 'output'): string =>
  what === 'subject'
    ? `${name}: this subject is no longer in the list. Open the picture and choose another.`
    : `${name}: what it was for is no longer in the list. Open the picture and choose another.`;

function WhenAndWhere({ words, data, onChange }: { words: OutingWords | null; data: Outing; onChange: () => void }) {
  const styles = useStyles();
  return (
    <View style={styles.part}>
      <View style={styles.headLine}>
        <Txt kind="strong" style={styles.grow}>
          {`${data.span === 'night' ? 'Night of ' : ''}${dayText(data.day)} · ${data.place.name}`}
        </Txt>
        <Key title="Change day and place" icon="edit" iconOnly weight="plain" onPress={onChange} />
      </View>
      {words ? <FactLines label="Light and dark" lines={words.sky} /> : null}
      {data.note ? <Txt>{data.note}</Txt> : null}
    </View>
  );
}

function Missing({ words, lost }: { words: OutingWords; lost: string[] }) {
  const styles = useStyles();
  const all = [...lost, ...words.missing];
  if (!all.length) return null;
  return (
    <View style={styles.missing} role="list" aria-label="What is missing">
      {all.map((each) => (
        <Txt key={each} kind="small" tone="caution" role="listitem">
          {each}
        </Txt>
      ))}
    </View>
  );
}

function Bag({
  words,
  empty,
  onPack,
  onLightest,
}: {
  words: OutingWords | null;
  empty: boolean;
  onPack: () => void;
  onLightest: (() => void) | null;
}) {
  const styles = useStyles();
  const units = usePreferences((state) => state.units);
  const { ask, sheetFor } = useWhy();
  const numbers = Object.fromEntries(
    (words?.load ?? []).flatMap(({ name, quantity }) => (quantity ? [[name, quantity]] : [])),
  );
  return (
    <View style={styles.part}>
      <Txt kind="title" level={2}>
        Bag
      </Txt>
      {words && !empty ? (
        <>
          <FigureRow>
            {words.load.map(({ name, quantity }) =>
              quantity ? (
                <Figure key={name} label={name} quantity={quantity} units={units} name={name} onWhy={ask} />
              ) : null,
            )}
          </FigureRow>
          <Txt>{words.pack.join(' · ')}</Txt>
          {words.stayHome.length && words.pictures.length ? (
            <Txt kind="small" tone="soft">{`Can stay at home: ${words.stayHome.join(' · ')}.`}</Txt>
          ) : null}
        </>
      ) : null}
      {empty ? (
        <Txt tone="soft">Nothing packed yet. Pack, or let Jauge find the lightest bag for these pictures.</Txt>
      ) : null}
      <View style={styles.keys}>
        <Key title={empty ? 'Pack the bag' : 'Change the bag'} icon="work-outline" onPress={onPack} />
        {onLightest ? <Key title="The lightest bag" icon="balance" onPress={onLightest} /> : null}
      </View>
      {sheetFor(numbers)}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
  part: { gap: space.medium },
  headLine: { flexDirection: 'row', alignItems: 'center', gap: space.medium },
  grow: { flex: 1 },
  missing: { gap: space.small, borderLeftWidth: 3, borderColor: palette.caution, paddingLeft: space.medium },
  keys: { flexDirection: 'row', flexWrap: 'wrap', gap: space.medium },
}));
