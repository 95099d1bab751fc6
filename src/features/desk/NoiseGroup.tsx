import { useMemo } from 'react';
import { noiseAgainst } from '@/core/noise/noiseAgainst';
import { signalToNoise } from '@/core/noise/signalToNoise';
import type { CropConventionChoice, EffectiveSystem, SystemInput } from '@/core/optics/foldSystem';
import type { OutputSpec } from '@/core/output/needs';
import { formatFigures, formatFixed, formatStops } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { quantityText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { usePreferences } from '@/data/preferences';
import { Figure } from '@/ui/Figure';
import { FigureList } from '@/ui/FigureRow';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { FieldRow } from '@/ui/controls/FieldRow';
import { NumberField } from '@/ui/controls/NumberField';
import { AgainstLine } from './AgainstLine';
import { useIsoInUse } from './useIsoInUse';

interface Props {
  system: EffectiveSystem;
  output: OutputSpec;
  others: readonly { id: string; name: string; setup: SystemInput }[];
  convention: CropConventionChoice;
  /** f-number in hand that counts for the light; nothing where the others are set to the same, as close up. */
  lightFNumber: number | null;
  /** ISO where the desk knows it, with words for where it comes from; else the person sets it here. */
  exposed?: { iso: number; words: string };
  units: UnitSystem;
  onWhy: (what: string | Quantity) => void;
}

const isoText = (iso: number): string => `ISO ${formatFixed(Number(iso.toPrecision(2)))}`;

/** How clean a mid-tone comes out at an ISO, and what another sensor would cost or gain. */
export function NoiseGroup(props: Props) {
  const { system, output, exposed } = props;
  const set = usePreferences((state) => state.iso);
  const overStops = usePreferences((state) => state.overStops);
  const iso = exposed?.iso ?? set;
  const noise = useMemo(
    () => signalToNoise({ body: system.body, used: system.used, output, iso, overStops }),
    [system, output, iso, overStops],
  );
  return (
    <Group title="Noise" brief={`${formatFigures(noise.perOutputPixel.value, 2)} : 1 at ${isoText(iso)}`}>
      <NoiseContent {...props} iso={iso} overStops={overStops} noise={noise} />
    </Group>
  );
}

interface ContentProps extends Props {
  iso: number;
  overStops: number;
  noise: ReturnType<typeof signalToNoise>;
}

function NoiseContent(props: ContentProps) {
  const { system, output, others, convention, lightFNumber, exposed, units, onWhy, iso, overStops, noise } = props;
  const highest = useIsoInUse(system, output)?.isoInUse;
  const rows = useMemo(
    () => noiseAgainst({ system, output, iso, overStops, others, convention, lightFNumber }),
    [system, output, iso, overStops, others, convention, lightFNumber],
  );
  return (
    <>
      <ExposedAs iso={iso} overStops={overStops} words={exposed?.words} />
      <FigureList
        units={units}
        ask={onWhy}
        figures={[
          { name: `Mid-tone, a pixel of ${output.name}`, quantity: noise.perOutputPixel },
          { name: 'Mid-tone, a pixel at 100 %', quantity: noise.perPixel },
          { name: 'Dynamic range of a pixel', quantity: noise.rangeStops },
          { name: 'Electrons when full', quantity: noise.fullWellE },
          { name: 'Noise of reading', quantity: noise.readNoiseE },
        ]}
      />
      {highest ? (
        <Figure label="Highest ISO that passes" quantity={highest} units={units} name="isoInUse" onWhy={onWhy} />
      ) : null}
      <Txt kind="small" tone="soft" testID="noise-known">
        {noise.known === 'measured'
          ? `Signal to noise; the sensor of ${system.body.name} was measured on the Bench.`
          : `Signal to noise; nothing was measured of ${system.body.name}, so these are values of its class. Two even frames and two dark ones on the Bench tell its own.`}
      </Txt>
      {rows.map((row) => (
        <AgainstLine
          key={row.id}
          name={row.name}
          gloss={`at ${isoText(row.iso.value)}${row.known === 'class' ? ', class' : ''}`}
          told={[
            { text: formatStops(row.stops.value), quantity: row.stops },
            row.alikeIso
              ? {
                  text: `alike at ${row.alikeIso.plusMinus ? 'about ' : ''}${quantityText(row.alikeIso, units)}`,
                  quantity: row.alikeIso,
                }
              : { text: 'alike at no ISO', quantity: null },
          ]}
          onWhy={onWhy}
        />
      ))}
      {rows.length ? (
        <Txt kind="small" tone="soft">
          {`${lightFNumber === null ? 'At the same f-number and time' : 'In the same light and time, the others wide open'}: stops by which this set-up is cleaner on ${output.name}, and the ISO at which the other would look the same. Each frame is shown whole.`}
        </Txt>
      ) : null}
    </>
  );
}

/** What ISO noise is told for: the person's, or the desk's with where it comes from. */
function ExposedAs({ iso, overStops, words }: { iso: number; overStops: number; words: string | undefined }) {
  const prefer = usePreferences((state) => state.prefer);
  return (
    <>
      <FieldRow>
        {words === undefined ? (
          <NumberField
            label="ISO"
            value={iso}
            unit="none"
            minimum={6}
            maximum={1e7}
            limits="from 6 to 10,000,000"
            onChange={(value) => value !== null && prefer({ iso: value })}
            testID="noise-iso"
          />
        ) : null}
        <NumberField
          label="Over (under: −) the meter"
          value={overStops}
          unit="none"
          shownUnit="stops"
          minimum={-6}
          maximum={2}
          limits="from −6 to 2; beyond, the mid-tone runs into white"
          onChange={(value) => value !== null && prefer({ overStops: value })}
          testID="noise-over"
        />
      </FieldRow>
      {words === undefined ? null : (
        <Txt kind="small" tone="soft">
          {words}.
        </Txt>
      )}
    </>
  );
}
