import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const StrokesPage = lazy(() => import('@/features/sky/desks').then((each) => ({ default: each.StrokesPage })));

export default function SkyStrokesPageRoute() {
  return (
    <Opening>
      <Head>
        <title>Wanted strokes · Jauge</title>
      </Head>
      <StrokesPage />
    </Opening>
  );
}
