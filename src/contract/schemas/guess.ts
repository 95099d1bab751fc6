import { TRAIN_KINDS, type Level, type TrainKind } from '@/core/train/exercise';
import { between, dateTime, text } from './fields';

/** An answer given while training the eye: which exercise, how it was answered, and how far off that was. */
export const guessSchema = {
  $id: 'guess',
  title: 'Answer',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'level', 'seed', 'guess', 'truth', 'right', 'grade', 'answeredAt'],
  properties: {
    kind: { type: 'string', title: 'Exercise', enum: TRAIN_KINDS },
    level: { type: 'integer', title: 'Level', enum: [1, 2, 3, 4, 5] },
    seed: { type: 'integer', title: 'Seed', minimum: 0, maximum: 4_294_967_295 },
    guess: text('Guess', 240),
    truth: text('What is true', 240),
    right: { type: 'boolean', title: 'Right' },
    offDoublings: between('How far off, in doublings', 0, 100),
    grade: { type: 'integer', title: 'Grade', enum: [1, 2, 3, 4] },
    answeredAt: dateTime('Answered'),
  },
} as const;

/** The same as a type; kind, level and seed make the exercise again from the same kit. */
export interface Guess {
  kind: TrainKind;
  level: Level;
  seed: number;
  guess: string;
  truth: string;
  right: boolean;
  offDoublings?: number | undefined;
  grade: 1 | 2 | 3 | 4;
  answeredAt: string;
}
