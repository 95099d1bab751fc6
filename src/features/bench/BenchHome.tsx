import { useCallback, useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import { rulerMeans } from '@/core/measure/means/rulerMeans';
import {
  askPicture,
  putAway,
  setEnds,
  showPicture,
  stopMeasuring,
  useBench,
  type BenchPicture,
} from '@/data/bench/pictures';
import { usePreferences } from '@/data/preferences';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { PictureView } from '@/ui/picture/PictureView';
import { space } from '@/ui/theme/measures';
import { useWhy } from '../desk/useWhy';
import { BenchColumns } from './BenchColumns';
import { BringPicture } from './BringPicture';
import { Comparing } from './Comparing';
import { TableFactsOf } from '@/ui/take/tableFacts';
import { DiscAnswer } from './DiscAnswer';
import { EdgeAnswer } from './EdgeAnswer';
import { frameBetween } from './frameBetween';
import { HowRead } from './HowRead';
import { KeepMeasurement } from './KeepMeasurement';
import { LengthAnswer } from './LengthAnswer';
import { lengthQuantity } from './lengthQuantity';
import { Over } from './Over';
import { Questions } from './Questions';
import { RulerAnswer } from './RulerAnswer';
import { StarsAnswer } from './StarsAnswer';
import { SubjectAnswer } from './SubjectAnswer';
import { Together } from './Together';
import { TruthShown } from './Told';
import { WhosePicture } from './WhosePicture';
import { useTakenWith, type TakenWith } from './useTakenWith';

const EMPTY = { padding: space.page, gap: space.page, width: '100%', maxWidth: 860, marginHorizontal: 'auto' } as const;

/** The bench: bring a picture, ask it one question, get a number, see on the picture what was measured, put it to use. */
export default function BenchHome() {
  const pictures = useBench((state) => state.pictures);
  const currentId = useBench((state) => state.currentId);
  const comparing = useBench((state) => state.comparing);
  const current = pictures.find(({ id }) => id === currentId) ?? pictures[0];
  if (current && comparing)
    return <Comparing first={current} second={pictures.find(({ id }) => id === comparing.secondId) ?? null} />;
  return current ? (
    <OnBench picture={current} pictures={pictures} />
  ) : (
    <ScrollView contentContainerStyle={EMPTY}>
      <Txt kind="title" level={1}>
        Measure a picture
      </Txt>
      <Txt>
        Bring a picture, ask it one question, and get a number with its error: how large it is on the sensor, how long,
        how wide a disc, where a subject ends, how sharp it is, whether stars run, which of two pictures holds more.
      </Txt>
      <BringPicture />
    </ScrollView>
  );
}

function OnBench({ picture, pictures }: { picture: BenchPicture; pictures: BenchPicture[] }) {
  const taken = useTakenWith(picture);
  const units = usePreferences((state) => state.units);
  const { ask, sheetFor } = useWhy();
  const shown = (
    <>
      <Txt kind="title" level={1} numberOfLines={1}>
        {picture.name}
      </Txt>
      <Shown picture={picture} taken={taken} />
    </>
  );
  const side = (
    <>
      <Questions picture={picture} taken={taken} />
      <Answer picture={picture} taken={taken} />
      <WhosePicture taken={taken} />
      <HowRead picture={picture} />
      <Together pictures={pictures} taken={taken} units={units} ask={ask} />
      <OnTheBench picture={picture} pictures={pictures} />
      <BringPicture short />
      {sheetFor()}
    </>
  );
  return <BenchColumns shown={shown} side={side} />;
}

/** The picture itself, with what was measured on it; or how far it is being opened, or why it cannot be. */
function Shown({ picture, taken }: { picture: BenchPicture; taken: TakenWith }) {
  const { id, opened, holder, found, name, ends, question, strokesTimes } = picture;
  const source = useCallback((part: Parameters<typeof holder.part>[0]) => holder.part(part), [holder]);
  const pxPerMm = found?.measure === 'ruler' ? found.value.pxPerMm : undefined;
  const framed = question?.measure === 'edge' && question.frame !== undefined;
  const handles = ends && (question?.measure === 'length' || question?.measure === 'subject' || framed);
  if (!opened) return <Under picture={picture} />;
  return (
    <View style={{ gap: space.medium }}>
      <PictureView
        key={id}
        label={`${name}, ${opened.width} by ${opened.height} pixels`}
        width={opened.width}
        height={opened.height}
        source={source}
        pxPerMm={pxPerMm}
        over={(view, screen) => (
          <Over
            found={found}
            ends={framed ? null : ends}
            frame={framed && ends ? frameBetween(ends) : null}
            view={view}
            screen={screen}
            times={strokesTimes}
          />
        )}
        handles={
          handles
            ? [
                { label: framed ? 'First corner' : 'First end', at: ends[0] },
                { label: framed ? 'Second corner' : 'Second end', at: ends[1] },
              ]
            : undefined
        }
        onHandle={(index, at, rests) => {
          if (!ends) return;
          const next: typeof ends = index === 0 ? [at, ends[1]] : [ends[0], at];
          setEnds(id, next);
          if (!rests) return;
          void askPicture(
            id,
            framed ? { measure: 'edge', frame: frameBetween(next) } : { measure: 'length', ends: next },
          );
        }}
      />
      <Under picture={picture} />
      {taken.setupRow || taken.kitLoading ? null : (
        <Txt kind="small" tone="soft">
          There is no set-up in the kit: pixels are measured, what they stand for on the sensor is not known.
        </Txt>
      )}
    </View>
  );
}

/** What is under way, or why something could not be done. */
function Under({ picture }: { picture: BenchPicture }) {
  const { id, share, problem, opened } = picture;
  return (
    <>
      {share !== null ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space.medium }}>
          <Txt role="status">{`${opened ? 'Measuring' : `Opening ${picture.name}`} … ${Math.round(100 * share)} %`}</Txt>
          {opened ? (
            <Key title="Stop" weight="plain" onPress={() => stopMeasuring(id)} />
          ) : (
            <Key title="Put it away" weight="plain" onPress={() => putAway(id)} />
          )}
        </View>
      ) : null}
      {problem ? (
        <Txt tone="needle" role="alert">
          {problem.message}
        </Txt>
      ) : null}
    </>
  );
}

function Answer({ picture, taken }: { picture: BenchPicture; taken: TakenWith }) {
  const units = usePreferences((state) => state.units);
  const { ask, sheetFor } = useWhy();
  const { found, opened, question } = picture;
  const ruler = useMemo(
    () => (found?.measure === 'ruler' && opened ? rulerMeans(found.value, opened.width, taken.pitchUm) : null),
    [found, opened, taken.pitchUm],
  );
  if (!found || found.measure !== question?.measure) return null;
  return (
    <TableFactsOf facts={{ Photo: picture.name }}>
      {found.measure === 'ruler' ? (
        <RulerAnswer picture={picture} found={found.value} taken={taken} units={units} ask={ask} />
      ) : null}
      {found.measure === 'length' ? (
        <LengthAnswer
          lengthPx={lengthQuantity(found.value.lengthPx, found.value.plusMinus)}
          kinds={found.value.kinds}
          taken={taken}
          units={units}
          ask={ask}
        />
      ) : null}
      {found.measure === 'disc' ? (
        <DiscAnswer found={found.value} takenAt={picture.tags?.takenAt} taken={taken} units={units} ask={ask} />
      ) : null}
      {found.measure === 'subject' ? (
        <SubjectAnswer picture={picture} found={found.value} taken={taken} units={units} ask={ask} />
      ) : null}
      {found.measure === 'edge' ? (
        <EdgeAnswer picture={picture} found={found.value} taken={taken} units={units} ask={ask} />
      ) : null}
      {found.measure === 'stars' ? (
        <StarsAnswer picture={picture} found={found.value} taken={taken} units={units} ask={ask} />
      ) : null}
      <KeepMeasurement picture={picture} found={found} taken={taken} />
      <TruthShown truth={picture.truth} found={found} />
      {sheetFor(ruler)}
    </TableFactsOf>
  );
}

/** All pictures on the bench; one is looked at. */
function OnTheBench({ picture, pictures }: { picture: BenchPicture; pictures: BenchPicture[] }) {
  return (
    <View style={{ gap: space.medium }}>
      {pictures.length > 1 ? (
        <Choice
          label="On the bench"
          options={pictures.map(({ id, name }) => ({ value: id, name }))}
          value={picture.id}
          onChange={showPicture}
        />
      ) : null}
      <Key title={`Put ${picture.name} away`} icon="close" weight="plain" onPress={() => putAway(picture.id)} />
    </View>
  );
}
