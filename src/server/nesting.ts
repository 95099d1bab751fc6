import type { RequestHandler } from 'express';
import { HttpProblem } from './problems';

/** Deeper than anything Jauge writes; much deeper would exhaust the stack of what walks through it. */
const DEEPEST = 64;

/** Whether a value nests too deep. Without recursion: the value may nest as deep as its bytes allow. */
export function isTooDeep(value: unknown, deepest = DEEPEST): boolean {
  let level: unknown[] = [value];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > deepest) return true;
    level = level.flatMap((each) =>
      each !== null && typeof each === 'object' ? Object.values(each).filter((inner) => typeof inner === 'object') : [],
    );
  }
  return false;
}

/** Refuses bodies that nest too deep, before anything walks through them. */
export const refuseTooDeep: RequestHandler = (request, _response, next) => {
  if (isTooDeep(request.body))
    throw new HttpProblem(
      400,
      'json.tooDeep',
      'Nested too deep',
      `The body is nested deeper than ${DEEPEST} levels, which no row of Jauge is.`,
    );
  next();
};

/** Refuses addresses with a NUL, which no name here has and databases end texts at. */
export const refuseNul: RequestHandler = (request, _response, next) => {
  if (/%00|\0/i.test(request.url))
    throw new HttpProblem(
      400,
      'request.malformed',
      'Not a request',
      'The address holds a NUL character. Leave it out.',
    );
  next();
};
