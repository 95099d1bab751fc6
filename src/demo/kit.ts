import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import type { Output } from '@/contract/schemas/output';
import type { Setup } from '@/contract/schemas/setup';
import type { Subject } from '@/contract/schemas/subject';

/**
 * The demo's own world: a weekend naturalist on the invented coast of Hollin Sound, with a tidal marsh, dunes and dark
 * skies. All makers and gear are made up.
 */

/** A row of the demo, before it is stored. */
export interface DemoRow<T> {
  id: string;
  data: T;
}

const row = <T>(number: string, data: T): DemoRow<T> => ({ id: `00000000-0000-4000-8000-${number.padStart(12, '0')}`, data });

export const demoBodies = {
  ostrel: row<Body>('b001', {
    name: 'Ostrel R45',
    maker: 'Ostrel',
    mount: 'Ostrel R',
    sensor: { widthMm: 36, heightMm: 24, columns: 8256, rows: 5504 },
    antiAliasFilter: 'none',
    cropModes: [
      { id: 'c12', name: 'Crop 1.2', factor: 1.2, framesPerSecond: 10, fileSizeMb: 33 },
      { id: 'c15', name: 'Crop 1.5', factor: 1.5, framesPerSecond: 15, fileSizeMb: 21.5 },
      { id: 'square', name: 'Square', aspect: 1, framesPerSecond: 9, fileSizeMb: 32 },
    ],
    framesPerSecond: 9,
    fileSizeMb: 48,
    autofocusLimitFNumber: 8,
    slowAutofocusLimitFNumber: 11,
    weightG: 905,
    price: 2900,
  }),
  quillon: row<Body>('b002', {
    name: 'Quillon C26',
    maker: 'Quillon',
    mount: 'Quillon Q',
    sensor: { widthMm: 23.4, heightMm: 15.6, columns: 6240, rows: 4160 },
    antiAliasFilter: 'none',
    cropModes: [{ id: 'c125', name: 'Action crop', factor: 1.25, framesPerSecond: 20, fileSizeMb: 17 }],
    framesPerSecond: 12,
    fileSizeMb: 27,
    autofocusLimitFNumber: 11,
    weightG: 610,
    price: 1350,
  }),
  merrow: row<Body>('b003', {
    name: 'Merrow T20',
    maker: 'Merrow',
    mount: 'Merrow M',
    sensor: { widthMm: 17.4, heightMm: 13, columns: 5200, rows: 3886 },
    antiAliasFilter: 'weak',
    cropModes: [{ id: 'wide', name: 'Wide 16:9', aspect: 16 / 9, framesPerSecond: 18, fileSizeMb: 15 }],
    framesPerSecond: 18,
    fileSizeMb: 20,
    autofocusLimitFNumber: 8,
    weightG: 495,
    price: 1100,
  }),
};

export const demoOptics = {
  tele600: row<Optic>('c001', {
    kind: 'lens', name: 'Ostrel 600 f/5.6', maker: 'Ostrel', mount: 'Ostrel R',
    focalWideMm: 600, focalTeleMm: 600, fNumberWide: 5.6, fNumberTele: 5.6,
    closestFocusM: 4.2, closestRatio: 0.16, imageCircleWideMm: 43.9, lens50LpPerMm: 96, detailClass: 'excellent',
    autofocus: true, weightG: 2150, price: 5400,
  }),
  zoom150600: row<Optic>('c002', {
    kind: 'lens', name: 'Quillon 150–600 f/5–6.3', maker: 'Quillon', mount: 'Quillon Q',
    focalWideMm: 150, focalTeleMm: 600, fNumberWide: 5, fNumberTele: 6.3,
    closestFocusM: 2.4, closestRatio: 0.21, imageCircleWideMm: 43.5, detailClass: 'good',
    autofocus: true, weightG: 1940, price: 1250,
  }),
  zoom70300: row<Optic>('c003', {
    kind: 'lens', name: 'Quillon 70–300 f/4–5.6', maker: 'Quillon', mount: 'Quillon Q',
    focalWideMm: 70, focalTeleMm: 300, fNumberWide: 4, fNumberTele: 5.6,
    closestFocusM: 0.95, closestRatio: 0.33, imageCircleWideMm: 28.6, imageCircleTeleMm: 36, detailClass: 'fair',
    autofocus: true, weightG: 560, price: 640,
  }),
  tele300: row<Optic>('c004', {
    kind: 'lens', name: 'Merrow 300 f/4', maker: 'Merrow', mount: 'Merrow M',
    focalWideMm: 300, focalTeleMm: 300, fNumberWide: 4, fNumberTele: 4,
    closestFocusM: 1.4, closestRatio: 0.24, imageCircleWideMm: 22.2, lens50LpPerMm: 95, detailClass: 'excellent',
    autofocus: true, weightG: 1270, price: 2300,
  }),
  macro100: row<Optic>('c005', {
    kind: 'lens', name: 'Ostrel 100 f/2.8 macro', maker: 'Ostrel', mount: 'Ostrel R',
    focalWideMm: 100, focalTeleMm: 100, fNumberWide: 2.8, fNumberTele: 2.8,
    closestFocusM: 0.3, closestRatio: 1, imageCircleWideMm: 44.5, lens50LpPerMm: 92, detailClass: 'excellent',
    autofocus: true, weightG: 640, price: 900,
  }),
  wide20: row<Optic>('c006', {
    kind: 'lens', name: 'Ostrel 20 f/1.8', maker: 'Ostrel', mount: 'Ostrel R',
    focalWideMm: 20, focalTeleMm: 20, fNumberWide: 1.8, fNumberTele: 1.8,
    closestFocusM: 0.2, closestRatio: 0.21, imageCircleWideMm: 43.6, detailClass: 'good',
    autofocus: true, weightG: 480, price: 950,
  }),
};

export const demoAdapters = {
  converter14: row<Adapter>('d001', {
    kind: 'converter', name: 'Ostrel ×1.4', maker: 'Ostrel', mount: 'Ostrel R', factor: 1.4, lens50LpPerMm: 190,
    autofocus: true, weightG: 190, price: 420,
  }),
  converter20: row<Adapter>('d002', {
    kind: 'converter', name: 'Ostrel ×2', maker: 'Ostrel', mount: 'Ostrel R', factor: 2, lens50LpPerMm: 110,
    autofocus: true, weightG: 270, price: 460,
  }),
};

export const demoSetups = {
  hide: row<Setup>('a001', {
    name: 'Marsh hide', bodyId: demoBodies.ostrel.id, modeId: 'whole', supportWeightG: 2400,
    chain: [{ type: 'optic', id: demoOptics.tele600.id }],
  }),
  dunes: row<Setup>('a002', {
    name: 'Dune walk', bodyId: demoBodies.quillon.id, modeId: 'whole', focalMm: 400,
    chain: [{ type: 'optic', id: demoOptics.zoom150600.id }],
  }),
  lightBag: row<Setup>('a003', {
    name: 'Light bag', bodyId: demoBodies.merrow.id, modeId: 'whole',
    chain: [{ type: 'optic', id: demoOptics.tele300.id }],
  }),
  heath: row<Setup>('a004', {
    name: 'Heath macro', bodyId: demoBodies.ostrel.id, modeId: 'whole',
    chain: [{ type: 'optic', id: demoOptics.macro100.id }],
  }),
};

export const demoSubjects = {
  curlew: row<Subject>('e001', { name: 'Curlew', kind: 'wader', sizeMm: 550, sizePlusMinusMm: 40, distanceM: 60, keepDistanceM: 50 }),
  redshank: row<Subject>('e002', { name: 'Redshank', kind: 'wader', sizeMm: 280, sizePlusMinusMm: 12, distanceM: 32, keepDistanceM: 30 }),
  stonechat: row<Subject>('e003', { name: 'Stonechat', kind: 'perchingBird', sizeMm: 125, sizePlusMinusMm: 6, distanceM: 14 }),
  harrier: row<Subject>('e004', { name: 'Marsh harrier', kind: 'raptor', sizeMm: 1250, sizePlusMinusMm: 90, distanceM: 110, keepDistanceM: 100 }),
  stoat: row<Subject>('e005', { name: 'Stoat', kind: 'smallMammal', sizeMm: 240, sizePlusMinusMm: 40, distanceM: 18 }),
  roe: row<Subject>('e006', { name: 'Roe deer', kind: 'deer', sizeMm: 1050, sizePlusMinusMm: 80, distanceM: 95 }),
  grayling: row<Subject>('e007', { name: 'Grayling', kind: 'butterfly', sizeMm: 56, sizePlusMinusMm: 5, distanceM: 2.6 }),
  tigerBeetle: row<Subject>('e008', { name: 'Tiger beetle', kind: 'beetle', sizeMm: 14, sizePlusMinusMm: 1.5, distanceM: 0.6 }),
};

export const demoOutputs = {
  web: row<Output>('f001', { kind: 'screen', name: 'Web page', longSidePx: 1600, subjectShare: 0.5 }),
  print: row<Output>('f002', { kind: 'print', name: 'Print 30 × 20', longSideMm: 300, pixelsPerInch: 240, subjectShare: 0.5 }),
  rings: row<Output>('f003', { kind: 'identification', name: 'Leg-ring record', smallestDetailMm: 2.5 }),
};
