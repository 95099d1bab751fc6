import { useState } from 'react';
import { View } from 'react-native';
import { formatFigures } from '@/core/quantity/format';
import { FORMAT_FILES, type SimulatedFormat } from '@/core/simulate/fileOrder';
import type { Order, Truth } from '@/core/simulate/take';
import { bringPictures, type SimulatedTruth } from '@/data/bench/pictures';
import { takeSimulated } from '@/data/bench/simulate';
import { useSky } from '@/data/inHand';
import { useKit } from '@/data/useKit';
import { useChosen } from '@/data/useChosen';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { simulatedOrder } from './simulatedOrder';

const SCENES: readonly { value: Order['scene']; name: string; gloss: string }[] = [
  { value: 'ruler', name: 'A ruler', gloss: 'close up' },
  { value: 'subject', name: 'The subject in hand', gloss: 'at its distance' },
  { value: 'disc', name: 'A planet', gloss: '44″ wide' },
  { value: 'edge', name: 'A slanted edge', gloss: 'for sharpness' },
  { value: 'stars', name: 'Stars', gloss: 'as set under Stars' },
];
const FORMATS = (Object.keys(FORMAT_FILES) as SimulatedFormat[]).map((value) => ({
  value,
  name: FORMAT_FILES[value].name,
}));

/** What is true of a simulated picture, in words. */
function truthWords(truth: Truth): SimulatedTruth {
  const { pxPerMm, lengthPx, diameterPx, halfCyclesPerPx, centrePx } = truth;
  const words =
    halfCyclesPerPx !== undefined
      ? `half was left at ${formatFigures(halfCyclesPerPx, 4)} cycles a pixel`
      : centrePx !== undefined
        ? `in the middle they ran ${formatFigures(centrePx, 4)} px`
        : pxPerMm !== undefined
          ? `it was ${formatFigures(pxPerMm, 5)} px a millimetre`
          : lengthPx !== undefined
            ? `it was ${formatFigures(lengthPx, 4)} px long`
            : `it was ${formatFigures(diameterPx ?? 0, 5)} px wide`;
  return { ...truth, words };
}

/** Takes a picture with the set-up in hand that nobody had to go out for, so that the bench can be tried. */
export function SimulatedCamera({ startsOpen }: { startsOpen: boolean }) {
  const { kit } = useKit();
  const chosen = useChosen();
  const [scene, setScene] = useState<Order['scene']>('ruler');
  const [format, setFormat] = useState<SimulatedFormat>('jpeg');
  const [seed, setSeed] = useState(1);
  const [share, setShare] = useState<number | null>(null);
  const [stop, setStop] = useState<(() => void) | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const sky = useSky();
  const made = simulatedOrder(kit, chosen, scene, format, seed, sky);
  const takeOne = () => {
    if (!made.ok) return;
    setShare(0);
    setMessage(null);
    setSeed(seed + 1);
    const { picture, stop: end } = takeSimulated(made.value, `simulated ${scene}`, setShare);
    setStop(() => end);
    void picture.then((taken) => {
      setShare(null);
      setStop(null);
      if (taken.ok) bringPictures([taken.file], truthWords(taken.truth));
      else setMessage(taken.message);
    });
  };
  return (
    <Group title="The simulated camera" brief="a picture to try it with" startsOpen={startsOpen}>
      <Choice label="Of what" options={SCENES} value={scene} onChange={setScene} />
      <Choice label="As" options={FORMATS} value={format} onChange={setFormat} />
      <Txt kind="small" tone="soft">
        {made.ok ? made.value.words : made.problem.message}
      </Txt>
      <View style={{ flexDirection: 'row', gap: space.medium, flexWrap: 'wrap' }}>
        <Key
          title={share === null ? 'Take it' : `Taking … ${Math.round(100 * share)} %`}
          icon="photo-camera"
          weight="strong"
          disabled={!made.ok || share !== null}
          why={made.ok ? 'It is being taken.' : made.problem.message}
          onPress={takeOne}
          testID="take-simulated"
        />
        {stop ? <Key title="Stop" onPress={stop} /> : null}
      </View>
      {message ? (
        <Txt tone="needle" role="alert">
          {message}
        </Txt>
      ) : null}
    </Group>
  );
}
