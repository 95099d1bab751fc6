import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const MeasurePage = lazy(() => import('@/features/near/pages/MeasurePage'));

export default function NearMeasurePageRoute() {
  return (
    <Opening>
      <Head>
        <title>Measure the ratio · Jauge</title>
      </Head>
      <MeasurePage />
    </Opening>
  );
}
