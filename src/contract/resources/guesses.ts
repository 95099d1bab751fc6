import { momentOf } from '../moments';
import { guessSchema, type Guess } from '../schemas/guess';
import { resource } from './resource';

export const guesses = resource<Guess>({
  schema: guessSchema,
  noun: 'answer',
  plural: 'Answers of the eye',
  check: momentOf('answeredAt'),
});
