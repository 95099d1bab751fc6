import { View } from 'react-native';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import type { StarsReading } from '@/core/sky/readStars';
import { StarField } from '@/ui/finder/StarField';
import { StarLoupe } from '@/ui/finder/StarLoupe';
import { space } from '@/ui/theme/measures';
import { strokePx, strokesOf } from './starDrawing';
import { runText, secondsText } from './starWords';

interface Props {
  system: EffectiveSystem;
  reading: StarsReading;
  maxHeight: number;
}

const isPoint = (px: number, most: number): string => (px <= most * (1 + 1e-6) ? 'a point' : 'a stroke');

/** The frame under the sky with the strokes of the exposure, and loupes on its centre and its worst point. */
export function StarPicture({ system, reading, maxHeight }: Props) {
  const { used, pitchUm } = system;
  const seconds = reading.exposureS.value;
  const [centrePx, worstPx] = [reading.centreDriftPx.value, reading.worstDriftPx.value];
  return (
    <View style={{ gap: space.medium }}>
      <StarField
        widthMm={used.widthMm}
        heightMm={used.heightMm}
        strokes={strokesOf(reading, used.widthMm, used.heightMm, seconds)}
        worst={reading.worst}
        maxHeight={maxHeight}
        description={`The frame after ${secondsText(seconds)}: a star in the centre runs ${runText(centrePx)}, at the worst point ${runText(worstPx)}.`}
      />
      <View style={{ flexDirection: 'row', gap: space.page, justifyContent: 'center' }}>
        <StarLoupe
          title="Centre"
          stroke={strokePx(reading, { xMm: 0, yMm: 0 }, seconds, pitchUm.value)}
          words={`${runText(centrePx)}, ${isPoint(centrePx, reading.centreTolerancePx.value)}`}
        />
        <StarLoupe
          title="Worst point"
          stroke={strokePx(reading, reading.worst, seconds, pitchUm.value)}
          words={`${runText(worstPx)}, ${isPoint(worstPx, reading.cornerTolerancePx.value)}`}
        />
      </View>
    </View>
  );
}
