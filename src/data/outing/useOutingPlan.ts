import { useMemo, useState } from 'react';
import type { StoredOf } from '@/contract/resources';
import type { CountBy } from '@/core/bag/serve';
import { outingNight } from '@/core/outing/outingNight';
import { outingWords, type OutingParts, type OutingWords } from '@/core/outing/outingWords';
import type { CardBy } from '@/core/outing/settings';
import type { BagOrder } from '@/core/outing/bagOrder';
import type { Outing } from '@/contract/schemas/outing';
import zoneAt from '@photostructure/tz-lookup';
import { clock, dayText, deviceZone, noonMs } from '../localTime';
import { usePreferences } from '../preferences';
import { useKit } from '../useKit';
import { useOwn } from '../own/learned';
import { bagKitOf, isLost, packedOf, pictureOf, type LostWant, type OutingPicture } from './outingKit';
import { useBagWork, type BagWork } from './useBagWork';
import { useCounting } from './useCounting';

/** An outing with its plan, once it is there. */
export interface PlannedOuting {
  work: BagWork;
  lost: LostWant[];
  /** What the page and the card tell; null until the plan is there. */
  words: OutingWords | null;
  parts: OutingParts | null;
}

/** Clocks of the place: those entered, those of its coordinates, or this device's. */
export function zoneOf({ zone, latitudeDeg, longitudeDeg }: Outing['place']): string {
  if (zone) return zone;
  return latitudeDeg === undefined || longitudeDeg === undefined ? deviceZone() : zoneAt(latitudeDeg, longitudeDeg);
}

/** Light and dark at the place; null where it is told by its name only. */
export function useOutingNight({ place, day }: Outing) {
  const { latitudeDeg, longitudeDeg, heightM = 0 } = place;
  const zone = zoneOf(place);
  const night = useMemo(
    () =>
      latitudeDeg === undefined || longitudeDeg === undefined
        ? null
        : outingNight({ latitudeDeg, longitudeDeg, heightM }, noonMs(day, zone)),
    [latitudeDeg, longitudeDeg, heightM, day, zone],
  );
  return { night, zone };
}

/** How this person reads and works. */
function useCardBy(counting: CountBy, supported: boolean): CardBy {
  const units = usePreferences((state) => state.units);
  const handBy = usePreferences((state) => state.handBy);
  const isoBy = usePreferences((state) => state.isoBy);
  const own = useOwn();
  return useMemo(
    () => ({ ...counting, units, supported, own, handBy, isoBy }),
    [counting, units, supported, own, handBy, isoBy],
  );
}

/** The pictures of an outing with what they name, and its bag. */
export function useOutingWants(row: StoredOf<'outings'>) {
  const { kit, loading } = useKit();
  const { wants, bag } = row.data;
  return useMemo(() => {
    const all = wants.map((want) => pictureOf(want, kit));
    return {
      loading,
      pictures: all.filter((each): each is OutingPicture => !isLost(each)),
      lost: loading ? [] : all.filter(isLost),
      packed: packedOf({ bag }),
      bagKit: bagKitOf(kit, packedOf({ bag })),
    };
  }, [kit, loading, wants, bag]);
}

/** Plans an outing away from the page, and puts it into words. */
export function useOutingPlan(row: StoredOf<'outings'>): PlannedOuting {
  const { loading, pictures, lost, packed, bagKit } = useOutingWants(row);
  const counting = useCounting();
  const by = useCardBy(counting, (row.data.supportWeightG ?? 0) > 0);
  const { night, zone } = useOutingNight(row.data);
  const [empty] = useState(() => ({ pictures: [], stayHome: [] }));
  const order = useMemo(
    (): BagOrder | null =>
      loading || !pictures.length
        ? null
        : { kind: 'plan', kit: bagKit, carried: packed, wants: pictures, by: counting },
    [loading, pictures, bagKit, packed, counting],
  );
  const work = useBagWork(order);
  const plan = work.state === 'done' && work.answer.kind === 'plan' ? work.answer.plan : null;
  const parts = useMemo((): OutingParts | null => {
    const found = pictures.length ? plan : loading ? null : empty;
    // What is on its way belongs to the pictures as they were.
    if (!found || found.pictures.length !== pictures.length) return null;
    const { place, day, ...facts } = row.data;
    return {
      facts: { ...facts, dayText: dayText(day), placeName: place.name },
      kit: bagKit,
      carried: packed,
      wants: pictures,
      plan: found,
      by,
      night,
      clock: (ms) => clock(ms, zone),
    };
  }, [pictures, plan, loading, empty, row.data, bagKit, packed, by, night, zone]);
  const words = useMemo(() => (parts ? outingWords(parts) : null), [parts]);
  return { work, lost, words, parts };
}
