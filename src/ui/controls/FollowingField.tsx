import { memo, useDeferredValue, type ComponentProps } from 'react';
import { NumberField } from './NumberField';

type Props = ComponentProps<typeof NumberField>;

const Steady = memo(NumberField);

/**
 * The number beside a rule. It follows a drag a moment later, so that the reading need not wait for it; give it an
 * `onChange` that stays the same, or it is drawn with every step after all.
 */
export function FollowingField({ value, ...rest }: Props) {
  return <Steady {...rest} value={useDeferredValue(value)} />;
}
