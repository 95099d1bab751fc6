import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { learnedHandHold, type HandHold } from '@/core/near/handHold';
import type { CocSchool } from '@/core/output/circleOfConfusion';
import { usePreferences } from '@/data/preferences';
import { useHeldReadings } from '@/data/useReadings';

/** How a person wants to read close up. */
export interface NearWays {
  cocSchool: CocSchool;
  screenWidthMm: number;
  handHoldRatio: number;
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
  const handHoldRatio = useLearnedHandHold()?.ratio ?? entered;
  return useMemo(() => ({ cocSchool, screenWidthMm, handHoldRatio }), [cocSchool, screenWidthMm, handHoldRatio]);
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
