import { useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { formatFigures } from '@/core/quantity/format';
import { ok, type Result } from '@/core/quantity/result';
import { FORMAT_FILES, type FileOrder, type SimulatedFormat } from '@/core/simulate/fileOrder';
import type { Order, Truth } from '@/core/simulate/take';
import { bring, type Brought, type SimulatedTruth } from '@/data/bench/pictures';
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
import { simulatedSeries, type SeriesKind } from './simulatedSeries';

const SCENES: readonly { value: Order['scene']; name: string; gloss: string }[] = [
  { value: 'ruler', name: 'A ruler', gloss: 'close up' },
  { value: 'subject', name: 'The subject in hand', gloss: 'at its distance' },
  { value: 'disc', name: 'A planet', gloss: '44″ wide' },
  { value: 'edge', name: 'A slanted edge', gloss: 'for sharpness' },
  { value: 'stars', name: 'Stars', gloss: 'as set under Stars' },
];
const SERIES: readonly { value: SeriesKind; name: string; gloss: string }[] = [
  { value: 'mode', name: 'Crop mode', gloss: 'beside the whole frame' },
  { value: 'zoom', name: 'Zoom in the camera', gloss: 'beside the whole frame' },
  { value: 'bodies', name: 'Two bodies', gloss: 'same lens, same place' },
  { value: 'even', name: 'An even surface', gloss: 'two light, two dark' },
  { value: 'shaken', name: 'By hand', gloss: 'twelve frames' },
];
const isSeries = (what: string): what is SeriesKind => SERIES.some(({ value }) => value === what);
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

/** What is to be taken, one picture or several, in words; or why it cannot. */
function useOrders(what: Order['scene'] | SeriesKind, format: SimulatedFormat, seed: number) {
  const { kit } = useKit();
  const chosen = useChosen();
  const sky = useSky();
  return useMemo((): Result<{ orders: (FileOrder & { name: string; truth?: string })[]; words: string }> => {
    if (isSeries(what)) return simulatedSeries(kit, chosen, what, seed, sky);
    const one = simulatedOrder(kit, chosen, what, format, seed, sky);
    return one.ok ? ok({ orders: [{ ...one.value, name: `simulated ${what}` }], words: one.value.words }) : one;
  }, [kit, chosen, what, format, seed, sky]);
}

/** Takes one picture after the other, and tells how far all are. */
function useTaking() {
  const [share, setShare] = useState<number | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const ending = useRef<(() => void) | null>(null);
  const take = async (orders: readonly (FileOrder & { name: string; truth?: string })[]) => {
    const taken: Brought[] = [];
    setShare(0);
    setMessage(null);
    for (const [k, order] of orders.entries()) {
      const under = takeSimulated(order, order.name, (one) => setShare((k + one) / orders.length));
      ending.current = under.stop;
      const picture = await under.picture;
      if (!picture.ok) {
        setMessage(picture.message);
        break;
      }
      const words = truthWords(picture.truth);
      taken.push({ file: picture.file, truth: order.truth ? { ...words, words: order.truth } : words });
    }
    ending.current = null;
    setShare(null);
    if (taken.length === orders.length) bring(taken);
  };
  return { share, message, take, stop: () => ending.current?.() };
}

/** Takes a picture with the set-up in hand that nobody had to go out for, so that the bench can be tried. */
export function SimulatedCamera({ startsOpen }: { startsOpen: boolean }) {
  const [scene, setScene] = useState<Order['scene']>('ruler');
  const [series, setSeries] = useState<SeriesKind | null>(null);
  const [format, setFormat] = useState<SimulatedFormat>('jpeg');
  const [seed, setSeed] = useState(1);
  const made = useOrders(series ?? scene, format, seed);
  const { share, message, take, stop } = useTaking();
  const start = () => {
    if (!made.ok) return;
    setSeed(seed + 1);
    void take(made.value.orders);
  };
  return (
    <Group title="The simulated camera" brief="pictures to try it with" startsOpen={startsOpen}>
      <Choice
        label="One picture of"
        options={SCENES}
        value={series ? null : scene}
        onChange={(next) => {
          setScene(next);
          setSeries(null);
        }}
      />
      <Choice label="Or several at once" options={SERIES} value={series} onChange={setSeries} />
      {series ? null : <Choice label="As" options={FORMATS} value={format} onChange={setFormat} />}
      <Txt kind="small" tone="soft">
        {made.ok ? made.value.words : made.problem.message}
      </Txt>
      <View style={{ flexDirection: 'row', gap: space.medium, flexWrap: 'wrap' }}>
        <Key
          title={share === null ? (series ? 'Take them' : 'Take it') : `Taking … ${Math.round(100 * share)} %`}
          icon="photo-camera"
          weight="strong"
          disabled={!made.ok || share !== null}
          why={made.ok ? 'It is being taken.' : made.problem.message}
          onPress={start}
          testID="take-simulated"
        />
        {share === null ? null : <Key title="Stop" onPress={stop} />}
      </View>
      {message ? (
        <Txt tone="needle" role="alert">
          {message}
        </Txt>
      ) : null}
    </Group>
  );
}
