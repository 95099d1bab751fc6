import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const SensorsPage = lazy(() => import('@/features/near/pages/SensorsPage'));

export default function NearSensorsPageRoute() {
  return (
    <Opening>
      <Head>
        <title>Sensors compared · Jauge</title>
      </Head>
      <SensorsPage />
    </Opening>
  );
}
