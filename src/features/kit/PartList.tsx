import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { Pressable, View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf, usePalette } from '@/ui/theme/theme';

export interface PartLine {
  id: string;
  name: string;
  brief: string;
  chosen?: boolean;
}

interface Props {
  lines: PartLine[];
  /** What a tap on a line does, in a word, for screen readers. */
  verb: string;
  onPress: (id: string) => void;
  onEdit?: (id: string) => void;
}

/** Rows of the kit or of subjects: a tap chooses, the pencil edits. */
export function PartList({ lines, verb, onPress, onEdit }: Props) {
  const styles = useStyles();
  const palette = usePalette();
  return (
    <View>
      {lines.map((line) => (
        <View key={line.id} style={[styles.line, line.chosen && styles.chosen]}>
          <Pressable
            role="button"
            aria-label={`${verb} ${line.name}`}
            {...(line.chosen === undefined ? {} : { 'aria-pressed': line.chosen })}
            onPress={() => onPress(line.id)}
            style={styles.press}
          >
            {line.chosen === undefined ? null : (
              <MaterialIcons
                name={line.chosen ? 'radio-button-checked' : 'radio-button-unchecked'}
                size={20}
                color={palette.press}
              />
            )}
            <View style={styles.words}>
              <Txt kind="strong">{line.name}</Txt>
              {line.brief ? (
                <Txt kind="small" tone="soft">
                  {line.brief}
                </Txt>
              ) : null}
            </View>
          </Pressable>
          {onEdit ? (
            <Key title={`Edit ${line.name}`} icon="edit" iconOnly weight="plain" onPress={() => onEdit(line.id)} />
          ) : null}
        </View>
      ))}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  line: { flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, borderColor: palette.hairline },
  chosen: { backgroundColor: palette.raised },
  press: {
    flex: 1,
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    minHeight: TARGET + 8,
    paddingVertical: space.small,
  },
  words: { flex: 1 },
}));
