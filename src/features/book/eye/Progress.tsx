import { Pressable, View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import type { Guess } from '@/contract/schemas/guess';
import { LEVELS, TRAIN_NAMES } from '@/core/train/exercise';
import type { Standing } from '@/core/train/schedule';
import { formatFigures } from '@/core/quantity/format';
import type { Training } from '@/data/eye/useTraining';
import { Txt } from '@/ui/Txt';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf, usePalette } from '@/ui/theme/theme';

/** The last so many answers are drawn. */
const SHOWN = 16;
const [WIDTH, HEIGHT] = [132, 36];
/** An amount off by so many doublings lies at the foot of the chart. */
const FOOT_DOUBLINGS = 2;

/** The middle of how far off the last amounts were, as a factor; nothing of choices. */
function usualOff(guesses: readonly Guess[]): number | null {
  const offs = guesses.flatMap(({ offDoublings }) => (offDoublings === undefined ? [] : [offDoublings]));
  if (!offs.length) return null;
  return 2 ** [...offs].sort((a, b) => a - b)[Math.floor(offs.length / 2)]!;
}

/** How it went with one kind, in words. */
export function progressWords(guesses: readonly Guess[]): string {
  if (!guesses.length) return 'not met yet';
  const last = guesses.slice(-SHOWN);
  const right = last.filter((each) => each.right).length;
  const off = usualOff(last.slice(-5));
  return `${right} of ${last.length} right${off === null ? '' : `, of late ${formatFigures(off, 2)} times off`}`;
}

/** Every kind with its level and how far off one was over time; a press practises it. */
export function Progress({ training }: { training: Training }) {
  const styles = useStyles();
  const { standings, guesses, next } = training;
  return (
    <View role="list" aria-label="Exercises" style={styles.list}>
      {standings.map((standing) => (
        <View key={standing.kind} role="listitem">
          <KindLine
            standing={standing}
            guesses={guesses.filter(({ kind }) => kind === standing.kind)}
            onPress={() => next(standing.kind)}
          />
        </View>
      ))}
    </View>
  );
}

function KindLine({
  standing,
  guesses,
  onPress,
}: {
  standing: Standing;
  guesses: readonly Guess[];
  onPress: () => void;
}) {
  const styles = useStyles();
  const { kind, level } = standing;
  const words = progressWords(guesses);
  return (
    <Pressable
      role="button"
      onPress={onPress}
      style={styles.line}
      aria-label={`${TRAIN_NAMES[kind]} Level ${level} of ${LEVELS.length}, ${words}. Practise it.`}
      testID={`practise-${kind}`}
    >
      <View style={styles.words}>
        <Txt kind="strong" tone="press">
          {TRAIN_NAMES[kind]}
        </Txt>
        <Txt kind="small" tone="soft">
          {`${guesses.length ? `level ${level} of ${LEVELS.length} · ` : ''}${words}`}
        </Txt>
      </View>
      <OffChart guesses={guesses.slice(-SHOWN)} />
    </Pressable>
  );
}

/** The last answers, the newest at the right: right ones full, the nearer the higher. */
function OffChart({ guesses }: { guesses: readonly Guess[] }) {
  const palette = usePalette();
  const step = WIDTH / SHOWN;
  const y = ({ right, offDoublings }: Guess) => {
    const off = offDoublings === undefined ? (right ? 0 : FOOT_DOUBLINGS) : Math.min(FOOT_DOUBLINGS, offDoublings);
    return 5 + ((HEIGHT - 10) * off) / FOOT_DOUBLINGS;
  };
  return (
    <Svg width={WIDTH} height={HEIGHT} aria-hidden>
      <Line x1={0} x2={WIDTH} y1={5} y2={5} stroke={palette.hairline} />
      <Line x1={0} x2={WIDTH} y1={HEIGHT - 5} y2={HEIGHT - 5} stroke={palette.hairline} />
      {guesses.map((guess, i) => (
        <Circle
          key={guess.answeredAt}
          cx={WIDTH - (guesses.length - i - 0.5) * step}
          cy={y(guess)}
          r={3.2}
          fill={guess.right ? palette.press : palette.paper}
          stroke={guess.right ? palette.press : palette.needle}
          strokeWidth={1.4}
        />
      ))}
    </Svg>
  );
}

const useStyles = stylesOf((palette) => ({
  list: { borderTopWidth: 1, borderColor: palette.hairline },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    minHeight: TARGET,
    paddingVertical: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  words: { flex: 1, minWidth: 0 },
}));
