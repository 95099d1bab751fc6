import type { ResourceTypes } from '../resources';
import type { CsvResource } from './columns';

/** Example lines of the templates: plain formats, no make. Without ids, so that they come in as new. */
export const CSV_EXAMPLES: { [N in CsvResource]: { id: string; data: ResourceTypes[N] }[] } = {
  bodies: [
    {
      id: '',
      data: {
        name: 'Full frame 45 MP',
        mount: 'Mount A',
        sensor: { widthMm: 36, heightMm: 24, columns: 8256, rows: 5504 },
        antiAliasFilter: 'none',
        cropModes: [],
        framesPerSecond: 9,
        fileSizeMb: 48,
        autofocusLimitFNumber: 8,
        weightG: 900,
        price: 2900,
      },
    },
    {
      id: '',
      data: {
        name: 'Four-thirds 20 MP',
        sensor: { widthMm: 17.3, heightMm: 13, columns: 5184, rows: 3888 },
        antiAliasFilter: 'weak',
        cropModes: [],
      },
    },
  ],
  optics: [
    {
      id: '',
      data: {
        kind: 'lens',
        name: '100–400 f/4.5–6.3',
        mount: 'Mount A',
        focalWideMm: 100,
        focalTeleMm: 400,
        fNumberWide: 4.5,
        fNumberTele: 6.3,
        closestFocusM: 0.98,
        closestRatio: 0.38,
        imageCircleWideMm: 43.5,
        detailClass: 'good',
        autofocus: true,
        weightG: 1400,
        price: 2400,
      },
    },
    { id: '', data: { kind: 'telescope', name: '80 mm refractor', apertureMm: 80, focalMm: 480, detailClass: 'good' } },
    {
      id: '',
      data: {
        kind: 'scope',
        name: '65 mm spotting scope',
        objectiveMm: 65,
        magnificationLow: 20,
        magnificationHigh: 48,
        detailClass: 'fair',
      },
    },
  ],
  adapters: [
    {
      id: '',
      data: { kind: 'converter', name: 'Converter ×1.4', mount: 'Mount A', factor: 1.4, autofocus: true, weightG: 190 },
    },
    { id: '', data: { kind: 'tubes', name: 'Tube set', mount: 'Mount A', lengthsMm: [12, 20, 36], autofocus: true } },
    { id: '', data: { kind: 'closeUp', name: 'Close-up +5', dioptres: 5 } },
  ],
  pictureGroups: [
    {
      id: '',
      data: {
        subjectName: 'Curlew',
        kind: 'far',
        verdict: 'kept',
        takenFrom: '2026-11-14T08:05:00',
        takenTo: '2026-11-14T08:12:00',
        pictures: 46,
        bodyName: 'Body 45 MP',
        lensName: '600 f/5.6',
        focalMm: 600,
        fNumber: 5.6,
        seconds: 0.0005,
        iso: 1600,
        distanceM: 60,
      },
    },
  ],
};
