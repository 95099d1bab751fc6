import Head from 'expo-router/head';
import { Opening } from '@/ui/Opening';
import { lazyPart } from '@/ui/lazyPart';

const SizesPage = lazyPart(() => import('@/features/near/pages/SizesPage'));

export default function NearSizesPageRoute() {
  return (
    <Opening>
      <Head>
        <title>Three sizes · Jauge</title>
      </Head>
      <SizesPage />
    </Opening>
  );
}
