import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const SeriesPage = lazy(() => import('@/features/sky/desks').then((each) => ({ default: each.SeriesPage })));

export default function SkySeriesPageRoute() {
  return (
    <Opening>
      <Head>
        <title>Test series · Jauge</title>
      </Head>
      <SeriesPage />
    </Opening>
  );
}
