import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { Pressable, View } from 'react-native';
import type { OutingWant } from '@/contract/schemas/outing';
import type { PictureWords } from '@/core/outing/outingWords';
import { Txt } from '@/ui/Txt';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf, usePalette } from '@/ui/theme/theme';

interface Props {
  want: OutingWant;
  /** Nothing until the plan is there. */
  words: PictureWords | undefined;
  number: number;
  onEdit: () => void;
}

/** One picture of the plan: the verdict, what takes it, and what is changed before it. A tap opens it. */
export function PictureBlock({ want, words, number, onEdit }: Props) {
  const styles = useStyles();
  const palette = usePalette();
  return (
    <View>
      {words?.swap ? (
        <View style={styles.swap}>
          <MaterialIcons name="swap-vert" size={20} color={palette.inkSoft} />
          <Txt kind="small" tone="soft" style={styles.grow}>
            {words.swap}
          </Txt>
        </View>
      ) : null}
      <Pressable
        role="button"
        aria-label={`Picture ${number}, ${want.name}: change`}
        onPress={onEdit}
        style={styles.block}
      >
        <View style={styles.head}>
          <Txt kind="strong" style={styles.grow}>
            {words?.title ?? want.name}
          </Txt>
          <MaterialIcons name="chevron-right" size={22} color={palette.press} />
        </View>
        {words ? (
          <>
            <Txt kind="small" tone="soft">
              {words.under}
            </Txt>
            <Txt tone={words.enough ? 'press' : 'needle'}>{words.judgement}</Txt>
            {words.setup.length ? <Txt kind="small">{`${words.setup.join(' + ')}: ${words.gives}`}</Txt> : null}
            {words.others.map((other) => (
              <Txt key={other} kind="fine" tone="soft">
                {`or ${other}`}
              </Txt>
            ))}
          </>
        ) : null}
        {want.note ? <Txt kind="small">{want.note}</Txt> : null}
      </Pressable>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  block: {
    minHeight: TARGET,
    gap: 2,
    paddingVertical: space.medium,
    borderTopWidth: 1,
    borderColor: palette.hairline,
  },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  grow: { flex: 1 },
  swap: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.small,
    paddingVertical: space.small,
    borderTopWidth: 1,
    borderStyle: 'dashed',
    borderColor: palette.hairline,
  },
}));
