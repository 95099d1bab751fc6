import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const DeepDesk = lazy(() => import('@/features/sky/desks').then((each) => ({ default: each.DeepDesk })));

export default function SkyDeepDeskRoute() {
  return (
    <Opening>
      <Head>
        <title>Deep sky · Jauge</title>
      </Head>
      <DeepDesk />
    </Opening>
  );
}
