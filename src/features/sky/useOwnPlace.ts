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
  const [half, setHalf] = useState<Entered | null>(null);
  const entered: Entered = half ?? {
    latitudeDeg: site?.latitudeDeg ?? null,
    longitudeDeg: site?.longitudeDeg ?? null,
  };
  const enterPosition = ({ latitudeDeg, longitudeDeg }: Entered) => {
    if (latitudeDeg === null || longitudeDeg === null) return setHalf({ latitudeDeg, longitudeDeg });
    setHalf(null);
    const position = { latitudeDeg, longitudeDeg };
    return set({ site: { name: 'Own place', heightM: site?.heightM ?? 0, ...position, zone: zoneOfPlace(position) } });
  };
  return { entered, enterPosition };
}
