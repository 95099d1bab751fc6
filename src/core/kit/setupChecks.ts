import { arrange } from '../chain/arrangement';
import { foldSystem, type EffectiveSystem } from '../optics/foldSystem';
import { adaptersFor, misfits } from '../chain/mountPath';
import { misfitText } from '../optics/systemWarnings';
import { formatRatio } from '../quantity/format';
import { showLengthM, shownText } from '../quantity/quantityText';
import type { UnitSystem } from '../quantity/units';
import { FORMAT_DIAGONAL_MM, FORMAT_WORDS } from './words';
import { isFactor, type AdapterPart, type MountAdapterSpec, type Part } from '../chain/parts';

/** How serious a check is: it will not work, it works with a loss, or it is worth knowing. */
export type CheckWeight = 'stop' | 'caution' | 'note';

export interface SetupCheck {
  code: string;
  weight: CheckWeight;
  message: string;
}

const figures = (value: number, count = 3): string => String(Number(value.toPrecision(count)));

function mountChecks(system: EffectiveSystem, adapters: MountAdapterSpec[]): SetupCheck[] {
  return misfits(system.body, system.chain).map((misfit) => {
    const would = adaptersFor(misfit, adapters).map((adapter) => adapter.name);
    const help = misfit.builtIn
      ? ''
      : would.length
        ? ` ${would.join(' or ')} of the kit would do: put it between the two.`
        : ` An adapter from ${misfit.has} to ${misfit.needs} would be needed; the kit has none.`;
    return { code: 'mount.mismatch', weight: 'stop' as const, message: misfitText(misfit) + help };
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
  const tubes = back.some((part) => part.kind === 'tubes');
  const factors = back.some(isFactor);
  // What was measured holds for this order only; the other could not be told against it.
  if (!tubes || !factors || system.optics.measured) return [];
  const end = mainIndex + 1;
  const turned: Part[] = [...system.chain.slice(0, end), ...[...back].reverse()];
  const other = foldSystem({ body: system.body, modeId: system.mode.id, chain: turned, focalMm: system.markedFocalMm });
  const here = system.ratioAtClosest ?? system.ratioAtInfinity;
  const there = other.ok ? (other.value.ratioAtClosest ?? other.value.ratioAtInfinity) : undefined;
  if (!here || !there || Math.abs(here.value / there.value - 1) < 0.005) return [];
  const tubesFirst = back.findIndex((part) => part.kind === 'tubes') < back.findIndex(isFactor);
  return [
    {
      code: 'order.matters',
      weight: 'note',
      message: `The order counts: with the tubes ${tubesFirst ? 'in front of' : 'behind'} the converter it reaches ${formatRatio(here.value)}, the other way round ${formatRatio(there.value)}.`,
    },
  ];
}

function partChecks(system: EffectiveSystem): SetupCheck[] {
  const found: SetupCheck[] = [];
  const { main, back, scope, afocal } = system.arrangement;
  const next = back[0];
  if (main.kind === 'lens' && next?.kind === 'converter') {
    if (main.takesConverters === false)
      found.push({
        code: 'converter.touches',
        weight: 'stop',
        message: `${next.name} does not go in behind ${main.name}: its front would touch the rear element.`,
      });
    else if (main.takesConverters === undefined)
      found.push({
        code: 'converter.unknown',
        weight: 'caution',
        message: `Whether ${next.name} touches the rear element of ${main.name} is not known. Look before you screw it in; enter it with the lens when you know.`,
      });
  }
  const circle = system.optics.stages[0]?.state.circleMm;
  for (const part of back) {
    if (part.kind !== 'reducer') continue;
    if (part.neededCircleMm !== undefined && circle !== undefined && circle < part.neededCircleMm) {
      found.push({
        code: 'reducer.circle',
        weight: 'caution',
        message: `${part.name} needs a circle of ${figures(part.neededCircleMm)} mm in front of it, ${main.name} throws ${figures(circle)} mm: the corners stay dark.`,
      });
    } else if (
      main.kind === 'lens' &&
      main.madeFor &&
      FORMAT_DIAGONAL_MM[main.madeFor] * part.factor < Math.hypot(system.used.widthMm, system.used.heightMm) * 0.98
    ) {
      found.push({
        code: 'reducer.format',
        weight: 'caution',
        message: `A reducer gathers what the lens draws into less: ${main.name}, made for ${FORMAT_WORDS[main.madeFor].toLowerCase()}, then covers ${figures(FORMAT_DIAGONAL_MM[main.madeFor] * part.factor)} mm, less than this frame.`,
      });
    }
  }
  if (scope && !afocal)
    found.push({
      code: 'scope.noAdapter',
      weight: 'caution',
      message: `Nothing holds the camera behind ${scope.name}. Add an afocal adapter, or it will be held by hand.`,
    });
  if (main.kind === 'lens' && main.fixedAperture)
    found.push({
      code: 'aperture.fixed',
      weight: 'note',
      message: `${main.name} has one aperture: it cannot be stopped down.`,
    });
  if (main.kind === 'lens' && main.design === 'mirror')
    found.push({ code: 'blur.ring', weight: 'note', message: 'A mirror lens draws blurred lights as rings.' });
  if (main.kind === 'telescope' && main.backFocusMm !== undefined && system.body.flangeMm !== undefined) {
    const takes =
      system.body.flangeMm +
      back.reduce(
        (sum, part) =>
          sum +
          (part.kind === 'mountAdapter'
            ? part.addsMm
            : part.kind === 'tubes'
              ? (part.usedMm ?? part.lengthsMm).reduce((a, b) => a + b, 0)
              : 0),
        0,
      );
    if (takes > main.backFocusMm)
      found.push({
        code: 'focus.backFocus',
        weight: 'stop',
        message: `Adapters and body take ${figures(takes)} mm, ${main.name} leaves ${figures(main.backFocusMm)} mm: it does not come to focus.`,
      });
  }
  return found;
}

/**
 * What is worth saying about a set-up before it is carried out of the house, the most serious first. A chain that forms
 * no picture has one check, the problem itself.
 *
 * @param adapters the kit's adapters, to name one that would help
 * @param units its sentences are told in
 */
export function setupChecks(
  setup: Parameters<typeof foldSystem>[0],
  adapters: AdapterPart[],
  units: UnitSystem = 'metric',
): SetupCheck[] {
  const arranged = arrange(setup.chain);
  if (!arranged.ok) return [{ code: arranged.problem.code, weight: 'stop', message: arranged.problem.message }];
  const folded = foldSystem(setup);
  if (!folded.ok) return [{ code: folded.problem.code, weight: 'stop', message: folded.problem.message }];
  const system = folded.value;
  const circle =
    system.imageCircleMm || system.arrangement.main.kind === 'builtIn'
      ? []
      : [
          {
            code: 'coverage.unknown',
            weight: 'note' as const,
            message: 'Whether it covers the frame is not known: the image circle of the lens is not entered.',
          },
        ];
  const others = system.warnings
    .filter((warning) => warning.code !== 'mount.mismatch')
    .map(({ code, message }): SetupCheck => ({ code, weight: 'caution', message }));
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
