import { View } from 'react-native';
import { nounOf } from '@/contract/resources';
import { saveFile } from '@/ui/files';
import { nameOfChange } from './refused/nameOfChange';
import { discard, tryStuck, useOutbox, type Change } from '@/data/outbox';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

const VERBS: Record<Change['verb'], string> = { create: 'New', replace: 'Changed', remove: 'Deleted' };

/** Changes the server fails on, and what on this device cannot be read: to try again, to save as a file, or to drop. */
export default function TraySheet({ onClose }: { onClose: () => void }) {
  const stuck = useOutbox((state) => state.stuck);
  const odd = useOutbox((state) => state.odd);
  const save = (key: string, value: unknown) =>
    saveFile(
      `jauge-change-${key.slice(0, 8)}.json`,
      new Blob([JSON.stringify(value, null, 2)], { type: 'application/json' }),
    );
  return (
    <Sheet title="The tray" onClose={onClose}>
      <Txt>What lies here is on this device and not at the server. Save it as a file before you drop it.</Txt>
      {stuck.map((each) => (
        <Item
          key={each.change.key}
          title={`${VERBS[each.change.verb]} ${nounOf(each.change.resource)}${nameOfChange(each.change)}`}
          words={`The server failed on it ${each.failures} times.`}
          onTry={() => void tryStuck(each)}
          onSave={() => save(each.change.key, each.change)}
          onDrop={() => void discard(each.change.key)}
        />
      ))}
      {odd.map(({ key, value }) => (
        <Item
          key={key}
          title="Something this version cannot read"
          words={JSON.stringify(value).slice(0, 120)}
          onSave={() => save(key, value)}
          onDrop={() => void discard(key)}
        />
      ))}
      {stuck.length + odd.length === 0 ? <Txt tone="soft">Nothing lies here any more.</Txt> : null}
    </Sheet>
  );
}

function Item({
  title,
  words,
  onTry,
  onSave,
  onDrop,
}: {
  title: string;
  words: string;
  onTry?: () => void;
  onSave: () => void;
  onDrop: () => void;
}) {
  const styles = useStyles();
  return (
    <View style={styles.item}>
      <Txt kind="strong">{title}</Txt>
      <Txt kind="small" tone="soft">
        {words}
      </Txt>
      <View style={styles.keys}>
        {onTry ? <Key title="Try again" icon="refresh" onPress={onTry} /> : null}
        <Key title="Save as a file" icon="download" onPress={onSave} />
        <Key title="Drop" icon="delete" weight="plain" onPress={onDrop} />
      </View>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  item: { gap: space.small, paddingVertical: space.medium, borderBottomWidth: 1, borderColor: palette.hairline },
  keys: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
}));
