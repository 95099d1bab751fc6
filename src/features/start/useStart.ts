import { useState } from 'react';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import { BUILT_IN_LENSES, type Aim } from '@/core/kit/typicalLenses';
import { usualSubject, type SubjectKind } from '@/core/kit/subjects';
import type { Place } from '@/data/hand';
import { useInHand } from '@/data/inHand';
import { createRow } from '@/data/rowActions';
import { PLACE_PATHS } from '../places';
import { setupNameOf } from '../kit/setupName';

/** What was answered so far. */
export interface Answers {
  aim: Aim | null;
  formatId: string | null;
  body: Body | null;
  optic: Optic | null;
}

const NOTHING: Answers = { aim: null, formatId: null, body: null, optic: null };
const PLACE_OF: Record<Aim, Place> = { far: 'far', near: 'near', sky: 'stars' };

/** The lens comes with the body where it cannot be taken off. */
const builtInOf = (formatId: string | null): Optic | null =>
  formatId !== null && Object.hasOwn(BUILT_IN_LENSES, formatId) ? BUILT_IN_LENSES[formatId]! : null;

/** Puts what was answered into the kit and takes it in hand; returns where to go. */
function take({ aim, body, optic }: { aim: Aim; body: Body; optic: Optic }, kind: SubjectKind | null): string {
  const bodyId = createRow('bodies', body);
  const opticId = createRow('optics', optic);
  const setupId = createRow('setups', {
    name: setupNameOf([body.name, optic.name]),
    namedAfterParts: true,
    bodyId,
    modeId: 'whole',
    chain: [{ type: 'optic', id: opticId }],
  });
  const subjectId = createRow('subjects', usualSubject(kind ?? (aim === 'near' ? 'butterfly' : 'wader')));
  const place = PLACE_OF[aim];
  useInHand.now(place).chooseSetup(setupId);
  useInHand.now(place).chooseSubject(subjectId);
  return PLACE_PATHS[place];
}

/** The way from nothing to a first reading: what for, body, lens, subject. */
export function useStart(onReady: (path: string) => void) {
  const [answers, setAnswers] = useState<Answers>(NOTHING);
  const { aim, formatId, body, optic } = answers;
  const finish = (whole: { aim: Aim; body: Body; optic: Optic }, kind: SubjectKind | null) =>
    onReady(take(whole, kind));
  const answer = (change: Partial<Answers>) => {
    const next = { ...answers, ...change };
    // Under the sky there is no subject to choose: the reading is there with the lens.
    if (next.aim === 'sky' && next.body && next.optic)
      return finish({ aim: next.aim, body: next.body, optic: next.optic }, null);
    return setAnswers(next);
  };
  return {
    answers,
    step: aim === null ? 'aim' : body === null ? 'body' : optic === null ? 'lens' : 'subject',
    chooseAim: (next: Aim) => answer({ aim: next }),
    chooseFormat: (next: string) => answer({ formatId: next }),
    chooseBody: (next: Body) => answer({ body: next, optic: builtInOf(formatId) }),
    chooseLens: (next: Optic) => answer({ optic: next }),
    chooseSubject: (kind: SubjectKind) => {
      if (aim && body && optic) finish({ aim, body, optic }, kind);
    },
    /** Goes back to one question; what was answered after it is asked again. */
    again: (asked: 'aim' | 'body' | 'lens') => {
      // A lens that stays on the body is changed with it.
      const step = asked === 'lens' && builtInOf(formatId) ? 'body' : asked;
      setAnswers({
        ...answers,
        ...(step === 'aim'
          ? { aim: null }
          : step === 'body'
            ? { formatId: null, body: null, optic: null }
            : { optic: null }),
      });
    },
  } as const;
}
