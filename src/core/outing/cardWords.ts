import { plannedDistanceM, type Served, type Want } from '../bag/serve';
import { isSky } from '../bag/serveSky';
import { partAsUsed } from '../chain/link';
import { verdictOf } from '../output/verdict';
import { VERDICT_MARK, VERDICT_WORDS } from '../output/verdictWords';
import { formatFixed, formatFigures, formatRatio } from '../quantity/format';
import {
  showFNumber,
  showLengthM,
  showQuantity,
  showSubjectMm,
  shownText,
  shutterText as starTime,
} from '../quantity/quantityText';
import type { Quantity } from '../quantity/quantity';
import { dialText } from '../quantity/shutterDial';
import type { UnitSystem } from '../quantity/units';
import type { Closer } from './closer';
import type { Settings } from './settings';
import { leastLight, lightText, shutterText, shutterToSet } from './shutterWords';

/** One line of the card: what it is, what to set, and the quantity it is taken from, where it is one. */
export interface CardLine {
  name: string;
  text: string;
  quantity?: Quantity | undefined;
}

/** Keys of a body that were entered. */
export interface BodyKeys {
  cropModeKey?: string | undefined;
  finderMaskKey?: string | undefined;
  processedZoomKey?: string | undefined;
}

/** Thirds of a stop as they are engraved: the first ten, then the same with a nought more. */
const ISO_THIRDS = [100, 125, 160, 200, 250, 320, 400, 500, 640, 800];

/** The engraved ISO at or below one, or at or above it. */
export function engravedIso(iso: number, side: 'below' | 'above'): number {
  const all = Array.from({ length: 7 }, (_, i) => ISO_THIRDS.map((each) => each * 10 ** (i - 1))).flat();
  const hair = 1e-6;
  const found =
    side === 'below' ? all.findLast((each) => each <= iso * (1 + hair)) : all.find((each) => each >= iso * (1 - hair));
  return found ?? iso;
}

const length = (metres: number, units: UnitSystem): string => shownText(showLengthM(metres, units));
const isoText = (iso: number): string => formatFixed(iso);

/** What the picture is of, and from where. */
export function headOf(want: Want, units: UnitSystem): { title: string; under: string } {
  if (isSky(want))
    return { title: want.name, under: `${formatFigures(want.fieldDeg, 2)}° of the sky · ${want.output.name}` };
  const distanceM = plannedDistanceM(want);
  const keeps = distanceM !== undefined && distanceM > want.distanceM! ? ', the distance to keep' : '';
  const from = distanceM === undefined ? 'close up' : `from ${length(distanceM, units)}${keeps}`;
  return { title: want.subject.name, under: `${from} · ${want.output.name}` };
}

/** The verdict of a picture with its mark. */
export function judgementOf(want: Want, { counted, needed }: Settings): string {
  const verdict = verdictOf(counted.value, needed.value, isSky(want) ? 0 : counted.plusMinus);
  if (!isSky(want)) return `${VERDICT_MARK[verdict]} ${VERDICT_WORDS[verdict](want.output.name)}`;
  return verdict === 'notEnough'
    ? `${VERDICT_MARK.notEnough} Stars run before the sky has its light`
    : `${VERDICT_MARK.enough} Light enough before stars run`;
}

function modeLine({ mode, system }: Settings, { cropModeKey, finderMaskKey }: BodyKeys): CardLine[] {
  const whole = mode.id === 'whole';
  const key = cropModeKey ? ` · ${cropModeKey}` : '';
  const rate = system.framesPerSecond === undefined ? '' : ` · ${formatFigures(system.framesPerSecond, 2)} frames/s`;
  const lines = [{ name: whole ? 'Mode' : 'Crop mode', text: `${mode.name}${whole ? '' : key}${rate}` }];
  if (!whole && mode.finder === 'outlines' && finderMaskKey) lines.push({ name: 'Finder mask', text: finderMaskKey });
  return lines;
}

/** What is exposed by hand and what by the camera. */
const EXPOSURE: Record<Settings['desk'], string> = {
  far: 'time and f-number by hand, ISO by itself',
  near: 'with flash all by hand; without, ISO by itself',
  stars: 'all by hand, raw',
};

function shutterLine(settings: Settings, units: UnitSystem): CardLine[] {
  const { desk, longestS } = settings;
  if (!longestS) return [];
  const text =
    desk === 'stars' ? `${starTime(longestS.value)} at most, before stars run` : shutterText(settings, units);
  const light = leastLight(settings);
  return [
    { name: 'Shutter', text, quantity: longestS },
    ...(light ? [{ name: 'Light', text: lightText(settings)!, quantity: light.ev }] : []),
  ];
}

function isoLine({ desk, isoLow, isoHigh }: Settings): CardLine[] {
  const low = engravedIso(isoLow.value, desk === 'stars' ? 'above' : 'below');
  const high = isoHigh ? engravedIso(isoHigh.value, 'below') : null;
  const quantity = isoHigh ?? isoLow;
  if (high === null || high < low) return [{ name: 'ISO', text: `${isoText(low)}, noisier than passes`, quantity }];
  const text =
    desk === 'stars'
      ? `${isoText(low)}; up to ${isoText(high)} passes`
      : high === low
        ? isoText(low)
        : `${isoText(low)} to ${isoText(high)}`;
  return [{ name: 'ISO', text, quantity }];
}

/** As set on the lens, and what the camera shows of it behind a converter or the like. */
function apertureLine({ fNumber, system }: Settings): CardLine {
  const times = system.fNumber.value / system.markedFNumber;
  const behind = Math.abs(times - 1) > 0.02 ? `, ${showFNumber(fNumber.value * times)} with what is behind it` : '';
  return { name: 'f-number', text: `${showFNumber(fNumber.value)}${behind}`, quantity: fNumber };
}

function focusLines({ desk, focusFromM, ratio, workingDistanceMm, depthMm, depthM }: Settings, units: UnitSystem) {
  const lines: CardLine[] = [];
  if (desk === 'stars') lines.push({ name: 'Focus', text: 'by hand on a bright star, magnified; tape the ring' });
  if (focusFromM)
    lines.push({ name: 'Focus limit', text: `from ${length(focusFromM.value, units)} on`, quantity: focusFromM });
  if (ratio) lines.push({ name: 'Ratio', text: `${formatRatio(ratio.value)}, then move to and fro`, quantity: ratio });
  if (workingDistanceMm)
    lines.push({
      name: 'Room in front',
      text: length(workingDistanceMm.value / 1000, units),
      quantity: workingDistanceMm,
    });
  if (depthMm)
    lines.push({ name: 'Sharp depth', text: shownText(showSubjectMm(depthMm.value, units)), quantity: depthMm });
  if (depthM)
    lines.push({ name: 'Sharp depth', text: shownText(showLengthM(depthM.value, units, 2)), quantity: depthM });
  return lines;
}

/** Tubes, bellows, an eyepiece: what is set in a certain way. */
function tubeLines({ system }: Settings): CardLine[] {
  return system.links.flatMap(({ part, used }): CardLine[] => {
    if (used?.tubesMm)
      return [{ name: 'Tube', text: `${used.tubesMm.map((mm) => formatFigures(mm)).join(' + ')}\u202fmm` }];
    if (used?.magnification) return [{ name: 'Eyepiece', text: `×${formatFigures(used.magnification)}` }];
    if (used?.extensionMm) return [{ name: part.name, text: `${formatFigures(used.extensionMm)}\u202fmm` }];
    return [];
  });
}

/** What to do when the subject comes nearer, as a sentence. */
export function closerText(closer: Closer, units: UnitSystem, { cropModeKey }: BodyKeys = {}): string {
  const at = length(closer.atM.value, units);
  switch (closer.kind) {
    case 'keep':
      return `At ${at}: the distance to keep. Draw back, or stay still and let it go.`;
    case 'modeOff':
      return `At ${at}: crop mode off${cropModeKey ? ` (${cropModeKey})` : ''}, the pixels stay the same.`;
    case 'zoomOut':
      return `At ${at}: zoom out; at ${formatFigures(closer.focalMm)}\u202fmm it fits down to ${length(closer.untilM, units)}.`;
    case 'takeOff':
      return `At ${at}: take ${closer.name} off; then it fits down to ${length(closer.untilM, units)}.`;
    case 'tooLarge':
      return `Below ${at} it no longer fits: take its head, or draw back.`;
    case 'noFocus':
      return `Below ${at} the lens does not focus.`;
  }
}

/** The three that are set first, short enough to be read in the dark: opening, longest time, highest ISO. */
export function bigFigures(settings: Settings): CardLine[] {
  const { desk, fNumber, longestS, isoLow, isoHigh } = settings;
  const set = shutterToSet(settings);
  const iso =
    desk === 'stars' ? engravedIso(isoLow.value, 'above') : isoHigh ? engravedIso(isoHigh.value, 'below') : null;
  return [
    { name: 'f-number', text: showFNumber(fNumber.value), quantity: fNumber },
    ...(longestS && set
      ? [
          {
            name: 'Shutter',
            text: `≤\u202f${desk === 'stars' ? starTime(set.setS) : dialText(set.setS)}`,
            quantity: longestS,
          },
        ]
      : []),
    ...(iso === null ? [] : [{ name: 'ISO', text: `${desk === 'stars' ? '' : '≤\u202f'}${isoText(iso)}` }]),
  ];
}

/** Names of what a set-up is made of, as used, body first. */
export const setupNamesOf = ({ setup }: Served): string[] => [
  setup.body.body.name,
  ...setup.chain.map((link) => partAsUsed(link).name),
];

/** The same of what is set. */
export const setupNames = ({ system }: Settings): string[] => [
  system.body.name,
  ...system.links.map((link) => partAsUsed(link).name),
];

/**
 * All lines of one picture's card, in the order in which they are set.
 *
 * @param keys which keys of the body switch what
 */
export function cardLines(settings: Settings, keys: BodyKeys, units: UnitSystem): CardLine[] {
  const { desk, focalMm, distanceM } = settings;
  const { processedZoomKey } = keys;
  return [
    ...modeLine(settings, keys),
    ...(focalMm
      ? [
          {
            name: 'Focal length',
            text: shownText(showQuantity({ ...focalMm, value: Math.floor(focalMm.value) }, units)),
            quantity: focalMm,
          },
        ]
      : []),
    apertureLine(settings),
    ...shutterLine(settings, units),
    ...isoLine(settings),
    { name: 'Exposure', text: EXPOSURE[desk] },
    ...tubeLines(settings),
    ...focusLines(settings, units),
    ...(distanceM ? [{ name: 'Distance', text: length(distanceM.value, units), quantity: distanceM }] : []),
    ...(desk === 'far' && processedZoomKey
      ? [{ name: 'Zoom in camera', text: `off (${processedZoomKey}): it adds no detail` }]
      : []),
  ];
}
