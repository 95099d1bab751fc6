import { useRef, useState } from 'react';
import { View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import { formatFixed } from '@/core/quantity/format';
import { readHome, type BroughtHome } from '@/data/outing/bringHome';
import { groupRow, isSameGroup, plannedWants, withoutKnown } from '@/data/outing/groupRows';
import { useOutingPlan } from '@/data/outing/useOutingPlan';
import { useKit } from '@/data/useKit';
import { DropZone } from '@/ui/DropZone';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { pickFiles, pickFolder } from '@/ui/files';
import { space } from '@/ui/theme/measures';

type State =
  | { at: 'idle' }
  | { at: 'reading'; done: number; total: number }
  | { at: 'failed' }
  | { at: 'found'; rows: PictureGroup[]; known: number; unread: BroughtHome['unread'] };

interface Props {
  outing: StoredOf<'outings'>;
  /** Groups that are in the log already, of this outing or another. */
  known: readonly PictureGroup[];
  startsOpen: boolean;
  onKeep: (groups: PictureGroup[]) => void;
}

const USUAL_PAUSE_MIN = 10;
/** Names of files that cannot be read that are told one by one. */
const MOST_NAMED = 5;

/** Pictures are dropped or chosen; what they tell of themselves is read on the device and put into groups. */
export function BringHome({ outing, known, startsOpen, onKeep }: Props) {
  const { kit } = useKit();
  const { parts } = useOutingPlan(outing);
  const [state, setState] = useState<State>({ at: 'idle' });
  const [pauseMin, setPause] = useState(USUAL_PAUSE_MIN);
  const stop = useRef<(() => void) | null>(null);
  const take = (files: File[]) => {
    if (!files.length) return;
    stop.current?.();
    setState({ at: 'reading', done: 0, total: files.length });
    stop.current = readHome(
      { files, pauseMin },
      (done, total) => setState({ at: 'reading', done, total }),
      ({ groups: all, unread }) => {
        const { groups, known: again } = withoutKnown(all, known);
        const wants = plannedWants(outing.data, parts?.plan ?? null);
        const rows = groups.map((group) => groupRow(group, outing, wants, kit));
        const fresh = rows.filter((row) => !known.some((each) => isSameGroup(each, row)));
        const before = rows.filter((row) => !fresh.includes(row)).reduce((sum, row) => sum + row.pictures, again);
        setState({ at: 'found', rows: fresh, known: before, unread });
      },
      () => setState({ at: 'failed' }),
    );
  };
  const pictures = state.at === 'found' ? state.rows.reduce((sum, each) => sum + each.pictures, 0) : 0;
  return (
    <Group title="Bring the pictures home" startsOpen={startsOpen} mustOpen={startsOpen}>
      <DropZone label="Pictures of this outing" onFiles={take}>
        <Txt>
          Drop a folder of pictures here, or choose them. Only what they say of themselves is read; they stay on this
          device.
        </Txt>
        <View style={row}>
          <Key
            title="Choose pictures"
            icon="photo-library"
            weight="strong"
            onPress={() => void pickFiles('image/*,.dng,.heic,.tif,.tiff').then(take)}
          />
          <Key title="Choose a folder" icon="folder-open" onPress={() => void pickFolder().then(take)} />
        </View>
      </DropZone>
      <NumberField
        label="A pause this long begins a new group"
        value={pauseMin}
        unit="none"
        shownUnit="min"
        minimum={0.1}
        maximum={600}
        onChange={(value) => value !== null && setPause(value)}
      />
      {state.at === 'reading' ? (
        <View style={row}>
          <Txt role="status">{`Reading ${formatFixed(state.done)} of ${formatFixed(state.total)} …`}</Txt>
          <Key
            title="Stop"
            onPress={() => {
              stop.current?.();
              setState({ at: 'idle' });
            }}
          />
        </View>
      ) : null}
      {state.at === 'failed' ? (
        <Txt tone="needle" role="alert">
          The pictures could not be read: this part of Jauge did not arrive. Start the server again, then choose them
          once more.
        </Txt>
      ) : null}
      {state.at === 'found' ? (
        <View style={{ gap: space.small }}>
          <Txt role="status">
            {state.rows.length
              ? `${formatFixed(pictures)} pictures in ${formatFixed(state.rows.length)} groups.`
              : 'No new group in these files.'}
            {state.known
              ? ` ${formatFixed(state.known)} ${state.known === 1 ? 'picture is' : 'pictures are'} in the log already.`
              : ''}
          </Txt>
          {state.unread.slice(0, MOST_NAMED).map(({ fileName, message }) => (
            <Txt key={fileName} kind="small" tone="caution">
              {`${fileName}: ${message}`}
            </Txt>
          ))}
          {state.unread.length > MOST_NAMED ? (
            <Txt
              kind="small"
              tone="caution"
            >{`and ${formatFixed(state.unread.length - MOST_NAMED)} files more that cannot be read.`}</Txt>
          ) : null}
          {state.rows.length ? (
            <Key
              title={
                state.rows.length === 1 ? 'Keep this group' : `Keep these ${formatFixed(state.rows.length)} groups`
              }
              icon="check"
              weight="strong"
              onPress={() => {
                onKeep(state.rows);
                setState({ at: 'idle' });
              }}
            />
          ) : null}
        </View>
      ) : null}
    </Group>
  );
}

const row = { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.medium } as const;
