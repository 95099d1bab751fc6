import { Suspense, useMemo, type ReactNode } from 'react';
import { View, type TextStyle } from 'react-native';
import { useInHand } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { useSheets } from '@/data/sheets';
import { Guard } from '@/ui/Guard';
import { FieldModesInUse } from '@/ui/fieldModes';
import { OverSheets } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { NoticeBar } from './NoticeBar';
import { Places } from './Places';
import { Slate } from './Slate';
import { SyncLine } from './SyncLine';
import { useFieldEffects } from './useFieldEffects';
import { useSingleKeys } from './useSingleKeys';
import { lazyPart } from '@/ui/lazyPart';
import { webTextStyle } from '@/ui/web';

// Sheets are not needed for the first reading, so they come when they are opened.
const SetupSheet = lazyPart(() => import('../kit/SetupSheet'));
const SubjectSheet = lazyPart(() => import('../kit/SubjectSheet'));
const SiteSheet = lazyPart(() => import('../sky/desks').then((each) => ({ default: each.SiteSheet })));
const PreferencesSheet = lazyPart(() => import('./PreferencesSheet'));
const KeysSheet = lazyPart(() => import('./KeysSheet'));

/** What the desks are called, for those who hear the page: on the screen the reading itself stands first. */
const DESK_TITLES: Record<string, string> = {
  '/': 'Far: pixels on the subject',
  '/far': 'Far: pixels on the subject',
  '/near': 'Near: close up',
  '/sky': 'Sky: how long stars stay points',
  '/sky/night': 'Sky: the night',
  '/sky/planets': 'Sky: planets',
};
const HIDDEN = {
  position: 'absolute',
  width: 1,
  height: 1,
  overflow: 'hidden',
  ...webTextStyle({ clipPath: 'inset(50%)' }),
} satisfies TextStyle;

/** Slate above, the place below it, the places at the bottom or at the left; sheets and notices over all. */
export function Frame({ path, wide, children }: { path: string; wide: boolean; children: ReactNode }) {
  const { sheet, close } = useSheets();
  const notice = <NoticeBar />;
  useSingleKeys(path);
  useFieldEffects();
  const ruleTick = usePreferences((state) => state.ruleTick);
  const wantsOneHand = usePreferences((state) => state.oneHand);
  // A wide screen stands on a table.
  const oneHand = wantsOneHand && !wide;
  const modes = useMemo(() => ({ oneHand, ruleTick }), [oneHand, ruleTick]);
  const slate = (
    <Guard what="The line above" resetKeys={[path]}>
      <Slate at={path.startsWith('/sky') ? 'sky' : path.startsWith('/near') ? 'near' : 'far'} />
    </Guard>
  );
  // Another page, set-up or subject may well be shown.
  const setupId = useInHand((state) => state.setupId);
  const subjectId = useInHand((state) => state.subjectId);
  const guarded = [path, setupId, subjectId];
  return (
    <FieldModesInUse.Provider value={modes}>
      <OverSheets.Provider value={notice}>
        {oneHand ? null : slate}
        <View style={{ flex: 1, flexDirection: wide ? 'row' : 'column' }}>
          {wide ? <Places path={path} rail /> : null}
          <View style={{ flex: 1 }} role="main">
            {DESK_TITLES[path] ? (
              <Txt level={1} style={HIDDEN}>
                {DESK_TITLES[path]}
              </Txt>
            ) : null}
            <Guard what="This page" resetKeys={guarded}>
              {children}
            </Guard>
            {/* Below what one reads and taps, so that nothing moves under a finger when it comes or goes. */}
            <SyncLine />
            {sheet ? null : notice}
          </View>
          {oneHand ? slate : null}
          {wide ? null : <Places path={path} rail={false} />}
        </View>
        <Guard what="This sheet" resetKeys={[sheet]}>
          <Suspense fallback={null}>
            {sheet === 'setup' ? <SetupSheet onClose={close} /> : null}
            {sheet === 'subject' ? <SubjectSheet onClose={close} /> : null}
            {sheet === 'site' ? <SiteSheet onClose={close} /> : null}
            {sheet === 'preferences' ? <PreferencesSheet onClose={close} /> : null}
            {sheet === 'keys' ? <KeysSheet onClose={close} /> : null}
          </Suspense>
        </Guard>
      </OverSheets.Provider>
    </FieldModesInUse.Provider>
  );
}
