import { Pressable, View } from 'react-native';
import { isFactor } from '@/core/chain/parts';
import { formatFigures, formatFixed, formatStops } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import { STAND_WORDS } from '@/core/sky/planet';
import { spreadChoices, type SpreadChoice } from '@/core/sky/spread';
import { useInHand } from '@/data/inHand';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import type { SkyDesk } from './useSkyDesk';

interface Props {
  desk: Extract<SkyDesk, { status: 'ready' }>;
  discArcsec: number;
}

/** Every Barlow, converter or reducer that fits, and where it would bring the focal ratio: a tap puts it in. */
export function BarlowList({ desk, discArcsec }: Props) {
  const styles = useStyles();
  const toggleTrial = useInHand((state) => state.toggleTrial);
  const adoptTrials = useInHand((state) => state.adoptTrials);
  const trying = useInHand((state) => state.trials.converter);
  const { situation, system } = desk;
  const factors = situation.setup.chain.filter(isFactor);
  const present = factors.reduce((product, part) => product * part.factor, 1);
  const choices = spreadChoices(
    { focalMm: system.focalMm.value / present, fNumber: system.fNumber.value / present },
    present,
    situation.converters.map(({ id, spec }) => ({ id, name: spec.name, factor: spec.factor })),
    system.pitchUm.value,
    discArcsec,
  );
  const choose = (choice: SpreadChoice) =>
    toggleTrial('converter', {
      leverId: `spread-${choice.id}`,
      patch: { converterIds: choice.id === 'bare' ? [] : [choice.id] },
    });
  return (
    <View>
      <View style={styles.head}>
        <Txt kind="title" level={2}>
          Barlow and reducer
        </Txt>
        {trying ? (
          <Key title="Keep what is tried" weight="plain" onPress={adoptTrials} />
        ) : (
          <Txt kind="fine" tone="soft">
            tap to try, tap again to take back
          </Txt>
        )}
      </View>
      <View role="radiogroup" aria-label="Barlow or reducer">
        {choices.map((choice) => (
          <Pressable
            key={choice.id}
            role="radio"
            aria-checked={choice.present}
            onPress={() => (choice.present && !trying ? undefined : choose(choice))}
            style={[styles.line, choice.present && styles.present]}
            testID={`spread-${choice.id}`}
            aria-label={`${choice.name}: ${showFNumber(choice.fNumber)}, ${formatFigures(choice.fNumberOverPitch, 2)} times the pixel, disc ${formatFixed(choice.discPx)} pixels, ${STAND_WORDS[choice.stand]}`}
          >
            <View style={styles.words}>
              <Txt kind="strong">{choice.name}</Txt>
              <Txt kind="small" tone="soft">
                {STAND_WORDS[choice.stand]}
                {choice.present ? '' : ` · ${formatStops(choice.pixelLightStops)} on each pixel`}
              </Txt>
            </View>
            <View style={styles.figures}>
              <Txt kind="figure">{`${formatFixed(choice.discPx)}\u202fpx`}</Txt>
              <Txt
                kind="fine"
                tone="soft"
              >{`${showFNumber(choice.fNumber)}, ${formatFigures(choice.fNumberOverPitch, 2)}\u202f× p`}</Txt>
            </View>
          </Pressable>
        ))}
      </View>
      <Txt kind="small" tone="soft">
        Spread twice as wide, every pixel gets a quarter of the light: the exposure is four times as long, fewer frames
        come in before the planet turns, and the air blurs more of each.
      </Txt>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    flexWrap: 'wrap',
    gap: space.medium,
    minHeight: TARGET,
  },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.page,
    minHeight: TARGET,
    paddingVertical: space.medium,
    borderTopWidth: 1,
    borderColor: palette.hairline,
  },
  present: {
    backgroundColor: palette.raised,
    borderLeftWidth: 3,
    borderLeftColor: palette.needle,
    paddingLeft: space.medium,
  },
  words: { flex: 1 },
  figures: { alignItems: 'flex-end' },
}));
