import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const StrokesPage = lazyPart(() => import('@/features/sky/desks').then((each) => ({ default: each.StrokesPage })));

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
