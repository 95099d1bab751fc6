import { Suspense, type ComponentProps } from 'react';
import type { ResourceName } from '@/contract/resources';
import type { RowForm as Form } from './RowForm';
import { lazyPart } from '@/ui/lazyPart';

const Loaded = lazyPart(() =>
  import('./RowForm').then((module) => ({ default: module.RowForm as (props: object) => React.ReactElement })),
);

/** The form over a row, in a bundle of its own: both sheets use it, and the first view needs neither. */
export function RowForm<N extends ResourceName>(props: ComponentProps<typeof Form<N>>) {
  return (
    <Suspense fallback={null}>
      <Loaded {...props} />
    </Suspense>
  );
}
