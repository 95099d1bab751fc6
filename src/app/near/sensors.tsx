import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const SensorsPage = lazyPart(() => import('@/features/near/pages/SensorsPage'));

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
