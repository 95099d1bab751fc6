import { fail, ok, type Problem, type Result } from '../quantity/result';
import { KINDS, kindOf } from './kinds';
import {
  isCameraLens,
  type AdapterPart,
  type AfocalSpec,
  type CameraLens,
  type CloseUpSpec,
  type FilterSpec,
  type ObjectiveSpec,
  type Part,
  type PartOf,
  type ScopeSpec,
  type TelescopeSpec,
  type TubeLensSpec,
} from './parts';

/** What forms the picture on the sensor. A finite objective does it by itself. */
export type MainOptic = CameraLens | TelescopeSpec | TubeLensSpec | ObjectiveSpec;
/** What stands in front of it, from the subject inwards. */
export type FrontPart = CloseUpSpec | FilterSpec | ScopeSpec | ObjectiveSpec | { kind: 'coupled'; lens: CameraLens };
/** What stands between it and the sensor, from the main optic outwards. */
export type BackPart = Exclude<AdapterPart, CloseUpSpec | FilterSpec | TubeLensSpec | AfocalSpec | PartOf<'coupling'>>;

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

const placeOf = (part: Part) => KINDS[part.kind].place;
const isMain = (part: Part): part is MainOptic => placeOf(part) === 'main';
const isBack = (part: Part): part is BackPart => placeOf(part) === 'back';
const isObjective = (part: Part): part is ObjectiveSpec => part.kind === 'objective';

/** Where in a chain the optic stands that forms the picture; −1 where none does. */
export function findMain(chain: readonly Part[]): number {
  const mains = chain.flatMap((part, i) => (isMain(part) ? [i] : []));
  const coupling = chain.findIndex((part) => placeOf(part) === 'joint');
  const scope = chain.findIndex((part) => part.kind === 'scope');
  if (coupling >= 0) return mains.find((i) => i > coupling) ?? -1;
  if (scope >= 0) return mains.find((i) => i > scope && isCameraLens(chain[i]!)) ?? -1;
  if (mains.length) return mains[0]!;
  return chain.findIndex((part) => isObjective(part) && part.correction === 'finite');
}

function noMain(chain: readonly Part[]): Result<never> {
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
  if (chain.some(isObjective))
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

const twoLenses = (): Result<never> =>
  fail(
    'chain.twoLenses',
    'This set-up has two lenses. Keep one of them, or put a coupling ring between them.',
    'chain',
  );

/** Data of a part that cannot be: a zoom with its ends swapped, tubes that are not in the set. */
function faultOf(part: Part): Problem | null {
  const kind = kindOf(part);
  return kind.fault?.(part) ?? null;
}

type Front = Pick<Arrangement, 'front' | 'scope' | 'afocal'>;

/** What stands in front of the main optic. */
function frontOf(chain: readonly Part[], mainIndex: number): Result<Front> {
  const found: Front = { front: [] };
  for (let i = 0; i < mainIndex; i++) {
    const part = chain[i]!;
    if (part.kind === 'scope') {
      if (found.scope) return fail('chain.twoLenses', 'This set-up has two scopes. Keep one of them.', 'chain');
      found.scope = part;
      found.front.push(part);
    } else if (part.kind === 'afocal') found.afocal = part;
    else if (isCameraLens(part)) {
      if (chain[i + 1]?.kind !== 'coupling') return twoLenses();
      found.front.push({ kind: 'coupled', lens: part });
    } else if (part.kind === 'coupling') {
      if (i === 0 || !isCameraLens(chain[i - 1]!))
        return fail(
          'chain.couplingAlone',
          'The coupling ring needs a lens on both sides. Add the one towards the subject.',
          'chain',
        );
    } else if (placeOf(part) === 'front') found.front.push(part as CloseUpSpec | FilterSpec | ObjectiveSpec);
    else return wrongSide(part, false);
  }
  return ok(found);
}

/** What stands behind it. */
function backOf(chain: readonly Part[], mainIndex: number): Result<BackPart[]> {
  const back: BackPart[] = [];
  for (const part of chain.slice(mainIndex + 1)) {
    if (isBack(part)) back.push(part);
    else if (KINDS[part.kind].shelf === 'optic' || isMain(part)) return twoLenses();
    else return wrongSide(part, true);
  }
  return ok(back);
}

/**
 * Finds out what each part of a chain does. The order counts: parts are listed from the subject to the sensor.
 *
 * Understood are: a lens or telescope with close-up lenses and filters in front and converters, reducers, Barlows, tubes,
 * bellows and mount adapters behind; a reversed lens; two lenses coupled front to front; a scope with a camera lens behind
 * its eyepiece; an objective with a tube lens or tubes.
 *
 * @returns the arrangement, or the problem that keeps the chain from forming a picture
 */
export function arrange(chain: readonly Part[]): Result<Arrangement> {
  const problem = chain.map(faultOf).find((each) => each !== null);
  if (problem) return { ok: false, problem };
  const mainIndex = findMain(chain);
  const main = chain[mainIndex] as MainOptic | undefined;
  if (!main) return noMain(chain);
  const front = frontOf(chain, mainIndex);
  if (!front.ok) return front;
  const back = backOf(chain, mainIndex);
  if (!back.ok) return back;
  const reversed = back.value.some((part) => part.kind === 'reversing');
  if (reversed && !isCameraLens(main))
    return fail(
      'chain.reversing',
      'A reversing ring turns a photographic lens round. Take it out, or use such a lens.',
      'chain',
    );
  return ok({ ...front.value, main, mainIndex, back: back.value, reversed });
}
