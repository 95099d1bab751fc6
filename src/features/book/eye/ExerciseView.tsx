import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { TRAIN_NAMES, type Ask } from '@/core/train/exercise';
import type { Training, Turn } from '@/data/eye/useTraining';
import { usePreferences } from '@/data/preferences';
import { usePartOfScreen } from '@/ui/Beside';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { elementOf } from '@/ui/web';
import { useWhy } from '../../desk/useWhy';
import { AmountAsk } from './AmountAsk';
import { Plates } from './Plates';
import { guessWords, verdictWords } from './guessWords';

/** One exercise: what is known, the pictures, the question, and after the guess what is true and why. */
export function ExerciseView({ training, turn }: { training: Training; turn: Turn }) {
  const styles = useStyles();
  const { level } = usePartOfScreen();
  const { exercise, judged } = turn;
  const { kind, given, question, plates, ask } = exercise;
  const [guess, setGuess] = useState<string | number | null>(null);
  const answer = (value: string | number) => {
    setGuess(value);
    training.answer(value, guessWords(ask, value));
  };
  return (
    <View style={styles.exercise}>
      <View style={styles.head}>
        <Txt kind="title" level={level} style={styles.name}>
          {TRAIN_NAMES[kind]}
        </Txt>
        <Txt kind="small" tone="soft">{`level ${exercise.level} of 5`}</Txt>
      </View>
      <Txt kind="small">{given}</Txt>
      <Plates plates={plates} />
      <Txt kind="strong">{question}</Txt>
      {judged && guess !== null ? (
        <Answered training={training} turn={turn} guess={guess} />
      ) : ask.type === 'choice' ? (
        <ChoiceAsk ask={ask} onAnswer={answer} />
      ) : (
        <AmountAsk ask={ask} onAnswer={answer} />
      )}
      <View style={styles.foot}>
        <Txt kind="small" tone="soft" role="status">
          {training.given ? `${training.right} of ${training.given} right` : ''}
        </Txt>
        <Key title="Stop" weight="plain" onPress={training.stop} testID="stop" />
      </View>
    </View>
  );
}

function ChoiceAsk({ ask, onAnswer }: { ask: Extract<Ask, { type: 'choice' }>; onAnswer: (id: string) => void }) {
  const styles = useStyles();
  return (
    <View role="group" aria-label="Answers" style={styles.choices}>
      {ask.options.map(({ id, text }) => (
        <Key key={id} title={text} onPress={() => onAnswer(id)} testID={`choose-${id}`} />
      ))}
    </View>
  );
}

function Answered({ training, turn, guess }: { training: Training; turn: Turn; guess: string | number }) {
  const styles = useStyles();
  const units = usePreferences((state) => state.units);
  const { ask: askWhy, sheetFor } = useWhy();
  const { exercise, judged } = turn;
  const shown = useRef<View>(null);
  // On a phone the pictures stand above: what is true is brought into sight.
  useEffect(() => {
    elementOf(shown)?.scrollIntoView({ block: 'end' });
  }, []);
  if (!judged) return null;
  const { ask, told, why } = exercise;
  return (
    <View ref={shown} style={styles.answer} testID="answered">
      <Txt kind="title" tone={judged.right ? 'press' : 'needle'} role="status">
        {`${judged.right ? '●' : '✕'} ${verdictWords(ask, guess, judged)}`}
      </Txt>
      <Txt>{told}</Txt>
      <FigureRow>
        <Figure label={why.why.name} quantity={why} units={units} name="why" onWhy={() => askWhy(why)} />
      </FigureRow>
      {training.over ? (
        <Txt kind="small" tone="soft">
          Five minutes are over: a short sitting now and then teaches more than a long one.
        </Txt>
      ) : null}
      <Key title="Next" icon="arrow-forward" weight="strong" onPress={() => training.next()} testID="next" />
      {sheetFor()}
    </View>
  );
}

const useStyles = stylesOf(() => ({
  exercise: { gap: space.medium },
  head: { flexDirection: 'row', alignItems: 'baseline', gap: space.medium },
  name: { flex: 1 },
  choices: { gap: space.small },
  answer: { gap: space.medium },
  foot: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' },
}));
