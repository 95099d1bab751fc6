import type { Grey } from '../../picture/grey';
import { formatFixed } from '../../quantity/format';
import { fail, ok, type Result } from '../../quantity/result';
import { focusShift, type FocusShift } from './acrossField';
import { coarseMatch } from './coarseMatch';
import { commonFit } from './commonFit';
import { commonSpectra, type CommonSpectra } from './commonSpectra';
import { fineMatch, type FineMatch } from './fineMatch';
import { onCopies, onWholes, type Copy } from './copies';
import { otherMatch, type OtherMatch } from './otherMatch';
import { banded, logLight, smaller } from './pairLight';
import { matrixOf, scaleOf, turnOf, type Similarity } from './similarity';
import { detailBands, whichHasMore, type DetailBands, type MoreDetail } from './whichHasMore';

/** Two pictures of the same thing against each other. */
export interface PairFound {
  /** px of the second a px of the first, with its error, about 95 %. */
  scale: number;
  scaleError: number;
  /** How far the second is turned, degrees from +x towards +y. */
  rotationDeg: number;
  rotationError: number;
  /** Where the first picture's middle falls, from the second's, px of the second. */
  shift: [number, number];
  shiftError: number;
  aToB: [number[], number[]];
  match: Similarity;
  /** How much alike what both show is, where they lie on each other: 1 for the same. */
  correlation: number;
  bands: DetailBands;
  /** Nothing where too little is common to tell. */
  detail: MoreDetail | null;
  /** Where the sharpest plane lies elsewhere; nothing where both compare alike all over. */
  focus: FocusShift | null;
  /** Light of the second ÷ that of the first, where both show the same. */
  lightRatio: number;
}

/** The search goes through copies of so many px along the longer side of the larger picture. */
const SEARCH = 512;

const noCommon = fail(
  'pair.none',
  'The two pictures show no common field that could be found: they must show the same flat thing, no more than 2.6 times larger and turned by no more than 90°, with enough detail in it.',
  'picture',
);
/** What lies on itself is alike to 0.9 and more. What does not is mostly alike to less than this, and else has a far better place elsewhere. */
const ALIKE = 0.4;
/** Another place with this share of the likeness, or more, might be the right one; where it is far better, neither is. */
const AS_WELL = 0.8;
const BETTER = 1.25;

const repeats = ({ offPx }: OtherMatch) =>
  fail(
    'pair.repeats',
    `The subject repeats: the second picture would lie on the first nearly as well ${formatFixed(offPx)} px away. Frame something that is there only once, such as a number or an end, in both.`,
    'picture',
  );
const small = fail('pair.small', 'Both pictures must be at least 96 px wide and high to be compared.', 'picture');

/** Finer than this, px along the longer side, the pictures are not looked at to lay them onto each other. */
const FINEST = 1600;

/** Copies in which places are sought, and what of them is compared. */
interface Sought {
  copies: [Copy, Copy];
  bands: [Grey, Grey];
}

function soughtIn(a: Grey, b: Grey): Sought {
  const longest = Math.max(a.width, a.height, b.width, b.height);
  const by = Math.max(1, Math.round(longest / SEARCH));
  const copies = [a, b].map((each) => smaller(each, Math.max(each.width, each.height) / by)) as [Copy, Copy];
  return { copies, bands: copies.map(({ grey }) => banded(logLight(grey), 1.2)) as [Grey, Grey] };
}

/** Roughly onto each other, in px of the pictures. */
function roughly({ copies, bands }: Sought, onProgress?: (share: number) => void): Similarity | null {
  const match = coarseMatch(...bands, onProgress);
  return match && onWholes(match, ...copies);
}

/** Where they lie on each other, and where they might as well. */
type Laid = FineMatch & { other: OtherMatch };

/** Onto each other to hundredths of a px. Large pictures are read once, for copies that are fine enough. */
function laid(a: Grey, b: Grey, onProgress?: (share: number) => void): Laid | null {
  const longest = Math.max(a.width, a.height, b.width, b.height);
  const by = Math.max(1, Math.ceil(longest / FINEST));
  const copies = [a, b].map((each) => smaller(each, Math.max(each.width, each.height) / by)) as [Copy, Copy];
  const [first, second] = [copies[0].grey, copies[1].grey];
  onProgress?.(0.1);
  const sought = soughtIn(first, second);
  const rough = roughly(sought, (share) => onProgress?.(0.1 + 0.5 * share));
  onProgress?.(0.6);
  const fine = rough && fineMatch(first, second, rough, (share) => onProgress?.(0.6 + 0.4 * share));
  if (!fine) return null;
  const share = copies[1].by / copies[0].by;
  return {
    ...fine,
    other: otherMatch(...sought.bands, onCopies(fine.match, ...sought.copies)),
    match: onWholes(fine.match, ...copies),
    scaleError: fine.scaleError * share,
    shiftError: fine.shiftError * copies[1].by,
  };
}

/**
 * Brings two pictures of one thing onto each other and says which holds more real detail of it.
 *
 * @returns a problem with what to do where they have nothing in common
 */
export function comparePair(a: Grey, b: Grey, onProgress?: (share: number) => void): Result<PairFound> {
  if (Math.min(a.width, a.height, b.width, b.height) < 96) return small;
  const fine = laid(a, b, (share) => onProgress?.(0.7 * share));
  if (!fine || fine.correlation < ALIKE || fine.other.share > BETTER) return noCommon;
  if (fine.other.share > AS_WELL) return repeats(fine.other);
  onProgress?.(0.7);
  const { match } = fine;
  const spectra = commonSpectra(a, b, match);
  if (!spectra) return noCommon;
  return ok(foundOf(a, b, fine, spectra));
}

function foundOf(a: Grey, b: Grey, fine: FineMatch, spectra: CommonSpectra): PairFound {
  const { match } = fine;
  const common = commonFit(spectra);
  const bands = detailBands(spectra, common);
  return {
    scale: scaleOf(match),
    scaleError: fine.scaleError,
    rotationDeg: turnOf(match),
    rotationError: fine.turnErrorDeg,
    shift: [match.tx, match.ty],
    shiftError: fine.shiftError,
    aToB: matrixOf(match, a, b),
    match,
    correlation: fine.correlation,
    bands,
    detail: whichHasMore(spectra, bands, common, scaleOf(match)),
    focus: focusShift(spectra.across),
    lightRatio: spectra.lightRatio,
  };
}
