import type { Outing } from '@/contract/schemas/outing';
import { DEMO_EVENING } from './evening';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects, type DemoRow } from './kit';

const { name, latitudeDeg, longitudeDeg, heightM, zone } = DEMO_EVENING.site;
const seaWall = { name, latitudeDeg, longitudeDeg, heightM, zone };

/** A dawn on the marsh, two bodies in the bag; for one picture of the list a converter is missing. */
const marsh: Outing = {
  name: 'Marsh at first light',
  day: '2026-11-14',
  span: 'day',
  place: seaWall,
  wants: [
    {
      id: 'curlew',
      kind: 'far',
      name: 'Curlew',
      subjectId: demoSubjects.curlew.id,
      outputId: demoOutputs.web.id,
      distanceM: 60,
      pictures: 400,
      note: 'Along the creek, two hours before high water.',
    },
    {
      id: 'redshank',
      kind: 'far',
      name: 'Redshank',
      subjectId: demoSubjects.redshank.id,
      outputId: demoOutputs.rings.id,
      distanceM: 32,
      pictures: 150,
      note: 'The colour-ringed ones at the sluice.',
    },
    {
      id: 'harrier',
      kind: 'far',
      name: 'Marsh harrier',
      subjectId: demoSubjects.harrier.id,
      outputId: demoOutputs.web.id,
      distanceM: 110,
      pictures: 500,
    },
    {
      id: 'stonechat',
      kind: 'far',
      name: 'Stonechat',
      subjectId: demoSubjects.stonechat.id,
      outputId: demoOutputs.web.id,
      distanceM: 14,
      pictures: 120,
    },
    {
      id: 'roe',
      kind: 'far',
      name: 'Roe deer',
      subjectId: demoSubjects.roe.id,
      outputId: demoOutputs.print.id,
      distanceM: 100,
      pictures: 60,
      note: 'At the edge of the reeds, if they come out.',
    },
    {
      id: 'beetle',
      kind: 'near',
      name: 'Tiger beetle',
      subjectId: demoSubjects.tigerBeetle.id,
      outputId: demoOutputs.print.id,
      pictures: 40,
      note: 'Only if the sun comes through.',
    },
  ],
  bag: [
    { type: 'body', id: demoBodies.ostrel.id },
    { type: 'body', id: demoBodies.quillon.id },
    { type: 'optic', id: demoOptics.tele600.id },
    { type: 'optic', id: demoOptics.zoom70300.id },
    { type: 'optic', id: demoOptics.macro100.id },
    { type: 'adapter', id: demoAdapters.closeUp.id },
  ],
  supportWeightG: 2400,
  otherWeightG: 1100,
  batteries: 2,
  cardGb: 128,
  tide: 'High water 08:20, 6.1 m, by the harbour’s table',
  note: 'In the hide before it gets light.',
};

/** A night on the sea wall. */
const darkNight: Outing = {
  name: 'Winter sky over the sea wall',
  day: '2026-11-07',
  span: 'night',
  place: seaWall,
  wants: [
    {
      id: 'triangle',
      kind: 'stars',
      name: 'Winter triangle',
      outputId: demoOutputs.web.id,
      declinationDeg: 2,
      fieldDeg: 60,
      pictures: 60,
    },
    {
      id: 'pole',
      kind: 'stars',
      name: 'Over the pole',
      outputId: demoOutputs.print.id,
      declinationDeg: 75,
      fieldDeg: 70,
      pictures: 120,
      note: 'For one long row of strokes.',
    },
  ],
  bag: [
    { type: 'body', id: demoBodies.ostrel.id },
    { type: 'optic', id: demoOptics.wide20.id },
  ],
  supportWeightG: 2400,
  otherWeightG: 900,
  batteries: 2,
  cardGb: 64,
  tide: 'Low water 23:10, by the harbour’s table',
  note: 'Clear after nine, no wind.',
};

const row = (number: string, data: Outing): DemoRow<Outing> => ({
  id: `00000000-0000-4000-8000-${number.padStart(12, '0')}`,
  data,
});

export const demoOutings = { marsh: row('7001', marsh), darkNight: row('7002', darkNight) };
