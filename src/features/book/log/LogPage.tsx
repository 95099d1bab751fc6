import { useState } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import { formatFixed } from '@/core/quantity/format';
import { countedOf } from '@/data/outing/groupRows';
import { useNotice } from '@/data/notice';
import { usePreferences } from '@/data/preferences';
import { createRow, replaceRow } from '@/data/rowActions';
import { useKit } from '@/data/useKit';
import { useRows } from '@/data/useRows';
import { Page } from '@/ui/Page';
import { MISSING_PART, partOrNull } from '@/ui/lazyPart';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { saveFile } from '@/ui/files';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { OutingGate } from '../outings/OutingGate';
import { BringHome } from './BringHome';
import { GroupBlock } from './GroupBlock';
import { GroupSheet } from './GroupSheet';
import { useVerdictKeys } from './useVerdictKeys';

/** The log of an outing: pictures brought home in groups, each with a verdict in one tap. */
export default function LogPage({ id }: { id: string }) {
  return <OutingGate id={id}>{(row) => <Log key={row.id} row={row} />}</OutingGate>;
}

const inOrder = (a: StoredOf<'pictureGroups'>, b: StoredOf<'pictureGroups'>): number =>
  a.data.takenFrom.localeCompare(b.data.takenFrom) || a.id.localeCompare(b.id);

/** The groups of an outing, in the order they were taken. */
function useGroups(outingId: string) {
  const { rows, loading } = useRows('pictureGroups');
  return { all: rows, groups: rows.filter(({ data }) => data.outingId === outingId).sort(inOrder), loading };
}

function Log({ row }: { row: StoredOf<'outings'> }) {
  const styles = useStyles();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const { kit } = useKit();
  const judgeBy = usePreferences((state) => state.judgeBy);
  const { all, groups, loading } = useGroups(row.id);
  const [open, setOpen] = useState<string | null>(null);
  const change = (group: StoredOf<'pictureGroups'>, next: Partial<PictureGroup>) => {
    const data = { ...group.data, ...next };
    replaceRow('pictureGroups', group, { ...data, ...countedOf(data, row.data, kit, judgeBy) });
  };
  const judge = (at: number, verdict: PictureGroup['verdict']) => {
    const group = groups[at];
    if (group && group.data.verdict !== verdict) change(group, { verdict });
  };
  // A second tap takes a verdict back; a key pressed again does not, as it goes on to the next group.
  const tap = (at: number, verdict: PictureGroup['verdict']) =>
    judge(at, groups[at]?.data.verdict === verdict ? undefined : verdict);
  const { here, setHere } = useVerdictKeys(groups, judge, open === null);
  const opened = groups.find(({ id }) => id === open);
  const judged = groups.filter(({ data }) => data.verdict).length;
  return (
    <Page title={`Log · ${row.data.name}`} up={`/book/outings/${row.id}`}>
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        <BringHome
          outing={row}
          known={all.map(({ data }) => data)}
          startsOpen={groups.length === 0 && !loading}
          onKeep={(found) =>
            found.forEach((data) => createRow('pictureGroups', { ...data, ...countedOf(data, row.data, kit, judgeBy) }))
          }
        />
        {groups.length ? (
          <View style={styles.head}>
            <Txt kind="small" tone="soft" role="status" style={styles.grow}>
              {`${formatFixed(judged)} of ${formatFixed(groups.length)} groups judged.${wide ? ' Keys 1 to 5 judge the marked group and go on, ↑ ↓ move the mark.' : ''}`}
            </Txt>
            <Key title="Log as CSV" icon="download" onPress={() => void saveLog(groups, row)} />
          </View>
        ) : null}
        <View role="list" aria-label="Groups of pictures" style={styles.list}>
          {groups.map((group, at) => (
            <GroupBlock
              key={group.id}
              group={group.data}
              subjectKind={kit.subjects.find(({ id }) => id === group.data.subjectId)?.data.kind}
              number={at + 1}
              here={at === here}
              onHere={() => setHere(at)}
              onJudge={(verdict) => tap(at, verdict)}
              onOpen={() => setOpen(group.id)}
            />
          ))}
        </View>
      </ScrollView>
      {opened ? (
        <GroupSheet
          key={opened.id}
          row={opened}
          outing={row.data}
          onChange={(next) => change(opened, next)}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </Page>
  );
}

async function saveLog(groups: StoredOf<'pictureGroups'>[], { data }: StoredOf<'outings'>): Promise<void> {
  const part = await partOrNull(() => import('@/contract/csv/writeCsv'));
  if (!part) return useNotice.getState().show({ text: MISSING_PART });
  saveFile(`jauge-log-${data.day}.csv`, new Blob([part.writeCsv('pictureGroups', groups)], { type: 'text/csv' }));
}

const useStyles = stylesOf(() => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 1180, marginHorizontal: 'auto' },
  head: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.medium },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 200 },
  list: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.wide },
}));
