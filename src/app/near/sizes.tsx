import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const SizesPage = lazy(() => import('@/features/near/pages/SizesPage'));

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
