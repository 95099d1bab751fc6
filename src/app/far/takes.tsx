import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const TakesPage = lazyPart(() => import('@/features/far/pages/TakesPage'));

export default function FarTakesPage() {
  return (
    <Opening>
      <Head>
        <title>What would it take? · Jauge</title>
      </Head>
      <TakesPage />
    </Opening>
  );
}
