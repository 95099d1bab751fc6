import type { ReactNode } from 'react';
import { View } from 'react-native';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { Txt } from './Txt';
import { Key } from './controls/Key';
import { space } from './theme/measures';

interface Props {
  /** What is guarded, in words: "This page", "This group". */
  what: string;
  /** Drawn anew when one of these changes: another set-up may well be drawn. */
  resetKeys?: unknown[];
  children: ReactNode;
}

/** Keeps a fault within what it guards: the rest of the screen goes on, and says what cannot be shown. */
export function Guard({ what, resetKeys = [], children }: Props) {
  return (
    <ErrorBoundary resetKeys={resetKeys} fallbackRender={(fallback) => <Fault what={what} {...fallback} />}>
      {children}
    </ErrorBoundary>
  );
}

function Fault({ what, error, resetErrorBoundary }: { what: string } & FallbackProps) {
  return (
    <View role="alert" style={{ padding: space.page, gap: space.small, alignItems: 'flex-start' }}>
      <Txt tone="caution">⚠ {what} cannot be shown. Nothing is lost: what is stored stays as it is.</Txt>
      <Txt kind="fine" tone="soft">
        {error instanceof Error ? error.message : String(error)}
      </Txt>
      <Key title="Try again" weight="outline" onPress={resetErrorBoundary} />
    </View>
  );
}
