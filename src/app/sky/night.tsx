import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const NightDesk = lazy(() => import('@/features/sky/desks').then((each) => ({ default: each.NightDesk })));

export default function SkyNightDeskRoute() {
  return (
    <Opening>
      <Head>
        <title>Night · Jauge</title>
      </Head>
      <NightDesk />
    </Opening>
  );
}
