import { Pressable, View } from 'react-native';
import { fits, put } from '@/core/chain/edit';
import { isFactor } from '@/core/chain/parts';
import { formatFigures, formatFixed, formatStops } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import { STAND_WORDS } from '@/core/sky/planet';
import { spreadChoices, type SpreadChoice } from '@/core/sky/spread';
import { storedPatch } from '@/data/chainLinks';
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
  const trying = useInHand((state) => state.trials.chain);
  const { situation, system } = desk;
  const { chain, body } = situation.setup;
  const bare = chain.filter(({ part }) => !isFactor(part));
  const present = system.converterFactor.value;
  // Each is tried alone behind the bare optics.
  const factors = situation.kit.parts.filter(
    (link) => isFactor(link.part) && (chain.some(({ id }) => id === link.id) || fits(bare, link, body)),
  );
  const choices = spreadChoices(
    { focalMm: system.focalMm.value / present, fNumber: system.fNumber.value / present },
    present,
    factors.flatMap(({ id, part }) => (isFactor(part) ? [{ id, name: part.name, factor: part.factor }] : [])),
    system.pitchUm.value,
    discArcsec,
  );
  const chainWith = (choice: SpreadChoice) => {
    const link = factors.find(({ id }) => id === choice.id);
    return link ? put(bare, link) : bare;
  };
  const choose = (choice: SpreadChoice) =>
    toggleTrial('chain', { leverId: `spread-${choice.id}`, patch: storedPatch({ chain: chainWith(choice) }) });
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
