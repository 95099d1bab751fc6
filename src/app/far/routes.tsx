import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const RoutesPage = lazyPart(() => import('@/features/far/pages/RoutesPage'));

export default function FarRoutesPage() {
  return (
    <Opening>
      <Head>
        <title>Another way · Jauge</title>
      </Head>
      <RoutesPage />
    </Opening>
  );
}
