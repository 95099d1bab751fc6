import { Suspense, type ReactNode } from 'react';
import { View } from 'react-native';
import { useInHand } from '@/data/inHand';
import { useSheets } from '@/data/sheets';
import { Guard } from '@/ui/Guard';
import { OverSheets } from '@/ui/Sheet';
import { NoticeBar } from './NoticeBar';
import { Places } from './Places';
import { Slate } from './Slate';
import { SyncLine } from './SyncLine';
import { lazyPart } from '@/ui/lazyPart';

// Sheets are not needed for the first reading, so they come when they are opened.
const SetupSheet = lazyPart(() => import('../kit/SetupSheet'));
const SubjectSheet = lazyPart(() => import('../kit/SubjectSheet'));
const SiteSheet = lazyPart(() => import('../sky/desks').then((each) => ({ default: each.SiteSheet })));
const PreferencesSheet = lazyPart(() => import('./PreferencesSheet'));

/** Slate above, the place below it, the places at the bottom or at the left; sheets and notices over all. */
export function Frame({ path, wide, children }: { path: string; wide: boolean; children: ReactNode }) {
  const { sheet, close } = useSheets();
  const notice = <NoticeBar />;
  // Another page, set-up or subject may well be shown.
  const setupId = useInHand((state) => state.setupId);
  const subjectId = useInHand((state) => state.subjectId);
  const guarded = [path, setupId, subjectId];
  return (
    <OverSheets.Provider value={notice}>
      <Guard what="The line above" resetKeys={[path]}>
        <Slate sky={path.startsWith('/sky')} />
      </Guard>
      <SyncLine />
      <View style={{ flex: 1, flexDirection: wide ? 'row' : 'column' }}>
        {wide ? <Places path={path} rail /> : null}
        <View style={{ flex: 1 }} role="main">
          <Guard what="This page" resetKeys={guarded}>
            {children}
          </Guard>
        </View>
        {wide ? null : <Places path={path} rail={false} />}
      </View>
      <Guard what="This sheet" resetKeys={[sheet]}>
        <Suspense fallback={null}>
          {sheet === 'setup' ? <SetupSheet onClose={close} /> : null}
          {sheet === 'subject' ? <SubjectSheet onClose={close} /> : null}
          {sheet === 'site' ? <SiteSheet onClose={close} /> : null}
          {sheet === 'preferences' ? <PreferencesSheet onClose={close} /> : null}
        </Suspense>
      </Guard>
      {sheet ? null : notice}
    </OverSheets.Provider>
  );
}
