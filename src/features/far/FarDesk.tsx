import { Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { nearestDistanceM } from '@/core/far/focusAt';
import type { Quantity } from '@/core/quantity/quantity';
import { showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { useInHand } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { farReadingKept } from '@/data/keptReading';
import { DeskFrame, DeskMessage } from '@/ui/DeskFrame';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { KeyFigures, farQuantities } from './FarGroups';
import { KeepBar } from '@/features/book/KeepBar';
import { ReadingPicture } from '@/ui/finder/ReadingPicture';
import { InHandColumn, InHandDock } from './InHandControls';
import { rememberFirstView, removeFirstView } from './firstView';
import { GroupsBelow } from './GroupsBelow';
import { useFarMore } from './MoreGroups';
import { LeverList } from './LeverList';
import { ReadingBlock } from './ReadingBlock';
import { useFarDesk, type DeskState } from './useFarDesk';
import { lazyPart } from '@/ui/lazyPart';

const WhySheet = lazyPart(() => import('@/ui/why/WhySheet'));

type Ready = Extract<ReturnType<typeof useFarDesk>, { status: 'ready' }>;

/** Far: one set-up on one distant subject, read, judged, and what would change it. */
export function FarDesk({ onAddSetup, onAddSubject }: { onAddSetup: () => void; onAddSubject: () => void }) {
  const desk = useFarDesk();
  const loading = desk.status === 'loading';
  useEffect(() => {
    // The reading in words that stood in for the desk has done its work.
    if (!loading) removeFirstView();
  }, [loading]);
  if (desk.status === 'ready') return <ReadyDesk desk={desk} />;
  if (desk.status === 'loading') return <DeskMessage text="Reading the kit …" />;
  if (desk.status === 'failed') {
    return (
      <DeskMessage text="The server cannot be reached, so there is no kit to read. Start it again, then try again.">
        <Key title="Try again" weight="strong" onPress={desk.retry} />
      </DeskMessage>
    );
  }
  if (desk.status === 'missing') {
    if (desk.missing === 'subject') {
      return (
        <DeskMessage text="No subject yet. Name what you want to photograph: its kind, its size, and how far away it is.">
          <Key title="Add a subject" weight="strong" onPress={onAddSubject} />
        </DeskMessage>
      );
    }
    if (desk.missing === 'output') {
      return (
        <DeskMessage text="Nothing says what the picture is for. Add an output, such as a web page or a print.">
          <Key title="Add an output" weight="strong" onPress={onAddSubject} />
        </DeskMessage>
      );
    }
  }
  const gone = desk.status === 'missing' && desk.missing === 'parts';
  return (
    <DeskMessage
      text={
        gone
          ? 'A part of this set-up is gone. Choose or change the set-up.'
          : 'No set-up yet. Choose your body’s format and megapixels, add a lens, and the reading starts.'
      }
    >
      <Key title={gone ? 'Choose a set-up' : 'Start with a body'} weight="strong" onPress={onAddSetup} />
    </DeskMessage>
  );
}

function ReadyDesk({ desk }: { desk: Ready }) {
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const units = usePreferences((state) => state.units);
  const chooseSchool = usePreferences((state) => state.chooseSchool);
  const chooseOutput = useInHand((state) => state.chooseOutput);
  const [asked, setAsked] = useState<string | Quantity | null>(null);
  const { now, before, kit } = desk;
  const { situation, system, reading, problem } = now;
  useEffect(() => (reading ? rememberFirstView(situation, reading, units) : undefined), [situation, reading, units]);
  // What keeping takes, without drawing its keys again on every step of a drag.
  const latest = useRef(now);
  useEffect(() => {
    latest.current = now;
  }, [now]);

  const takeReading = useCallback((takenAt: string, note: string) => {
    const taken = latest.current;
    return taken.system && taken.reading
      ? farReadingKept({ situation: taken.situation, system: taken.system, takenAt, note }, taken.reading)
      : null;
  }, []);

  // A number of the reading is asked for by name, so that it stays current; a lever's gain as it was when asked.
  const known = system && reading && typeof asked === 'string' ? farQuantities(system, reading)[asked] : undefined;
  // The rest is worked out here only while one of its numbers is asked for; the groups below follow at their own pace.
  const more = useFarMore(situation, system, known || typeof asked !== 'string' ? null : reading);
  const why = typeof asked === 'string' ? (known ?? more?.[asked as keyof typeof more]) : (asked ?? undefined);
  const sheet = why ? (
    <Suspense fallback={null}>
      <WhySheet quantity={why} units={units} onClose={() => setAsked(null)} onSchool={chooseSchool} />
    </Suspense>
  ) : null;

  const picture =
    system && reading && !reading.obstacle ? (
      <ReadingPicture
        desk="far"
        system={system}
        reading={reading}
        subject={situation.subject}
        units={units}
        maxHeight={wide ? height * 0.5 : height * 0.32}
      />
    ) : (
      <NoPicture now={now} />
    );
  const readingBlock =
    system && reading ? (
      <>
        <ReadingBlock
          now={{ ...now, reading }}
          before={before}
          outputs={kit.outputs}
          units={units}
          onOutput={chooseOutput}
          onWhy={setAsked}
        />
        {reading.obstacle ? null : <KeyFigures {...{ system, reading, units }} onWhy={setAsked} />}
      </>
    ) : problem ? (
      <Problem now={now} units={units} />
    ) : null;
  const doubts = reading?.warnings ?? system?.warnings ?? [];
  const warnings = doubts.length ? (
    <View>
      {doubts.map((warning) => (
        <Txt key={warning.code} kind="small" tone="caution">
          ⚠ {warning.message}
        </Txt>
      ))}
    </View>
  ) : null;
  const keep = reading && !reading.obstacle && !reading.overflow ? <KeepBar reading={takeReading} /> : null;
  const groups =
    system && reading && !reading.obstacle ? (
      <GroupsBelow now={now} units={units} onWhy={setAsked} open={wide} />
    ) : null;

  return (
    <DeskFrame
      picture={picture}
      reading={readingBlock}
      cautions={warnings}
      keep={keep}
      levers={<LeverList onWhy={setAsked} />}
      groups={groups}
      column={<InHandColumn now={now} units={units} />}
      dock={<InHandDock now={now} units={units} />}
      sheet={sheet}
    />
  );
}

function NoPicture({ now }: { now: DeskState }) {
  const styles = useStyles();
  return (
    <View style={styles.noPicture} role="img" aria-label="No picture can be formed">
      <Txt tone="soft">No picture of “{now.situation.subject.name}” from here</Txt>
    </View>
  );
}

/** Why there is no reading, and the way out. */
function Problem({ now, units }: { now: DeskState; units: UnitSystem }) {
  const setDistanceM = useInHand((state) => state.setDistanceM);
  const nearest = now.system ? Math.ceil(nearestDistanceM(now.system) * 100) / 100 : null;
  return (
    <View style={{ gap: space.medium }} role="alert">
      <Txt kind="strong" tone="needle">
        ✕ {now.problem?.message}
      </Txt>
      {nearest !== null && now.problem?.field === 'distanceM' ? (
        <Key title={`Go back to ${shownText(showLengthM(nearest, units))}`} onPress={() => setDistanceM(nearest)} />
      ) : null}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  noPicture: {
    height: 160,
    alignItems: 'center',
    justifyContent: 'center',
    borderWidth: 1,
    borderStyle: 'dashed',
    borderColor: palette.inkSoft,
  },
}));
