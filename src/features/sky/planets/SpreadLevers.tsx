import { View } from 'react-native';
import { fits, put } from '@/core/chain/edit';
import { isFactor } from '@/core/chain/parts';
import { formatFigures, formatFixed, formatStops } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import type { Quantity } from '@/core/quantity/quantity';
import type { Verdict } from '@/core/output/verdict';
import type { SamplingStand } from '@/core/sky/planet';
import { spreadChoices, type SpreadChoice } from '@/core/sky/spread';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { LeverList, type ShownLever } from '../../desk/LeverList';
import { STAND_BRIEF, STAND_MARKS } from '../planetWords';
import type { ReadySky } from '../useSkyDesk';

interface Props {
  desk: ReadySky;
  discArcsec: number;
  onWhy: (gain: Quantity) => void;
}

const AS_VERDICT: Record<SamplingStand, Verdict> = {
  coarse: 'notEnough',
  customary: 'enough',
  fineSeeing: 'enough',
  empty: 'more',
};

/** Every Barlow, converter or reducer that fits, and none at all, as levers of the chain without what is being tried. */
function spreadLevers({ situation, system }: ReadySky['base'], discArcsec: number): ShownLever[] {
  const { chain, body } = situation.setup;
  const bare = chain.filter(({ part }) => !isFactor(part));
  const present = system.converterFactor.value;
  // Each is tried alone behind the bare optics.
  const factors = situation.kit.parts.filter(
    (link) => isFactor(link.part) && (chain.some(({ id }) => id === link.id) || fits(bare, link, body)),
  );
  const chainWith = ({ id }: SpreadChoice) => {
    const link = factors.find((each) => each.id === id);
    return link ? put(bare, link) : bare;
  };
  return spreadChoices(
    { focalMm: system.focalMm.value / present, fNumber: system.fNumber.value / present },
    present,
    factors.flatMap(({ id, part }) => (isFactor(part) ? [{ id, name: part.name, factor: part.factor }] : [])),
    system.pitchUm.value,
    discArcsec,
  )
    .filter((choice) => !choice.present)
    .map((choice): ShownLever => ({
      id: `spread-${choice.id}`,
      kind: 'chain',
      icon: choice.factor < present ? 'close-fullscreen' : 'open-in-full',
      text: {
        title: choice.name,
        gain: `disc ${formatFixed(choice.discPx)}\u202fpx, ${showFNumber(choice.fNumber)}, ${formatFigures(choice.fNumberOverPitch, 2)}\u202f× the pixel`,
        price: `${formatStops(choice.pixelLightStops)} on each pixel`,
        caution: '',
        mark: `${STAND_MARKS[choice.stand]} ${STAND_BRIEF[choice.stand]}`,
      },
      verdict: AS_VERDICT[choice.stand],
      gain: choice.gain,
      patch: { chain: chainWith(choice) },
      trial: 'chain',
      testID: `spread-${choice.id}`,
    }));
}

/** Where a Barlow or a reducer would bring the focal ratio: a tap puts it in. */
export function SpreadLevers({ desk, discArcsec, onWhy }: Props) {
  return (
    <View style={{ gap: space.small }}>
      <LeverList
        levers={spreadLevers(desk.base, discArcsec)}
        none="Nothing in the kit spreads or gathers the light of this telescope or lens. A Barlow or a reducer goes in here."
        output="planets"
        onWhy={onWhy}
      />
      <Txt kind="small" tone="soft">
        Spread twice as wide, every pixel gets a quarter of the light: the exposure is four times as long, fewer frames
        come in before the planet turns, and the air blurs more of each.
      </Txt>
    </View>
  );
}
