import type { Adapter } from '@/contract/schemas/adapter';
import type { Optic } from '@/contract/schemas/optic';
import type { PartKind } from '@/core/chain/parts';
import { DESIGN_WORDS, FORMAT_WORDS } from '@/core/kit/words';
import type { FieldUnit } from '@/core/quantity/parseNumber';

/** One field of a form: where its value lies in the row, and how it is entered. */
export type Field =
  | { kind: 'text'; path: string; label: string; multiline?: boolean; optional?: boolean }
  | {
      kind: 'number';
      path: string;
      label: string;
      unit: FieldUnit;
      shownUnit?: string;
      perUnit?: number;
      optional?: boolean;
    }
  | { kind: 'numbers'; path: string; label: string }
  | { kind: 'choice'; path: string; label: string; options: readonly { value: string; name: string; gloss?: string }[] }
  | { kind: 'flag'; path: string; label: string }
  /** Yes, no, or not known. */
  | { kind: 'known'; path: string; label: string }
  | { kind: 'modes' | 'videoModes' | 'windows'; path: string };

/** Fields under one heading; later sections start closed. */
export interface Section {
  title: string;
  fields: Field[];
  open: boolean;
}

const number = (path: string, label: string, shownUnit = '', optional = true): Field => ({
  kind: 'number',
  path,
  label,
  unit: shownUnit === 'm' || shownUnit === 'mm' ? shownUnit : 'none',
  shownUnit,
  optional,
});
const text = (path: string, label: string, optional = false): Field => ({ kind: 'text', path, label, optional });
const flag = (path: string, label: string): Field => ({ kind: 'flag', path, label });
const choiceOf = (path: string, label: string, words: Record<string, string>): Field => ({
  kind: 'choice',
  path,
  label,
  options: Object.entries(words).map(([value, name]) => ({ value, name })),
});
const note: Field = { kind: 'text', path: 'note', label: 'Note', multiline: true, optional: true };

const draws = choiceOf('detailClass', 'How well it draws', {
  excellent: 'Excellent',
  good: 'Good',
  fair: 'Fair',
  weak: 'Weak',
});
const own50 = number('lens50LpPerMm', '50 % frequency', 'lp/mm');
const carry = (...more: Field[]): Section => ({
  title: 'Make, mount, weight, price',
  open: false,
  fields: [
    text('maker', 'Maker', true),
    text('mount', 'Mount', true),
    ...more,
    number('weightG', 'Weight', 'g'),
    number('price', 'Price'),
    flag('wish', 'Wished for, not in the bag yet'),
    note,
  ],
});
const main = (title: string, ...fields: Field[]): Section => ({
  title,
  open: true,
  fields: [text('name', 'Name'), ...fields],
});

const BODY: Section[] = [
  main(
    'Sensor',
    number('sensor.widthMm', 'Width', 'mm', false),
    number('sensor.heightMm', 'Height', 'mm', false),
    number('sensor.columns', 'Columns', 'px', false),
    number('sensor.rows', 'Rows', 'px', false),
    choiceOf('antiAliasFilter', 'Anti-aliasing filter', { none: 'None', weak: 'Weak', standard: 'Standard' }),
  ),
  { title: 'Crop modes', open: false, fields: [{ kind: 'modes', path: 'cropModes' }] },
  {
    title: 'Frames, files, autofocus',
    open: false,
    fields: [
      number('framesPerSecond', 'Frames per second', 'per s'),
      number('framesPerSecondWithAccessory', '… with accessory', 'per s'),
      number('fileSizeMb', 'Raw file', 'MB'),
      number('bitsPerSample', 'Bits per sample'),
      number('burstBufferMb', 'Burst buffer', 'MB'),
      number('cardWriteMbPerS', 'Writes to the card', 'MB/s'),
      number('autofocusLimitFNumber', 'Autofocus up to f/'),
      number('slowAutofocusLimitFNumber', 'Slowly up to f/'),
      number('stabiliserStops', 'Stabiliser', 'stops'),
      number('screenWidthMm', 'Screen width', 'mm'),
      number('screenHeightMm', 'Screen height', 'mm'),
      number('screenDiagonalMm', 'Screen diagonal', 'mm'),
    ],
  },
  { title: 'Video modes', open: false, fields: [{ kind: 'videoModes', path: 'videoModes' }] },
  { title: 'Read-out windows for planets', open: false, fields: [{ kind: 'windows', path: 'readoutWindows' }] },
  carry(number('flangeMm', 'Flange distance', 'mm')),
];

const PHOTOGRAPHIC: Field[] = [
  number('focalWideMm', 'Shortest focal length', 'mm', false),
  number('focalTeleMm', 'Longest focal length', 'mm', false),
  number('fNumberWide', 'Widest f/ at the short end', '', false),
  number('fNumberTele', 'Widest f/ at the long end', '', false),
  draws,
  flag('autofocus', 'Autofocus'),
];
const NEAR: Field[] = [
  number('closestFocusM', 'Closest focus', 'm'),
  number('closestRatio', 'Ratio there (0.25 for 1 : 4)'),
  number('imageCircleWideMm', 'Image circle', 'mm'),
  number('imageCircleTeleMm', 'Image circle, long end', 'mm'),
  own50,
  number('lens50CornerLpPerMm', '… in the corner', 'lp/mm'),
];

/** The form of each kind of part. */
const BY_KIND: Record<PartKind, Section[]> = {
  lens: [
    main('Lens', ...PHOTOGRAPHIC),
    { title: 'Closest focus, image circle, detail', open: false, fields: NEAR },
    {
      title: 'How it is built',
      open: false,
      fields: [
        choiceOf('design', 'Design', DESIGN_WORDS),
        choiceOf('madeFor', 'Made for', FORMAT_WORDS),
        flag('fixedAperture', 'One aperture only'),
        { kind: 'known', path: 'takesConverters', label: 'A converter goes in behind it' },
        number('obstructionShare', 'Central obstruction (0.4 for 40 %)'),
        number('stabiliserStops', 'Stabiliser', 'stops'),
        number('lengthMm', 'Length', 'mm'),
        number('flangeMm', 'Flange it was made for', 'mm'),
      ],
    },
    carry(),
  ],
  builtIn: [
    main('Built-in lens', ...PHOTOGRAPHIC),
    { title: 'Closest focus, image circle, detail', open: false, fields: NEAR },
    carry(),
  ],
  telescope: [
    main(
      'Telescope',
      number('apertureMm', 'Aperture', 'mm', false),
      number('focalMm', 'Focal length', 'mm', false),
      draws,
    ),
    {
      title: 'Obstruction, back focus, circle',
      open: false,
      fields: [
        number('obstructionShare', 'Central obstruction (0.4 for 40 %)'),
        number('backFocusMm', 'Back focus', 'mm'),
        number('imageCircleMm', 'Image circle', 'mm'),
        own50,
      ],
    },
    carry(),
  ],
  scope: [
    main(
      'Spotting scope',
      number('objectiveMm', 'Objective', 'mm', false),
      number('magnificationLow', 'Lowest magnification', '×', false),
      number('magnificationHigh', 'Highest magnification', '×', false),
      draws,
    ),
    {
      title: 'Eyepiece, closest focus',
      open: false,
      fields: [
        number('eyeReliefMm', 'Eye relief', 'mm'),
        number('apparentFieldDeg', 'Apparent field', '°'),
        number('closestFocusM', 'Closest focus', 'm'),
      ],
    },
    carry(),
  ],
  objective: [
    main(
      'Objective',
      number('magnification', 'Magnification', '×', false),
      number('numericalAperture', 'Numerical aperture', '', false),
      choiceOf('correction', 'Corrected for', { infinity: 'Infinity', finite: 'A finite tube' }),
    ),
    {
      title: 'Tube, working distance, field',
      open: false,
      fields: [
        number('designTubeFocalMm', 'Tube lens it was made for', 'mm'),
        number('tubeLengthMm', 'Tube length (finite)', 'mm'),
        number('workingDistanceMm', 'Working distance', 'mm'),
        number('fieldNumberMm', 'Field number', 'mm'),
        own50,
      ],
    },
    carry(),
  ],
  converter: [
    main('Converter', number('factor', 'Factor (1.4)', '×', false), flag('autofocus', 'Keeps autofocus'), own50),
    carry(),
  ],
  reducer: [
    main(
      'Focal reducer',
      number('factor', 'Factor (0.71)', '×', false),
      number('neededCircleMm', 'Image circle it needs', 'mm'),
      flag('autofocus', 'Keeps autofocus'),
      own50,
    ),
    carry(text('lensMount', 'Mount on the lens’s side', true)),
  ],
  barlow: [main('Barlow', number('factor', 'Factor (2)', '×', false), own50), carry()],
  tubes: [
    main(
      'Extension tubes',
      { kind: 'numbers', path: 'lengthsMm', label: 'Lengths in mm (12 + 20 + 36)' },
      flag('autofocus', 'Keeps autofocus'),
    ),
    carry(),
  ],
  closeUp: [main('Close-up lens', number('dioptres', 'Dioptres', 'dpt', false), own50), carry()],
  reversing: [main('Reversing ring', number('lengthMm', 'Length', 'mm')), carry()],
  coupling: [main('Coupling ring'), carry()],
  tubeLens: [
    main(
      'Tube lens',
      number('focalMm', 'Focal length', 'mm', false),
      number('imageCircleMm', 'Image circle', 'mm'),
      own50,
    ),
    carry(),
  ],
  afocal: [main('Afocal adapter'), carry()],
  mountAdapter: [
    main(
      'Mount adapter',
      text('lensMount', 'Mount on the lens’s side'),
      text('mount', 'Mount on the body’s side', true),
      number('addsMm', 'Length it adds', 'mm', false),
      flag('autofocus', 'Keeps autofocus'),
    ),
    {
      title: 'Make, weight, price',
      open: false,
      fields: [text('maker', 'Maker', true), number('weightG', 'Weight', 'g'), number('price', 'Price'), note],
    },
  ],
};

/** The form of a body, or of a part of a kind. */
export const sectionsOf = (kind: PartKind | 'body'): Section[] => (kind === 'body' ? BODY : BY_KIND[kind]);

/** What the form of something new starts from. */
export function newPart(kind: PartKind): Optic | Adapter {
  const lens = {
    name: '',
    focalWideMm: 400,
    focalTeleMm: 400,
    fNumberWide: 5.6,
    fNumberTele: 5.6,
    detailClass: 'good',
    autofocus: true,
  } as const;
  const start: Record<PartKind, Optic | Adapter> = {
    lens: { kind: 'lens', ...lens, name: 'New lens' },
    builtIn: {
      kind: 'builtIn',
      ...lens,
      name: 'Built-in lens',
      focalWideMm: 7,
      focalTeleMm: 7,
      fNumberWide: 1.8,
      fNumberTele: 1.8,
    },
    telescope: { kind: 'telescope', name: 'New telescope', apertureMm: 80, focalMm: 480, detailClass: 'good' },
    scope: {
      kind: 'scope',
      name: 'New scope',
      objectiveMm: 65,
      magnificationLow: 20,
      magnificationHigh: 50,
      detailClass: 'fair',
    },
    objective: {
      kind: 'objective',
      name: 'New objective',
      magnification: 4,
      numericalAperture: 0.1,
      correction: 'infinity',
    },
    converter: { kind: 'converter', name: 'Converter ×1.4', factor: 1.4, autofocus: true },
    reducer: { kind: 'reducer', name: 'Reducer ×0.71', factor: 0.71, autofocus: true },
    barlow: { kind: 'barlow', name: 'Barlow ×2', factor: 2 },
    tubes: { kind: 'tubes', name: 'Extension tubes', lengthsMm: [12, 20, 36], autofocus: true },
    closeUp: { kind: 'closeUp', name: 'Close-up lens', dioptres: 3 },
    reversing: { kind: 'reversing', name: 'Reversing ring' },
    coupling: { kind: 'coupling', name: 'Coupling ring' },
    tubeLens: { kind: 'tubeLens', name: 'Tube lens', focalMm: 200 },
    afocal: { kind: 'afocal', name: 'Afocal adapter' },
    mountAdapter: { kind: 'mountAdapter', name: 'Mount adapter', lensMount: '', addsMm: 25, autofocus: false },
  };
  return start[kind];
}

/** Sets a value at a path of plain objects, without changing the original; an empty value removes the field. */
export function withPath(object: unknown, path: string, value: unknown): unknown {
  const [head = '', ...rest] = path.split('.');
  const source = (object ?? {}) as Record<string, unknown>;
  if (rest.length) return { ...source, [head]: withPath(source[head], rest.join('.'), value) };
  const { [head]: _, ...others } = source;
  return value === undefined || value === null || value === '' ? others : { ...others, [head]: value };
}

export function atPath(object: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((node, step) => (node as Record<string, unknown> | undefined)?.[step], object);
}
