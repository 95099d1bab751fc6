import { usedArea } from '../sensor/cropMode';
import { modesOf } from './body';
import { foldSystem, type EffectiveSystem } from '../optics/foldSystem';
import { adaptersFor, misfits } from '../chain/mountPath';
import { misfitText } from '../optics/systemWarnings';
import { formatRatio } from '../quantity/format';
import { showLengthM, shownText } from '../quantity/quantityText';
import type { UnitSystem } from '../quantity/units';
import type { Around, Check, CheckWeight } from '../chain/kind';
import { kindOf } from '../chain/kinds';
import type { Result } from '../quantity/result';
import { type AdapterPart, type MountAdapterSpec, type Part } from '../chain/parts';

export type SetupCheck = Check;
export type { CheckWeight } from '../chain/kind';

function mountChecks(system: EffectiveSystem, adapters: MountAdapterSpec[]): SetupCheck[] {
  return misfits(system.body, system.chain).map((misfit) => {
    const fitting = adaptersFor(misfit, adapters);
    const would = fitting.map((adapter) => adapter.name);
    const help = misfit.builtIn
      ? ''
      : would.length
        ? ` ${would.join(' or ')} of the kit would do: put it between the two.`
        : ` An adapter from ${misfit.has} to ${misfit.needs} would be needed; the kit has none.`;
    const [first] = misfit.builtIn ? [] : fitting;
    return {
      code: 'mount.mismatch',
      weight: 'stop' as const,
      message: misfitText(misfit) + help,
      ...(first ? { mend: { does: 'add' as const, name: first.name } } : {}),
    };
  });
}

function focusChecks(system: EffectiveSystem, units: UnitSystem): SetupCheck[] {
  const found: SetupCheck[] = [];
  const metres = (value: number): string => shownText(showLengthM(value, units));
  const { autofocus, farthestFocusM, closestFocusM, optics, arrangement } = system;
  if (autofocus.state === 'off')
    found.push({ code: 'autofocus.off', weight: 'caution', message: `No autofocus: ${autofocus.reason}.` });
  if (autofocus.state === 'slow')
    found.push({ code: 'autofocus.slow', weight: 'note', message: `Autofocus works slowly: ${autofocus.reason}.` });
  if (autofocus.state === 'unknown')
    found.push({
      code: 'autofocus.unknown',
      weight: 'note',
      message: `Whether autofocus works is not known: ${autofocus.reason}.`,
    });
  if (optics.unknownRatio !== undefined) return found;
  if (optics.fixedRatio && closestFocusM) {
    found.push({
      code: 'focus.fixed',
      weight: 'note',
      message: `Focuses at one distance only, about ${metres(closestFocusM.value)} from the sensor.`,
    });
  } else if (farthestFocusM) {
    found.push({
      code: 'focus.noInfinity',
      weight: 'note',
      message: `Does not reach infinity: focuses ${closestFocusM ? `from ${metres(closestFocusM.value)} ` : ''}to ${metres(farthestFocusM.value)}, measured from the sensor.`,
    });
  }
  if (optics.measured) return found;
  if ((optics.state.near ?? optics.state.far).ratioUnsure > 0.01 * (optics.state.near ?? optics.state.far).ratio) {
    found.push({
      code: 'ratio.behindConverter',
      weight: 'note',
      message:
        'What tubes add behind a converter depends on the converter’s own focal length, which is not published. Measure the ratio once with a ruler.',
    });
  }
  if (arrangement.reversed)
    found.push({
      code: 'reversed.estimate',
      weight: 'caution',
      message:
        'The ratio of a reversed lens is a rough estimate: where its principal planes lie is not published. Measure it once with a ruler.',
    });
  return found;
}

/** The same parts with tubes and converters behind the lens the other way round, where that makes a difference. */
function otherOrder(system: EffectiveSystem): SetupCheck[] {
  const { back, mainIndex } = system.arrangement;
  const does = back.map((part) => kindOf(part).through(part).does);
  const tubes = does.includes('extension');
  const factors = does.includes('factor');
  // What was measured holds for this order only; the other could not be told against it.
  if (!tubes || !factors || system.optics.measured) return [];
  const end = mainIndex + 1;
  const order = [...system.chain.keys()].slice(0, end).concat([...system.chain.keys()].slice(end).reverse());
  const turned: Part[] = order.map((at) => system.chain[at]!);
  const other = foldSystem({ body: system.body, modeId: system.mode.id, chain: turned, focalMm: system.markedFocalMm });
  const here = system.ratioAtClosest ?? system.ratioAtInfinity;
  const there = other.ok ? (other.value.ratioAtClosest ?? other.value.ratioAtInfinity) : undefined;
  if (!here || !there || Math.abs(here.value / there.value - 1) < 0.005) return [];
  const tubesFirst = does.indexOf('extension') < does.indexOf('factor');
  return [
    {
      code: 'order.matters',
      weight: 'note',
      message: `The order counts: with the tubes ${tubesFirst ? 'in front of' : 'behind'} the converter it reaches ${formatRatio(here.value)}, the other way round ${formatRatio(there.value)}.`,
      mend: {
        does: 'order',
        order,
        words: `Put the tubes ${tubesFirst ? 'behind' : 'in front of'} the converter`,
      },
    },
  ];
}

/** The largest mode of the body whose frame the image circle covers, as the move that gets rid of dark corners. */
function cleanMode({ body, mode, imageCircleMm }: EffectiveSystem): Pick<SetupCheck, 'mend'> {
  const circle = imageCircleMm?.value ?? 0;
  const clean = modesOf(body)
    .map((each) => ({ each, ...usedArea(body.sensor, each) }))
    .filter(({ each, widthMm, heightMm }) => each.id !== mode.id && Math.hypot(widthMm, heightMm) <= circle)
    .sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm)[0];
  return clean ? { mend: { does: 'mode', modeId: clean.each.id, name: clean.each.name } } : {};
}

/** What stands between main optic and sensor, mm; not known without the body's flange distance. */
const takesMm = ({ body, arrangement }: EffectiveSystem): number | undefined =>
  body.flangeMm === undefined
    ? undefined
    : arrangement.back.reduce((sum, part) => sum + kindOf(part).lengthMm(part), body.flangeMm);

/** What each kind of part has to say of itself in this chain. */
function partChecks(system: EffectiveSystem): SetupCheck[] {
  const { main, back, afocal } = system.arrangement;
  const around: Around = {
    main,
    back,
    circleMm: system.optics.stages[0]?.state.circleMm,
    frameDiagonalMm: Math.hypot(system.used.widthMm, system.used.heightMm),
    bodyFlangeMm: system.body.flangeMm,
    held: afocal !== undefined,
    takesMm: takesMm(system),
  };
  const inOrder = [...back, ...system.chain.filter((part) => !(back as Part[]).includes(part))];
  return inOrder.flatMap((part) => kindOf(part).checks?.(part, around) ?? []);
}

/**
 * What is worth saying about a set-up before it is carried out of the house, the most serious first. A chain that forms
 * no picture has one check, the problem itself.
 *
 * @param folded the set-up folded, or why it cannot be
 * @param adapters the kit's adapters, to name one that would help
 * @param units its sentences are told in
 */
export function setupChecks(
  folded: Result<EffectiveSystem>,
  adapters: AdapterPart[],
  units: UnitSystem = 'metric',
): SetupCheck[] {
  if (!folded.ok) return [{ code: folded.problem.code, weight: 'stop', message: folded.problem.message }];
  const system = folded.value;
  const circle =
    system.imageCircleMm || system.arrangement.main.kind === 'builtIn'
      ? []
      : [
          {
            code: 'coverage.unknown',
            weight: 'note' as const,
            message:
              'Whether the corners stay dark cannot be known: the image circle of the lens is not entered. A picture of an even wall shows it.',
          },
        ];
  const others = system.warnings
    .filter((warning) => warning.code !== 'mount.mismatch')
    .map(({ code, message }): SetupCheck => ({
      code,
      weight: 'caution',
      message,
      ...(code === 'coverage.dark' ? cleanMode(system) : {}),
    }));
  const order: CheckWeight[] = ['stop', 'caution', 'note'];
  return [
    ...mountChecks(
      system,
      adapters.filter((part): part is MountAdapterSpec => part.kind === 'mountAdapter'),
    ),
    ...others,
    ...focusChecks(system, units),
    ...partChecks(system),
    ...otherOrder(system),
    ...circle,
  ].sort((a, b) => order.indexOf(a.weight) - order.indexOf(b.weight));
}
