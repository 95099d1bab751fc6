import { View } from 'react-native';
import type { ResourceName } from '@/contract/resources';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { differencesOf, type Difference } from './differences';

/** More fields than this are counted, not listed. */
const MOST_SHOWN = 14;

interface Props {
  resource: ResourceName;
  /** Null where that side deleted it. */
  mine: unknown;
  stored: unknown;
  mineWhen: string;
  storedWhen: string | null;
  nameOf: (id: string) => string | undefined;
}

/** Two copies of a row beside each other, field by field, where they differ. */
export function BothCopies({ resource, mine, stored, mineWhen, storedWhen, nameOf }: Props) {
  const styles = useStyles();
  const { differences, same } =
    mine !== null && stored !== null ? differencesOf(resource, mine, stored, nameOf) : { differences: [], same: 0 };
  return (
    <View role="table" aria-label="Both copies">
      <View role="row" style={styles.row}>
        <Head title="Yours" when={mine === null ? 'deleted' : mineWhen} />
        <Head title="Stored" when={stored === null ? 'deleted' : (storedWhen ?? '')} />
      </View>
      {differences.slice(0, MOST_SHOWN).map((each) => (
        <Field key={each.label} difference={each} />
      ))}
      {differences.length > MOST_SHOWN ? (
        <Txt kind="small" tone="soft" style={styles.rest}>
          {`and ${differences.length - MOST_SHOWN} more fields`}
        </Txt>
      ) : null}
      {same > 0 ? (
        <Txt kind="small" tone="soft" style={styles.rest}>
          {same === 1 ? 'One other field is the same.' : `${same} other fields are the same.`}
        </Txt>
      ) : null}
    </View>
  );
}

function Head({ title, when }: { title: string; when: string }) {
  const styles = useStyles();
  return (
    <View role="columnheader" style={styles.head}>
      <Txt kind="strong">{title}</Txt>
      <Txt kind="small" tone="soft">
        {when}
      </Txt>
    </View>
  );
}

function Field({ difference: { label, mine, stored } }: { difference: Difference }) {
  const styles = useStyles();
  return (
    <View role="row" style={styles.field}>
      <View role="rowheader">
        <Txt kind="label" tone="soft">
          {label}
        </Txt>
      </View>
      <View style={styles.values}>
        {[mine, stored].map((words, i) => (
          <View key={i} role="cell" style={styles.value}>
            <Txt>{words}</Txt>
          </View>
        ))}
      </View>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  row: { flexDirection: 'row', gap: space.large, borderBottomWidth: 2, borderColor: palette.ink },
  head: { flex: 1, paddingVertical: space.small },
  field: { paddingVertical: space.medium, borderBottomWidth: 1, borderColor: palette.hairline },
  values: { flexDirection: 'row', gap: space.large },
  value: { flex: 1 },
  rest: { paddingVertical: space.medium },
}));
