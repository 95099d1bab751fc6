import { Pressable, View } from 'react-native';
import type { PictureGroup, PictureVerdict } from '@/contract/schemas/pictureGroup';
import type { SubjectKind } from '@/core/kit/subjects';
import { formatFixed } from '@/core/quantity/format';
import { usePreferences } from '@/data/preferences';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { GroupPicture } from './GroupPicture';
import { gearWords, settingWords, whenWords } from './groupWords';
import { VERDICTS } from './verdicts';

const CHOICES = VERDICTS.map(({ value, name, mark }) => ({ value, name: `${mark} ${name}` }));

interface Props {
  group: PictureGroup;
  /** Its subject's kind, where it is in the list. */
  subjectKind: SubjectKind | undefined;
  number: number;
  /** Whether the keys judge this one. */
  here: boolean;
  onHere: () => void;
  onJudge: (verdict: PictureVerdict) => void;
  onOpen: () => void;
}

/** One group: its small picture, of what, when and with what; a tap judges it. */
export function GroupBlock({ group, subjectKind, number, here, onHere, onJudge, onOpen }: Props) {
  const styles = useStyles();
  const units = usePreferences((state) => state.units);
  const { subjectName, preview, verdict, pixelsOnSubject, note } = group;
  return (
    <View role="listitem" style={[styles.block, here ? styles.here : null]} aria-current={here ? 'true' : undefined}>
      <Pressable
        role="button"
        aria-label={`Group ${number}, ${subjectName}: change`}
        onPress={() => {
          onHere();
          onOpen();
        }}
        style={styles.top}
      >
        <GroupPicture preview={preview} kind={subjectKind} label={`Small copy, group ${number}`} />
        <View style={styles.words}>
          <Txt kind="strong">{subjectName}</Txt>
          <Txt kind="small">{whenWords(group)}</Txt>
          <Txt kind="small" tone="soft">
            {gearWords(group)}
          </Txt>
          <Txt kind="small" tone="soft">
            {[settingWords(group, units), pixelsOnSubject ? `${formatFixed(pixelsOnSubject)}\u202fpx on it` : '']
              .filter(Boolean)
              .join(' · ')}
          </Txt>
          {note ? <Txt kind="small">{note}</Txt> : null}
        </View>
      </Pressable>
      <Choice
        label={`Verdict on group ${number}`}
        hideLabel
        options={CHOICES}
        value={verdict ?? null}
        onChange={(next) => {
          onHere();
          onJudge(next);
        }}
      />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  block: {
    flexGrow: 1,
    flexShrink: 1,
    flexBasis: 420,
    minWidth: 0,
    gap: space.small,
    paddingVertical: space.medium,
    paddingLeft: space.medium,
    borderLeftWidth: 4,
    borderLeftColor: 'transparent',
    borderBottomWidth: 1,
    borderBottomColor: palette.hairline,
  },
  here: { borderLeftColor: palette.press },
  top: { flexDirection: 'row', gap: space.medium, minHeight: TARGET },
  words: { flex: 1, gap: 1 },
}));
