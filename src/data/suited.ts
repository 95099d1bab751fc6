import { DEEP_OBJECTS } from '@/core/sky/catalogue';
import { suitedSetup, suitedSubject, type Offered, type Purpose } from '@/core/levers/suits';
import { isCarried, type Carrying } from '@/core/levers/carrying';
import type { Hand, Place } from './hand';
import { systemInputOf, type Kit } from './situation';

/** What a place is for at this moment; null while what it needs is missing. */
function purposeOf(place: Place, kit: Kit, hand: Hand, targetId: string): Purpose | null {
  if (place === 'deep') {
    const object = DEEP_OBJECTS.find((each) => each.id === targetId) ?? DEEP_OBJECTS[0];
    return object ? { place, object } : null;
  }
  if (place !== 'far') return { place };
  const subject = kit.subjects.find((row) => row.id === hand.subjectId) ?? kit.subjects[0];
  const output = kit.outputs.find((row) => row.id === hand.outputId) ?? kit.outputs[0];
  if (!subject || !output) return null;
  const distanceM = hand.distanceM ?? subject.data.distanceM;
  return { place, subject: subject.data, distanceM, output: output.data };
}

/** A hand with nothing chosen yet, filled with what of the kit suits its place; what is chosen stays. */
export function suitedHand(place: Place, kit: Kit, hand: Hand, targetId: string, carrying: Carrying): Hand {
  if (hand.setupId !== null && hand.subjectId !== null) return hand;
  const subjects = kit.subjects.map((row) => ({ id: row.id, sizeMm: row.data.sizeMm }));
  const subjectId = hand.subjectId ?? suitedSubject(place, subjects);
  if (hand.setupId !== null) return { ...hand, subjectId };
  const purpose = purposeOf(place, kit, { ...hand, subjectId }, targetId);
  const offered = kit.setups.flatMap((row): Offered[] => {
    const setup = row.data.retired ? null : systemInputOf(row.data, kit);
    return setup ? [{ id: row.id, setup }] : [];
  });
  const carried = offered.filter(({ setup }) => isCarried(carrying, setup));
  // Where nothing is light enough, what suits is still better than nothing.
  const among = carried.length ? carried : offered;
  return { ...hand, subjectId, setupId: purpose && suitedSetup(purpose, among) };
}
