import { useCallback, useEffect, useRef } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { nearestDistanceM } from '@/core/far/focusAt';
import { showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { useInHand } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { farReadingKept } from '@/data/keptReading';
import { DeskFrame } from '@/ui/DeskFrame';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { KeyFigures } from './FarGroups';
import { KeepBar } from '@/features/book/KeepBar';
import { ReadingPicture } from '@/ui/finder/ReadingPicture';
import { InHandColumn, InHandDock } from './InHandControls';
import { rememberFirstView, removeFirstView } from './firstView';
import { GroupsBelow } from './GroupsBelow';
import { useHandInUse } from './HandAndShutter';
import { useFarMore } from './MoreGroups';
import { FarLeverList } from './LeverList';
import { ReadingBlock } from './ReadingBlock';
import { useFarDesk, type DeskState } from './useFarDesk';
import { LeversHost } from './useLevers';
import { AssumedLine } from '../desk/AssumedLine';
import { DeskGate } from '../desk/DeskGate';
import { useIsoInUse } from '../desk/useIsoInUse';
import { quantitiesOf, useWhy } from '../desk/useWhy';

type Ready = Extract<ReturnType<typeof useFarDesk>, { status: 'ready' }>;

/** Far: one set-up on one distant subject, read, judged, and what would change it. */
export function FarDesk() {
  const desk = useFarDesk();
  const loading = desk.status === 'loading';
  useEffect(() => {
    // The reading in words that stood in for the desk has done its work.
    if (!loading) removeFirstView();
  }, [loading]);
  return desk.status === 'ready' ? <ReadyDesk desk={desk} /> : <DeskGate desk={desk} />;
}

function ReadyDesk({ desk }: { desk: Ready }) {
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const units = usePreferences((state) => state.units);
  const chooseOutput = useInHand((state) => state.chooseOutput);
  const { asked, ask, sheetFor } = useWhy();
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

  // The rest is worked out here only while one of its numbers is asked for; the groups below follow at their own pace.
  const elsewhere = typeof asked === 'string' && !(system && reading && asked in quantitiesOf(system, reading));
  const more = useFarMore(situation, system, elsewhere ? reading : null);
  const hand = useHandInUse(system, more);
  const iso = useIsoInUse(system, situation.output);
  const sheet = system && reading ? sheetFor(system, reading, more, hand, iso) : sheetFor(more);

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
          onWhy={ask}
        />
        {reading.obstacle ? null : <KeyFigures {...{ system, reading, units }} onWhy={ask} />}
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
    system && reading && !reading.obstacle ? <GroupsBelow now={now} units={units} onWhy={ask} open={wide} /> : null;

  return (
    <LeversHost>
      <DeskFrame
        picture={picture}
        reading={readingBlock}
        cautions={
          <>
            <AssumedLine situation={situation} />
            {warnings}
          </>
        }
        keep={keep}
        levers={<FarLeverList onWhy={ask} />}
        groups={groups}
        column={<InHandColumn now={now} units={units} />}
        dock={<InHandDock now={now} units={units} />}
        sheet={sheet}
      />
    </LeversHost>
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
