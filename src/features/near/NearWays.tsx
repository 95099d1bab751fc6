import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { ownRatio } from '@/core/learned/ownSchools';
import { handHoldQuantity, learnedHandHold, type HandHold } from '@/core/near/handHold';
import { handRatioInUse } from '@/core/near/handRatioInUse';
import type { Quantity } from '@/core/quantity/quantity';
import { useOwn } from '@/data/own/learned';
import type { CocSchool } from '@/core/output/circleOfConfusion';
import { usePreferences } from '@/data/preferences';
import { useHeldReadings } from '@/data/useReadings';

/** How a person wants to read close up. */
export interface NearWays {
  cocSchool: CocSchool;
  screenWidthMm: number;
  handHoldRatio: number;
  /** The same with its reasons and schools. */
  handRatio?: Quantity;
}

/** Up to which ratio this person holds by hand, from what they noted in the Book; null while they noted nothing. */
export function useLearnedHandHold(): HandHold | null {
  const readings = useHeldReadings();
  return useMemo(
    () =>
      learnedHandHold(
        readings.flatMap((data) =>
          data.desk === 'near' &&
          data.result.ratio !== undefined &&
          (data.held === 'handSharp' || data.held === 'handBlurred')
            ? [{ ratio: data.result.ratio, sharp: data.held === 'handSharp' }]
            : [],
        ),
      ),
    [readings],
  );
}

function useWaysNow(): NearWays {
  const cocSchool = usePreferences((state) => state.cocSchool);
  const screenWidthMm = usePreferences((state) => state.screenWidthMm);
  const entered = usePreferences((state) => state.handHoldRatio);
  const by = usePreferences((state) => state.handRatioBy);
  const few = useLearnedHandHold();
  const own = useOwn();
  return useMemo(() => {
    // Too few for a fit: the largest ratio that came out sharp stands in.
    const handRatio = handRatioInUse(entered, ownRatio(own) ?? (few && handHoldQuantity(few)), by);
    return { cocSchool, screenWidthMm, handRatio, handHoldRatio: handRatio.value };
  }, [cocSchool, screenWidthMm, entered, few, own, by]);
}

const WaysContext = createContext<NearWays | null>(null);

/** Works out the ways once for everything below; above what a drag draws anew, because they come from the whole Book. */
export function NearWaysHost({ children }: { children: ReactNode }) {
  return <WaysContext.Provider value={useWaysNow()}>{children}</WaysContext.Provider>;
}

export function useNearWays(): NearWays {
  const ways = useContext(WaysContext);
  if (!ways) throw new Error('Close-up ways are read below a NearWaysHost.');
  return ways;
}
