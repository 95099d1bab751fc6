import { Pressable, View } from 'react-native';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { SEEING_WORDS } from '@/core/sky/mosaic';
import { clock } from '@/data/localTime';
import { useSky } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { DEEP_FIGURES, SEEING_MARKS, degreesText, fitText, titleOf } from './deepWords';
import type { DeepState } from './useDeep';

interface Props {
  state: DeepState;
  onWhy: (name: string) => void;
}

/** Whether it fits, how fine it is drawn, how long without guiding. */
export function DeepReading({ state, onWhy }: Props) {
  const styles = useStyles();
  const { object, reading, turned } = state;
  const { plan, stand } = reading;
  const setSky = useSky((sky) => sky.set);
  return (
    <View style={styles.block}>
      <Txt kind="title" level={1} testID="deep-fit">
        {fitText(object, plan)}
      </Txt>
      <Txt tone="soft">
        {`${titleOf(object)}, ${formatFigures(object.lengthArcmin, 3)} × ${formatFigures(object.widthArcmin, 3)} arcmin${plan.panels > 1 ? `; all frames together take in ${degreesText(plan.totalWidthDeg)} × ${degreesText(plan.totalHeightDeg)}` : ''}. Catalogue size, good to some ten per cent.`}
      </Txt>
      {turned ? (
        <Key
          title={`Turn the frame to ${turned.bestDeg}°: ${turned.best.panels < plan.panels ? (turned.best.panels === 1 ? 'one frame' : `${turned.best.panels} frames`) : `fills ${formatFixed(turned.best.fill * 100)}\u202f%`}`}
          icon="rotate-right"
          onPress={() => setSky({ frameRollDeg: turned.bestDeg })}
        />
      ) : null}
      <Figures state={state} onWhy={onWhy} />
      <Pressable
        role="button"
        onPress={() => onWhy('pixelToSeeing')}
        style={styles.seeing}
        aria-label={`${formatFigures(reading.pixelScaleArcsec.value, 3)} arcseconds a pixel: ${SEEING_WORDS[stand]}. Why?`}
        testID="seeing"
      >
        <Txt kind="strong" tone={stand === 'right' ? 'press' : 'caution'}>
          {`${SEEING_MARKS[stand]} ${formatFigures(reading.pixelScaleArcsec.value, 3)}″ a pixel: ${SEEING_WORDS[stand]}`}
        </Txt>
      </Pressable>
      <Window state={state} />
    </View>
  );
}

function Figures({ state: { reading }, onWhy }: Props) {
  const units = usePreferences((preferences) => preferences.units);
  return (
    <FigureRow>
      {DEEP_FIGURES.map(({ name, label, ...more }) => (
        <Figure key={name} label={label} quantity={reading[name]} units={units} name={name} onWhy={onWhy} {...more} />
      ))}
    </FigureRow>
  );
}

/** When it stands high in the dark. */
function Window({ state: { night, window } }: { state: DeepState }) {
  if (!night) return null;
  const { name, zone } = night.site;
  return (
    <Txt testID="deep-window">
      {window
        ? `Best tonight from ${clock(window.fromMs, zone)} to ${clock(window.toMs, zone)} at ${name}, up to ${formatFixed(window.highestDeg)}° high${window.moonDisturbs ? `; the Moon, ${formatFixed(window.moonFromDeg)}° away, brightens the sky` : ''}.`
        : `It does not stand above 30° in the dark that night at ${name}.`}
    </Txt>
  );
}

const useStyles = stylesOf(() => ({
  block: { gap: space.medium },
  seeing: { minHeight: TARGET, justifyContent: 'center' },
}));
