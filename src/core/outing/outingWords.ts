import { servedVerdict } from '../bag/readKit';
import { countAgainst } from '../output/verdictWords';
import type { Kit } from '../bag/pieces';
import { piecesOf } from '../bag/pieces';
import type { Served, Want } from '../bag/serve';
import { carriedSum } from '../kit/carried';
import { formatFigures, formatFixed } from '../quantity/format';
import { showQuantity, shownText, showError } from '../quantity/quantityText';
import type { Quantity } from '../quantity/quantity';
import type { UnitSystem } from '../quantity/units';
import {
  bigFigures,
  cardLines,
  closerText,
  headOf,
  judgementOf,
  setupNames,
  setupNamesOf,
  type BodyKeys,
  type CardLine,
} from './cardWords';
import type { OutingNight } from './outingNight';
import { lightLines } from './skyLines';
import type { OutingPlan, PlannedPicture } from './planOuting';
import { settingsFor, type CardBy, type Settings } from './settings';
import { batteriesFor, cardSpaceGb, type Shooting } from './supplies';
import type { Swap } from './swaps';

/** What of an outing is not worked out but told. */
export interface OutingFacts {
  name: string;
  /** The day in words, and whether it is a day or a night. */
  dayText: string;
  span: 'day' | 'night';
  placeName: string;
  tide?: string | undefined;
  note?: string | undefined;
  supportWeightG?: number | undefined;
  otherWeightG?: number | undefined;
  batteries?: number | undefined;
  cardGb?: number | undefined;
}

/** One picture on the page and on the card. */
export interface PictureWords {
  wantId: string;
  title: string;
  under: string;
  enough: boolean;
  judgement: string;
  /** Names of the set-up, body first; none where nothing of the bag takes it. */
  setup: string[];
  /** What it gives of what is needed, and what other set-ups of the bag would give. */
  gives: string;
  others: string[];
  /** What is to be changed for it; empty where it stands ready. */
  swap: string;
  /** The three read first, and all lines. */
  big: CardLine[];
  lines: CardLine[];
  closer: string[];
  /** What is missing for it; empty where nothing is. */
  missing: string;
  note: string;
}

/** An outing in words, as the screen, the paper and the files tell it. */
export interface OutingWords {
  title: string;
  when: string;
  sky: CardLine[];
  load: CardLine[];
  pack: string[];
  stayHome: string[];
  /** What is missing or not known, a sentence each. */
  missing: string[];
  pictures: PictureWords[];
  cautions: string[];
  note: string;
}

/** All that goes into the words. */
export interface OutingParts {
  facts: OutingFacts;
  kit: Kit;
  carried: ReadonlySet<string>;
  wants: readonly (Want & { pictures?: number | undefined; note?: string | undefined })[];
  plan: OutingPlan;
  by: CardBy;
  /** The night there; null where the place is told by its name only. */
  night: OutingNight | null;
  /** A moment by the clocks of the place: 23:05. */
  clock: (ms: number) => string;
}

const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

function swapText(swap: Swap | null, nameOf: (id: string) => string): string {
  if (!swap) return '';
  const parts = [
    swap.takes.length ? `take off ${listed(swap.takes.map(nameOf))}` : '',
    swap.puts.length ? `put on ${listed(swap.puts.map(nameOf))}` : '',
  ].filter(Boolean);
  return `${nameOf(swap.bodyId)}: ${parts.join(', ')}`;
}

/** What a set-up gives, of what is needed. */
function givesText(served: Served): string {
  const { focalMm, setup } = served;
  const zoom = setup.chain.some(({ part }) => 'focalTeleMm' in part && part.focalTeleMm > part.focalWideMm);
  const at = zoom ? `at ${formatFigures(Math.floor(focalMm))}\u202fmm ` : '';
  return `${at}${againstNeed(served)}`;
}

/** What is given and what is needed, both sides named. */
function againstNeed(served: Served): string {
  const { counted, plusMinus, needed, unit } = served;
  if (unit === 's') return `${formatFigures(counted, 3)}\u202fs, ${formatFigures(needed, 3)} needed`;
  const quantity = { value: counted, unit, ...(plusMinus === undefined ? {} : { plusMinus }) } as const;
  const texts = countAgainst(quantity, { value: needed });
  const error = servedVerdict(served) === 'borderline' ? `\u202f${showError(quantity, 'metric')}` : '';
  return `${texts.counted}${error}\u202fpx, ${texts.needed} needed`;
}

function missingText(picture: PlannedPicture, nameOf: (id: string) => string): string {
  const { enough, adds, addsBorderline, most } = picture;
  if (enough) return '';
  if (adds)
    return `Bring ${listed(adds.map(nameOf))} too: with it ${addsBorderline ? 'the photo is borderline' : 'there is enough'}.`;
  if (!most) return 'Nothing of the kit takes this picture: it does not focus there, or does not show it whole.';
  return `Nothing of the kit is enough: ${setupNamesOf(most).join(' + ')} gives most, ${againstNeed(most)}. Go closer, or want less of it.`;
}

/** Keys as they were entered for a body. */
const keysOf = ({ system }: Settings): BodyKeys => system.body;

function pictureWords(parts: OutingParts, at: number, nameOf: (id: string) => string): PictureWords {
  const { wants, plan, by } = parts;
  const [want, picture] = [wants[at]!, plan.pictures[at]!];
  const { units = 'metric' } = by;
  const settings = picture.served ? settingsFor(want, picture.served, by) : null;
  const missing = missingText(picture, nameOf);
  return {
    wantId: want.id,
    ...headOf(want, units),
    enough: picture.enough,
    judgement: settings ? judgementOf(want, settings) : '▽ No set-up of the bag takes it',
    setup: settings ? setupNames(settings) : [],
    gives: picture.served ? givesText(picture.served) : '',
    others: picture.others.map((each) => `${setupNamesOf(each).join(' + ')}: ${givesText(each)}`),
    swap: swapText(picture.swap, nameOf),
    big: settings ? bigFigures(settings) : [],
    lines: settings ? cardLines(settings, keysOf(settings), units) : [],
    closer: settings ? settings.closer.map((each) => closerText(each, units, keysOf(settings))) : [],
    missing,
    note: want.note ?? '',
  };
}

/** The pictures hoped for, by body and mode. */
function shootingsOf({ wants, plan, by }: OutingParts): Shooting[] {
  return wants.flatMap((want, i): Shooting[] => {
    const served = plan.pictures[i]?.served;
    if (!served || !want.pictures) return [];
    const settings = settingsFor(want, served, by);
    const fileSizeMb = settings?.mode.fileSizeMb ?? served.setup.body.body.fileSizeMb;
    return [{ body: served.setup.body.body, pictures: want.pictures, ...(fileSizeMb ? { fileSizeMb } : {}) }];
  });
}

/** What the bag weighs, with what stands and hangs around it. */
export function outingWeight({ facts, kit, carried }: Pick<OutingParts, 'facts' | 'kit' | 'carried'>) {
  return carriedSum('Weight to carry', 'g', [
    ...piecesOf(kit)
      .filter(({ id }) => carried.has(id))
      .map(({ name, weightG }) => ({ name, value: weightG })),
    ...(facts.supportWeightG ? [{ name: 'Support', value: facts.supportWeightG }] : []),
    ...(facts.otherWeightG ? [{ name: 'All else', value: facts.otherWeightG }] : []),
  ]);
}

const quantityText = (quantity: Quantity, units: UnitSystem): string =>
  `${quantity.note === 'atLeast' ? 'at least ' : ''}${shownText(showQuantity(quantity, units))}`;

/** Weight, room on the card and batteries, and what of them is short. */
function loadOf(parts: OutingParts): { load: CardLine[]; short: string[] } {
  const { facts, by } = parts;
  const { units = 'metric' } = by;
  const [load, short]: [CardLine[], string[]] = [[], []];
  const weight = outingWeight(parts);
  if (weight) load.push({ name: 'To carry', text: quantityText(weight, units), quantity: weight });
  if (weight?.note) short.push(`Not all weights are entered. ${weight.why.neglects ?? ''}`.trim());
  const shootings = shootingsOf(parts);
  const space = cardSpaceGb(shootings);
  if (space) {
    const has = facts.cardGb === undefined ? '' : ` of ${formatFigures(facts.cardGb)}\u202fGB`;
    load.push({ name: 'On the card', text: `${quantityText(space, units)}${has}`, quantity: space });
    if (facts.cardGb !== undefined && space.value > facts.cardGb)
      short.push(
        `The cards are too small: the pictures take ${quantityText(space, units)}, and ${formatFigures(facts.cardGb)}\u202fGB are there.`,
      );
  }
  const needs = batteriesFor(shootings);
  const known = needs.flatMap(({ body, batteries }) => (batteries ? [{ body, batteries }] : []));
  for (const { body, batteries } of known)
    load.push({ name: `Batteries, ${body.name}`, text: formatFixed(batteries.value), quantity: batteries });
  for (const { body, batteries } of needs)
    if (!batteries) short.push(`How many pictures a battery of ${body.name} lasts for is not entered.`);
  const all = known.reduce((sum, { batteries }) => sum + batteries.value, 0);
  if (facts.batteries !== undefined && all > facts.batteries)
    short.push(`${formatFixed(all)} full batteries are needed, ${formatFixed(facts.batteries)} in the bag.`);
  return { load, short };
}

/** Light, dark and Moon, and the tide as the person's own table tells it. */
function skyLines({ facts, night, clock }: OutingParts): CardLine[] {
  const tide: CardLine[] = facts.tide ? [{ name: 'Tide', text: facts.tide }] : [];
  return [...(night ? lightLines(night, facts.span, clock) : []), ...tide];
}

/** Cautions where they arise, deferring to who knows the place. */
function cautionsOf({ facts, wants }: OutingParts): string[] {
  const far = wants.some((want) => 'subject' in want && want.distanceM !== undefined);
  return [
    ...(far ? ['Keep the distance the law and the site ask for; nests and young are left alone.'] : []),
    ...(facts.tide ? ['Tide and weather are yours to look up; leave the flats well before the water comes.'] : []),
    ...(facts.span === 'night' ? ['At night: tell somebody where you are, and know your way back.'] : []),
  ];
}

/** An outing in words. */
export function outingWords(parts: OutingParts): OutingWords {
  const { facts, kit, carried, wants, plan, night } = parts;
  const names = new Map(piecesOf(kit).map(({ id, name }) => [id, name]));
  const nameOf = (id: string) => names.get(id) ?? 'a piece no longer in the kit';
  const pictures = wants.map((_, at) => pictureWords(parts, at, nameOf));
  const { load, short } = loadOf(parts);
  return {
    title: facts.name,
    when: `${facts.span === 'night' ? 'Night of ' : ''}${facts.dayText} · ${facts.placeName}`,
    sky: skyLines(parts),
    load,
    pack: piecesOf(kit)
      .filter(({ id }) => carried.has(id))
      .map(({ name }) => name),
    stayHome: plan.stayHome.map(nameOf),
    missing: [
      ...pictures.flatMap(({ title, missing }) => (missing ? [`${title}: ${missing}`] : [])),
      ...short,
      ...(night ? [] : ['The place has no coordinates: light, dark and Moon are not worked out.']),
    ],
    pictures,
    cautions: cautionsOf(parts),
    note: facts.note ?? '',
  };
}
