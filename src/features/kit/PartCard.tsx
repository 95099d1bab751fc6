import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import { modesOf } from '@/core/kit/body';
import { PART_WORDS, RESTRICTION_WORDS } from '@/core/kit/words';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { usedArea } from '@/core/sensor/cropMode';
import { usePreferences } from '@/data/preferences';
import { useNotice } from '@/data/notice';
import { replaceRow } from '@/data/rowActions';
import { useKit } from '@/data/useKit';
import { whereUsed, type PartResource } from '@/data/whereUsed';
import { SensorDrawing } from '@/ui/finder/SensorDrawing';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { PartGlyph } from './builder/PartGlyph';
import { ModeTable } from './ModeTable';
import { usePageWidth } from '@/ui/Beside';
import { Page } from '@/ui/Page';
import { TakeDrawing } from '@/ui/take/TakeDrawing';
import { PartEditor } from './PartEditor';
import { bodyFacts } from './bodyFacts';
import { bodyBrief, setupBrief } from './briefs';
import type { Fact } from './facts';
import { partBrief, partFacts } from './kinds';
import { useGo } from './useGo';
import { useWhy } from '../desk/useWhy';

/** The card of one part: what it is, what its modes give, where it is used; and its form behind "Change". */
export function PartCard({ resource, id }: { resource: PartResource; id: string }) {
  const styles = useStyles();
  const go = useGo();
  const width = usePageWidth();
  const { kit, loading } = useKit();
  const units = usePreferences((state) => state.units);
  const [editing, setEditing] = useState(false);
  const { ask: setWhy, sheetFor } = useWhy();
  const show = useNotice((state) => state.show);
  const row = (kit[resource] as StoredOf<PartResource>[]).find((each) => each.id === id);
  if (!row) {
    return (
      <Page title={loading ? 'Opening …' : 'Not in the kit'} up="/kit">
        <View style={styles.empty} role="status">
          {loading ? null : <Txt>There is no such part in the kit; it may have been deleted.</Txt>}
        </View>
      </Page>
    );
  }
  if (editing) {
    return (
      <Page
        title={row.data.name}
        up="/kit"
        keys={<Key title="Cancel" weight="plain" onPress={() => setEditing(false)} />}
      >
        <ScrollView contentContainerStyle={styles.content}>
          <PartEditor
            resource={resource}
            row={row}
            kind="lens"
            onSaved={() => setEditing(false)}
            onGone={() => go('/kit')}
          />
        </ScrollView>
      </Page>
    );
  }
  const users = whereUsed(kit, resource, id);
  const kind = 'kind' in row.data ? row.data.kind : 'body';
  const back = () => replaceRow(resource, row, { ...row.data, retired: undefined });
  return (
    <Page title={row.data.name} up="/kit" keys={<Key title="Change" icon="edit" onPress={() => setEditing(true)} />}>
      <ScrollView contentContainerStyle={styles.content}>
        <View style={styles.head}>
          <PartGlyph kind={kind} width={64} height={72} />
          <View style={styles.words}>
            <Txt kind="label" tone="soft">
              {kind === 'body' ? 'Body' : PART_WORDS[kind].name}
            </Txt>
            <Txt>{'sensor' in row.data ? bodyBrief(row.data) : partBrief(row.data)}</Txt>
          </View>
        </View>
        {row.data.retired ? (
          <View style={styles.retired} role="status">
            <Txt kind="small" tone="caution">
              Retired: its set-ups keep it, nothing offers it any more.
            </Txt>
            <Key
              title="Bring it back"
              onPress={() => {
                back();
                show({ text: `${row.data.name} is offered again.` });
              }}
            />
          </View>
        ) : null}
        {'sensor' in row.data ? (
          <BodyParts body={row.data} units={units} width={Math.min(width - 2 * space.page, 560)} onWhy={setWhy} />
        ) : null}
        <Facts facts={'sensor' in row.data ? bodyFacts(row.data) : partFacts(row.data, units)} />
        <View style={{ gap: space.small }}>
          <Txt kind="strong" level={2}>
            In these set-ups
          </Txt>
          {users.map((user) => (
            <Link key={user.id} href={`/kit/setups/${user.id}` as Href} style={styles.user}>
              <Txt tone="press">{user.data.name}</Txt>
              <Txt kind="small" tone="soft">
                {'  '}
                {setupBrief(user.data, kit)}
              </Txt>
            </Link>
          ))}
          {users.length === 0 ? (
            <Txt kind="small" tone="soft">
              In none yet.
            </Txt>
          ) : null}
        </View>
      </ScrollView>
      {sheetFor()}
    </Page>
  );
}

function BodyParts({
  body,
  units,
  width,
  onWhy,
}: {
  body: StoredOf<'bodies'>['data'];
  units: UnitSystem;
  width: number;
  onWhy: (quantity: Quantity) => void;
}) {
  const { kit } = useKit();
  const modes = modesOf(body);
  return (
    <>
      <TakeDrawing title={`Modes of ${body.name}`}>
        <SensorDrawing
          frames={modes.map((mode, i) => ({
            name:
              i === 0
                ? `${formatFigures(body.sensor.widthMm)} × ${formatFigures(body.sensor.heightMm)}\u202fmm`
                : mode.name,
            ...usedArea(body.sensor, mode),
            strong: i === 0,
          }))}
          width={width}
          maxHeight={280}
          description={`The sensor of ${body.name} with its modes: ${modes.map((mode) => mode.name).join(', ')}`}
        />
      </TakeDrawing>
      <Txt kind="title" level={2}>
        What each mode gives
      </Txt>
      <ModeTable body={body} outputs={kit.outputs} units={units} onWhy={onWhy} />
      <VideoModes body={body} />
    </>
  );
}

function VideoModes({ body }: { body: StoredOf<'bodies'>['data'] }) {
  const styles = useStyles();
  if (!body.videoModes?.length && !body.readoutWindows?.length) return null;
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="title" level={2}>
        Video and windows
      </Txt>
      {body.videoModes?.map((mode) => {
        const free = mode.sampledColumns / mode.recordedColumns;
        return (
          <View key={mode.id} style={styles.fact}>
            <Txt kind="strong">{mode.name}</Txt>
            <Txt kind="small" tone="soft">
              reads {formatFixed(mode.sampledColumns)} × {formatFixed(mode.sampledRows)}, records{' '}
              {formatFixed(mode.recordedColumns)} × {formatFixed(mode.recordedRows)} at{' '}
              {mode.framesPerSecond.map((rate) => formatFigures(rate)).join(', ')} frames/s
              {free > 1.005 ? `; zoom free of loss up to ×${formatFigures(free)}` : '; no zoom free of loss'}
              {mode.restrictions?.length
                ? `; ${mode.restrictions.map((each) => RESTRICTION_WORDS[each]).join(', ')}`
                : ''}
            </Txt>
          </View>
        );
      })}
      {body.readoutWindows?.map((window) => (
        <View key={`${window.columns}×${window.rows}`} style={styles.fact}>
          <Txt kind="small">
            window {formatFixed(window.columns)} × {formatFixed(window.rows)}: {formatFigures(window.framesPerSecond)}{' '}
            frames/s
          </Txt>
        </View>
      ))}
    </View>
  );
}

function Facts({ facts }: { facts: Fact[] }) {
  const styles = useStyles();
  return (
    <View style={styles.facts}>
      {facts.map(([name, value]) => (
        <View key={name} style={styles.fact}>
          <Txt kind="fine" tone="soft">
            {name}
          </Txt>
          <Txt>{value}</Txt>
        </View>
      ))}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 1080, marginHorizontal: 'auto' },
  empty: { padding: space.wide },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.page },
  words: { flex: 1 },
  retired: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.medium },
  facts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.wide },
  fact: {
    flexGrow: 1,
    flexBasis: 150,
    minHeight: TARGET,
    paddingVertical: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  user: { minHeight: TARGET, paddingVertical: space.medium },
}));
