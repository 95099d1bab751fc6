import { Suspense, type ReactNode } from 'react';
import { View } from 'react-native';
import { Txt } from './Txt';
import { space } from './theme/measures';

/** What stands in for a page while its part of the application is fetched. */
export function Opening({ children }: { children: ReactNode }) {
  return (
    <Suspense
      fallback={
        <View style={{ padding: space.wide }} role="status">
          <Txt tone="soft">Opening …</Txt>
        </View>
      }
    >
      {children}
    </Suspense>
  );
}
