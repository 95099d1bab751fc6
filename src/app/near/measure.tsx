import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const MeasurePage = lazyPart(() => import('@/features/near/pages/MeasurePage'));

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
