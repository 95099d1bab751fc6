import { useRouter, type Href } from 'expo-router';
import type { Outing } from '@/contract/schemas/outing';
import { deviceZone, shiftDay, tonight } from '@/data/localTime';
import { useSky } from '@/data/inHand';
import { createRow } from '@/data/rowActions';

/** Makes an outing for the day after this one, at the place of the sky where there is one, and opens it. */
export function useNewOuting(): () => void {
  const router = useRouter();
  const site = useSky((state) => state.site);
  return () => {
    const place: Outing['place'] = site
      ? {
          name: site.name,
          latitudeDeg: site.latitudeDeg,
          longitudeDeg: site.longitudeDeg,
          heightM: site.heightM,
          zone: site.zone,
        }
      : { name: 'Somewhere' };
    const day = shiftDay(tonight(site?.zone ?? deviceZone(), Date.now()), 1);
    const id = createRow('outings', { name: 'New outing', day, span: 'day', place, wants: [], bag: [] });
    router.push(`/book/outings/${id}` as Href);
  };
}
