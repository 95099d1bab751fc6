import { Pressable, View } from 'react-native';
import Svg, { G } from 'react-native-svg';
import { SUBJECT_KINDS, type SubjectKind } from '@/core/kit/subjects';
import { showLengthM, showSubjectMm, shownText } from '@/core/quantity/quantityText';
import { usePreferences } from '@/data/preferences';
import { Txt } from '@/ui/Txt';
import { SilhouetteShape } from '@/ui/finder/SilhouetteShape';
import { SILHOUETTES } from '@/core/kit/silhouettes';
import { RADIUS, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

const NEAR_KINDS: readonly SubjectKind[] = ['butterfly', 'beetle', 'flower'];
const FAR_KINDS: readonly SubjectKind[] = ['wader', 'perchingBird', 'raptor', 'smallMammal', 'deer'];
const DRAWN_PX = 52;

/** The kinds of subject as tiles: silhouette, usual size, usual distance. A tap takes one. */
export function SubjectTiles({ near, onChoose }: { near: boolean; onChoose: (kind: SubjectKind) => void }) {
  const styles = useStyles();
  const kinds = near ? [...NEAR_KINDS, ...FAR_KINDS] : [...FAR_KINDS, ...NEAR_KINDS];
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="label" tone="soft">
        What is in the picture?
      </Txt>
      <View style={styles.tiles}>
        {kinds.map((kind) => (
          <Tile key={kind} kind={kind} onPress={() => onChoose(kind)} />
        ))}
      </View>
    </View>
  );
}

function Tile({ kind, onPress }: { kind: SubjectKind; onPress: () => void }) {
  const styles = useStyles();
  const units = usePreferences((state) => state.units);
  const { name, usualMm, usualDistanceM } = SUBJECT_KINDS[kind];
  const usual = `${shownText(showSubjectMm(usualMm, units))} at ${shownText(showLengthM(usualDistanceM, units))}`;
  const { width } = SILHOUETTES[kind];
  return (
    <Pressable
      role="button"
      aria-label={`${name}, usually ${usual}`}
      onPress={onPress}
      style={styles.tile}
      testID={`kind-${kind}`}
    >
      <Svg
        width={DRAWN_PX}
        height={DRAWN_PX}
        viewBox={`0 0 ${Math.max(width, 100)} ${Math.max(width, 100)}`}
        aria-hidden
      >
        <G y={(Math.max(width, 100) - 100) / 2}>
          <SilhouetteShape kind={kind} />
        </G>
      </Svg>
      <Txt kind="small" tone="press">
        {name}
      </Txt>
      <Txt kind="fine" tone="soft">
        {usual}
      </Txt>
    </Pressable>
  );
}

const useStyles = stylesOf((palette) => ({
  tiles: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  tile: {
    flexGrow: 1,
    flexBasis: 104,
    alignItems: 'center',
    gap: space.small,
    padding: space.medium,
    borderWidth: 1,
    borderColor: palette.press,
    borderRadius: RADIUS,
    backgroundColor: palette.finderGround,
  },
}));
