import type { Grey } from '../picture/grey';
import { ok, type Result } from '../quantity/result';
import type { Found, Question } from './benchTalk';
import { findDisc } from './disc/findDisc';
import { findSubject } from './findSubject';
import { measureLength } from './measureLength';
import { findRuler } from './ruler/findRuler';

/** What a picture answers to a question. */
export function answer(grey: Grey, question: Question, onProgress?: (share: number) => void): Result<Found> {
  const { measure } = question;
  if (measure === 'ruler') {
    const value = findRuler(grey, { tickMm: question.tickMm, notAlong: question.notAlong, onProgress });
    return value.ok ? ok({ measure, value: value.value }) : value;
  }
  if (measure === 'length') {
    const value = measureLength(grey, question.ends);
    return value.ok ? ok({ measure, value: value.value }) : value;
  }
  if (measure === 'disc') {
    const value = findDisc(grey);
    return value.ok ? ok({ measure, value: value.value }) : value;
  }
  const value = findSubject(grey);
  return value.ok ? ok({ measure, value: value.value }) : value;
}
