import { Suspense, type ReactNode } from 'react';
import { View } from 'react-native';
import { Txt } from './Txt';
import { useMissingParts } from './lazyPart';
import { space } from './theme/measures';

/** What stands in for a page while its part of the application is fetched, or cannot be had. */
export function Opening({ children }: { children: ReactNode }) {
  return <Suspense fallback={<Waiting />}>{children}</Suspense>;
}

function Waiting() {
  const missing = useMissingParts((state) => state.count > 0);
  return (
    <View style={{ padding: space.wide }} role="status">
      <Txt tone={missing ? 'caution' : 'soft'}>
        {missing
          ? 'The server cannot be reached, and this page was not opened before. Start the server again, and the page opens by itself; if it runs already, load the page anew.'
          : 'Opening …'}
      </Txt>
    </View>
  );
}
