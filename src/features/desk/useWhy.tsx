import { Suspense, useCallback, useState, type ReactNode } from 'react';
import type { Quantity } from '@/core/quantity/quantity';
import { usePreferences } from '@/data/preferences';
import { lazyPart } from '@/ui/lazyPart';

const WhySheet = lazyPart(() => import('@/ui/why/WhySheet'));

export const isQuantity = (value: unknown): value is Quantity =>
  typeof value === 'object' && value !== null && 'why' in value && 'unit' in value;

/** The quantities of a desk as one flat list: later objects win, what is no number of them is left out. */
export function quantitiesOf(...objects: (object | null | undefined)[]): Record<string, Quantity> {
  const all = objects.flatMap((each) => (each ? Object.entries(each as Record<string, unknown>) : []));
  return Object.fromEntries(all.filter((entry): entry is [string, Quantity] => isQuantity(entry[1])));
}

/** What a person asked Why of: a number of the desk by its name, so that it stays current, or one as it was when asked. */
export type Asked = string | Quantity | null;

interface WhyHost {
  asked: Asked;
  ask: (what: string | Quantity) => void;
  /**
   * The sheet with the derivation, while one is asked for. The objects are looked through only then.
   *
   * @param objects whose quantities can be asked for by name; of two with one name the later counts
   */
  sheetFor: (...objects: (object | null | undefined)[]) => ReactNode;
}

/**
 * The one place of a desk that answers Why.
 *
 * @param takes a school that is no preference, such as a rule of exposure; says whether it took it
 */
export function useWhy(takes?: (preference: string, choice: string) => boolean): WhyHost {
  const [asked, setAsked] = useState<Asked>(null);
  const units = usePreferences((state) => state.units);
  const chooseSchool = usePreferences((state) => state.chooseSchool);
  const ask = useCallback((what: string | Quantity) => setAsked(what), []);
  const sheetFor = (...objects: (object | null | undefined)[]) => {
    const quantity = typeof asked === 'string' ? quantitiesOf(...objects)[asked] : (asked ?? undefined);
    if (!quantity) return null;
    return (
      <Suspense fallback={null}>
        <WhySheet
          quantity={quantity}
          units={units}
          onClose={() => setAsked(null)}
          onSchool={(preference, choice) => {
            if (!takes?.(preference, choice)) chooseSchool(preference, choice);
          }}
        />
      </Suspense>
    );
  };
  return { asked, ask, sheetFor };
}
