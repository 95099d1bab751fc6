import { useEffect } from 'react';
import useSWR from 'swr';
import { api } from './api';
import { useSky } from './inHand';

/** Under what the state of the demo kit is cached. */
export const DEMO_KEY = 'demo-kit';

/** With the demo kit comes its place and its evening, as long as nobody has chosen others: every Sky page has something to show. */
export function useDemoEvening(): void {
  const site = useSky((sky) => sky.site);
  const set = useSky((sky) => sky.set);
  const { data } = useSWR(site === null ? DEMO_KEY : null, api.demo.rows);
  useEffect(() => {
    if (site === null && data && data.rows > 0) set(data.evening);
  }, [site, data, set]);
}
