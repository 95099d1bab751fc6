import type { Grey } from '../picture/grey';
import { ok, type Result } from '../quantity/result';
import type { Found, Question } from './benchTalk';
import { findDisc } from './disc/findDisc';
import { edgesOnMosaic, type ColouredPixels } from './edge/edgesByColour';
import { findEdges } from './edge/findEdges';
import { findSubject } from './findSubject';
import { measureLength } from './measureLength';
import { findRuler } from './ruler/findRuler';
import { findStars } from './stars/findStars';

/**
 * What a picture answers to a question.
 *
 * @param mosaic the sensor's own picture of a raw file: sharpness is measured on it
 */
export function answer(
  grey: Grey,
  question: Question,
  onProgress?: (share: number) => void,
  mosaic?: ColouredPixels | null,
): Result<Found> {
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
  if (measure === 'edge') {
    const asked = { frame: question.frame, onProgress };
    const value = mosaic ? edgesOnMosaic(grey, mosaic, asked) : findEdges(grey, asked);
    return value.ok ? ok({ measure, value: value.value }) : value;
  }
  if (measure === 'stars') {
    const value = findStars(grey, { setup: question.setup, onProgress });
    return value.ok ? ok({ measure, value: value.value }) : value;
  }
  const value = findSubject(grey);
  return value.ok ? ok({ measure, value: value.value }) : value;
}
