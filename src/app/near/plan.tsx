import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const RatioPlanPage = lazy(() => import('@/features/near/pages/RatioPlanPage'));

export default function NearRatioPlanPageRoute() {
  return (
    <Opening>
      <Head>
        <title>Plan for a ratio · Jauge</title>
      </Head>
      <RatioPlanPage />
    </Opening>
  );
}
