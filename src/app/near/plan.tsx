import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const RatioPlanPage = lazyPart(() => import('@/features/near/pages/RatioPlanPage'));

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
