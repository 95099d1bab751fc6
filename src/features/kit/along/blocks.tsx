import type { ReactNode } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { Txt } from '@/ui/Txt';
import { WIDE_FROM, space } from '@/ui/theme/measures';

/** A heading and what belongs to it. */
export function Block({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View style={{ gap: space.medium }}>
      <Txt kind="title" level={2}>
        {title}
      </Txt>
      {children}
    </View>
  );
}

/** Two blocks beside each other where there is room. */
export function Columns({ children }: { children: [ReactNode, ReactNode] }) {
  const wide = useWindowDimensions().width >= WIDE_FROM;
  return (
    <View style={{ flexDirection: wide ? 'row' : 'column', gap: wide ? 48 : space.wide }}>
      {children.map((child, i) => (
        <View key={i} style={wide ? { flex: 1 } : undefined}>
          {child}
        </View>
      ))}
    </View>
  );
}
