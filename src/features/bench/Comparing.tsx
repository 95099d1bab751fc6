import { useCallback, useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { Found, Place } from '@/core/measure/benchTalk';
import { comparison, type Comparison, type Side } from '@/core/measure/means/comparison';
import type { PairFound } from '@/core/measure/pair/comparePair';
import { mapped, turnOf } from '@/core/measure/pair/similarity';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { askPicture, compare, setEnds, showPicture, stopComparing, type BenchPicture } from '@/data/bench/pictures';
import { usePreferences } from '@/data/preferences';
import { showQuantity, showError } from '@/core/quantity/quantityText';
import { FigureList } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { TwoPictures } from '@/ui/picture/TwoPictures';
import { space } from '@/ui/theme/measures';
import { useWhy } from '../desk/useWhy';
import { BenchColumns } from './BenchColumns';
import { Blink } from './Blink';
import { BringPicture } from './BringPicture';
import { KeepKey, foundRow, takenRow } from './KeepMeasurement';
import { lengthQuantity } from './lengthQuantity';
import type { NamedNumber } from './numbersOf';
import { Over } from './Over';
import { firstEnds } from './Questions';
import { PairAnswer } from './PairAnswer';
import { useSeveral } from './useSeveral';
import { WhosePicture } from './WhosePicture';
import { useTakenWith, type TakenWith } from './useTakenWith';

/** What of a picture was measured last that is a length. */
function lengthOf(found: Found | null): { lengthPx: Quantity; ends: [Place, Place] } | null {
  if (found?.measure === 'length')
    return { lengthPx: lengthQuantity(found.value.lengthPx, found.value.plusMinus), ends: found.value.ends };
  if (found?.measure === 'subject')
    return { lengthPx: lengthQuantity(found.value.longestPx, found.value.plusMinus), ends: found.value.ends };
  if (found?.measure === 'disc') {
    const { centre, equatorialDiameterPx: px, diameterError } = found.value;
    const ends: [Place, Place] = [
      [centre[0] - px / 2, centre[1]],
      [centre[0] + px / 2, centre[1]],
    ];
    return { lengthPx: lengthQuantity(px, diameterError), ends };
  }
  return null;
}

function sideOf(picture: BenchPicture, taken: TakenWith): (Side & { ends: [Place, Place] }) | null {
  const length = lengthOf(picture.found);
  const { opened } = picture;
  if (!length || !opened) return null;
  return { ...length, longSidePx: Math.max(opened.width, opened.height), pitchUm: taken.pitchUm };
}

/** Two pictures of one thing: is it larger in one, or only shown larger? */
export function Comparing({ first, second }: { first: BenchPicture; second: BenchPicture | null }) {
  const head = (
    <Txt kind="title" level={1}>
      Larger, or only shown larger?
    </Txt>
  );
  if (!second?.opened || !first.opened)
    return (
      <ScrollView contentContainerStyle={{ padding: space.page, gap: space.large }}>
        {head}
        <Txt>
          {second
            ? `Opening ${second.name} …`
            : `Bring a second picture of the same thing, taken from the same place as ${first.name}.`}
        </Txt>
        {second?.problem ? <Txt role="alert">{second.problem.message}</Txt> : null}
        {second ? null : <BringPicture short />}
        <Key title="Back to one picture" icon="arrow-back" weight="plain" onPress={stopComparing} />
      </ScrollView>
    );
  return <Both first={first} second={second} head={head} />;
}

interface BothProps {
  first: BenchPicture;
  second: BenchPicture;
  head: React.ReactNode;
}

const saysNoSubject = ({ problem }: BenchPicture): boolean => problem?.code === 'subject.none';

function Both({ first, second, head }: BothProps) {
  const units = usePreferences((state) => state.units);
  const { ask, sheetFor } = useWhy();
  const [takenFirst, takenSecond] = [useTakenWith(first), useTakenWith(second)];
  const [one, two] = [sideOf(first, takenFirst), sideOf(second, takenSecond)];
  const told = one && two ? comparison(one, two) : null;
  const pair = useSeveral<{ ask: 'pair'; files: readonly [Blob, Blob] }>();
  // Where no subject stands out in either, what both show tells how they lie on each other: asked without being asked for.
  const byPair = saysNoSubject(first) && saysNoSubject(second);
  const { ask: askPair, found: foundPair, share: pairShare, problem: pairProblem } = pair;
  useEffect(() => {
    if (byPair && !foundPair && pairShare === null && !pairProblem)
      askPair({ ask: 'pair', files: [first.file, second.file] });
  }, [byPair, foundPair, pairShare, pairProblem, askPair, first.file, second.file]);
  const shown = (
    <>
      {head}
      <Laid first={first} second={second} one={one} two={two} pair={pair.found} />
    </>
  );
  const side = (
    <>
      <PairAnswer {...{ first, second, pair, takenFirst, units, ask }} taken={takenSecond} />
      {told ? <Answer told={told} units={units} ask={ask} /> : null}
      {told && one && two ? (
        <KeepKey
          picture={second}
          row={() => ({
            asked: 'larger',
            found: foundRow([
              ...figuresOf(told),
              { name: 'Length in the first', quantity: one.lengthPx },
              { name: 'Length in the second', quantity: two.lengthPx },
            ]),
            byHand: [first, second].some(({ found }) => found?.measure === 'length'),
            simulated: first.truth !== null || second.truth !== null,
            pictureName: `${first.name}, ${second.name}`.slice(0, 240),
            ...takenRow(takenSecond),
            note: told.sentence,
          })}
        />
      ) : null}
      <OneSide picture={first} name="First" side={one} units={units} taken={takenFirst} byPair={byPair} />
      <OneSide picture={second} name="Second" side={two} units={units} taken={takenSecond} byPair={byPair} />
      <ChangePlaces first={first} second={second} />
      <Key title="Back to one picture" icon="arrow-back" weight="plain" onPress={stopComparing} />
      {sheetFor()}
    </>
  );
  return <BenchColumns shown={shown} side={side} />;
}

type Alike = 'sensor' | 'pixel' | 'subject';
type Seen = 'first' | 'both' | 'beside' | 'second' | 'difference';
const OPACITY: Record<Seen, number> = { first: 0, both: 0.5, beside: 1, second: 1, difference: 1 };
/** Where what was measured of one of them would only be in the way. */
const HIDES_FIRST: readonly Seen[] = ['second', 'difference', 'beside'];
const HIDES_SECOND: readonly Seen[] = ['first', 'difference', 'beside'];
/** What differs is mostly faint: it is shown so many times as bright. */
const DIFFERENCE_TIMES = 4;

const middleOf = ([a, b]: [Place, Place]): [number, number] => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
const centreOf = ({ width, height }: { width: number; height: number }): [number, number] => [
  (width - 1) / 2,
  (height - 1) / 2,
];

interface LaidProps {
  first: BenchPicture;
  second: BenchPicture;
  one: (Side & { ends: [Place, Place] }) | null;
  two: (Side & { ends: [Place, Place] }) | null;
  /** How they lie on each other, once that was found. */
  pair: PairFound | null;
}

/** Both pictures over each other, the middles of what was measured on each other until they are moved. */
function Laid({ first, second, one, two, pair }: LaidProps) {
  const [chosen, setAlike] = useState<Alike | null>(null);
  const alike = chosen ?? (pair ? 'subject' : 'sensor');
  const [seen, setSeen] = useState<Seen>('both');
  const pitches = one?.pitchUm && two?.pitchUm ? two.pitchUm.value / one.pitchUm.value : null;
  const times = alike === 'sensor' && pitches !== null ? pitches : 1;
  const [lower, upper] = [usePicture(first), usePicture(second)];
  const found = useMemo(() => (pair ? registerOf(pair, lower, upper) : null), [pair, lower, upper]);
  const byEnds = useMemo(
    () => ({
      times,
      on: one ? middleOf(one.ends) : centreOf(lower),
      of: two ? middleOf(two.ends) : centreOf(upper),
    }),
    [times, one, two, lower, upper],
  );
  const register = alike === 'subject' && found ? found : byEnds;
  const sizes: { value: Alike; name: string }[] = [
    ...(found ? [{ value: 'subject' as const, name: 'On the subject' }] : []),
    ...(pitches === null ? [] : [{ value: 'sensor' as const, name: 'On the sensor' }]),
    { value: 'pixel', name: 'Per pixel' },
  ];
  return (
    <View style={{ gap: space.medium }}>
      <TwoPictures
        label={`${second.name} over ${first.name}`}
        lower={lower}
        upper={upper}
        register={register}
        spanPx={one ? one.lengthPx.value : null}
        opacity={OPACITY[seen]}
        beside={seen === 'beside'}
        differenceTimes={seen === 'difference' ? DIFFERENCE_TIMES : null}
        over={(under, above, screen) => (
          <>
            {HIDES_FIRST.includes(seen) || !one ? null : (
              <Over found={null} ends={one.ends} view={under} screen={screen} />
            )}
            {HIDES_SECOND.includes(seen) || !two ? null : (
              <Over found={null} ends={two.ends} view={above} screen={screen} dashed />
            )}
          </>
        )}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space.wide, rowGap: space.medium }}>
        <Choice
          label="Shown"
          options={[
            { value: 'first', name: 'First' },
            { value: 'both', name: 'Both' },
            { value: 'second', name: 'Second' },
            { value: 'beside', name: 'Side by side' },
            { value: 'difference', name: 'Difference' },
          ]}
          value={seen}
          onChange={setSeen}
        />
        {sizes.length > 1 ? (
          <Choice label="At the same size" options={sizes} value={alike} onChange={setAlike} />
        ) : (
          <Txt kind="small" tone="soft">
            At the same size per pixel: for the same size on the sensor the pitch of both must be known.
          </Txt>
        )}
        {seen === 'difference' ? (
          <Txt kind="small" tone="soft">
            {`Dark where both are alike; what differs is shown ${DIFFERENCE_TIMES} times as bright.`}
          </Txt>
        ) : null}
        <Blink second={seen === 'second'} onSecond={(is) => setSeen(is ? 'second' : 'first')} />
      </View>
    </View>
  );
}

/** Where the second lies on the first when the same thing is to lie on the same. */
function registerOf({ match, scale }: PairFound, lower: Size, upper: Size) {
  const on = centreOf(lower);
  return { times: 1 / scale, on, of: mapped(match, lower, upper)(on[0], on[1]), turnDeg: -turnOf(match) };
}

type Size = { width: number; height: number };

function usePicture({ holder, opened }: BenchPicture) {
  const source = useCallback((part: Parameters<typeof holder.part>[0]) => holder.part(part), [holder]);
  const { width, height } = opened ?? { width: 1, height: 1 };
  return useMemo(() => ({ width, height, source }), [width, height, source]);
}

/** Its numbers, the one that decides first. */
const figuresOf = ({ drawn, pixels, enlarged }: Comparison): NamedNumber[] => [
  ...(drawn ? [{ name: 'Drawn larger', quantity: drawn }] : []),
  { name: 'Pixels on it', quantity: pixels },
  { name: 'Enlarged by a screen', quantity: enlarged },
];

function Answer({ told, units, ask }: { told: Comparison; units: UnitSystem; ask: (quantity: Quantity) => void }) {
  return (
    <View role="status" style={{ gap: space.medium }} testID="comparison">
      <Txt kind="large" tone="needle">
        {told.title}
      </Txt>
      <Txt>{told.sentence}</Txt>
      <Txt kind="label" tone="soft">
        Second beside first
      </Txt>
      <FigureList figures={figuresOf(told)} units={units} ask={ask} />
    </View>
  );
}

interface SideProps {
  picture: BenchPicture;
  name: string;
  side: Side | null;
  units: UnitSystem;
  taken: TakenWith;
  /** No subject stands out in either, and both are compared by what they show. */
  byPair: boolean;
}

/** One of the two pictures: what was measured of it, by itself first, and the way to put its ends right. */
function OneSide({ picture, name, side, units, taken, byPair }: SideProps) {
  const { id, opened, question, share, problem } = picture;
  const asked = question !== null;
  useEffect(() => {
    if (!side && !asked) void askPicture(id, { measure: 'subject' });
  }, [id, side, asked]);
  const byHand = () => {
    if (!opened) return;
    const ends = picture.ends ?? firstEnds(opened);
    showPicture(id);
    stopComparing();
    setEnds(id, ends);
    void askPicture(id, { measure: 'length', ends });
  };
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="label" tone="soft">{`${name}: ${picture.name}`}</Txt>
      {side ? (
        <Txt kind="strong">{`${showQuantity(side.lengthPx, units).number} px ${showError(side.lengthPx, units)}`}</Txt>
      ) : null}
      {share !== null ? <Txt role="status">{`Measuring … ${Math.round(100 * share)} %`}</Txt> : null}
      {problem && byPair ? (
        <Txt kind="small" tone="soft">
          No subject stands out of the background; compared by what both pictures show.
        </Txt>
      ) : problem ? (
        <Txt tone="needle" role="alert">
          {problem.message}
        </Txt>
      ) : null}
      <WhosePicture taken={taken} />
      <Key title={`Set the ends in the ${name.toLowerCase()}`} weight="plain" onPress={byHand} />
    </View>
  );
}

/** The other way round: ratios are of the second beside the first. */
function ChangePlaces({ first, second }: { first: BenchPicture; second: BenchPicture }) {
  return (
    <Key
      title="Change places"
      icon="swap-vert"
      weight="plain"
      onPress={() => {
        showPicture(second.id);
        compare(first.id);
      }}
    />
  );
}
