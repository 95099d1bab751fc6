import { useFonts } from 'expo-font';
import { Barlow_400Regular } from '@expo-google-fonts/barlow/400Regular';
import { Barlow_600SemiBold } from '@expo-google-fonts/barlow/600SemiBold';
import { BarlowSemiCondensed_500Medium } from '@expo-google-fonts/barlow-semi-condensed/500Medium';
import { BarlowSemiCondensed_600SemiBold } from '@expo-google-fonts/barlow-semi-condensed/600SemiBold';
import { Slot, usePathname } from 'expo-router';
import { Suspense, useEffect } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { SWRConfig } from 'swr';
import { Frame } from '@/features/slate/Frame';
import { usePreferences } from '@/data/preferences';
import { InPlace } from '@/data/Place';
import { KitProvider } from '@/data/useKit';
import { addMissingKeys } from '@/ui/keys';
import { lazyPart } from '@/ui/lazyPart';
import { WIDE_FROM } from '@/ui/theme/measures';
import { Theme, usePalette, type Look } from '@/ui/theme/theme';
import { usePageAtRest } from '@/ui/usePageAtRest';

const Learning = lazyPart(() => import('@/features/desk/Learning'));

const SWR_SETTINGS = { revalidateOnFocus: true, errorRetryInterval: 4000 };

/** The frame around every place: theme, slate, places. */
export default function Layout() {
  const look = usePreferences((state): Look => (state.look === 'day' && state.fullSun ? 'sun' : state.look));
  // Text is readable in the system's face until the fonts are there; nothing waits for them.
  useFonts({ Barlow_400Regular, Barlow_600SemiBold, BarlowSemiCondensed_500Medium, BarlowSemiCondensed_600SemiBold });
  return (
    <Theme look={look}>
      <SWRConfig value={SWR_SETTINGS}>
        <KitProvider>
          <Table look={look} />
        </KitProvider>
      </SWRConfig>
    </Theme>
  );
}

function Table({ look }: { look: Look }) {
  const palette = usePalette();
  const path = usePathname();
  const { width } = useWindowDimensions();
  const rested = usePageAtRest();
  useEffect(() => {
    if (path !== '/' && path !== '/far') document.getElementById('first-view')?.remove();
  }, [path]);
  useEffect(() => addMissingKeys(document), []);
  useEffect(() => {
    document.body.style.backgroundColor = palette.paper;
    document.documentElement.dataset.look = palette.paper === '#000000' ? 'night' : 'day';
    if (look === 'dim') document.documentElement.dataset.dim = '';
    else delete document.documentElement.dataset.dim;
    document.documentElement.style.colorScheme = palette.paper === '#000000' ? 'dark' : 'light';
  }, [palette, look]);
  return (
    <View style={{ flex: 1, backgroundColor: palette.paper }}>
      <InPlace path={path}>
        <Frame path={path} wide={width >= WIDE_FROM}>
          <Slot />
        </Frame>
      </InPlace>
      <Suspense fallback={null}>{rested ? <Learning /> : null}</Suspense>
    </View>
  );
}
