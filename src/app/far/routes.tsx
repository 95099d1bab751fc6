import Head from 'expo-router/head';
import { lazy } from 'react';
import { Opening } from '@/ui/Opening';

const RoutesPage = lazy(() => import('@/features/far/pages/RoutesPage'));

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
