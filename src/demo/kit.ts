import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Lens, Optic } from '@/contract/schemas/optic';
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
    name: 'Ostrel R45', maker: 'Ostrel', mount: 'Ostrel R', flangeMm: 19,
    sensor: { widthMm: 36, heightMm: 24, columns: 8256, rows: 5504 },
    antiAliasFilter: 'none', bitsPerSample: 14,
    cropModes: [
      { id: 'c12', name: 'Crop 1.2', factor: 1.2, framesPerSecond: 10, fileSizeMb: 33, finder: 'outlines' },
      { id: 'c15', name: 'Crop 1.5', factor: 1.5, framesPerSecond: 15, framesPerSecondWithAccessory: 18, fileSizeMb: 21.5, finder: 'masks', switchedByLens: true },
      { id: 'square', name: 'Square', aspect: 1, framesPerSecond: 9, fileSizeMb: 32, finder: 'masks' },
    ],
    videoModes: [
      { id: 'uhd', name: '4K', sampledColumns: 7680, sampledRows: 4320, recordedColumns: 3840, recordedRows: 2160, framesPerSecond: [25, 30], processedZoomLimit: 2, restrictions: ['simpleFocusAreas'] },
      { id: 'uhd120', name: '4K fast', sampledColumns: 3840, sampledRows: 2160, recordedColumns: 3840, recordedRows: 2160, framesPerSecond: [100, 120], restrictions: ['noStills'] },
    ],
    framesPerSecond: 9, framesPerSecondWithAccessory: 12, fileSizeMb: 48, burstBufferMb: 3400, cardWriteMbPerS: 260,
    autofocusLimitFNumber: 8, slowAutofocusLimitFNumber: 11, stabiliserStops: 5, screenDiagonalMm: 81, weightG: 905, price: 2900,
  }),
  quillon: row<Body>('b002', {
    name: 'Quillon C26', maker: 'Quillon', mount: 'Quillon Q', flangeMm: 17.8,
    sensor: { widthMm: 23.4, heightMm: 15.6, columns: 6240, rows: 4160 },
    antiAliasFilter: 'none', bitsPerSample: 14,
    cropModes: [{ id: 'c125', name: 'Action crop', factor: 1.25, framesPerSecond: 20, fileSizeMb: 17, finder: 'fills' }],
    videoModes: [{ id: 'uhd', name: '4K', sampledColumns: 6240, sampledRows: 3510, recordedColumns: 3840, recordedRows: 2160, framesPerSecond: [25, 30], processedZoomLimit: 1.5 }],
    framesPerSecond: 12, fileSizeMb: 27, burstBufferMb: 2100, cardWriteMbPerS: 180,
    autofocusLimitFNumber: 11, stabiliserStops: 6, screenDiagonalMm: 76, weightG: 610, price: 1350,
  }),
  merrow: row<Body>('b003', {
    name: 'Merrow T20', maker: 'Merrow', mount: 'Merrow M', flangeMm: 19.3,
    sensor: { widthMm: 17.4, heightMm: 13, columns: 5200, rows: 3886 },
    antiAliasFilter: 'weak', bitsPerSample: 12,
    cropModes: [{ id: 'wide', name: 'Wide 16:9', aspect: 16 / 9, framesPerSecond: 18, fileSizeMb: 15, finder: 'masks' }],
    framesPerSecond: 18, fileSizeMb: 20, burstBufferMb: 1500, cardWriteMbPerS: 150,
    autofocusLimitFNumber: 8, stabiliserStops: 7, screenDiagonalMm: 76, weightG: 495, price: 1100,
  }),
  pocket: row<Body>('b004', {
    name: 'Merrow pocket phone', maker: 'Merrow', mount: 'Merrow pocket, built in',
    sensor: { widthMm: 9.8, heightMm: 7.3, columns: 4032, rows: 3004 },
    antiAliasFilter: 'none', bitsPerSample: 12, cropModes: [], framesPerSecond: 10, fileSizeMb: 14, weightG: 195, price: 620,
  }),
  planetCamera: row<Body>('b005', {
    name: 'Quillon P4 planet camera', maker: 'Quillon', mount: 'Drawtube 2″', flangeMm: 12.5,
    sensor: { widthMm: 7.8, heightMm: 4.41, columns: 2688, rows: 1520 },
    antiAliasFilter: 'none', bitsPerSample: 12, cropModes: [],
    readoutWindows: [
      { columns: 2688, rows: 1520, framesPerSecond: 60 }, { columns: 1280, rows: 720, framesPerSecond: 160 },
      { columns: 640, rows: 480, framesPerSecond: 240 }, { columns: 320, rows: 240, framesPerSecond: 460 },
    ],
    cardWriteMbPerS: 360, weightG: 110, price: 330,
  }),
};

export const demoOptics = {
  tele600: row<Lens>('c001', {
    kind: 'lens', name: 'Ostrel 600 f/5.6', maker: 'Ostrel', mount: 'Ostrel R', madeFor: 'fullFrame', design: 'diffractive', takesConverters: true,
    focalWideMm: 600, focalTeleMm: 600, fNumberWide: 5.6, fNumberTele: 5.6,
    closestFocusM: 4.2, closestRatio: 0.16, imageCircleWideMm: 43.9, lens50LpPerMm: 96, lens50CornerLpPerMm: 78, detailClass: 'excellent',
    autofocus: true, stabiliserStops: 4, lengthMm: 310, flangeMm: 19, weightG: 2150, price: 5400,
  }),
  zoom150600: row<Lens>('c002', {
    kind: 'lens', name: 'Quillon 150–600 f/5–6.3', maker: 'Quillon', mount: 'Quillon Q', madeFor: 'fullFrame',
    focalWideMm: 150, focalTeleMm: 600, fNumberWide: 5, fNumberTele: 6.3,
    closestFocusM: 2.4, closestRatio: 0.21, imageCircleWideMm: 43.5, detailClass: 'good',
    autofocus: true, stabiliserStops: 4, lengthMm: 275, flangeMm: 17.8, weightG: 1940, price: 1250,
  }),
  zoom70300: row<Lens>('c003', {
    kind: 'lens', name: 'Quillon 70–300 f/4–5.6', maker: 'Quillon', mount: 'Quillon Q', madeFor: 'apsC',
    focalWideMm: 70, focalTeleMm: 300, fNumberWide: 4, fNumberTele: 5.6,
    closestFocusM: 0.95, closestRatio: 0.33, imageCircleWideMm: 28.6, imageCircleTeleMm: 36, detailClass: 'fair',
    autofocus: true, stabiliserStops: 5, lengthMm: 133, flangeMm: 17.8, weightG: 560, price: 640,
  }),
  tele300: row<Lens>('c004', {
    kind: 'lens', name: 'Merrow 300 f/4', maker: 'Merrow', mount: 'Merrow M', madeFor: 'fourThirds',
    focalWideMm: 300, focalTeleMm: 300, fNumberWide: 4, fNumberTele: 4,
    closestFocusM: 1.4, closestRatio: 0.24, imageCircleWideMm: 22.2, lens50LpPerMm: 95, detailClass: 'excellent',
    autofocus: true, stabiliserStops: 6, lengthMm: 227, flangeMm: 19.3, weightG: 1270, price: 2300,
  }),
  macro100: row<Lens>('c005', {
    kind: 'lens', name: 'Ostrel 100 f/2.8 macro', maker: 'Ostrel', mount: 'Ostrel R', madeFor: 'fullFrame', takesConverters: false,
    focalWideMm: 100, focalTeleMm: 100, fNumberWide: 2.8, fNumberTele: 2.8,
    closestFocusM: 0.3, closestRatio: 1, imageCircleWideMm: 44.5, lens50LpPerMm: 92, detailClass: 'excellent',
    autofocus: true, lengthMm: 142, flangeMm: 19, weightG: 640, price: 900,
  }),
  wide20: row<Lens>('c006', {
    kind: 'lens', name: 'Ostrel 20 f/1.8', maker: 'Ostrel', mount: 'Ostrel R', madeFor: 'fullFrame', takesConverters: false,
    focalWideMm: 20, focalTeleMm: 20, fNumberWide: 1.8, fNumberTele: 1.8,
    closestFocusM: 0.2, closestRatio: 0.21, imageCircleWideMm: 43.6, detailClass: 'good',
    autofocus: true, lengthMm: 85, flangeMm: 19, weightG: 480, price: 950,
  }),
  mirror500: row<Lens>('c007', {
    kind: 'lens', name: 'Merrow mirror 500 f/8', maker: 'Merrow', mount: 'Merrow SLR', madeFor: 'fullFrame', design: 'mirror', obstructionShare: 0.45, fixedAperture: true,
    focalWideMm: 500, focalTeleMm: 500, fNumberWide: 8, fNumberTele: 8,
    closestFocusM: 1.7, closestRatio: 0.4, imageCircleWideMm: 43.3, detailClass: 'weak',
    autofocus: false, lengthMm: 110, flangeMm: 44.5, weightG: 650, price: 180,
  }),
  refractor: row<Optic>('c008', {
    kind: 'telescope', name: 'Quillon 80 refractor', maker: 'Quillon', mount: 'Drawtube 2″', apertureMm: 80, focalMm: 480, backFocusMm: 110, imageCircleMm: 40,
    detailClass: 'good', weightG: 2900, price: 790,
  }),
  scope: row<Optic>('c009', {
    kind: 'scope', name: 'Merrow 65 spotting scope', maker: 'Merrow', objectiveMm: 65, magnificationLow: 20, magnificationHigh: 48, eyeReliefMm: 17,
    apparentFieldDeg: 55, closestFocusM: 5, detailClass: 'fair', weightG: 1180, price: 860,
  }),
  reflector: row<Optic>('c012', {
    kind: 'telescope', name: 'Merrow 180 long reflector', maker: 'Merrow', mount: 'Drawtube 2″', apertureMm: 180, focalMm: 1800, obstructionShare: 0.33, backFocusMm: 150,
    detailClass: 'good', weightG: 7200, price: 1450,
  }),
  objective4: row<Optic>('c010', {
    kind: 'objective', name: 'Quillon 4× objective', maker: 'Quillon', magnification: 4, numericalAperture: 0.1, correction: 'infinity', designTubeFocalMm: 200,
    workingDistanceMm: 30, fieldNumberMm: 22, weightG: 90, price: 150,
  }),
  pocketLens: row<Optic>('c011', {
    kind: 'builtIn', name: 'Merrow pocket main lens', maker: 'Merrow', mount: 'Merrow pocket, built in', focalWideMm: 6.9, focalTeleMm: 6.9,
    fNumberWide: 1.8, fNumberTele: 1.8, imageCircleWideMm: 12.3, detailClass: 'excellent', lens50LpPerMm: 160, autofocus: true,
  }),
};

export const demoAdapters = {
  converter14: row<Extract<Adapter, { kind: 'converter' }>>('d001', {
    kind: 'converter', name: 'Ostrel ×1.4', maker: 'Ostrel', mount: 'Ostrel R', factor: 1.4, lens50LpPerMm: 190,
    autofocus: true, weightG: 190, price: 420,
  }),
  converter20: row<Extract<Adapter, { kind: 'converter' }>>('d002', {
    kind: 'converter', name: 'Ostrel ×2', maker: 'Ostrel', mount: 'Ostrel R', factor: 2, lens50LpPerMm: 110,
    autofocus: true, weightG: 270, price: 460,
  }),
  tubes: row<Adapter>('d003', { kind: 'tubes', name: 'Ostrel tube set', maker: 'Ostrel', mount: 'Ostrel R', lengthsMm: [12, 20, 36], autofocus: true, weightG: 240, price: 95 }),
  closeUp: row<Adapter>('d004', { kind: 'closeUp', name: 'Merrow close-up +5', maker: 'Merrow', dioptres: 5, weightG: 110, price: 70 }),
  reversing: row<Adapter>('d005', { kind: 'reversing', name: 'Ostrel reversing ring', maker: 'Ostrel', mount: 'Ostrel R', lengthMm: 4, weightG: 35, price: 25 }),
  coupling: row<Adapter>('d006', { kind: 'coupling', name: 'Coupling ring 62–67', weightG: 20, price: 15 }),
  slrAdapter: row<Adapter>('d007', { kind: 'mountAdapter', name: 'SLR onto Ostrel R', maker: 'Ostrel', mount: 'Ostrel R', lensMount: 'Merrow SLR', addsMm: 25.5, autofocus: false, weightG: 120, price: 90 }),
  afocal: row<Adapter>('d008', { kind: 'afocal', name: 'Phone clamp for eyepieces', weightG: 150, price: 45 }),
  reducer: row<Adapter>('d009', { kind: 'reducer', name: 'Quillon ×0.8 reducer', maker: 'Quillon', mount: 'Ostrel R', lensMount: 'Drawtube 2″', factor: 0.8, neededCircleMm: 40, autofocus: false, weightG: 310, price: 240 }),
  barlow: row<Adapter>('d010', { kind: 'barlow', name: 'Quillon ×2 Barlow', maker: 'Quillon', mount: 'Drawtube 2″', factor: 2, weightG: 160, price: 120 }),
  barlow15: row<Adapter>('d012', { kind: 'barlow', name: 'Quillon ×1.5 Barlow', maker: 'Quillon', mount: 'Drawtube 2″', factor: 1.5, weightG: 130, price: 95 }),
  drawtube: row<Adapter>('d011', { kind: 'mountAdapter', name: 'Drawtube onto Ostrel R', mount: 'Ostrel R', lensMount: 'Drawtube 2″', addsMm: 36, autofocus: false, weightG: 140, price: 60 }),
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
    chain: [{ type: 'optic', id: demoOptics.macro100.id }, { type: 'adapter', id: demoAdapters.tubes.id, usedMm: [20] }],
  }),
  seawall: row<Setup>('a005', {
    name: 'Sea-wall scope', bodyId: demoBodies.pocket.id, modeId: 'whole', supportWeightG: 1600,
    chain: [{ type: 'optic', id: demoOptics.scope.id, magnificationSet: 30 }, { type: 'adapter', id: demoAdapters.afocal.id }, { type: 'optic', id: demoOptics.pocketLens.id }],
  }),
  darkSky: row<Setup>('a006', {
    name: 'Dark sky', bodyId: demoBodies.ostrel.id, modeId: 'whole', supportWeightG: 2400,
    chain: [{ type: 'optic', id: demoOptics.wide20.id }],
  }),
  planetNight: row<Setup>('a007', {
    name: 'Planet night', bodyId: demoBodies.planetCamera.id, modeId: 'whole', supportWeightG: 14_000,
    chain: [{ type: 'optic', id: demoOptics.reflector.id }],
  }),
  nebula: row<Setup>('a008', {
    name: 'Small refractor', bodyId: demoBodies.ostrel.id, modeId: 'whole', supportWeightG: 9000,
    chain: [{ type: 'optic', id: demoOptics.refractor.id }, { type: 'adapter', id: demoAdapters.drawtube.id }],
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
