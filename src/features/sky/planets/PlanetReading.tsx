import { View } from 'react-native';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import { STAND_WORDS } from '@/core/sky/planet';
import { clock } from '@/data/localTime';
import { usePreferences } from '@/data/preferences';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { PLANET_FIGURES, STAND_MARKS } from '../planetWords';
import type { PlanetState } from './usePlanet';

interface Props {
  system: EffectiveSystem;
  state: PlanetState;
  onWhy: (name: string) => void;
}

/** The disc in pixels, how finely it is sampled, and for how long it holds still. */
export function PlanetReading({ system, state, onWhy }: Props) {
  const styles = useStyles();
  const units = usePreferences((preferences) => preferences.units);
  const { planet, reading, discArcsec, here } = state;
  return (
    <View style={styles.block}>
      <View style={styles.numbers}>
        <View>
          <Txt kind="huge" testID="disc-px">
            {formatFixed(reading.discPx.value)}
            <Txt kind="large">{'\u202fpx'}</Txt>
          </Txt>
          <Txt kind="fine" tone="soft">
            {`${planet}’s disc, ${formatFigures(discArcsec, 3)}″${here ? '' : ' at its usual best'}`}
          </Txt>
        </View>
        <View style={styles.right}>
          <Txt kind="large" testID="f-over-p">
            {`${formatFigures(reading.fNumberOverPitch.value, 2)}\u202f× p`}
          </Txt>
          <Txt kind="fine" tone="soft">
            {`${showFNumber(system.fNumber.value)} against ${formatFigures(system.pitchUm.value, 3)}\u202fµm`}
          </Txt>
        </View>
      </View>
      <Txt
        kind="title"
        tone={reading.stand === 'customary' || reading.stand === 'fineSeeing' ? 'press' : 'caution'}
        testID="stand"
      >
        {`${STAND_MARKS[reading.stand]} Sampling ${STAND_WORDS[reading.stand]}`}
      </Txt>
      <FigureRow>
        {PLANET_FIGURES.map(({ name, label, ...more }) => (
          <Figure key={name} label={label} quantity={reading[name]} units={units} name={name} onWhy={onWhy} {...more} />
        ))}
      </FigureRow>
      <NightLine state={state} />
    </View>
  );
}

/** Where the planet stands on the night chosen. */
function NightLine({ state: { here, night, window } }: { state: PlanetState }) {
  if (!here || !night)
    return (
      <Txt kind="small" tone="soft">
        With a place and a night the disc and its height are those of that night.
      </Txt>
    );
  const { name, zone } = night.site;
  const stands = window
    ? `Above 30° in the dark from ${clock(window.fromMs, zone)} to ${clock(window.toMs, zone)} at ${name}, highest ${formatFixed(window.highestDeg)}° at ${clock(window.highestMs, zone)}`
    : `Not above 30° in the dark that night at ${name}: the air is thick there`;
  return (
    <Txt testID="planet-night">
      {`${stands}; ${formatFixed(here.fromSunDeg)}° from the Sun, magnitude ${formatFixed(here.magnitude, 1)}, ${formatFixed(here.litShare * 100)}\u202f% lit.`}
    </Txt>
  );
}

const useStyles = stylesOf(() => ({
  block: { gap: space.medium },
  numbers: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    justifyContent: 'space-between',
    alignItems: 'flex-end',
    gap: space.page,
  },
  right: { alignItems: 'flex-end' },
}));
