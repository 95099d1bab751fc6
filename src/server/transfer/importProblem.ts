import { summary } from '@/contract/fieldErrors';
import type { FieldError } from '@/contract/problem';
import { HttpProblem } from '../problems';

/** What is wrong with a file of data, by row and field; nothing of it was taken in. */
export const importInvalid = (errors: FieldError[]): HttpProblem =>
  new HttpProblem(422, 'import.invalid', 'Nothing was imported', summary(errors.slice(0, 5)), { errors });
