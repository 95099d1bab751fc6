import { View } from 'react-native';
import { useRouter, type Href } from 'expo-router';
import { useSheets } from '@/data/sheets';
import type { Situation } from '@/data/situation';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

/** What of a reading nobody entered, and the key that makes each one's own; nothing when all is entered. */
export function AssumedLine({ situation, sky = false }: { situation: Situation; sky?: boolean }) {
  const open = useSheets((state) => state.open);
  const router = useRouter();
  const { subject, subjectRow, setup, links } = situation;
  const lenses = setup.chain.flatMap(({ part }, i) => {
    const link = links[i];
    return part.assumed && link ? [{ id: link.id, name: part.name }] : [];
  });
  const subjectToo = !sky && subject.assumed === true;
  if (!lenses.length && !subjectToo) return null;
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="small" tone="caution">
        Assumed: make it yours
      </Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.small }}>
        {subjectToo ? (
          <Key
            title={`${subject.name}: size, distance`}
            icon="edit"
            onPress={() => open('subject', subjectRow.id)}
            testID="assumed-subject"
          />
        ) : null}
        {lenses.map(({ id, name }) => (
          <Key
            key={id}
            title={`${name}: typical`}
            icon="edit"
            onPress={() => router.push(`/kit/optics/${id}` as Href)}
            testID="assumed-lens"
          />
        ))}
      </View>
    </View>
  );
}
