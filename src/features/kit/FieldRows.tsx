import type { ReactNode } from 'react';
import { View } from 'react-native';
import { space } from '@/ui/theme/measures';
import type { Field } from './formFields';

interface Props<F extends Field> {
  fields: readonly F[];
  children: (field: F) => ReactNode;
}

/** Fields as they stand below each other; numbers that follow one another share a row that wraps. */
export function FieldRows<F extends Field>({ fields, children }: Props<F>) {
  return (
    <View style={{ gap: space.large }}>
      {runs(fields).map((run) => (
        <View
          key={run[0]!.path}
          style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space.large, rowGap: space.large }}
        >
          {run.map((field) => (
            <View key={field.path} style={{ flexGrow: 1, flexBasis: field.kind === 'number' ? 140 : 300 }}>
              {children(field)}
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

/** Keeps numbers that follow one another together; everything else stands alone. */
function runs<F extends Field>(fields: readonly F[]): F[][] {
  const groups: F[][] = [];
  for (const field of fields) {
    const last = groups.at(-1);
    if (field.kind === 'number' && last?.[0]?.kind === 'number') last.push(field);
    else groups.push([field]);
  }
  return groups;
}
