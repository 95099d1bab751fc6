import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const SeriesPage = lazyPart(() => import('@/features/sky/desks').then((each) => ({ default: each.SeriesPage })));

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
