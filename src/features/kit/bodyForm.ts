import type { Body } from '@/contract/schemas/body';
import { carry, choiceOf, main, number, text, type PathIn, type Section } from './formFields';
import { CROP_MODE, LIGHT, READOUT_WINDOW, VIDEO_MODE } from './listFields';

/** The form of a body. */
export const BODY_FORM: Section<PathIn<Body>>[] = [
  main(
    'Sensor',
    number('sensor.widthMm', 'Width', 'mm', false),
    number('sensor.heightMm', 'Height', 'mm', false),
    number('sensor.columns', 'Columns', 'px', false),
    number('sensor.rows', 'Rows', 'px', false),
    choiceOf('antiAliasFilter', 'Anti-aliasing filter', { none: 'None', weak: 'Weak', standard: 'Standard' }),
  ),
  { title: 'Crop modes', open: false, fields: [{ kind: 'list', path: 'cropModes', list: CROP_MODE }] },
  {
    title: 'Frames, files, autofocus',
    open: false,
    fields: [
      number('framesPerSecond', 'Frames per second', 'per s'),
      number('framesPerSecondWithAccessory', '… with accessory', 'per s'),
      number('fastestShutterPerS', 'Fastest shutter speed 1/', 's'),
      number('fileSizeMb', 'Raw file', 'MB'),
      number('bitsPerSample', 'Bits per sample'),
      number('burstBufferMb', 'Burst buffer', 'MB'),
      number('cardWriteMbPerS', 'Writes to the card', 'MB/s'),
      number('autofocusLimitFNumber', 'Autofocus up to f/'),
      number('slowAutofocusLimitFNumber', 'Slowly up to f/'),
      number('stabiliserStops', 'Stabiliser', 'stops'),
      number('picturesPerBattery', 'Pictures with one battery'),
      number('screenWidthMm', 'Screen width', 'mm'),
      number('screenHeightMm', 'Screen height', 'mm'),
      number('screenDiagonalMm', 'Screen diagonal', 'mm'),
    ],
  },
  {
    title: 'Keys for the card',
    open: false,
    fields: [
      text('cropModeKey', 'Switches the crop mode', true),
      text('finderMaskKey', 'Switches the mask in the finder', true),
      text('processedZoomKey', 'Switches the processed zoom', true),
    ],
  },
  { title: 'Video modes', open: false, fields: [{ kind: 'list', path: 'videoModes', list: VIDEO_MODE }] },
  {
    title: 'Noise',
    open: false,
    fields: [number('designYear', 'Year of design'), { kind: 'list', path: 'light', list: LIGHT }],
  },
  {
    title: 'Read-out windows for planets',
    open: false,
    fields: [{ kind: 'list', path: 'readoutWindows', list: READOUT_WINDOW }],
  },
  carry(number('flangeMm', 'Flange distance', 'mm')),
];
