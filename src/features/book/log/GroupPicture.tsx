import { Image, View } from 'react-native';
import Svg, { G } from 'react-native-svg';
import { SILHOUETTES } from '@/core/kit/silhouettes';
import type { SubjectKind } from '@/core/kit/subjects';
import { SilhouetteShape } from '@/ui/finder/SilhouetteShape';
import { stylesOf } from '@/ui/theme/theme';

interface Props {
  preview: string | undefined;
  /** What it is of, where the group has no small picture. */
  kind: SubjectKind | undefined;
  label: string;
}

const WIDTH = 96;
const HEIGHT = 72;
/** Share of the frame a silhouette takes. */
const SHARE = 0.62;

/** The small picture of a group, or, where its files carry none, the shape of its subject. */
export function GroupPicture({ preview, kind, label }: Props) {
  const styles = useStyles();
  if (preview) return <Image source={{ uri: preview }} style={styles.frame} role="img" aria-label={label} />;
  if (!kind) return <View style={[styles.frame, styles.empty]} />;
  const { width } = SILHOUETTES[kind];
  const scale = SHARE * Math.min(WIDTH / width, HEIGHT / 100);
  return (
    <View style={[styles.frame, styles.empty]}>
      <Svg width={WIDTH - 2} height={HEIGHT - 2} aria-hidden>
        <G x={(WIDTH - 2 - width * scale) / 2} y={(HEIGHT - 2 - 100 * scale) / 2} scale={scale}>
          <SilhouetteShape kind={kind} />
        </G>
      </Svg>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  frame: { width: WIDTH, height: HEIGHT, borderWidth: 1, borderColor: palette.hairline },
  empty: { backgroundColor: palette.finderGround },
}));
