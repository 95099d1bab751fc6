import { memo, useDeferredValue, useMemo } from 'react';
import { View } from 'react-native';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { outputLongSidePx, type OutputSpec } from '@/core/output/needs';
import type { StarsReading } from '@/core/sky/readStars';
import { StarField } from '@/ui/finder/StarField';
import { StarLoupe } from '@/ui/finder/StarLoupe';
import { space } from '@/ui/theme/measures';
import { strokePx, strokesOf } from './starDrawing';
import { runText, secondsText } from './starWords';

interface Props {
  system: EffectiveSystem;
  reading: StarsReading;
  output: OutputSpec;
  maxHeight: number;
}

/** Whether a run passes for a point by the tolerance chosen, and how long it is on the output. */
function runWords(px: number, most: number, share: number, outputName: string): string {
  const passes = px <= most * (1 + 1e-6) ? 'passes for a point' : 'shows as a stroke';
  return share < 1 ? `${runText(px)}, on ${outputName} ${runText(px * share)}: ${passes}` : `${runText(px)}: ${passes}`;
}

/**
 * The frame under the sky with the strokes of the exposure; `beside` it, loupes on its centre and its worst point, unless they
 * stand elsewhere.
 */
export function StarPicture({ system, reading, output, maxHeight, beside = true }: Props & { beside?: boolean }) {
  const { used } = system;
  const seconds = reading.exposureS.value;
  const strokes = useMemo(
    () => strokesOf(reading, used.widthMm, used.heightMm, seconds),
    [reading, used.widthMm, used.heightMm, seconds],
  );
  return (
    <View style={{ gap: space.medium }}>
      <StarField
        widthMm={used.widthMm}
        heightMm={used.heightMm}
        strokes={strokes}
        worst={reading.worst}
        maxHeight={maxHeight}
        description={`The frame after ${secondsText(seconds)}: a star in the centre runs ${runText(reading.centreDriftPx.value)}, at the worst point ${runText(reading.worstDriftPx.value)}.`}
      />
      {beside ? <StarLoupes system={system} reading={reading} output={output} /> : null}
    </View>
  );
}

/** The two loupes; they follow a drag a moment later. */
export function StarLoupes({ reading, ...rest }: Omit<Props, 'maxHeight'>) {
  return <Steady {...rest} reading={useDeferredValue(reading)} />;
}

const Steady = memo(function Steady({ system, reading, output }: Omit<Props, 'maxHeight'>) {
  const { used, pitchUm } = system;
  const seconds = reading.exposureS.value;
  const share = Math.min(1, (outputLongSidePx(output) ?? Infinity) / Math.max(used.columns, used.rows));
  const shown = { outputShare: share, outputName: output.name };
  const [centrePx, worstPx] = [reading.centreDriftPx.value, reading.worstDriftPx.value];
  return (
    <View style={{ flexDirection: 'row', gap: space.page, justifyContent: 'center' }}>
      <StarLoupe
        title="Centre"
        stroke={strokePx(reading, { xMm: 0, yMm: 0 }, seconds, pitchUm.value)}
        words={runWords(centrePx, reading.centreTolerancePx.value, share, output.name)}
        {...shown}
      />
      <StarLoupe
        title="Worst point"
        stroke={strokePx(reading, reading.worst, seconds, pitchUm.value)}
        words={runWords(worstPx, reading.cornerTolerancePx.value, share, output.name)}
        {...shown}
      />
    </View>
  );
});
