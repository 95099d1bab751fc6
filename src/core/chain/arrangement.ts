import {
  isCameraLens,
  isFactor,
  isOptic,
  tubesNotInSet,
  type AfocalSpec,
  type BarlowSpec,
  type CloseUpSpec,
  type ConverterSpec,
  type MountAdapterSpec,
  type ObjectiveSpec,
  type Part,
  type ReducerSpec,
  type ReversingSpec,
  type ScopeSpec,
  type TubesSpec,
  type LensSpec,
  type BuiltInSpec,
  type TelescopeSpec,
  type TubeLensSpec,
} from './parts';
import { fail, ok, type Problem, type Result } from '../quantity/result';

/** What forms the picture on the sensor. A finite objective does it by itself. */
export type MainOptic = LensSpec | BuiltInSpec | TelescopeSpec | TubeLensSpec | ObjectiveSpec;
/** What stands in front of it, from the subject inwards. */
export type FrontPart = CloseUpSpec | ScopeSpec | ObjectiveSpec | { kind: 'coupled'; lens: LensSpec | BuiltInSpec };
/** What stands between it and the sensor, from the main optic outwards. */
export type BackPart = ConverterSpec | ReducerSpec | BarlowSpec | TubesSpec | ReversingSpec | MountAdapterSpec;

/** A chain understood: which part does what. */
export interface Arrangement {
  front: FrontPart[];
  main: MainOptic;
  mainIndex: number;
  back: BackPart[];
  reversed: boolean;
  /** Present when a camera lens looks into an eyepiece. */
  scope?: ScopeSpec;
  afocal?: AfocalSpec;
}

const isMain = (part: Part): part is MainOptic =>
  isCameraLens(part) || part.kind === 'telescope' || part.kind === 'tubeLens';

function findMain(chain: Part[]): number {
  const mains = chain.flatMap((part, i) => (isMain(part) ? [i] : []));
  const coupling = chain.findIndex((part) => part.kind === 'coupling');
  const scope = chain.findIndex((part) => part.kind === 'scope');
  if (coupling >= 0) return mains.find((i) => i > coupling) ?? -1;
  if (scope >= 0) return mains.find((i) => i > scope && isCameraLens(chain[i]!)) ?? -1;
  if (mains.length) return mains[0]!;
  return chain.findIndex((part) => part.kind === 'objective' && part.correction === 'finite');
}

function noMain(chain: Part[]): Result<never> {
  if (chain.some((part) => part.kind === 'scope'))
    return fail(
      'chain.scopeAlone',
      'A picture through an eyepiece needs a camera with its lens. Add the lens behind the scope.',
      'chain',
    );
  if (chain.some((part) => part.kind === 'coupling'))
    return fail(
      'chain.couplingAlone',
      'The coupling ring needs a second lens behind it. Add the lens that sits on the body.',
      'chain',
    );
  if (chain.some((part) => part.kind === 'objective'))
    return fail(
      'chain.noTubeLens',
      'An infinity objective needs a lens behind it. Add a tube lens or a photographic lens.',
      'chain',
    );
  return fail('chain.noLens', 'This set-up has no lens. Add one to get a picture.', 'chain');
}

const wrongSide = (part: Part, behind: boolean): Result<never> =>
  fail(
    'chain.order',
    behind
      ? `${part.name} belongs in front of the lens. Move it to the subject’s side.`
      : `${part.name} sits between lens and body. Move it behind the lens.`,
    'chain',
  );

/** Data of a part that cannot be: a zoom with its ends swapped, tubes that are not in the set. */
function unreadablePart(part: Part): Problem | null {
  if (isCameraLens(part) && part.focalTeleMm < part.focalWideMm) {
    return {
      code: 'focal.swapped',
      message: `${part.name} has its longest focal length below its shortest. Swap the two in the kit.`,
      field: 'chain',
    };
  }
  const missing = part.kind === 'tubes' && part.usedMm ? tubesNotInSet(part.usedMm, part.lengthsMm) : [];
  if (missing.length)
    return {
      code: 'tubes.notInSet',
      message: `${part.name} has no tube of ${missing.join(' or ')} mm. Choose among those of the set.`,
      field: 'chain',
    };
  return null;
}

/**
 * Finds out what each part of a chain does. The order counts: parts are listed from the subject to the sensor.
 *
 * Understood are: a lens or telescope with close-up lenses in front and converters, reducers, Barlows, tubes and mount
 * adapters behind; a reversed lens; two lenses coupled front to front; a scope with a camera lens behind its eyepiece;
 * an objective with a tube lens or tubes.
 *
 * @returns the arrangement, or the problem that keeps the chain from forming a picture
 */
export function arrange(chain: Part[]): Result<Arrangement> {
  const unreadable = chain.map(unreadablePart).find((problem) => problem !== null);
  if (unreadable) return { ok: false, problem: unreadable };
  const mainIndex = findMain(chain);
  const main = chain[mainIndex] as MainOptic | undefined;
  if (!main) return noMain(chain);
  const front: FrontPart[] = [];
  let scope: ScopeSpec | undefined;
  let afocal: AfocalSpec | undefined;
  for (let i = 0; i < mainIndex; i++) {
    const part = chain[i]!;
    if (part.kind === 'closeUp' || part.kind === 'objective') front.push(part);
    else if (part.kind === 'scope') {
      if (scope) return fail('chain.twoLenses', 'This set-up has two scopes. Keep one of them.', 'chain');
      scope = part;
      front.push(part);
    } else if (part.kind === 'afocal') afocal = part;
    else if (isCameraLens(part)) {
      if (chain[i + 1]?.kind !== 'coupling')
        return fail(
          'chain.twoLenses',
          'This set-up has two lenses. Keep one of them, or put a coupling ring between them.',
          'chain',
        );
      front.push({ kind: 'coupled', lens: part });
    } else if (part.kind === 'coupling') {
      if (i === 0 || !isCameraLens(chain[i - 1]!))
        return fail(
          'chain.couplingAlone',
          'The coupling ring needs a lens on both sides. Add the one towards the subject.',
          'chain',
        );
    } else return wrongSide(part, false);
  }
  const back: BackPart[] = [];
  for (let i = mainIndex + 1; i < chain.length; i++) {
    const part = chain[i]!;
    if (isFactor(part) || part.kind === 'tubes' || part.kind === 'reversing' || part.kind === 'mountAdapter')
      back.push(part);
    else if (isOptic(part) || part.kind === 'tubeLens')
      return fail(
        'chain.twoLenses',
        'This set-up has two lenses. Keep one of them, or put a coupling ring between them.',
        'chain',
      );
    else return wrongSide(part, true);
  }
  const reversed = back.some((part) => part.kind === 'reversing');
  if (reversed && !isCameraLens(main))
    return fail(
      'chain.reversing',
      'A reversing ring turns a photographic lens round. Take it out, or use such a lens.',
      'chain',
    );
  return ok({ front, main, mainIndex, back, reversed, ...(scope ? { scope } : {}), ...(afocal ? { afocal } : {}) });
}
