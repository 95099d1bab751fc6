import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const NearDesk = lazy(() => import('@/features/near/NearDesk'));

export default function NearDeskRoute() {
  return (
    <Opening>
      <Head>
        <title>Near · Jauge</title>
      </Head>
      <NearDesk />
    </Opening>
  );
}
