import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const StarsDesk = lazy(() => import('@/features/sky/desks').then((each) => ({ default: each.StarsDesk })));

export default function SkyStarsDeskRoute() {
  return (
    <Opening>
      <Head>
        <title>Stars · Jauge</title>
      </Head>
      <StarsDesk />
    </Opening>
  );
}
