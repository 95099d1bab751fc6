import { ScrollView, View } from 'react-native';
import { useTraining } from '@/data/eye/useTraining';
import { usePartOfScreen } from '@/ui/Beside';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { UnderBookTabs } from '../BookTabs';
import { ExerciseView } from './ExerciseView';
import { Progress } from './Progress';

/** Train the eye: short exercises, one after the other, and how far off one was over time. */
export default function EyePage() {
  const styles = useStyles();
  const { level } = usePartOfScreen();
  const training = useTraining();
  const { turn, loading, failed, retry, next } = training;
  return (
    <UnderBookTabs here="/book/eye">
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        {turn ? (
          <ExerciseView key={`${turn.exercise.kind} ${turn.exercise.seed}`} training={training} turn={turn} />
        ) : (
          <>
            <Txt kind="title" level={level}>
              Train the eye
            </Txt>
            <Txt kind="small" tone="soft" role="status">
              {failed
                ? 'The answers given so far could not be read. See that the server runs, then try again.'
                : loading
                  ? 'Opening …'
                  : 'A picture, a guess, the answer with its Why. Made anew each time from your kit and the simulated camera; what you miss comes again sooner, what you know grows finer. Five minutes are enough.'}
            </Txt>
            {failed ? (
              <Key title="Try again" onPress={retry} />
            ) : (
              <View style={styles.start}>
                <Key
                  title="Begin"
                  icon="visibility"
                  weight="strong"
                  onPress={() => next()}
                  disabled={loading}
                  testID="begin"
                />
              </View>
            )}
            <Progress training={training} />
          </>
        )}
      </ScrollView>
    </UnderBookTabs>
  );
}

const useStyles = stylesOf(() => ({
  content: { padding: space.page, gap: space.large, width: '100%', maxWidth: 760, marginHorizontal: 'auto' },
  start: { flexDirection: 'row' },
}));
