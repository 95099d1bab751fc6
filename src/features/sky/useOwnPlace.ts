import { useState } from 'react';
import { useSky } from '@/data/inHand';
import { zoneOfPlace } from './zoneOfPlace';

/** A position as it is being entered: one half may be there before the other. */
interface Entered {
  latitudeDeg: number | null;
  longitudeDeg: number | null;
}

/** A place by its coordinates. It is taken when both are there, with the clocks of that place; what is empty is not 0. */
export function useOwnPlace() {
  const { site, set } = useSky();
  // What is half entered belongs to the place it was begun at: another one chosen meanwhile shows its own.
  const [half, setHalf] = useState<{ at: typeof site; entered: Entered } | null>(null);
  const begun = half && half.at === site ? half.entered : null;
  const entered: Entered = begun ?? {
    latitudeDeg: site?.latitudeDeg ?? null,
    longitudeDeg: site?.longitudeDeg ?? null,
  };
  const enterPosition = ({ latitudeDeg, longitudeDeg }: Entered) => {
    if (latitudeDeg === null || longitudeDeg === null) {
      return setHalf({ at: site, entered: { latitudeDeg, longitudeDeg } });
    }
    setHalf(null);
    const position = { latitudeDeg, longitudeDeg };
    return set({ site: { name: 'Own place', heightM: site?.heightM ?? 0, ...position, zone: zoneOfPlace(position) } });
  };
  return { entered, enterPosition };
}
